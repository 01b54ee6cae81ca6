import type { Job } from '../job/job.ts';
import { group, query } from '../job/query.ts';
import type { LineAt } from './lineSources.ts';
import { sectionsAround } from './places.ts';

/**
 * Lines that tax and markups treat alike: the job's own rates for most of them, and groups apart for
 * lines with another tax or sections with another markup.
 */
export interface Group {
  readonly id: string;
  /** The section or line that markups have a rate of their own for; empty for none. */
  readonly rateOf: string;
  /** Percent of tax; undefined for the job's. */
  readonly taxPercent: string | undefined;
}

/** Everything that no other group holds. */
export const MAIN_GROUP: Group = { id: 'main', rateOf: '', taxPercent: undefined };

const ratedThings = query(
  (job): ReadonlySet<string> =>
    new Set([...job.markup.values()].flatMap(({ rates = [] }) => rates.map(({ on }) => on))),
);

/** Stands for a rate of its own where percentages of markup are not taken at all. */
export const NO_MARKUP = 'no markup';

const plainAllowances = group('line', ({ allowance }) => (allowance === 'without-markup' ? [''] : []));

/** The group of a line: by the nearest thing that a markup has a rate for, and by its tax. */
export function groupOf(
  job: Job,
  { key, sectionId, taxPercent }: Pick<LineAt, 'key' | 'sectionId' | 'taxPercent'>,
): Group {
  const rated = ratedThings(job);
  const rateOf = (plainAllowances(job, '') as readonly string[]).includes(key)
    ? NO_MARKUP
    : rated.size === 0
      ? ''
      : rated.has(key)
        ? key
        : (sectionsAround(job, sectionId).find((id) => rated.has(id)) ?? '');
  if (rateOf === '' && taxPercent === undefined) return MAIN_GROUP;
  return { id: `${rateOf}|${taxPercent ?? ''}`, rateOf, taxPercent };
}
