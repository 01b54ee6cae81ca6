import * as z from 'zod';
import type { Job } from '../../job/job.ts';
import type { JobRecord } from '../../job/record.ts';
import type { FileRecord } from '../../job/records/file.ts';

/** A named state of a job: all its records as they were; drawings are the job's own. */
export interface Snapshot {
  readonly id: string;
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly at: number;
  /** The bid then, whole minor units. */
  readonly totalMinor: number;
  readonly records: readonly JobRecord[];
}

/** The drawings of a job, and those that only states of it that were kept still show. */
export function filesWith(
  job: Job,
  snapshots: readonly Pick<Snapshot, 'records'>[],
): ReadonlyMap<string, FileRecord> {
  const files = new Map<string, FileRecord>(job.file);
  for (const { records } of snapshots)
    for (const record of records)
      if (record.type === 'file' && !files.has(record.id)) files.set(record.id, record);
  return files;
}

export const snapshotsSchema = z.strictObject({
  snapshots: z
    .array(
      z.strictObject({
        id: z.string().regex(/^[0-9a-z-]{1,60}$/),
        name: z.string().min(1).max(200),
        at: z.number().int().min(0),
        totalMinor: z.number().int(),
        records: z.array(z.looseObject({ type: z.string() })),
      }),
    )
    .max(500),
});
