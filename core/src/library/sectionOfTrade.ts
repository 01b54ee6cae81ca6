import type { Id } from '../job/id.ts';
import { type Job, inOrder } from '../job/job.ts';
import type { Trade } from './build.ts';

/** The section that work of a trade usually stands in, by its code (divisions in common practice). */
const CODES: Readonly<Record<Trade, string>> = {
  Walls: '06',
  Floors: '06',
  Concrete: '03',
  Masonry: '04',
  Board: '09',
  Finishes: '09',
  Roofing: '07',
  Electrical: '26',
  Irrigation: '32',
  Sitework: '02',
};

/** The job's section for a trade; null where it has none of that code. */
export const sectionOfTrade = (job: Job, trade: Trade | undefined): Id<'section'> | null =>
  trade === undefined
    ? null
    : (inOrder(job.section.values()).find(({ code }) => code === CODES[trade])?.id ?? null);
