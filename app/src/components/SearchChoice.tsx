import { type ReactNode, useEffect, useId, useMemo, useRef, useState } from 'react';
import { TextInput } from '../parts/fields.tsx';
import { layout } from '../theme/layout.ts';
import { styles } from './styles.ts';

export interface SearchOption {
  readonly id: string;
  /** What is shown of it, in cells side by side. */
  readonly content: ReactNode;
}

interface SearchChoiceProps {
  readonly label: string;
  readonly listLabel: string;
  readonly placeholder: string;
  /** What the field shows while nothing is typed. */
  readonly value: string;
  readonly title?: string;
  readonly invalid?: boolean;
  readonly width: number;
  readonly side: 'left' | 'right';
  /** The options that fit what was typed, best first. */
  readonly find: (text: string) => readonly SearchOption[];
  readonly nothing: string;
  readonly onChoose: (id: string) => void;
  /** The option that typed text means by itself when the field is left; undefined for none. */
  readonly exact?: (text: string) => string | undefined;
  /** Told of a text that was typed and means nothing here, when the field is left: it is not dropped in silence. */
  readonly onUnknown?: (text: string) => void;
  /** In a cell of a table: what was typed to begin with, and what happens when nothing is chosen. */
  readonly inCell?: { readonly first: string | undefined; readonly onLeave: () => void } | undefined;
}

/** A field that finds while typing: arrow keys, Enter, Escape, or a click. */
export function SearchChoice(props: SearchChoiceProps) {
  const { label, find, onChoose, value, exact, inCell } = props;
  const [text, show] = useState<string | undefined>(inCell?.first);
  // What is chosen moves the focus at once, before the field is drawn anew: leaving must not read what was typed before.
  const typed = useRef(text);
  const setText = (to: string | undefined): void => {
    typed.current = to;
    show(to);
  };
  const [at, setAt] = useState(0);
  const listId = useId();
  const field = useRef<HTMLInputElement>(null);
  const found = useMemo(() => (text === undefined ? [] : find(text)), [find, text]);
  const list = useRef<HTMLUListElement>(null);
  const open = text !== undefined;
  // The field may stand at the foot of what scrolls; the list must be seen.
  useEffect(() => {
    if (open) list.current?.scrollIntoView({ block: 'nearest' });
  }, [open, found]);
  const isInCell = inCell !== undefined;
  const begun = useRef(inCell?.first);
  useEffect(() => {
    if (!isInCell) return;
    // What is typed next goes on from the first letter, and to nothing else.
    field.current?.focus();
    if (begun.current !== undefined) field.current?.setSelectionRange(1, 1);
  }, [isInCell]);
  const choose = (id: string): void => {
    setText(undefined);
    onChoose(id);
  };
  const leave = (): void => {
    const left = typed.current;
    const meant = left === undefined ? undefined : exact?.(left);
    if (meant !== undefined) return choose(meant);
    setText(undefined);
    if (left !== undefined && left.trim() !== '') props.onUnknown?.(left.trim());
    inCell?.onLeave();
  };
  return (
    <div style={{ position: 'relative' }}>
      <TextInput
        ref={field}
        role="combobox"
        aria-label={label}
        aria-expanded={text !== undefined && found.length > 0}
        aria-controls={listId}
        aria-activedescendant={found[at] === undefined ? undefined : `${listId}-${at}`}
        aria-invalid={props.invalid}
        placeholder={props.placeholder}
        title={props.title}
        value={text ?? value}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onBlur={leave}
        onKeyDown={(event) => {
          event.stopPropagation();
          const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
          if (step !== undefined) {
            event.preventDefault();
            if (text === undefined) setText('');
            setAt((from) => Math.max(0, Math.min(found.length - 1, from + step)));
          } else if (event.key === 'Enter' && text !== undefined) {
            const option = found[at];
            if (text.trim() === '' && exact !== undefined) leave();
            else if (option !== undefined) choose(option.id);
            else if (props.onUnknown !== undefined) leave();
          } else if (event.key === 'Escape') {
            setText(undefined);
            inCell?.onLeave();
          }
        }}
      />
      {text === undefined ? null : (
        <ul
          ref={list}
          className={`${layout.finderList} ${layout.box} ${styles.searchList}`}
          id={listId}
          role="listbox"
          aria-label={props.listLabel}
          style={{ [props.side]: 0, width: props.width }}
        >
          {found.map(({ id, content }, index) => (
            <li
              key={id}
              id={`${listId}-${index}`}
              role="option"
              aria-selected={index === at}
              onMouseDown={(event) => {
                event.preventDefault();
                choose(id);
                // By hand the keys go back to the work; by keyboard the focus stays.
                field.current?.blur();
              }}
            >
              {content}
            </li>
          ))}
          {found.length === 0 ? (
            <li role="option" aria-selected="false">
              {props.nothing}
            </li>
          ) : null}
        </ul>
      )}
    </div>
  );
}
