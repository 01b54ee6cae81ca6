/**
 * What a record holds under a key that a person typed. `constructor` is a good name for an answer, and
 * every object of JavaScript has something by that name.
 */
export const own = <Value>(record: Readonly<Record<string, Value>>, key: string): Value | undefined =>
  Object.hasOwn(record, key) ? record[key] : undefined;
