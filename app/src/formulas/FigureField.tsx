import { useLayoutEffect, useRef } from 'react';
import { TextInput } from '../parts/fields.tsx';

/** A bare number: nothing in it to complete, to underline or to explain. */
export const isFigure = (text: string): boolean => /^[\d.,]*$/.test(text);

interface FigureFieldProps {
  readonly label: string;
  readonly text: string;
  /** All of the text is marked, for what is typed to take its place; otherwise the caret stands at its end. */
  readonly whole: boolean;
  readonly align: 'end' | undefined;
  readonly invalid: boolean;
  readonly onText: (text: string, caret: number) => void;
  readonly onEnter: (withShift: boolean) => void;
  readonly onTab: (withShift: boolean) => void;
  readonly onEscape: () => void;
}

/**
 * A cell while no more than a number stands in it. Most cells are filled with one, and the editor of formulas takes
 * some 4 ms to open (edit.cell); it comes with the first key that a number does not have.
 */
export function FigureField(props: FigureFieldProps) {
  const { label, text, whole, align, invalid, onText, onEnter, onTab, onEscape } = props;
  const input = useRef<HTMLInputElement>(null);
  useLayoutEffect(() => {
    const field = input.current;
    field?.focus({ preventScroll: true });
    if (whole) field?.select();
    else field?.setSelectionRange(field.value.length, field.value.length);
    // Where the caret stands is set once, when the cell opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  return (
    <TextInput
      ref={input}
      look="cell"
      align={align}
      role="combobox"
      aria-label={label}
      aria-expanded={false}
      aria-invalid={invalid}
      value={text}
      onChange={({ target }) => onText(target.value, target.selectionStart ?? target.value.length)}
      onKeyDown={(event) => {
        if (event.key === 'Enter') onEnter(event.shiftKey);
        else if (event.key === 'Tab') onTab(event.shiftKey);
        else if (event.key === 'Escape') onEscape();
        else return;
        event.preventDefault();
      }}
    />
  );
}
