import { checkAnyRecord } from '@zest/core/job/checkRecord';
import { checkJob } from '@zest/core/job/integrity';
import { type Job, createJob } from '@zest/core/job/job';
import type { JobRecord } from '@zest/core/job/record';

/** Chance that repeats, so that a demo file is the same bytes every time. */
export function createChance(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1103515245) + 12345) >>> 0;
    return state / 2 ** 32;
  };
}

/** The job of some records, each of them and all of them together checked as after reading a file. */
export function finishJob(records: readonly JobRecord[]): Job {
  for (const record of records) {
    const checked = checkAnyRecord(record);
    if (!checked.ok) throw new Error(`finishJob: ${record.id} ${JSON.stringify(checked.problem)}`);
  }
  const job = createJob(records);
  const problem = checkJob(job);
  if (problem !== undefined) throw new Error(`finishJob: ${JSON.stringify(problem)}`);
  return job;
}
