import type { Id, RecordType } from './id.ts';
import { type JobRecord, RECORD_TYPES, type RecordOf, typeOfId } from './record.ts';
import { changeTable } from './table.ts';

export type Table<Type extends RecordType> = ReadonlyMap<Id<Type>, RecordOf<Type>>;

/** A job is its records, a table for each type. Values are never changed in place. */
export type Job = { readonly [Type in RecordType]: Table<Type> };

/** What changed. An update keeps both sides, so that every diff can be turned around. */
export interface Diff {
  readonly added: readonly JobRecord[];
  readonly updated: readonly (readonly [from: JobRecord, to: JobRecord])[];
  readonly removed: readonly JobRecord[];
}

export const EMPTY_DIFF: Diff = { added: [], updated: [], removed: [] };

export const isEmptyDiff = (diff: Diff): boolean =>
  diff.added.length === 0 && diff.updated.length === 0 && diff.removed.length === 0;

/** A job of the given records; later ones win over earlier ones of the same id. */
export function createJob(records: Iterable<JobRecord>): Job {
  const tables = Object.fromEntries(RECORD_TYPES.map((type) => [type, new Map<string, JobRecord>()]));
  for (const record of records) tables[record.type]?.set(record.id, record);
  return tables as unknown as Job;
}

export function* listRecords(job: Job): Generator<JobRecord> {
  for (const type of RECORD_TYPES) yield* job[type].values() as Iterable<JobRecord>;
}

export function findRecord<Type extends RecordType>(job: Job, id: Id<Type>): RecordOf<Type> | undefined {
  return job[typeOfId(id) as Type].get(id);
}

/** The record of an id that must exist; a miss is a mistake of the program. */
export function getRecord<Type extends RecordType>(job: Job, id: Id<Type>): RecordOf<Type> {
  const record = findRecord(job, id);
  if (record === undefined) throw new Error(`getRecord: no record has the id ${id}`);
  return record;
}

/** The one settings record of a job. */
export function settingsOf(job: Job): RecordOf<'settings'> {
  const [settings] = job.settings.values();
  if (settings === undefined) throw new Error('settingsOf: the job has no settings');
  return settings;
}

/** The job after a change; tables that the diff does not touch are the same objects. */
export function applyDiff(job: Job, diff: Diff): Job {
  if (isEmptyDiff(diff)) return job;
  const changes = new Map<RecordType, Map<string, JobRecord | undefined>>();
  const set = (record: JobRecord, to: JobRecord | undefined): void => {
    const ofType = changes.get(record.type) ?? new Map<string, JobRecord | undefined>();
    changes.set(record.type, ofType.set(record.id, to));
  };
  for (const record of diff.removed) set(record, undefined);
  for (const [, to] of diff.updated) set(to, to);
  for (const record of diff.added) set(record, record);
  const tables = [...changes].map(([type, of]) => [
    type,
    changeTable(job[type] as ReadonlyMap<string, JobRecord>, of),
  ]);
  return { ...job, ...(Object.fromEntries(tables) as Partial<Job>) };
}

export const invertDiff = (diff: Diff): Diff => ({
  added: diff.removed,
  removed: diff.added,
  updated: diff.updated.map(([from, to]) => [to, from] as const),
});

/** Records of one type in their own order. */
export function inOrder<Item extends { readonly order: number; readonly id: string }>(
  records: Iterable<Item>,
): readonly Item[] {
  return [...records].sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));
}

/** An order that comes after all the given ones. */
export function orderAfter(records: Iterable<{ readonly order: number }>): number {
  let last = 0;
  for (const { order } of records) last = Math.max(last, order);
  return last + 1;
}
