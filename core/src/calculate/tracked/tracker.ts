import type { RecordType } from '../../job/id.ts';
import type { Diff, Job } from '../../job/job.ts';
import {
  type Derive,
  type Filing,
  type Follower,
  dropFollower,
  joinKeys,
  setFollower,
} from '../../job/query.ts';
import { sameValue } from '../../job/sameValue.ts';
import { Cells } from './cells.ts';
import { Filed } from './groups.ts';
import { createTrackedJob } from './trackedJob.ts';

/** Something that is worked out again when, and only when, something it read is another. */
export interface Effect {
  readonly name: string;
  /** What is looked at through `job` is noted. True where it is now made of other things than before. */
  readonly run: () => boolean;
}

/** What a computation read so far. */
interface Frame {
  readonly cell: number;
  readonly stamp: number;
  readonly reads: number[];
}

interface Kept {
  readonly filed: Filed;
  readonly cells: Map<string, number>;
}

/**
 * Knows of every query and every effect what it read of the job, and runs again what read something
 * that changed. A diff marks what may be touched; what is marked looks at its reads in the order they
 * were made, and stops where they are all as they were.
 */
export class Tracker implements Follower {
  /** The job as queries and effects look at it. */
  readonly job: Job;
  #now: Job;
  readonly #cells = new Cells();
  readonly #records = new Map<string, number>();
  readonly #members = new Map<RecordType, number>();
  readonly #filed = new Map<Filing, Kept>();
  readonly #queries = new Map<Derive<unknown>, Map<string, number>>();
  readonly #derives = new Map<
    number,
    { readonly derive: Derive<unknown>; readonly keys: readonly string[] }
  >();
  readonly #values = new Map<number, unknown>();
  readonly #effects = new Map<number, Effect>();
  readonly #effectOf = new Map<string, number>();
  #pending: number[] = [];
  /** What lost its last reader; looked at again once nothing is being worked out. */
  readonly #idle = new Set<number>();
  #frame: Frame | undefined;
  #stamps = 0;

  constructor(job: Job) {
    this.#now = job;
    this.job = createTrackedJob(() => this.#now, {
      atRecord: (id) => {
        if (this.#frame !== undefined) this.#note(this.#inputOf(this.#records, id));
      },
      atMembers: (type) => {
        if (this.#frame !== undefined) this.#note(this.#inputOf(this.#members, type));
      },
    });
    setFollower(this.job, this);
    setFollower(job, this);
  }

  /** Goes on to the job after a change; what read anything of it is marked, and runs at `settle`. */
  follow(job: Job, diff: Diff): void {
    dropFollower(this.#now, this);
    setFollower(job, this);
    this.#now = job;
    const types = new Set<RecordType>();
    const members = new Set<RecordType>();
    for (const record of [...diff.added, ...diff.removed]) {
      types.add(record.type);
      members.add(record.type);
      this.#touch(this.#records.get(record.id));
    }
    for (const [, { type, id }] of diff.updated) {
      types.add(type);
      this.#touch(this.#records.get(id));
    }
    for (const type of members) this.#touch(this.#members.get(type));
    for (const [{ type }, { filed, cells }] of this.#filed)
      if (types.has(type)) for (const key of filed.follow(diff)) this.#touch(cells.get(key));
  }

  /** Has an effect run at the next `settle`, and again whenever something it read is another. */
  start(effect: Effect): void {
    if (this.#effectOf.has(effect.name)) return;
    const cell = this.#cells.add();
    this.#effects.set(cell, effect);
    this.#effectOf.set(effect.name, cell);
    this.#pending.push(cell);
  }

  has(name: string): boolean {
    return this.#effectOf.has(name);
  }

  /** Lets go of an effect; who read its shape runs again. */
  stop(name: string): void {
    const cell = this.#effectOf.get(name);
    if (cell === undefined) return;
    this.#effectOf.delete(name);
    this.#effects.delete(cell);
    this.#cells.setReads(cell, [], this.#letGo);
    this.#touch(cell);
    this.#cells.markGone(cell);
    this.#idle.add(cell);
  }

  /** Notes that what an effect is made of was looked at; it has run by then. */
  readShape(name: string): void {
    const cell = this.#effectOf.get(name);
    if (cell === undefined) return;
    this.#refresh(cell);
    if (this.#frame !== undefined) this.#note(cell);
  }

  /** Runs all that is marked, and what was started meanwhile. */
  settle(): void {
    // In the order they came: what is first in the list of effects is what others rest on.
    for (let at = 0; at < this.#pending.length; at += 1) {
      const cell = this.#pending[at] as number;
      if (this.#effects.has(cell)) this.#refresh(cell);
    }
    this.#pending = [];
    this.#forgetIdle();
  }

  /** Something costly that an effect leaves for later; what it reads then counts as read by the effect. */
  later<Value>(work: () => Value): () => Value {
    const frame = this.#frame;
    if (frame === undefined) return work;
    const { cell, stamp } = frame;
    return () => {
      if (!this.#effects.has(cell) || this.#cells.stampOf(cell) !== stamp) return this.#aside(work);
      const reads: number[] = [];
      const value = this.#within({ cell, stamp: (this.#stamps += 1), reads }, work);
      this.#cells.addLateReads(cell, reads);
      return value;
    };
  }

  /** Looks at the job without anyone having read it. */
  #aside<Value>(work: () => Value): Value {
    return this.#within(undefined, work);
  }

  ask<Value>(derive: Derive<Value>, keys: readonly string[]): Value {
    const cell = this.#queryOf(derive, keys);
    this.#refresh(cell);
    if (this.#frame !== undefined) this.#note(cell);
    return this.#values.get(cell) as Value;
  }

  list(filing: Filing, key: string): readonly string[] {
    const kept = this.#filed.get(filing) ?? { filed: new Filed(filing, this.#now), cells: new Map() };
    this.#filed.set(filing, kept);
    if (this.#frame !== undefined) this.#note(this.#inputOf(kept.cells, key));
    return kept.filed.list(key);
  }

  #queryOf(derive: Derive<unknown>, keys: readonly string[]): number {
    const ofDerive = this.#queries.get(derive) ?? new Map<string, number>();
    if (ofDerive.size === 0) this.#queries.set(derive, ofDerive);
    const key = joinKeys(keys);
    const known = ofDerive.get(key);
    if (known !== undefined) return known;
    const cell = this.#cells.add(() => {
      ofDerive.delete(key);
      this.#derives.delete(cell);
      this.#values.delete(cell);
    });
    ofDerive.set(key, cell);
    this.#derives.set(cell, { derive, keys });
    return cell;
  }

  #inputOf<Key>(inputs: Map<Key, number>, key: Key): number {
    const known = inputs.get(key);
    if (known !== undefined) return known;
    const cell = this.#cells.addInput(() => inputs.delete(key));
    inputs.set(key, cell);
    return cell;
  }

  #note(cell: number): void {
    const frame = this.#frame as Frame;
    if (this.#cells.stampRead(cell, frame.stamp)) frame.reads.push(cell);
  }

  #touch(cell: number | undefined): void {
    if (cell === undefined) return;
    this.#cells.touch(cell);
    this.#cells.suspectReaders(cell, (reader) => {
      if (this.#effects.has(reader)) this.#pending.push(reader);
    });
  }

  /** Brings a query or an effect up to date: by running it where one of its reads is another. */
  #refresh(cell: number): void {
    const cells = this.#cells;
    if (cells.isClean(cell)) return;
    if (cells.isRunning(cell)) throw new Error(`refresh: ${this.#nameOf(cell)} waits for itself`);
    if (!cells.mustRun(cell, (read) => this.#refresh(read))) return cells.verify(cell, false);
    const frame: Frame = { cell, stamp: (this.#stamps += 1), reads: [] };
    cells.begin(cell, frame.stamp);
    let differs: boolean;
    try {
      differs = this.#within(frame, () => this.#runAgain(cell));
    } catch (error) {
      cells.giveUp(cell);
      throw error;
    }
    cells.setReads(cell, frame.reads, this.#letGo);
    cells.verify(cell, differs);
  }

  readonly #letGo = (cell: number): void => {
    this.#idle.add(cell);
  };

  /** What nobody reads any more is forgotten; asked again, it is worked out again. */
  #forgetIdle(): void {
    for (const cell of this.#idle) {
      this.#idle.delete(cell);
      if (this.#effects.has(cell) || this.#cells.isFree(cell) || this.#cells.isRead(cell)) continue;
      this.#cells.setReads(cell, [], this.#letGo);
      this.#cells.free(cell);
    }
  }

  #runAgain(cell: number): boolean {
    const effect = this.#effects.get(cell);
    if (effect !== undefined) return effect.run();
    const query = this.#derives.get(cell);
    if (query === undefined) throw new Error(`runAgain: cell ${cell} is neither query nor effect`);
    const value = query.derive(this.job, ...query.keys);
    const was = this.#values.get(cell);
    if (this.#values.has(cell) && sameValue(was, value)) return false;
    this.#values.set(cell, value);
    return true;
  }

  #within<Value>(frame: Frame | undefined, work: () => Value): Value {
    const outer = this.#frame;
    this.#frame = frame;
    try {
      return work();
    } finally {
      this.#frame = outer;
    }
  }

  #nameOf(cell: number): string {
    const query = this.#derives.get(cell);
    return this.#effects.get(cell)?.name ?? `${query?.derive.name ?? ''} of ${query?.keys.join(', ') ?? ''}`;
  }
}
