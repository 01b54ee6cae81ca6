import { type Group, MAIN_GROUP, groupOf } from '../../estimate/groups.ts';
import { type CountedLine, listCounted } from '../../estimate/lines.ts';
import type { Job } from '../../job/job.ts';
import { query } from '../../job/query.ts';

/** Lines that tax and markups treat apart from the others. */
export interface GroupLines {
  readonly group: Group;
  readonly lines: readonly CountedLine[];
}

/** The lines that tax or a markup treats apart, by group, in a fixed order; none in most jobs. */
export const groupsOfOwnRates: (job: Job) => readonly GroupLines[] = query((job) => {
  const apart = new Map<string, GroupLines & { readonly lines: CountedLine[] }>();
  for (const line of listCounted(job)) {
    const group = groupOf(job, line);
    if (group === MAIN_GROUP) continue;
    const there = apart.get(group.id);
    if (there === undefined) apart.set(group.id, { group, lines: [line] });
    else there.lines.push(line);
  }
  return [...apart.values()].sort((a, b) => (a.group.id < b.group.id ? -1 : 1));
});

export const findGroupLines = query((job, id) => groupsOfOwnRates(job).find(({ group }) => group.id === id));
