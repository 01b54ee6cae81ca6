import { type PlacedComponent, componentsOf } from '../assemblies/frames.ts';
import { type JobPurchase, listPurchases } from '../assemblies/jobPurchases.ts';
import type { Id } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import type { PlaceInAlternate } from '../job/records/alternate.ts';
import type { Line } from '../job/records/line.ts';
import type { Package } from '../job/records/quote.ts';
import type { LineKey } from './lineKey.ts';
import { alternateOf, countedIn, isSpread, overrideOf, sectionOf } from './places.ts';

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

/** Every line that money hangs on, in no particular order. */
export function* listLines(job: Job): Generator<LineAt> {
  for (const use of job.use.values())
    for (const placed of componentsOf(job, use)) yield placeComponent(job, placed);
  for (const line of job.line.values()) {
    if (line.is !== undefined) continue;
    const { id, sectionId, alternate, taxPercent } = line;
    yield { key: id, sectionId, alternate, taxPercent, of: { is: 'typed', line } };
  }
  for (const purchase of listPurchases(job)) {
    const { taxPercent } = overrideOf(job, purchase.key) ?? {};
    yield {
      key: purchase.key,
      sectionId: null,
      alternate: undefined,
      taxPercent,
      of: { is: 'purchase', purchase },
    };
  }
  for (const each of job.package.values()) {
    if (!isLumpSum(each)) continue;
    const { id, sectionId, alternate } = each;
    yield { key: id, sectionId, alternate, taxPercent: undefined, of: { is: 'quote', package: each } };
  }
}

/** The lines of a scope that count and stand under it. */
export function linesOfScope(job: Job, scopeId: string): readonly LineKey[] {
  const isCounted = countedIn(job);
  return [...job.use.values()]
    .filter((use) => use.scopeId === scopeId)
    .flatMap((use) => componentsOf(job, use))
    .filter(
      (placed) =>
        !isSpread(job, placed) && isCounted({ key: placed.key, alternate: alternateOf(job, placed) }),
    )
    .map(({ key }) => key);
}
