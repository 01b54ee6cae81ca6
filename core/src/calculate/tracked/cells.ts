/** What may be read: a record, a group, a query's value, what an effect is made of. */
const CLEAN = 0;
/** Something it read, directly or not, may be another. */
const SUSPECT = 1;
const FRESH = 2;
const RUNNING = 3;
const FREE = 4;

/** From here on the readers of a cell are kept as a set: taking one out of a long list costs. */
const MANY_READERS = 24;

type Readers = number[] | Set<number>;
type LetGo = (cell: number) => void;

/** Who read what, and when what was read was last another: the bare books of tracking. */
export class Cells {
  readonly #state: number[] = [];
  /** Moments of a clock that goes on with every change. */
  readonly #changedAt: number[] = [];
  readonly #verifiedAt: number[] = [];
  /** The last frame that read a cell, so that each read is noted once. */
  readonly #readBy: number[] = [];
  /** The frame of a cell's last run. */
  readonly #ranIn: number[] = [];
  /** True where something was read after the run. */
  readonly #late: boolean[] = [];
  readonly #reads: (readonly number[])[] = [];
  readonly #readers: Readers[] = [];
  readonly #onFree: ((() => void) | undefined)[] = [];
  readonly #unused: number[] = [];
  #clock = 1;

  /** A cell that is worked out; it runs when it is first asked for. */
  add(onFree?: () => void): number {
    return this.#create(FRESH, onFree);
  }

  /** A cell that is told from outside when it is another. */
  addInput(onFree: () => void): number {
    return this.#create(CLEAN, onFree);
  }

  #create(state: number, onFree: (() => void) | undefined): number {
    const cell = this.#unused.pop() ?? this.#state.length;
    this.#state[cell] = state;
    this.#changedAt[cell] = 0;
    this.#verifiedAt[cell] = 0;
    this.#readBy[cell] = 0;
    this.#ranIn[cell] = 0;
    this.#late[cell] = false;
    this.#reads[cell] = [];
    this.#readers[cell] = [];
    this.#onFree[cell] = onFree;
    return cell;
  }

  free(cell: number): void {
    if (this.#state[cell] === FREE) return;
    this.#state[cell] = FREE;
    this.#onFree[cell]?.();
    this.#onFree[cell] = undefined;
    this.#unused.push(cell);
  }

  isClean(cell: number): boolean {
    const state = this.#state[cell];
    return state === CLEAN || state === FREE;
  }

  isFree = (cell: number): boolean => this.#state[cell] === FREE;

  isRunning(cell: number): boolean {
    return this.#state[cell] === RUNNING;
  }

  isRead(cell: number): boolean {
    const readers = this.#readers[cell] as Readers;
    return (Array.isArray(readers) ? readers.length : readers.size) > 0;
  }

  /** The cell is another now than whoever read it before knows. */
  touch(cell: number): void {
    this.#changedAt[cell] = this.#clock += 1;
  }

  /** Not worked out any more; it stays for as long as a reader has not noticed. */
  markGone(cell: number): void {
    this.#state[cell] = CLEAN;
  }

  /** Marks all that rests on a cell, however far, and tells of each that was not marked. */
  suspectReaders(cell: number, onSuspect: (reader: number) => void): void {
    const waiting = [cell];
    for (let at = waiting.pop(); at !== undefined; at = waiting.pop())
      for (const reader of this.#readers[at] as Readers) {
        if (this.#state[reader] !== CLEAN) continue;
        this.#state[reader] = SUSPECT;
        onSuspect(reader);
        waiting.push(reader);
      }
  }

  /** Whether a marked cell has to run: it never did, or something it read is another by now. */
  mustRun(cell: number, refresh: (read: number) => void): boolean {
    if (this.#state[cell] === FRESH || this.#late[cell] === true) return true;
    const verifiedAt = this.#verifiedAt[cell] as number;
    // In the order they were read: a later read may only make sense where the earlier ones stand.
    for (const read of this.#reads[cell] as readonly number[]) {
      if (this.#state[read] !== CLEAN) refresh(read);
      if ((this.#changedAt[read] as number) > verifiedAt) return true;
    }
    return false;
  }

  begin(cell: number, stamp: number): void {
    this.#state[cell] = RUNNING;
    this.#ranIn[cell] = stamp;
  }

  stampOf(cell: number): number {
    return this.#ranIn[cell] as number;
  }

  /** The run failed: it is tried again when it is asked for next. */
  giveUp(cell: number): void {
    this.#state[cell] = FRESH;
  }

  verify(cell: number, differs: boolean): void {
    if (differs) this.touch(cell);
    this.#state[cell] = CLEAN;
    this.#verifiedAt[cell] = this.#clock;
  }

  /** True the first time a frame reads the cell. */
  stampRead(cell: number, stamp: number): boolean {
    if (this.#readBy[cell] === stamp) return false;
    this.#readBy[cell] = stamp;
    return true;
  }

  /** What a cell read in its last run. What nobody reads any more then is handed over. */
  setReads(cell: number, reads: readonly number[], letGo: LetGo): void {
    this.#late[cell] = false;
    const before = this.#reads[cell] as readonly number[];
    if (before.length === reads.length && before.every((read, at) => read === reads[at])) return;
    this.#reads[cell] = reads;
    const kept = new Set(reads);
    const had = new Set(before);
    for (const read of kept) if (!had.has(read)) this.#addReader(read, cell);
    for (const read of had) {
      if (kept.has(read)) continue;
      this.#dropReader(read, cell);
      if (!this.isRead(read)) letGo(read);
    }
  }

  /** What was read after the run, for something that was left for later. */
  addLateReads(cell: number, reads: readonly number[]): void {
    const had = new Set(this.#reads[cell]);
    const more = reads.filter((read) => !had.has(read));
    for (const read of more) this.#addReader(read, cell);
    if (more.length > 0) this.#reads[cell] = [...(this.#reads[cell] as readonly number[]), ...more];
    this.#late[cell] = true;
  }

  #addReader(read: number, reader: number): void {
    const readers = this.#readers[read] as Readers;
    if (!Array.isArray(readers)) readers.add(reader);
    else if (readers.length < MANY_READERS) readers.push(reader);
    else this.#readers[read] = new Set([...readers, reader]);
  }

  #dropReader(read: number, reader: number): void {
    const readers = this.#readers[read] as Readers;
    if (!Array.isArray(readers)) {
      readers.delete(reader);
      return;
    }
    const at = readers.indexOf(reader);
    const last = readers.pop();
    if (at >= 0 && last !== undefined && at < readers.length) readers[at] = last;
  }
}
