import { useEffect, useRef, useState } from 'react';
import type { Cell } from './cells.ts';
import { TextInput } from '../parts/fields.tsx';

interface CellEditorProps {
  readonly label: string;
  readonly text: string;
  /** All of the text is marked, for what is typed next to take its place. */
  readonly whole?: boolean;
  /** Answers whether the text was taken. */
  readonly onCommit: (text: string, step: Cell) => boolean;
  readonly onCancel: () => void;
}

/** The plain editor of a cell: Enter and Tab take the text and go on, Escape puts it back. */
export function CellEditor({ label, text, whole = false, onCommit, onCancel }: CellEditorProps) {
  const [draft, setDraft] = useState(text);
  const input = useRef<HTMLInputElement>(null);
  const settled = useRef(false);
  useEffect(() => {
    input.current?.focus();
    if (whole) input.current?.select();
  }, [whole]);
  const commit = (step: Cell): void => {
    // Taking the text moves the focus away, and leaving the field would take it a second time.
    settled.current = true;
    settled.current = onCommit(draft, step);
  };
  return (
    <TextInput
      look="cell"
      ref={input}
      aria-label={label}
      value={draft}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={() => {
        if (!settled.current) commit({ row: 0, column: 0 });
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') commit({ row: event.shiftKey ? -1 : 1, column: 0 });
        else if (event.key === 'Tab') commit({ row: 0, column: event.shiftKey ? -1 : 1 });
        else if (event.key === 'Escape') {
          settled.current = true;
          onCancel();
        } else return;
        event.preventDefault();
      }}
    />
  );
}
