const CLEAN = 0;
/** Something it read, directly or not, may be another. */
const SUSPECT = 1;
/** Worked out when it is first asked for. */
const FRESH = 2;
const RUNNING = 3;
const FREE = 4;

const NO_EDGE = -1;

/** A whole number for each cell or edge, in one growing block. */
class Column {
  #numbers = new Int32Array(1024);

  get(at: number): number {
    return this.#numbers[at] as number;
  }

  set(at: number, value: number): void {
    if (at >= this.#numbers.length) {
      const grown = new Int32Array(this.#numbers.length * 2);
      grown.set(this.#numbers);
      this.#numbers = grown;
    }
    this.#numbers[at] = value;
  }
}

/**
 * Who read what, and when what was read was last another: the bare books of tracking. A large job has
 * some hundred thousand reads, so that they are kept as numbers: a read is an edge, which stands in the
 * list of its reader's reads (in their order) and in the ring of those who read the same.
 */
export class Cells {
  readonly #state = new Column();
  /** Moments of a clock that goes on with every change. */
  readonly #changedAt = new Column();
  readonly #verifiedAt = new Column();
  /** The last frame that read a cell, so that each read is noted once. */
  readonly #readIn = new Column();
  /** The frame of a cell's last run. */
  readonly #ranIn = new Column();
  /** 1 where something was read after the run. */
  readonly #late = new Column();
  readonly #firstRead = new Column();
  readonly #firstReader = new Column();
  readonly #edgeRead = new Column();
  readonly #edgeReader = new Column();
  readonly #nextRead = new Column();
  readonly #nextReader = new Column();
  readonly #previousReader = new Column();
  readonly #unusedCells: number[] = [];
  readonly #unusedEdges: number[] = [];
  #cellCount = 0;
  #edgeCount = 0;
  #clock = 1;

  /** A cell that is worked out; it runs when it is first asked for. */
  add(): number {
    return this.#create(FRESH);
  }

  /** A cell that is told from outside when it is another. */
  addInput(): number {
    return this.#create(CLEAN);
  }

  #create(state: number): number {
    const cell = this.#unusedCells.pop() ?? this.#cellCount++;
    this.#state.set(cell, state);
    for (const column of [this.#changedAt, this.#verifiedAt, this.#readIn, this.#ranIn, this.#late])
      column.set(cell, 0);
    this.#firstRead.set(cell, NO_EDGE);
    this.#firstReader.set(cell, NO_EDGE);
    return cell;
  }

  free(cell: number): void {
    this.#state.set(cell, FREE);
    this.#unusedCells.push(cell);
  }

  isFree(cell: number): boolean {
    return this.#state.get(cell) === FREE;
  }

  isClean(cell: number): boolean {
    return this.#state.get(cell) === CLEAN;
  }

  isRunning(cell: number): boolean {
    return this.#state.get(cell) === RUNNING;
  }

  isRead(cell: number): boolean {
    return this.#firstReader.get(cell) !== NO_EDGE;
  }

  /** The cell is another now than whoever read it before knows. */
  touch(cell: number): void {
    this.#changedAt.set(cell, (this.#clock += 1));
  }

  /** Not worked out any more; it stays for as long as a reader has not noticed. */
  markGone(cell: number): void {
    this.#state.set(cell, CLEAN);
  }

  /** Marks all that rests on a cell, however far, and tells of each that was not marked. */
  suspectReaders(cell: number, onSuspect: (reader: number) => void): void {
    const waiting = [cell];
    for (let at = waiting.pop(); at !== undefined; at = waiting.pop())
      for (let edge = this.#firstReader.get(at); edge !== NO_EDGE; edge = this.#nextReader.get(edge)) {
        const reader = this.#edgeReader.get(edge);
        if (this.#state.get(reader) !== CLEAN) continue;
        this.#state.set(reader, SUSPECT);
        onSuspect(reader);
        waiting.push(reader);
      }
  }

  /** Whether a marked cell has to run: it never did, or something it read is another by now. */
  mustRun(cell: number, refresh: (read: number) => void): boolean {
    if (this.#state.get(cell) === FRESH || this.#late.get(cell) === 1) return true;
    const verifiedAt = this.#verifiedAt.get(cell);
    // In the order they were read: a later read may only make sense where the earlier ones stand.
    for (let edge = this.#firstRead.get(cell); edge !== NO_EDGE; edge = this.#nextRead.get(edge)) {
      const read = this.#edgeRead.get(edge);
      if (this.#state.get(read) !== CLEAN) refresh(read);
      if (this.#changedAt.get(read) > verifiedAt) return true;
    }
    return false;
  }

  begin(cell: number, stamp: number): void {
    this.#state.set(cell, RUNNING);
    this.#ranIn.set(cell, stamp);
  }

  stampOf(cell: number): number {
    return this.#ranIn.get(cell);
  }

  /** The run failed: it is tried again when it is asked for next. */
  giveUp(cell: number): void {
    this.#state.set(cell, FRESH);
  }

  verify(cell: number, differs: boolean): void {
    if (differs) this.touch(cell);
    this.#state.set(cell, CLEAN);
    this.#verifiedAt.set(cell, this.#clock);
  }

  /** True the first time a frame reads the cell. */
  stampRead(cell: number, stamp: number): boolean {
    if (this.#readIn.get(cell) === stamp) return false;
    this.#readIn.set(cell, stamp);
    return true;
  }

  /** What a cell read in its last run, from a place of the list on. What nobody reads then is handed over. */
  setReads(cell: number, reads: readonly number[], from: number, letGo: (cell: number) => void): void {
    this.#late.set(cell, 0);
    if (this.#hasReads(cell, reads, from)) return;
    const before = this.#firstRead.get(cell);
    this.#firstRead.set(cell, NO_EDGE);
    // The new ones first, so that what is read again was never unread.
    for (let at = reads.length - 1; at >= from; at -= 1) this.#link(cell, reads[at] as number);
    for (let edge = before; edge !== NO_EDGE;) {
      const next = this.#nextRead.get(edge);
      const read = this.#edgeRead.get(edge);
      this.#unlink(edge);
      if (!this.isRead(read)) letGo(read);
      edge = next;
    }
  }

  /** What was read after the run, for something that was left for later. */
  addLateReads(cell: number, reads: readonly number[], from: number): void {
    for (let at = from; at < reads.length; at += 1) this.#link(cell, reads[at] as number);
    this.#late.set(cell, 1);
  }

  #hasReads(cell: number, reads: readonly number[], from: number): boolean {
    let edge = this.#firstRead.get(cell);
    for (let at = from; at < reads.length; at += 1) {
      if (edge === NO_EDGE || this.#edgeRead.get(edge) !== reads[at]) return false;
      edge = this.#nextRead.get(edge);
    }
    return edge === NO_EDGE;
  }

  /** A read in front of the others of its reader. */
  #link(reader: number, read: number): void {
    const edge = this.#unusedEdges.pop() ?? this.#edgeCount++;
    const others = this.#firstReader.get(read);
    this.#edgeRead.set(edge, read);
    this.#edgeReader.set(edge, reader);
    this.#nextRead.set(edge, this.#firstRead.get(reader));
    this.#firstRead.set(reader, edge);
    this.#nextReader.set(edge, others);
    this.#previousReader.set(edge, NO_EDGE);
    if (others !== NO_EDGE) this.#previousReader.set(others, edge);
    this.#firstReader.set(read, edge);
  }

  #unlink(edge: number): void {
    const [previous, next] = [this.#previousReader.get(edge), this.#nextReader.get(edge)];
    if (previous === NO_EDGE) this.#firstReader.set(this.#edgeRead.get(edge), next);
    else this.#nextReader.set(previous, next);
    if (next !== NO_EDGE) this.#previousReader.set(next, previous);
    this.#unusedEdges.push(edge);
  }
}
