import { type MakeId, createIdMaker } from '@zest/core/job/id';
import { type Job, createJob, listRecords } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { startJob } from '@zest/core/library/startJob';
import { openDatabase } from '../storage/database.ts';
import { type JobStorage, createJobStorage, summarize } from '../storage/jobStorage.ts';
import { createChance } from '@zest/core/testing/job';

interface PlainJob {
  readonly job: Job;
  readonly makeId: MakeId;
  /** A typed line without a price, for one each. */
  readonly lineCalled: (description: string) => RecordOf<'line'>;
}

/** A job as it is when it has just been started: in feet, in dollars, with what ships. */
export function startPlainJob(name: string, seed: number): PlainJob {
  const makeId = createIdMaker(createChance(seed));
  const asked = { client: '', unitSystem: 'us', currency: 'USD', decimalMark: '.', groupMark: ',' } as const;
  return {
    job: createJob(startJob({ name, ...asked }, makeId)),
    makeId,
    lineCalled: (description) => ({
      type: 'line',
      id: makeId('line'),
      sectionId: null,
      order: 1,
      description,
      quantity: '1',
      unit: 'ea',
      itemCode: '',
      typedCost: null,
    }),
  };
}

/** A store of its own that holds the job under an id. */
export async function storeJob(database: string, id: string, job: Job): Promise<JobStorage> {
  const storage = createJobStorage(await openDatabase({}, database));
  await storage.createJob(summarize(job, { id, createdAt: 1, changedAt: 1 }, 0), listRecords(job), new Map());
  return storage;
}
