import { MAIN_GROUP, groupOf } from '../estimate/groups.ts';
import type { LineKey } from '../estimate/lineKey.ts';
import type { LineAt } from '../estimate/lines.ts';
import type { Job } from '../job/job.ts';
import type { GroupLines } from './defineTotals.ts';

/**
 * True where someone said another rate or tax, though no line may have it yet: only there is it worth
 * looking through the lines, and again whenever one comes, goes or moves.
 */
export const mayBeApart = ({ markup, line, override }: Job): boolean =>
  [...markup.values()].some(({ rates = [] }) => rates.length > 0) ||
  [...override.values()].some(({ taxPercent }) => taxPercent !== undefined) ||
  [...line.values()].some(({ taxPercent }) => taxPercent !== undefined);

/** The lines that tax or a markup treats apart, by group, in a fixed order; none in most jobs. */
export function groupsApart(job: Job, counted: () => Iterable<LineAt>): readonly GroupLines[] {
  if (!mayBeApart(job)) return [];
  const apart = new Map<string, GroupLines & { readonly lines: LineKey[] }>();
  for (const line of counted()) {
    const group = groupOf(job, line);
    if (group === MAIN_GROUP) continue;
    const there = apart.get(group.id);
    if (there === undefined) apart.set(group.id, { group, lines: [line.key] });
    else there.lines.push(line.key);
  }
  return [...apart.values()].sort((a, b) => (a.group.id < b.group.id ? -1 : 1));
}
