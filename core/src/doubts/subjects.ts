import type { DoubtContext } from './context.ts';

/** What rules ask about. Where a job has none of it, a rule says nothing because it looked at nothing. */
export const SUBJECTS = [
  'sheets',
  'scopes',
  'marks',
  'openings',
  'lines',
  'schedules',
  'quotes',
  'alternates',
  'adjustments',
  'regions',
  'texts',
  'yardsticks',
] as const;
export type Subject = (typeof SUBJECTS)[number];

/** Which subjects a job has. */
export function subjectsOf({
  job,
  lines,
  texts,
}: Pick<DoubtContext, 'job' | 'lines' | 'texts'>): ReadonlySet<Subject> {
  const counts: Readonly<Record<Subject, number>> = {
    sheets: job.sheet.size,
    scopes: job.scope.size,
    marks: job.mark.size,
    openings: job.opening.size,
    lines: lines.length,
    schedules: job.schedule.size,
    quotes: job.quote.size,
    alternates: job.alternate.size,
    adjustments: job.adjustment.size,
    regions: job.region.size,
    texts: texts.length,
    yardsticks: job.yardstick.size,
  };
  return new Set(SUBJECTS.filter((subject) => counts[subject] > 0));
}
