import type { Id } from '../job/id.ts';
import { type Job, inOrder } from '../job/job.ts';
import { recordsOf } from '../job/belongs.ts';
import { group } from '../job/query.ts';
import type { Adjustment } from '../job/records/adjustment.ts';
import type { LineKey } from '../job/lineKey.ts';
import { sectionsAround } from './places.ts';

const onAll = group('adjustment', ({ on }) => (on.what === 'all' ? [''] : []));
const onSection = group('adjustment', ({ on }) => (on.what === 'section' ? [on.sectionId] : []));
const onLine = group('adjustment', ({ on }) => (on.what === 'lines' ? on.lines : []));

const NONE: readonly Adjustment[] = [];

/** The adjustments that act on a line, in their order: those on everything, on its sections, on itself. */
export function adjustmentsOn(
  job: Job,
  key: LineKey,
  sectionId: Id<'section'> | null,
): readonly Adjustment[] {
  const priceFactors = (ids: readonly Id<'adjustment'>[]): readonly Adjustment[] =>
    ids.length === 0 ? NONE : inOrder(recordsOf(job.adjustment, ids));
  return [
    ...priceFactors(onAll(job, '')),
    ...sectionsAround(job, sectionId).flatMap((id) => priceFactors(onSection(job, id))),
    ...priceFactors(onLine(job, key)),
  ];
}
