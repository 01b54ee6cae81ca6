import { type PlacedComponent, componentsOf } from '../assemblies/frames.ts';
import { usesOfScope } from '../job/belongs.ts';
import { groupBy } from '../job/groupBy.ts';
import { query } from '../job/query.ts';
import { type JobPurchase, listPurchases, purchaseOfCode } from './purchases.ts';
import type { Id } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import type { PlaceInAlternate } from '../job/records/alternate.ts';
import type { Line } from '../job/records/line.ts';
import type { Package } from '../job/records/quote.ts';
import { type LineKey, NO_SECTION } from '../job/lineKey.ts';
import { overrideOf } from '../job/overrides.ts';
import { alternateOf, countedIn, isSpread, sectionOf } from './places.ts';

/** A priced line of whatever kind, with what its place in the estimate is. */
export interface LineAt {
  readonly key: LineKey;
  readonly sectionId: Id<'section'> | null;
  readonly alternate: PlaceInAlternate | undefined;
  /** Percent of tax in the place of the job's; undefined for the job's. */
  readonly taxPercent: string | undefined;
  readonly of:
    | { readonly is: 'component'; readonly placed: PlacedComponent }
    | { readonly is: 'typed'; readonly line: Line }
    | { readonly is: 'purchase'; readonly purchase: JobPurchase }
    | { readonly is: 'quote'; readonly package: Package };
}

/** Packages with one sum for all are a line of their own. */
export const isLumpSum = ({ by }: Package): boolean => by === 'sum';

export const placeComponent = (job: Job, placed: PlacedComponent): LineAt => ({
  key: placed.key,
  sectionId: sectionOf(job, placed),
  alternate: alternateOf(job, placed),
  taxPercent: overrideOf(job, placed.key)?.taxPercent,
  of: { is: 'component', placed },
});

/** A line of the estimate that was typed; undefined for a text or a subtotal. */
function lineAt(line: Line): LineAt | undefined {
  const { id, sectionId, alternate, taxPercent } = line;
  return line.is !== undefined
    ? undefined
    : { key: id, sectionId, alternate, taxPercent, of: { is: 'typed', line } };
}

function lineOfPurchase(job: Job, purchase: JobPurchase): LineAt {
  const { taxPercent } = overrideOf(job, purchase.key) ?? {};
  return {
    key: purchase.key,
    sectionId: null,
    alternate: undefined,
    taxPercent,
    of: { is: 'purchase', purchase },
  };
}

function lineOfPackage(each: Package): LineAt | undefined {
  const { id, sectionId, alternate } = each;
  return isLumpSum(each)
    ? { key: id, sectionId, alternate, taxPercent: undefined, of: { is: 'quote', package: each } }
    : undefined;
}

const linesOfUse = query((job, useId): readonly LineAt[] => {
  const use = job.use.get(useId as Id<'use'>);
  return use === undefined ? [] : componentsOf(job, use).map((placed) => placeComponent(job, placed));
});

/** Every line that money hangs on, in no particular order. */
export function* listLines(job: Job): Generator<LineAt> {
  for (const useId of job.use.keys()) yield* linesOfUse(job, useId);
  for (const line of job.line.values()) {
    const at = lineAt(line);
    if (at !== undefined) yield at;
  }
  for (const purchase of listPurchases(job)) yield lineOfPurchase(job, purchase);
  for (const each of job.package.values()) {
    const at = lineOfPackage(each);
    if (at !== undefined) yield at;
  }
}

/** What makes lines: assemblies that are applied, typed lines, purchases, packages. */
export type LineMaker = 'use' | 'line' | 'purchase' | 'package';

/** Where a line that counts stands, and what tax acts on it: all that sums over lines ask of one. */
export interface CountedLine {
  readonly key: LineKey;
  readonly sectionId: Id<'section'> | null;
  readonly taxPercent: string | undefined;
  /** Stands elsewhere than under what was measured. */
  readonly spread: boolean;
  readonly by: LineMaker;
  readonly makerId: string;
}

const counted = (
  job: Job,
  lines: readonly LineAt[],
  by: LineMaker,
  makerId: string,
): readonly CountedLine[] => {
  const isCounted = countedIn(job);
  return lines.filter(isCounted).map(({ key, sectionId, taxPercent, of }) => {
    const spread = of.is === 'component' && isSpread(job, of.placed);
    return { key, sectionId, taxPercent, spread, by, makerId };
  });
};

const one = (line: LineAt | undefined): readonly LineAt[] => (line === undefined ? [] : [line]);

/** The lines of one maker that count. */
export const countedLinesOf: (job: Job, by: LineMaker, id: string) => readonly CountedLine[] = query(
  (job, by, id) => {
    switch (by as LineMaker) {
      case 'use':
        return counted(job, linesOfUse(job, id as string), 'use', id as string);
      case 'line': {
        const line = job.line.get(id as Id<'line'>);
        return counted(job, line === undefined ? [] : one(lineAt(line)), 'line', id as string);
      }
      case 'purchase': {
        const purchase = purchaseOfCode(job, id as string);
        return purchase === undefined
          ? []
          : counted(job, [lineOfPurchase(job, purchase)], 'purchase', id as string);
      }
      case 'package': {
        const each = job.package.get(id as Id<'package'>);
        return counted(job, each === undefined ? [] : one(lineOfPackage(each)), 'package', id as string);
      }
    }
  },
);

/** All lines that count. */
export const listCounted: (job: Job) => readonly CountedLine[] = query((job) => [
  ...[...job.use.keys()].flatMap((id) => countedLinesOf(job, 'use', id)),
  ...[...job.line.keys()].flatMap((id) => countedLinesOf(job, 'line', id)),
  ...listPurchases(job).flatMap(({ code }) => countedLinesOf(job, 'purchase', code)),
  ...[...job.package.keys()].flatMap((id) => countedLinesOf(job, 'package', id)),
]);

/** The same by the section they stand in; those in none under NO_SECTION. */
const countedBySection = query((job) =>
  groupBy(listCounted(job), ({ sectionId }): string => sectionId ?? NO_SECTION),
);

export const countedInSection = query(
  (job, sectionId): readonly CountedLine[] => countedBySection(job).get(sectionId as string) ?? [],
);

/** The lines of a scope that count and stand under it. */
export const linesOfScope = (job: Job, scopeId: string): readonly LineKey[] =>
  usesOfScope(job, scopeId)
    .flatMap((id) => countedLinesOf(job, 'use', id))
    .filter(({ spread }) => !spread)
    .map(({ key }) => key);
