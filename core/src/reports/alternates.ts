import { Calculation } from '../calculate/calculation.ts';
import { bidOfLines } from '../calculate/linePrices.ts';
import type { Id } from '../job/id.ts';
import { type Job, inOrder } from '../job/job.ts';
import type { Alternate } from '../job/records/alternate.ts';
import { componentsOf } from '../assemblies/frames.ts';
import { type LineAt, listLines } from '../estimate/lines.ts';
import { alternateOf, counts } from '../estimate/places.ts';

export type AlternateIds = ReadonlySet<Id<'alternate'>>;

/** What is rounded up over the whole job follows from what is in it: it must be figured for each choice. */
function roundsAcross(job: Job): boolean {
  for (const use of job.use.values())
    for (const placed of componentsOf(job, use))
      if (placed.component.roundAt === 'job' && alternateOf(job, placed) !== undefined) return true;
  return false;
}

function* linesWith(job: Job, accepted: AlternateIds): Generator<LineAt> {
  for (const line of listLines(job)) if (counts(line.alternate, (id) => accepted.has(id))) yield line;
}

/** The job as it would be with just these alternates accepted. */
export const withAlternates = (job: Job, accepted: AlternateIds): Job => ({
  ...job,
  alternate: new Map(
    [...job.alternate].map(([id, each]) => [id, { ...each, accepted: accepted.has(id) }] as const),
  ),
});

/** The bid with just these alternates in it, whole minor units. */
export function bidWith(calculation: Calculation, accepted: AlternateIds): number {
  const { job } = calculation;
  if (!roundsAcross(job)) return bidOfLines(calculation, linesWith(job, accepted)).total;
  const chosen = new Calculation(withAlternates(job, accepted));
  return bidOfLines(chosen, chosen.countedLines()).total;
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

export function priceAlternates(calculation: Calculation): readonly AlternatePrice[] {
  const { job } = calculation;
  const accepted = new Set([...job.alternate.values()].filter((each) => each.accepted).map(({ id }) => id));
  const held = new Map<string, number>();
  for (const { alternate } of listLines(job))
    if (alternate !== undefined) held.set(alternate.id, (held.get(alternate.id) ?? 0) + 1);
  return inOrder(job.alternate.values()).map((alternate) => {
    const others = new Set([...accepted].filter((id) => id !== alternate.id));
    const [without, withIt] = [
      bidWith(calculation, others),
      bidWith(calculation, new Set([...others, alternate.id])),
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
