import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { bidNode } from '../calculate/graph/nodes.ts';
import type { Id } from '../job/id.ts';
import { type Diff, type Job, inOrder } from '../job/job.ts';
import { type JobRecord, RECORD_TYPES } from '../job/record.ts';
import type { Alternate } from '../job/records/alternate.ts';
import { listLines } from '../estimate/lines.ts';

export type AlternateIds = ReadonlySet<Id<'alternate'>>;

/** The job as it would be with just these alternates accepted. */
export const withAlternates = (job: Job, accepted: AlternateIds): Job => ({
  ...job,
  alternate: new Map(
    [...job.alternate].map(([id, each]) => [
      id,
      each.accepted === accepted.has(id) ? each : { ...each, accepted: accepted.has(id) },
    ]),
  ),
});

/** What differs between two states of a job: tables that are the same object are passed over. */
function diffOf(from: Job, to: Job): Diff {
  const added: JobRecord[] = [];
  const removed: JobRecord[] = [];
  const updated: (readonly [JobRecord, JobRecord])[] = [];
  for (const type of RECORD_TYPES) {
    const [before, after] = [from[type], to[type]] as readonly ReadonlyMap<string, JobRecord>[];
    if (before === after || before === undefined || after === undefined) continue;
    for (const [id, record] of after) {
      const was = before.get(id);
      if (was === undefined) added.push(record);
      else if (was !== record) updated.push([was, record]);
    }
    for (const [id, record] of before) if (!after.has(id)) removed.push(record);
  }
  return { added, updated, removed };
}

/**
 * The bid with just these alternates in it, whole minor units: figured as the bid itself is, so that
 * an option is printed at the difference it makes.
 */
export function bidWith(figures: Figures, accepted: AlternateIds): number {
  const { job } = figures;
  const then = figures.after(diffOf(job, withAlternates(job, accepted)));
  return knownValue(then.figure(bidNode('total'))) ?? 0;
}

/** An alternate by itself: what it changes, given the others as they are. */
export interface AlternatePrice {
  readonly alternate: Alternate;
  /** Of the bid, tax and markups included; negative for a deduct. */
  readonly change: number;
  /** The bid with it, and without it. */
  readonly with: number;
  readonly without: number;
  readonly lines: number;
}

export function priceAlternates(figures: Figures): readonly AlternatePrice[] {
  const { job } = figures;
  const accepted = new Set([...job.alternate.values()].filter((each) => each.accepted).map(({ id }) => id));
  const held = new Map<string, number>();
  for (const { alternate } of listLines(job))
    if (alternate !== undefined) held.set(alternate.id, (held.get(alternate.id) ?? 0) + 1);
  return inOrder(job.alternate.values()).map((alternate) => {
    const others = new Set([...accepted].filter((id) => id !== alternate.id));
    const [without, withIt] = [
      bidWith(figures, others),
      bidWith(figures, new Set([...others, alternate.id])),
    ];
    return {
      alternate,
      change: withIt - without,
      with: withIt,
      without,
      lines: held.get(alternate.id) ?? 0,
    };
  });
}
