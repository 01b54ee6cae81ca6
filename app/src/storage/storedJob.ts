import type { Job } from '@zest/core/job/job';
import { createJob, listRecords } from '@zest/core/job/job';
import { JOB_VERSION, type NewerVersion } from '@zest/core/job/migrations/migrations';
import type { RawRecord } from '@zest/core/job/migrations/migration';
import { type FaultyRecord, type RecordsRead, readRecords, setUnmetAside } from '@zest/core/job/readRecords';
import type { JobRecord } from '@zest/core/job/record';
import { type Result, accept, refuse } from '@zest/core/problem/result';

/** What jobs were written by before their version was kept with them. */
const UNTOLD_VERSION = 6;

/** Why a stored job cannot be opened at all. */
export type StoredProblem =
  | NewerVersion
  /** It has no settings, or several: there is no telling which money or units it is in. */
  | { readonly kind: 'job-unreadable'; readonly settings: number };

/** A job as it was found in this browser. */
export interface StoredJobRead {
  readonly job: Job;
  /** Records that cannot be part of the job: kept beside it, and told. */
  readonly aside: readonly FaultyRecord[];
  /** What is stored is not what was read: it is written anew with the first change, and stays until then. */
  readonly mustRewrite: boolean;
}

/**
 * Brings what is stored to this version. What this version wrote was held against its schema when it was put into the
 * job, so that only how the records fit together is looked at: thousands of them would cost half a second else.
 */
export function readStored(
  stored: readonly RawRecord[],
  version: number = UNTOLD_VERSION,
): Result<StoredJobRead, StoredProblem> {
  const read: Result<RecordsRead, StoredProblem> =
    version === JOB_VERSION
      ? accept({ records: stored as unknown as readonly JobRecord[], faulty: [] })
      : readRecords(stored, version);
  if (!read.ok) return read;
  const { records, faulty } = setUnmetAside(read.value);
  const job = createJob(records);
  if (job.settings.size !== 1) return refuse({ kind: 'job-unreadable', settings: job.settings.size });
  return accept({ job, aside: faulty, mustRewrite: version !== JOB_VERSION || faulty.length > 0 });
}

/** What takes the place of all that is stored of a job's records, in one write with the change that comes first. */
export interface Rewrite {
  readonly records: Iterable<JobRecord>;
  readonly aside: readonly FaultyRecord[];
}

export const rewriteOf = (job: Job, aside: readonly FaultyRecord[]): Rewrite => ({
  records: listRecords(job),
  aside,
});

/** What a person knows a record by that could not be read: its name, else what kind of thing it is. */
export function nameOfRaw({ type, ...raw }: RawRecord): string {
  const name = [raw['name'], raw['description'], raw['code'], raw['key']].find(
    (each) => typeof each === 'string' && each !== '',
  );
  return typeof name === 'string' ? name.slice(0, 60) : type.slice(0, 60);
}
