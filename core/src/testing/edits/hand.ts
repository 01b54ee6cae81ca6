import { listLines } from '../../estimate/lines.ts';
import type { Job } from '../../job/job.ts';
import type { RecordOf } from '../../job/record.ts';
import type { Bench } from '../priced.ts';

type Choices = Partial<
  Pick<RecordOf<'override'>, 'pinned' | 'costs' | 'taxPercent' | 'wastePercent' | 'sectionId' | 'alternate'>
>;

/** What one deed works with: the job as it stands, what is picked in it, and an amount. */
export interface Hand {
  readonly bench: Bench;
  readonly job: Job;
  readonly pick: number;
  readonly amount: number;
  /** The line that is picked, derived or typed. */
  readonly key: string;
  readonly section: RecordOf<'section'> | undefined;
  readonly alternate: RecordOf<'alternate'> | undefined;
  readonly settings: RecordOf<'settings'> | undefined;
  /** The picked one of any records. */
  readonly at: <Item>(of: Iterable<Item>) => Item | undefined;
  /** Writes on the picked line, wherever such a choice is kept. */
  readonly onLine: (content: Choices) => void;
}

export type RandomEdit = (hand: Hand) => void;

export function takeHand(bench: Bench, pick: number, amount: number): Hand {
  const job = bench.job();
  const at = <Item>(of: Iterable<Item>): Item | undefined => {
    const all = [...of];
    return all[pick % Math.max(1, all.length)];
  };
  const key = at([...listLines(job)].map((each) => each.key)) ?? '';
  const line = job.line.get(key as RecordOf<'line'>['id']);
  const overridden = [...job.override.values()].find((each) => each.line === key);
  return {
    bench,
    job,
    pick,
    amount,
    key,
    at,
    section: at(job.section.values()),
    alternate: at(job.alternate.values()),
    settings: [...job.settings.values()][0],
    onLine: (content) => {
      if (line !== undefined) bench.attempt({ ...line, ...(content as Partial<RecordOf<'line'>>) });
      // A package has its choices on itself.
      else if (!key.startsWith('package:'))
        bench.attempt({
          ...(overridden ?? { type: 'override', id: bench.makeId('override'), line: key }),
          ...content,
        });
    },
  };
}
