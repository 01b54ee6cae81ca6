import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';
import { JOB_VERSION } from '../../job/migrations/migrations.ts';

/** A job in one file: a zip of `job.json` and the job's files under `files/`. See docs/job-file.md. */
export const ZESTJOB = {
  extension: '.zestjob',
  mediaType: 'application/zip',
  format: 'zestjob',
  /** What each brought is said in `job/migrations`, which bring older files up to this one. */
  version: JOB_VERSION,
  jobEntry: 'job.json',
  filesFolder: 'files/',
  /** Every other entry with its SHA-256; a file that was put together by hand may leave it out. */
  manifestEntry: 'manifest.json',
  /** Only in a job that has any. */
  snapshotsEntry: 'snapshots.json',
} as const;

export const ZESTJOB_FORMAT: FormatDescriptor = {
  id: ZESTJOB.format,
  extensions: [ZESTJOB.extension],
  mediaTypes: [ZESTJOB.mediaType],
  takenBy: 'job',
  bytes: LIMITS.jobFile.bytes,
  inWorker: true,
};
