import type { Diff, Job } from '../../job/job.ts';
import type { Filing } from '../../job/query.ts';
import type { JobRecord } from '../../job/record.ts';
import { sameValue } from '../../job/sameValue.ts';

const NONE: readonly never[] = [];

/** Records of one type filed under their keys; who is where changes with the job. */
export class Filed {
  readonly #filing: Filing;
  readonly #groups = new Map<string, Set<string>>();
  readonly #lists = new Map<string, readonly string[]>();

  constructor(filing: Filing, job: Job) {
    this.#filing = filing;
    for (const record of (job[filing.type] as ReadonlyMap<string, JobRecord>).values()) this.#put(record);
  }

  list(key: string): readonly string[] {
    const group = this.#groups.get(key);
    if (group === undefined) return NONE;
    const known = this.#lists.get(key) ?? [...group];
    this.#lists.set(key, known);
    return known;
  }

  /** Files what changed anew; gives the keys of the groups that are others now. */
  follow({ added, updated, removed }: Diff): ReadonlySet<string> {
    const touched = new Set<string>();
    const { type, keysOf } = this.#filing;
    for (const record of removed)
      if (record.type === type) for (const key of keysOf(record)) this.#drop(key, record.id, touched);
    for (const [from, to] of updated) {
      if (from.type !== type) continue;
      const [before, after] = [keysOf(from), keysOf(to)];
      if (sameValue(before, after)) continue;
      for (const key of before) if (!after.includes(key)) this.#drop(key, from.id, touched);
      this.#put(to, touched);
    }
    for (const record of added) if (record.type === type) this.#put(record, touched);
    for (const key of touched) this.#lists.delete(key);
    return touched;
  }

  #put(record: JobRecord, touched?: Set<string>): void {
    for (const key of this.#filing.keysOf(record)) {
      const group = this.#groups.get(key);
      if (group === undefined) this.#groups.set(key, new Set([record.id]));
      else group.add(record.id);
      touched?.add(key);
    }
  }

  #drop(key: string, id: string, touched: Set<string>): void {
    const group = this.#groups.get(key);
    group?.delete(id);
    if (group?.size === 0) this.#groups.delete(key);
    touched.add(key);
  }
}
