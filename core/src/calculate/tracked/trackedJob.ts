import type { RecordType } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { type JobRecord, RECORD_TYPES } from '../../job/record.ts';

/** What is told about each look into a table. */
export interface Looks {
  readonly atRecord: (id: string) => void;
  /** At which records there are, and in which order. */
  readonly atMembers: (type: RecordType) => void;
}

/** A table of the job as it is at the moment, which tells what of it was looked at. */
class TrackedTable implements ReadonlyMap<string, JobRecord> {
  readonly #type: RecordType;
  readonly #table: () => ReadonlyMap<string, JobRecord>;
  readonly #looks: Looks;

  constructor(type: RecordType, table: () => ReadonlyMap<string, JobRecord>, looks: Looks) {
    this.#type = type;
    this.#table = table;
    this.#looks = looks;
  }

  get size(): number {
    this.#looks.atMembers(this.#type);
    return this.#table().size;
  }

  get(id: string): JobRecord | undefined {
    this.#looks.atRecord(id);
    return this.#table().get(id);
  }

  has(id: string): boolean {
    return this.get(id) !== undefined;
  }

  *entries(): MapIterator<[string, JobRecord]> {
    this.#looks.atMembers(this.#type);
    for (const entry of this.#table()) {
      this.#looks.atRecord(entry[0]);
      yield entry;
    }
  }

  keys(): MapIterator<string> {
    this.#looks.atMembers(this.#type);
    return this.#table().keys();
  }

  *values(): MapIterator<JobRecord> {
    for (const [, record] of this.entries()) yield record;
  }

  forEach(visit: (record: JobRecord, id: string, map: ReadonlyMap<string, JobRecord>) => void): void {
    for (const [id, record] of this.entries()) visit(record, id, this);
  }

  [Symbol.iterator](): MapIterator<[string, JobRecord]> {
    return this.entries();
  }
}

/** The job of the moment, under one name through all its changes, for who notes what is read of it. */
export const createTrackedJob = (now: () => Job, looks: Looks): Job =>
  Object.fromEntries(
    RECORD_TYPES.map((type) => [
      type,
      new TrackedTable(type, () => now()[type] as ReadonlyMap<string, JobRecord>, looks),
    ]),
  ) as unknown as Job;
