/** Names are asked for again and again; so many are kept, which is more than a large job has. */
const KEPT = 50_000;

/** What follows from a text alone, worked out once for each text. */
export function perText<Value>(read: (text: string) => Value): (text: string) => Value {
  const known = new Map<string, Value>();
  return (text) => {
    const had = known.get(text);
    if (had !== undefined) return had;
    if (known.size >= KEPT) known.clear();
    const value = read(text);
    known.set(text, value);
    return value;
  };
}

/** Words that say which thing is meant: of four letters or more, a plural as its singular. */
export const tellingWords = perText((text: string): readonly string[] =>
  (text.toLowerCase().match(/\p{L}{4,}/gu) ?? []).map((word) => word.replace(/s$/u, '').replace(/e$/u, '')),
);
