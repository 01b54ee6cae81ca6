import * as z from 'zod';
import type { JobRecord } from '../../job/record.ts';

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
