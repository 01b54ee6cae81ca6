import { type ReactNode, isValidElement } from 'react';
import { sameValue } from '@zest/core/job/sameValue';

/** What the cells of a row show, in the order of the columns. */
export type Contents = readonly ReactNode[];

/** Beyond this many rows what was kept is let go of, and kept anew as it is shown. */
const MOST_ROWS = 2000;

/**
 * Two nodes that draw the same: elements of one type with equal props, whatever else by its value. Whoever makes
 * elements of plain values has them drawn anew only where one of the values is another.
 */
export function sameNode(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a))
    return Array.isArray(b) && a.length === b.length && a.every((each, at) => sameNode(each, b[at]));
  if (!isValidElement<Record<string, unknown>>(a) || !isValidElement<Record<string, unknown>>(b))
    return !isValidElement(a) && !isValidElement(b) && sameValue(a, b);
  const keys = Object.keys(a.props);
  return (
    a.type === b.type &&
    a.key === b.key &&
    keys.length === Object.keys(b.props).length &&
    keys.every((key) => Object.hasOwn(b.props, key) && sameNode(a.props[key], b.props[key]))
  );
}

/** Hands back what a row showed before where that is the same, so that the row need not be drawn anew. */
export function keepContents(): (key: string, contents: Contents) => Contents {
  const kept = new Map<string, Contents>();
  return (key, contents) => {
    const had = kept.get(key);
    if (had !== undefined && sameNode(had, contents)) return had;
    if (kept.size >= MOST_ROWS) kept.clear();
    kept.set(key, contents);
    return contents;
  };
}
