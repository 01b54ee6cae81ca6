import { usesOfScope } from '../job/belongs.ts';
import { groupBy } from '../job/groupBy.ts';
import type { Id } from '../job/id.ts';
import type { Job } from '../job/job.ts';
import { type LineKey, NO_SECTION } from '../job/lineKey.ts';
import { query } from '../job/query.ts';
import {
  LINE_MAKERS,
  type LineAt,
  type LineMaker,
  linesOfMaker,
  makersOf,
  standsApart,
} from './lineSources.ts';
import { countedIn } from './places.ts';

/** Every line that money hangs on, in no particular order. */
export function* listLines(job: Job): Generator<LineAt> {
  for (const by of LINE_MAKERS) for (const id of makersOf(job, by)) yield* linesOfMaker(job, by, id);
}

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

/** The lines of one maker that count. What else is said of them may change without a sum over them following. */
export const countedLinesOf: (job: Job, by: LineMaker, makerId: string) => readonly CountedLine[] = query(
  (job, by, makerId) => {
    const maker = by as LineMaker;
    return linesOfMaker(job, maker, makerId as string)
      .filter(countedIn(job))
      .map((line) => ({
        key: line.key,
        sectionId: line.sectionId,
        taxPercent: line.taxPercent,
        spread: standsApart(job, line),
        by: maker,
        makerId: makerId as string,
      }));
  },
);

/** All lines that count. */
export const listCounted: (job: Job) => readonly CountedLine[] = query((job) =>
  LINE_MAKERS.flatMap((by) => [...makersOf(job, by)].flatMap((id) => countedLinesOf(job, by, id))),
);

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
