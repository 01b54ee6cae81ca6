import type { Id, RecordType } from './id.ts';
import type { Job } from './job.ts';
import type { RecordOf } from './record.ts';
import { remember } from './remember.ts';

/** A value that follows from a job's records, by one or more keys. It reads the job and nothing else. */
export type Derive<Value> = (job: Job, ...keys: readonly string[]) => Value;

/** How records of a type are filed: under every key that is given for one. */
export interface Filing<Type extends RecordType = RecordType> {
  readonly type: Type;
  readonly keysOf: (record: RecordOf<Type>) => readonly string[];
}

/** Whatever keeps what was derived true while a job changes, so that little is worked out anew. */
export interface Follower {
  readonly ask: <Value>(derive: Derive<Value>, keys: readonly string[]) => Value;
  readonly list: (filing: Filing, key: string) => readonly string[];
}

const followers = new WeakMap<Job, Follower>();

/** From here on, queries and groups of this job are answered by the follower. */
export const setFollower = (job: Job, follower: Follower): void => {
  followers.set(job, follower);
};

/** The follower has gone on to another job. */
export function dropFollower(job: Job, follower: Follower): void {
  if (followers.get(job) === follower) followers.delete(job);
}

const NONE: readonly never[] = [];

/**
 * A derived value that is kept. A job that nothing follows keeps it for as long as it is that very job;
 * one that is followed keeps it until something the value was read from is another.
 */
export function query<Value>(derive: Derive<Value>): Derive<Value> {
  const known = new WeakMap<Job, Map<string, { readonly value: Value }>>();
  return (job, ...keys) => {
    const follower = followers.get(job);
    if (follower !== undefined) return follower.ask(derive, keys);
    const ofJob = known.get(job) ?? new Map<string, { readonly value: Value }>();
    if (ofJob.size === 0) known.set(job, ofJob);
    const key = joinKeys(keys);
    const had = ofJob.get(key) ?? { value: derive(job, ...keys) };
    ofJob.set(key, had);
    return had.value;
  };
}

/** Keys of queries as one text; ids and names hold no line breaks. */
export const joinKeys = (keys: readonly string[]): string =>
  keys.length === 1 ? (keys[0] as string) : keys.join('\n');

type Ids<Type extends RecordType> = readonly Id<Type>[];

/** Ids of the records that are filed under a key, in the order they came: who belongs to what. */
export function group<Type extends RecordType>(
  type: Type,
  keysOf: Filing<Type>['keysOf'],
): (job: Job, key: string) => Ids<Type> {
  const filing = { type, keysOf } as unknown as Filing;
  const filed = remember((table: Job[Type]): ReadonlyMap<string, Ids<Type>> => {
    const groups = new Map<string, Id<Type>[]>();
    for (const record of table.values())
      for (const key of keysOf(record)) {
        const ids = groups.get(key);
        if (ids === undefined) groups.set(key, [record.id as Id<Type>]);
        else ids.push(record.id as Id<Type>);
      }
    return groups;
  });
  return (job, key) => {
    const follower = followers.get(job);
    if (follower !== undefined) return follower.list(filing, key) as Ids<Type>;
    return filed(job[type]).get(key) ?? NONE;
  };
}
