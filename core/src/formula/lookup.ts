import type { Dimension } from '../units/dimension.ts';
import type { LookupMode } from './ast.ts';

/** A column of a table in SI values; undefined where a cell is empty or holds a word. */
export interface LookupColumn {
  readonly key: string;
  readonly dimension: Dimension;
  readonly values: readonly (number | undefined)[];
  readonly texts: readonly string[];
}

/** A table as `lookup` reads it: all columns have the same number of rows. */
export interface LookupTable {
  readonly key: string;
  readonly columns: readonly LookupColumn[];
}

/** A billionth part is binary noise: 16 in typed as 1 ft 4 in must find the row of 16 in. */
const NOISE = 1e-9;
const near = (a: number, b: number): boolean =>
  Math.abs(a - b) <= NOISE * Math.max(1, Math.abs(a), Math.abs(b));

interface Pair {
  readonly by: number;
  readonly take: number;
}

function pairsOf(take: LookupColumn, by: LookupColumn): readonly Pair[] {
  const pairs = by.values.flatMap((value, row): Pair[] => {
    const taken = take.values[row];
    return value === undefined || taken === undefined ? [] : [{ by: value, take: taken }];
  });
  return pairs.sort((a, b) => a.by - b.by);
}

function between(pairs: readonly Pair[], needed: number): number {
  const above = pairs.findIndex((pair) => pair.by >= needed || near(pair.by, needed));
  const high = pairs[above];
  const low = pairs[above - 1];
  if (high === undefined || (low === undefined && !near(high.by, needed))) return Number.NaN;
  if (low === undefined || near(high.by, needed)) return high.take;
  return low.take + ((high.take - low.take) * (needed - low.by)) / (high.by - low.by);
}

/** The smallest difference wins; of two rows just as near, the larger, which is the safe one. */
const nearest = (pairs: readonly Pair[], needed: number): number | undefined =>
  pairs.reduce<Pair | undefined>(
    (best, pair) =>
      best === undefined || Math.abs(pair.by - needed) <= Math.abs(best.by - needed) ? pair : best,
    undefined,
  )?.take;

/**
 * The function that looks a figure up, its rows sorted once. NaN where no row fits: a figure beyond
 * the last row is told, never taken from the last row.
 */
export function createLookup(
  take: LookupColumn,
  by: LookupColumn,
  mode: LookupMode,
): (needed: number) => number {
  const pairs = pairsOf(take, by);
  switch (mode) {
    case 'enough':
      return (needed) => pairs.find((pair) => pair.by >= needed || near(pair.by, needed))?.take ?? Number.NaN;
    case 'nearest':
      return (needed) => nearest(pairs, needed) ?? Number.NaN;
    case 'exact':
      return (needed) => pairs.find((pair) => near(pair.by, needed))?.take ?? Number.NaN;
    case 'between':
      return (needed) => between(pairs, needed);
  }
}

/** The figure in the row whose word is the one asked for; NaN where there is none. */
export function lookUpText(take: LookupColumn, by: LookupColumn, wanted: string): number {
  const row = by.texts.findIndex((text) => text.trim().toLowerCase() === wanted.trim().toLowerCase());
  return take.values[row] ?? Number.NaN;
}

/** The smallest and largest figure of a column; undefined where it has none. */
export function rangeOf({ values }: LookupColumn): readonly [least: number, largest: number] | undefined {
  const known = values.filter((value) => value !== undefined);
  return known.length === 0 ? undefined : [Math.min(...known), Math.max(...known)];
}
