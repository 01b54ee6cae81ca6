/**
 * What follows from a table alone is worked out once for as long as the table stays the same object;
 * a change makes a new one.
 */
export function remember<Key extends object, Value>(make: (from: Key) => Value): (from: Key) => Value {
  const known = new WeakMap<Key, Value>();
  return (from) => {
    const had = known.get(from);
    if (had !== undefined) return had;
    const made = make(from);
    known.set(from, made);
    return made;
  };
}
