import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { Calculation } from '@zest/core/calculate/calculation';
import type { ZestjobProblem } from '@zest/core/formats/zestjob/problem';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import type { Snapshot } from '@zest/core/formats/zestjob/snapshot';
import { type Job, listRecords } from '@zest/core/job/job';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import { type JobStorage, type StoredJob, summarize } from './jobStorage.ts';

/** A job that is kept for the first time: the id it gets, and the time. */
export interface FirstKept {
  readonly id: string;
  readonly now: number;
}

export function firstStored(
  { id, now }: FirstKept,
  job: Job,
  files: ReadonlyMap<string, Blob>,
  template: { readonly folder: string } | undefined,
  snapshots: readonly Snapshot[],
): StoredJob {
  return {
    id,
    summary: () => ({
      ...summarize(job, { id, createdAt: now, changedAt: now }, bidTotal(new Calculation(job).figures)),
      ...(template === undefined ? {} : { template }),
    }),
    records: listRecords(job),
    files,
    snapshots: snapshots.map((snapshot) => ({ ...snapshot, jobId: id })),
  };
}

export interface StorageProblem {
  readonly kind: 'disk-full' | 'storage-failed';
}

export const storageProblem = (error: unknown): StorageProblem => ({
  kind: error instanceof DOMException && error.name === 'QuotaExceededError' ? 'disk-full' : 'storage-failed',
});

/** Reads a .zestjob file and keeps it as a new job. Runs in a worker: of a large job nothing crosses to the page. */
export async function takeJobFile(
  storage: JobStorage,
  file: Blob,
  at: FirstKept,
): Promise<Result<string, ZestjobProblem | StorageProblem>> {
  const read = readZestjob(new Uint8Array(await file.arrayBuffer()));
  if (!read.ok) return read;
  const { job, files, snapshots } = read.value;
  // As blobs the browser may keep them wherever it has room.
  const blobs = new Map([...files].map(([id, bytes]) => [id, new Blob([bytes as BlobPart])]));
  try {
    await storage.createJobs([firstStored(at, job, blobs, undefined, snapshots)]);
    return accept(at.id);
  } catch (error) {
    return refuse(storageProblem(error));
  }
}
