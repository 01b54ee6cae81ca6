import type { Job } from './job.ts';
import type { JobRecord } from './record.ts';

interface Forgotten {
  readonly updated: readonly (readonly [from: JobRecord, to: JobRecord])[];
  readonly removed: readonly JobRecord[];
}

/**
 * What speaks of lines and sections by their key, once some of them go: rates of markups, lines that are
 * adjusted or quoted, and what is measured against one line. The key of a derived line begins with the
 * id of what made it. A change or a yardstick that is about nothing any more goes too.
 */
export function forgetKeys(job: Job, gone: ReadonlySet<string>): Forgotten {
  const isGone = (key: string): boolean => gone.has(key.split('/')[0] ?? '');
  const updated: (readonly [JobRecord, JobRecord])[] = [];
  const removed: JobRecord[] = [];
  for (const markup of job.markup.values()) {
    const { rates } = markup;
    if (gone.has(markup.id) || rates?.some(({ on }) => isGone(on)) !== true) continue;
    updated.push([markup, { ...markup, rates: rates.filter(({ on }) => !isGone(on)) }]);
  }
  for (const adjustment of job.adjustment.values()) {
    const { on } = adjustment;
    if (gone.has(adjustment.id) || on.what !== 'lines' || !on.lines.some(isGone)) continue;
    const lines = on.lines.filter((key) => !isGone(key));
    if (lines.length === 0) removed.push(adjustment);
    else updated.push([adjustment, { ...adjustment, on: { ...on, lines } }]);
  }
  for (const pack of job.package.values())
    if (!gone.has(pack.id) && pack.lines.some(isGone))
      updated.push([pack, { ...pack, lines: pack.lines.filter((key) => !isGone(key)) }]);
  for (const yardstick of job.yardstick.values()) {
    const { on } = yardstick;
    if (gone.has(yardstick.id)) continue;
    if (on.what === 'line' && isGone(on.line)) removed.push(yardstick);
    if (on.what !== 'lines' || !on.lines.some(isGone)) continue;
    const lines = on.lines.filter((key) => !isGone(key));
    if (lines.length === 0) removed.push(yardstick);
    else updated.push([yardstick, { ...yardstick, on: { ...on, lines } }]);
  }
  return { updated, removed };
}
