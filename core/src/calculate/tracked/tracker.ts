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
  /** What is looked at of the job is noted. True where it is now made of other things than before. */
  readonly run: () => boolean;
}

/** What is being worked out: its reads lie on the stack from a place on. */
interface Frame {
  readonly cell: number;
  readonly stamp: number;
  readonly from: number;
}

interface Kept {
  readonly filed: Filed;
  readonly cells: Map<string, number>;
}

/** A query with what it gave last. */
interface Asked {
  readonly derive: Derive<unknown>;
  readonly keys: readonly string[];
  value: unknown;
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
  /** By cell: the query or the effect that is worked out there. */
  readonly #asked: (Asked | undefined)[] = [];
  readonly #effects: (Effect | undefined)[] = [];
  /** By cell: where it is found, to be forgotten there. */
  readonly #homes: (Map<unknown, number> | undefined)[] = [];
  readonly #keys: unknown[] = [];
  readonly #reads: number[] = [];
  #pending: number[] = [];
  /** What lost its last reader; looked at again once nothing is being worked out. */
  readonly #idle = new Set<number>();
  #frame: Frame | undefined;
  #stamps = 0;

  constructor(job: Job) {
    this.#now = job;
    this.job = createTrackedJob(() => this.#now, {
      atRecord: (id) => {
        if (this.#frame !== undefined) this.#note(this.#frame, this.#inputOf(this.#records, id));
      },
      atMembers: (type) => {
        if (this.#frame !== undefined) this.#note(this.#frame, this.#inputOf(this.#members, type));
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
    for (const { type, id } of [...diff.added, ...diff.removed]) {
      if (!types.has(type)) this.#touch(this.#members.get(type));
      types.add(type);
      this.#touch(this.#records.get(id));
    }
    for (const [, { type, id }] of diff.updated) {
      types.add(type);
      this.#touch(this.#records.get(id));
    }
    for (const [{ type }, { filed, cells }] of this.#filed)
      if (types.has(type)) for (const key of filed.follow(diff)) this.#touch(cells.get(key));
  }

  /** Has an effect run at the next `settle`, and again whenever something it read is another; gives its number. */
  start(effect: Effect): number {
    const cell = this.#newCell(this.#cells.add());
    this.#effects[cell] = effect;
    this.#pending.push(cell);
    return cell;
  }

  /** Lets go of an effect; who read its shape runs again. */
  stop(cell: number): void {
    this.#effects[cell] = undefined;
    this.#cells.setReads(cell, NONE, 0, this.#letGo);
    this.#touch(cell);
    this.#cells.markGone(cell);
    this.#idle.add(cell);
  }

  /** Notes that what an effect is made of was looked at; it has run by then. */
  readShape(cell: number): void {
    this.#refresh(cell);
    if (this.#frame !== undefined) this.#note(this.#frame, cell);
  }

  /** Runs all that is marked, and what was started meanwhile. */
  settle(): void {
    // In the order they came: what is first in the list of effects is what others rest on.
    for (let at = 0; at < this.#pending.length; at += 1) {
      const cell = this.#pending[at] as number;
      if (this.#effects[cell] !== undefined) this.#refresh(cell);
    }
    this.#pending = [];
    this.#forgetIdle();
  }

  /** Something costly that an effect leaves for later; what it reads then counts as read by the effect. */
  later<Value>(work: () => Value): () => Value {
    const made = this.#frame;
    if (made === undefined) return work;
    const { cell, stamp } = made;
    return () => {
      const isOf = this.#effects[cell] !== undefined && this.#cells.stampOf(cell) === stamp;
      if (!isOf) return this.#within(undefined, work);
      const frame = { cell, stamp: (this.#stamps += 1), from: this.#reads.length };
      const value = this.#within(frame, work);
      this.#cells.addLateReads(cell, this.#reads, frame.from);
      this.#reads.length = frame.from;
      return value;
    };
  }

  ask<Value>(derive: Derive<Value>, keys: readonly string[]): Value {
    const cell = this.#queryOf(derive, keys);
    this.#refresh(cell);
    if (this.#frame !== undefined) this.#note(this.#frame, cell);
    return this.#asked[cell]?.value as Value;
  }

  list(filing: Filing, key: string): readonly string[] {
    let kept = this.#filed.get(filing);
    if (kept === undefined) {
      kept = { filed: new Filed(filing, this.#now), cells: new Map() };
      this.#filed.set(filing, kept);
    }
    if (this.#frame !== undefined) this.#note(this.#frame, this.#inputOf(kept.cells, key));
    return kept.filed.list(key);
  }

  #queryOf(derive: Derive<unknown>, keys: readonly string[]): number {
    let ofDerive = this.#queries.get(derive);
    if (ofDerive === undefined) this.#queries.set(derive, (ofDerive = new Map()));
    const key = joinKeys(keys);
    const known = ofDerive.get(key);
    if (known !== undefined) return known;
    const cell = this.#newCell(this.#cells.add());
    this.#asked[cell] = { derive, keys, value: NOT_YET };
    this.#settleAt(cell, ofDerive, key);
    return cell;
  }

  #inputOf<Key>(inputs: Map<Key, number>, key: Key): number {
    const known = inputs.get(key);
    if (known !== undefined) return known;
    const cell = this.#newCell(this.#cells.addInput());
    this.#settleAt(cell, inputs as Map<unknown, number>, key);
    return cell;
  }

  /** Every list has a place for every cell: one with wide gaps would be kept as a dictionary, which is slow. */
  #newCell(cell: number): number {
    this.#asked[cell] = undefined;
    this.#effects[cell] = undefined;
    this.#homes[cell] = undefined;
    this.#keys[cell] = undefined;
    return cell;
  }

  #settleAt(cell: number, home: Map<unknown, number>, key: unknown): void {
    home.set(key, cell);
    this.#homes[cell] = home;
    this.#keys[cell] = key;
  }

  #note({ stamp }: Frame, cell: number): void {
    if (this.#cells.stampRead(cell, stamp)) this.#reads.push(cell);
  }

  #touch(cell: number | undefined): void {
    if (cell === undefined) return;
    this.#cells.touch(cell);
    this.#cells.suspectReaders(cell, (reader) => {
      if (this.#effects[reader] !== undefined) this.#pending.push(reader);
    });
  }

  /** Brings a query or an effect up to date: by running it where one of its reads is another. */
  readonly #refresh = (cell: number): void => {
    const cells = this.#cells;
    if (cells.isClean(cell)) return;
    if (cells.isRunning(cell)) throw new Error(`refresh: ${this.#nameOf(cell)} waits for itself`);
    if (!cells.mustRun(cell, this.#refresh)) {
      cells.verify(cell, false);
      return;
    }
    const outer = this.#frame;
    const frame: Frame = { cell, stamp: (this.#stamps += 1), from: this.#reads.length };
    this.#frame = frame;
    cells.begin(cell, frame.stamp);
    let done = false;
    try {
      const differs = this.#run(cell);
      cells.setReads(cell, this.#reads, frame.from, this.#letGo);
      cells.verify(cell, differs);
      done = true;
    } finally {
      if (!done) cells.giveUp(cell);
      this.#reads.length = frame.from;
      this.#frame = outer;
    }
  };

  #run(cell: number): boolean {
    const effect = this.#effects[cell];
    if (effect !== undefined) return effect.run();
    const asked = this.#asked[cell];
    if (asked === undefined) throw new Error(`run: cell ${cell} is neither query nor effect`);
    const value = asked.derive(this.job, ...asked.keys);
    if (sameValue(asked.value, value)) return false;
    asked.value = value;
    return true;
  }

  readonly #letGo = (cell: number): void => {
    this.#idle.add(cell);
  };

  /** What nobody reads any more is forgotten; asked again, it is worked out again. */
  #forgetIdle(): void {
    const cells = this.#cells;
    for (const cell of this.#idle) {
      this.#idle.delete(cell);
      if (this.#effects[cell] !== undefined || cells.isFree(cell) || cells.isRead(cell)) continue;
      cells.setReads(cell, NONE, 0, this.#letGo);
      this.#homes[cell]?.delete(this.#keys[cell]);
      this.#homes[cell] = undefined;
      this.#keys[cell] = undefined;
      this.#asked[cell] = undefined;
      cells.free(cell);
    }
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
    const { derive, keys = [] } = this.#asked[cell] ?? {};
    return derive === undefined ? `effect ${cell}` : `the query ${derive.name} of ${keys.join(', ')}`;
  }
}

const NONE: readonly never[] = [];
/** Like no value that a query gives. */
const NOT_YET = Symbol('not yet');
