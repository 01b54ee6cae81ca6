import { type InputHTMLAttributes } from 'react';
import { Labeled } from './Labeled.tsx';
import { TextInput } from './fields.tsx';

interface LabeledTextProps extends Omit<
  InputHTMLAttributes<HTMLInputElement>,
  'value' | 'onChange' | 'size'
> {
  readonly label: string;
  readonly error?: string | undefined;
  readonly hint?: string;
  /** Figures stand at the end. */
  readonly align?: 'end';
  readonly value: string;
  readonly onText: (text: string) => void;
}

/** A line of text of a dialog, kept by it until the dialog is done. */
export function LabeledText({ label, error, hint, onText, align, ...input }: LabeledTextProps) {
  return (
    <Labeled label={label} error={error} {...(hint === undefined ? {} : { hint })}>
      {(control) => (
        <TextInput {...input} {...control} align={align} onChange={(event) => onText(event.target.value)} />
      )}
    </Labeled>
  );
}
