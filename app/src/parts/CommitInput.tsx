import { type CSSProperties, type KeyboardEvent, useState } from 'react';
import { TextInput } from './fields.tsx';
import { Refusal } from './Refusal.tsx';

interface CommitInputProps {
  readonly value: string;
  /** Takes the new text; what it returns is shown as what is wrong with it. */
  readonly onCommit: (text: string) => string | undefined;
  readonly label: string;
  /** Figures stand at the end. */
  readonly align?: 'end';
  readonly look?: 'bare';
  readonly placeholder?: string;
  readonly style?: CSSProperties;
  readonly disabled?: boolean;
  readonly list?: string;
  /** The first field of a row: where the focus goes when the row is new. */
  readonly first?: boolean;
}

/**
 * A text that is taken on Enter and on leaving the field, and put back by Escape. What was refused
 * stays as typed, with the reason below, so that nothing someone wrote is lost.
 */
export function CommitInput({ value, onCommit, label, align, first, ...rest }: CommitInputProps) {
  const [draft, setDraft] = useState<string | undefined>();
  const [error, setError] = useState<string | undefined>();
  const commit = (): void => {
    if (draft === undefined || draft === value) {
      setDraft(undefined);
      setError(undefined);
      return;
    }
    const refusal = onCommit(draft);
    setError(refusal);
    if (refusal === undefined) setDraft(undefined);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    event.stopPropagation();
    if (event.key === 'Enter') {
      event.preventDefault();
      commit();
    }
    if (event.key === 'Escape') {
      setDraft(undefined);
      setError(undefined);
    }
  };
  return (
    <div style={{ minWidth: 0 }}>
      <TextInput
        {...rest}
        align={align}
        aria-label={label}
        data-first={first}
        aria-invalid={error !== undefined}
        value={draft ?? value}
        title={draft ?? value}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
        onFocus={(event) => event.target.select()}
      />
      <Refusal>{error}</Refusal>
    </div>
  );
}
