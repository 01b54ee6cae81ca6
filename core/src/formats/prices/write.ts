import type { Job } from '../../job/job.ts';
import type { Item } from '../../job/records/item.ts';
import { guarded } from '../csv/guard.ts';
import { SAMPLE_SOURCE } from './sample.ts';
import { PRICE_COLUMNS, type PriceField } from './columns.ts';

/** Sizes as they are read back: `width 20 in; depth 30 in`. */
const writeSizes = (sizes: Item['sizes']): string =>
  Object.entries(sizes ?? {})
    .map(([key, size]) => `${key} ${size}`)
    .join('; ');

function cellOf(item: Item, field: PriceField, job: Pick<Job, 'craft' | 'crew'>): string {
  switch (field) {
    case 'craft':
      return guarded(item.craftId === null ? '' : (job.craft.get(item.craftId)?.name ?? ''));
    case 'crew':
      return guarded(item.crewId === undefined ? '' : (job.crew.get(item.crewId)?.name ?? ''));
    case 'source':
      return guarded(item.sample === true ? SAMPLE_SOURCE : (item.source ?? ''));
    case 'sizes':
      return guarded(writeSizes(item.sizes));
    case 'basis':
    case 'laborBasis':
      return String(item[field] ?? '');
    default:
      return guarded(item[field] ?? '');
  }
}

/** The price book as rows under their heads, ordered by code; what is written is read back the same. */
export function writePrices(
  items: Iterable<Item>,
  job: Pick<Job, 'craft' | 'crew'>,
): readonly (readonly string[])[] {
  const sorted = [...items].sort((a, b) => (a.code < b.code ? -1 : a.code > b.code ? 1 : 0));
  return [
    PRICE_COLUMNS.map(({ title }) => title),
    ...sorted.map((item) => PRICE_COLUMNS.map(({ field }) => cellOf(item, field, job))),
  ];
}

/** Columns whose cells are figures, for writers that tell them from text. */
export const isFigureColumn = (at: number): boolean => {
  const kind = PRICE_COLUMNS[at]?.kind;
  return kind === 'money' || kind === 'number' || kind === 'count';
};
