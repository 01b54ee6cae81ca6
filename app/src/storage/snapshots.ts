import { type Job, listRecords } from '@zest/core/job/job';
import type { Services } from '../platform/services.ts';

interface SnapshotAsked {
  readonly jobId: string;
  readonly job: Job;
  readonly name: string;
  /** Bid total of this state, whole minor units. */
  readonly totalMinor: number;
}

/** Keeps a state of a job under a name; gives its id, or undefined where the disk refused. */
export async function keepSnapshot(
  { storage, makeId, now }: Services,
  { jobId, job, name, totalMinor }: SnapshotAsked,
): Promise<string | undefined> {
  const id = makeId('settings').replace('settings:', 'snapshot-');
  try {
    await storage.saveSnapshot({
      jobId,
      id,
      name: name.slice(0, 200),
      at: now(),
      totalMinor,
      records: [...listRecords(job)],
    });
    return id;
  } catch {
    return undefined;
  }
}
