import type { Option } from './options.tsx';

/** An option that says what it is called and, beside it, where it is from. */
export const namedOption = (id: string, name: string, from: string): Option => ({
  id,
  content: (
    <>
      <span className="cut" style={{ flex: 1 }}>
        {name}
      </span>
      <span className="kind">{from}</span>
    </>
  ),
});
