import type { CSSProperties, ReactNode } from 'react';

interface RadioProps {
  readonly name: string;
  readonly checked: boolean;
  readonly onChange: () => void;
  readonly children: ReactNode;
  readonly 'aria-label'?: string;
  readonly style?: CSSProperties;
}

/** One of several: they may stand in different cells of a table, where a group of the library could not hold them. */
export const Radio = ({ children, style, onChange, ...rest }: RadioProps) => (
  <label style={{ display: 'inline-flex', gap: 6, alignItems: 'center', cursor: 'pointer', ...style }}>
    <input type="radio" style={{ accentColor: 'var(--bar)' }} onChange={() => onChange()} {...rest} />
    {children}
  </label>
);
