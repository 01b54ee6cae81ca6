/**
 * Equal in content: arrays, plain objects, maps and sets by what they hold, the rest by identity. The
 * order in which the fields of an object were written does not matter.
 */
export function sameValue(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a)) return Array.isArray(b) && sameList(a, b);
  if (a instanceof Map) return b instanceof Map && sameMap(a, b);
  if (a instanceof Set) return b instanceof Set && sameList([...a], [...b]);
  const prototype: unknown = Object.getPrototypeOf(a);
  if (prototype !== Object.getPrototypeOf(b) || prototype !== Object.prototype) return false;
  const left = Object.keys(a);
  return (
    left.length === Object.keys(b).length &&
    left.every(
      (key) =>
        Object.hasOwn(b, key) &&
        sameValue((a as Record<string, unknown>)[key], (b as Record<string, unknown>)[key]),
    )
  );
}

const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, at) => sameValue(each, b[at]));

const sameMap = (a: ReadonlyMap<unknown, unknown>, b: ReadonlyMap<unknown, unknown>): boolean =>
  a.size === b.size && [...a].every(([key, value]) => b.has(key) && sameValue(value, b.get(key)));
