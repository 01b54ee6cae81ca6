import { useState } from 'react';
import { TextArea } from './fields.tsx';
import { Refusal } from './Refusal.tsx';

interface CommitAreaProps {
  readonly label: string;
  readonly value: string;
  readonly placeholder?: string;
  readonly onCommit: (text: string) => string | undefined;
}

/** Several lines of text, taken on leaving the field; Escape puts back what was there. */
export function CommitArea({ label, value, placeholder, onCommit }: CommitAreaProps) {
  const [draft, setDraft] = useState<string | undefined>();
  const [error, setError] = useState<string | undefined>();
  const commit = (): void => {
    if (draft === undefined || draft === value) return;
    const refusal = onCommit(draft);
    setError(refusal);
    if (refusal === undefined) setDraft(undefined);
  };
  return (
    <div>
      <TextArea
        rows={2}
        aria-label={label}
        aria-invalid={error !== undefined}
        placeholder={placeholder}
        value={draft ?? value}
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Escape') setDraft(undefined);
        }}
      />
      <Refusal>{error}</Refusal>
    </div>
  );
}
