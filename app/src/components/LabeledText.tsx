import { type InputHTMLAttributes } from 'react';
import { Labeled } from './Labeled.tsx';

interface LabeledTextProps extends Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange'> {
  readonly label: string;
  readonly error?: string | undefined;
  readonly hint?: string;
  readonly value: string;
  readonly onText: (text: string) => void;
}

/** A line of text of a dialog, kept by it until the dialog is done. */
export function LabeledText({ label, error, hint, onText, className = '', ...input }: LabeledTextProps) {
  return (
    <Labeled label={label} error={error} {...(hint === undefined ? {} : { hint })}>
      {(control) => (
        <input
          {...input}
          {...control}
          className={`input ${className}`}
          onChange={(event) => onText(event.target.value)}
        />
      )}
    </Labeled>
  );
}
