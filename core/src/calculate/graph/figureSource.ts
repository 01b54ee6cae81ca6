import type { Failure } from '../../job/failure.ts';
import type { NodeId } from '../../job/nodeId.ts';
import type { Before } from './changeNotes.ts';
import type { Graph } from './graph.ts';
import type { Figure } from './rule.ts';

/** Where figures are read: all that a graph tells, without a way to change it. */
export interface FigureSource {
  readonly figure: (node: NodeId) => Figure;
  readonly has: (node: NodeId) => boolean;
  readonly inputsOf: (node: NodeId) => readonly NodeId[];
  readonly failures: () => Iterable<readonly [node: NodeId, failure: Failure]>;
  readonly changedUntil: (later: FigureSource) => ReadonlySet<string> | undefined;
}

/**
 * The figures of a graph at one moment. The graph goes on; what a change replaced is kept with the moment before it,
 * so that the latest costs nothing and an earlier one looks through the changes since.
 */
export class Moment implements FigureSource {
  readonly #graph: Graph;
  #before: Before | undefined;
  #next: Moment | undefined;

  constructor(graph: Graph) {
    this.#graph = graph;
  }

  /** The graph has gone on from here; gives the moment it is at now. */
  goOn(before: Before): Moment {
    if (this.#next !== undefined) throw new Error('goOn: this moment has passed already');
    this.#before = before;
    this.#next = new Moment(this.#graph);
    return this.#next;
  }

  /** The graph went back from here to where it was at an earlier moment, which is the latest again. */
  goBackTo(earlier: Moment, before: Before): void {
    if (this.#next !== undefined) throw new Error('goBackTo: this moment has passed already');
    this.#before = before;
    this.#next = earlier;
    earlier.#before = undefined;
    earlier.#next = undefined;
  }

  figure = (node: NodeId): Figure => {
    const known = this.#replaced(node);
    if (known === 'not replaced') return this.#graph.figure(node);
    return known ?? { failure: { kind: 'missing', node } };
  };

  has = (node: NodeId): boolean => {
    const known = this.#replaced(node);
    return known === 'not replaced' ? this.#graph.has(node) : known !== undefined;
  };

  inputsOf = (node: NodeId): readonly NodeId[] => this.#graph.inputsOf(node);

  failures = (): Iterable<readonly [node: NodeId, failure: Failure]> =>
    this.#next === undefined ? this.#graph.failures() : this.#failuresThen();

  *#failuresThen(): Generator<readonly [NodeId, Failure]> {
    const seen = new Set<number>();
    for (const before of this.#since())
      for (const [number, figure] of before) {
        if (seen.has(number)) continue;
        seen.add(number);
        if (figure?.failure !== undefined) yield [this.#graph.idOf(number), figure.failure];
      }
    for (const entry of this.#graph.failures())
      if (!seen.has(this.#graph.numberOf(entry[0]) ?? -1)) yield entry;
  }

  /** Owners of the figures that were replaced between here and a later moment; undefined where that is not later. */
  changedUntil(later: FigureSource): ReadonlySet<string> | undefined {
    const owners = new Set<string>();
    if (later === this) return owners;
    this.#noteReplaced(owners);
    let at = this.#next;
    for (; at !== undefined && at !== later; at = at.#next) at.#noteReplaced(owners);
    return at === undefined ? undefined : owners;
  }

  #noteReplaced(owners: Set<string>): void {
    for (const number of this.#before?.keys() ?? []) owners.add(this.#graph.idOf(number).owner);
  }

  /** What each change since then replaced, the first change first. */
  *#since(): Generator<Before> {
    if (this.#before === undefined) return;
    yield this.#before;
    if (this.#next !== undefined) yield* this.#next.#since();
  }

  #replaced(node: NodeId): Figure | undefined | 'not replaced' {
    if (this.#next === undefined) return 'not replaced';
    const number = this.#graph.numberOf(node);
    if (number === undefined) return 'not replaced';
    for (const before of this.#since()) if (before.has(number)) return before.get(number);
    return 'not replaced';
  }
}
