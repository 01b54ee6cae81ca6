import { layout } from '../theme/layout.ts';

/** What was refused and why, below what was asked; nothing where nothing was. */
export const Refusal = ({ children }: { readonly children: string | undefined }) =>
  children === undefined ? null : (
    <div className={layout.fieldError} role="alert">
      {children}
    </div>
  );
