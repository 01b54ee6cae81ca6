import type { Id } from '../job/id.ts';
import { type Job, inOrder } from '../job/job.ts';
import { findItem, itemsOfFamily, recordsOf } from '../job/belongs.ts';
import { group } from '../job/query.ts';
import type { Adjustment } from '../job/records/adjustment.ts';
import type { Item } from '../job/records/item.ts';
import type { Sizing } from '../job/records/pricing.ts';
import type { LineKey } from '../job/lineKey.ts';
import { plainWords } from '../pricing/bookSearch.ts';
import { sectionsAround } from './places.ts';

const onAll = group('adjustment', ({ on }) => (on.what === 'all' ? [''] : []));
const onSection = group('adjustment', ({ on }) => (on.what === 'section' ? [on.sectionId] : []));
const onLine = group('adjustment', ({ on }) => (on.what === 'lines' ? on.lines : []));
const onItems = group('adjustment', ({ on }) => (on.what === 'items' ? [''] : []));

const NONE: readonly Adjustment[] = [];

/** A line as far as adjustments go by it. */
export interface AdjustedLine {
  readonly key: LineKey;
  readonly sectionId: Id<'section'> | null;
  /** What of the price book prices it; undefined for what has a price of its own. */
  readonly item: { readonly code: string; readonly sizing: Sizing | undefined } | undefined;
}

/** The adjustments that act on a line, in their order: those on everything, on its sections, on itself, on its item. */
export function adjustmentsOn(job: Job, { key, sectionId, item }: AdjustedLine): readonly Adjustment[] {
  const recordsAt = (ids: readonly Id<'adjustment'>[]): readonly Adjustment[] =>
    ids.length === 0 ? NONE : inOrder(recordsOf(job.adjustment, ids));
  const ofItems = recordsAt(onItems(job, ''));
  const items = ofItems.length === 0 || item === undefined ? [] : itemsOf(job, item);
  return [
    ...recordsAt(onAll(job, '')),
    ...sectionsAround(job, sectionId).flatMap((id) => recordsAt(onSection(job, id))),
    ...recordsAt(onLine(job, key)),
    ...ofItems.filter(({ on }) => items.some((each) => isAdjustedItem(on, each))),
  ];
}

/** A sized line may take any item of its family: they are in the price book for one thing in several sizes. */
function itemsOf(job: Job, { code, sizing }: NonNullable<AdjustedLine['item']>): readonly Item[] {
  if (sizing !== undefined) return recordsOf(job.item, itemsOfFamily(job, sizing.family));
  const item = findItem(job, code);
  return item === undefined ? [] : [item];
}

/** Whether an adjustment by what is in the price book means this item. Words are found as the price book finds them. */
export function isAdjustedItem(on: Adjustment['on'], item: Item): boolean {
  if (on.what !== 'items') return false;
  if (on.by === 'group') return item.group === on.text;
  const own = plainWords(
    on.by === 'tag' ? (item.tags ?? '') : [item.description, item.family, item.group, item.tags].join(' \n '),
  );
  const words = plainWords(on.text);
  return words.length > 0 && words.every((word) => own.some((each) => each.startsWith(word)));
}
