import { type Result, accept } from '../problem/result.ts';
import { checkRecord } from './checkRecord.ts';
import type { RecordType } from './id.ts';
import { checkJob, checkUnmet } from './integrity.ts';
import { createJob } from './job.ts';
import type { RawRecord } from './migrations/migration.ts';
import { type NewerVersion, migrateRecords } from './migrations/migrations.ts';
import type { JobProblem } from './problem.ts';
import { type JobRecord, RECORD_TYPES } from './record.ts';

/** Why a record cannot be part of the job. */
export type RecordFault =
  | { readonly kind: 'type-unknown' }
  | { readonly kind: 'twice' }
  | { readonly kind: 'not-valid'; readonly problem: JobProblem };

/** A record that is not taken, as it is, with its place among the others. */
export interface FaultyRecord {
  readonly index: number;
  readonly raw: RawRecord;
  readonly fault: RecordFault;
}

/** What came of reading: the records that can be, and those that cannot. */
export interface RecordsRead {
  readonly records: readonly JobRecord[];
  readonly faulty: readonly FaultyRecord[];
}

const isRecordType = (type: string): type is RecordType => (RECORD_TYPES as readonly string[]).includes(type);

/**
 * Reads records as any version wrote them: the version must be known, then each is brought to this one and held
 * against its schema. It does not look at how they fit together: `setUnmetAside` does, and `checkJob`.
 */
export function readRecords(raw: readonly RawRecord[], version: number): Result<RecordsRead, NewerVersion> {
  const migrated = migrateRecords(raw, version);
  if (!migrated.ok) return migrated;
  const records: JobRecord[] = [];
  const faulty: FaultyRecord[] = [];
  const ids = new Set<string>();
  migrated.value.forEach((each, index) => {
    const fault = (what: RecordFault): number => faulty.push({ index, raw: each, fault: what });
    if (!isRecordType(each.type)) return fault({ kind: 'type-unknown' });
    const checked = checkRecord(each.type, each);
    if (!checked.ok) return fault({ kind: 'not-valid', problem: checked.problem });
    if (ids.has(checked.value.id)) return fault({ kind: 'twice' });
    ids.add(checked.value.id);
    return records.push(checked.value);
  });
  return accept({ records, faulty });
}

/**
 * Takes out the records that do not fit together with the others, and what then is left without its own: a job
 * always opens, and says what it could not take.
 */
export function setUnmetAside({ records, faulty }: RecordsRead): RecordsRead {
  let kept = records;
  const aside: FaultyRecord[] = [...faulty];
  // Each round takes at least one out.
  for (let job = createJob(kept); checkJob(job) !== undefined; job = createJob(kept)) {
    const unmet = checkUnmet(job);
    if (unmet.size === 0)
      throw new Error('setUnmetAside: the job is refused, and no record of it is at fault');
    kept = kept.filter((record) => {
      const problem = unmet.get(record.id);
      if (problem !== undefined)
        aside.push({ index: -1, raw: record, fault: { kind: 'not-valid', problem } });
      return problem === undefined;
    });
  }
  return { records: kept, faulty: aside };
}
