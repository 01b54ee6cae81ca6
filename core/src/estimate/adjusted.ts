import type { Id } from '../job/id.ts';
import { type Job, inOrder } from '../job/job.ts';
import { remember } from '../job/remember.ts';
import type { Adjustment } from '../job/records/adjustment.ts';
import type { LineKey } from './lineKey.ts';
import { sectionsAround } from './places.ts';

interface Filed {
  readonly all: readonly Adjustment[];
  readonly sections: ReadonlyMap<string, readonly Adjustment[]>;
  readonly lines: ReadonlyMap<LineKey, readonly Adjustment[]>;
}

const NONE: readonly Adjustment[] = [];

const filed = remember((adjustments: Job['adjustment']): Filed => {
  const sections = new Map<string, Adjustment[]>();
  const lines = new Map<LineKey, Adjustment[]>();
  const file = (into: Map<string, Adjustment[]>, key: string, each: Adjustment): void => {
    const there = into.get(key);
    if (there === undefined) into.set(key, [each]);
    else there.push(each);
  };
  const all: Adjustment[] = [];
  for (const each of inOrder(adjustments.values())) {
    if (each.on.what === 'all') all.push(each);
    else if (each.on.what === 'section') file(sections, each.on.sectionId, each);
    else for (const key of each.on.lines) file(lines, key, each);
  }
  return { all, sections, lines };
});

/** The adjustments that act on a line, in their order: those on everything, on its sections, on itself. */
export function adjustmentsOn(
  job: Job,
  key: LineKey,
  sectionId: Id<'section'> | null,
): readonly Adjustment[] {
  if (job.adjustment.size === 0) return NONE;
  const { all, sections, lines } = filed(job.adjustment);
  const around = sections.size === 0 ? [] : sectionsAround(job, sectionId);
  return [...all, ...around.flatMap((id) => sections.get(id) ?? NONE), ...(lines.get(key) ?? NONE)];
}
