import type { RecordType } from './id.ts';
import type { Job } from './job.ts';
import { RECORD_TYPES } from './record.ts';
import { sameValue } from './sameValue.ts';

/** How two states of the same job differ in records of one type, matched by their ids. */
export interface TypeDifference {
  readonly type: RecordType;
  readonly changed: number;
  readonly onlyInFirst: number;
  readonly onlyInSecond: number;
}

/** What differs, type by type; empty where both say the same. */
export function compareJobs(first: Job, second: Job): readonly TypeDifference[] {
  return RECORD_TYPES.map((type): TypeDifference => {
    const [ours, theirs] = [first[type], second[type]] as [Map<string, unknown>, Map<string, unknown>];
    const both = [...ours.keys()].filter((id) => theirs.has(id));
    return {
      type,
      changed: both.filter((id) => !sameValue(ours.get(id), theirs.get(id))).length,
      onlyInFirst: ours.size - both.length,
      onlyInSecond: theirs.size - both.length,
    };
  }).filter(({ changed, onlyInFirst, onlyInSecond }) => changed + onlyInFirst + onlyInSecond > 0);
}
