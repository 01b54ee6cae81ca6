import { type ReactNode, useId } from 'react';
import { layout } from '../theme/layout.ts';

interface LabeledProps {
  readonly label: string;
  readonly error?: string | undefined;
  readonly hint?: string;
  readonly children: (control: {
    readonly id: string;
    readonly 'aria-invalid': boolean;
    readonly 'aria-describedby': string;
  }) => ReactNode;
}

/** A label above its control, with a hint or what is wrong below it. */
export function Labeled({ label, error, hint, children }: LabeledProps) {
  const id = useId();
  const noteId = `${id}-note`;
  return (
    <div>
      <label htmlFor={id} className="soft" style={{ fontSize: 13, display: 'block', marginBottom: 2 }}>
        {label}
      </label>
      {children({ id, 'aria-invalid': error !== undefined, 'aria-describedby': noteId })}
      <div id={noteId} className={error === undefined ? 'soft' : layout.fieldError} style={{ fontSize: 12 }}>
        {error ?? hint}
      </div>
    </div>
  );
}
