import type { ZestjobProblem } from '@zest/core/formats/zestjob/problem';
import type { Snapshot } from '@zest/core/formats/zestjob/snapshot';
import type { JobRecord } from '@zest/core/job/record';
import type { Result } from '@zest/core/problem/result';

/** A job file as it comes over from the worker. */
export interface ReadJobFile {
  readonly records: readonly JobRecord[];
  readonly files: readonly (readonly [id: string, bytes: Blob])[];
  readonly snapshots: readonly Snapshot[];
}

/** Reads job files beside the page: unpacking and checking a large one takes seconds. */
export interface JobWorker {
  readonly read: (file: Blob) => Promise<Result<ReadJobFile, ZestjobProblem>>;
}
