import type { Failure } from '../../job/failure.ts';
import { type NodeId, sameNode } from '../../job/nodeId.ts';
import { DirtyNodes } from './dirtyNodes.ts';
import { leadsBack, loopsAround, membersOfLoop } from './loops.ts';
import { NodeIndex } from './nodeIndex.ts';
import { type Before, ChangeNotes } from './changeNotes.ts';
import type { Compute, Explain, Figure, Rule } from './rule.ts';

const NO_INPUTS = new Int32Array(0);
const NO_COMPUTE: Compute = () => Number.NaN;
const NO_READERS: readonly number[] = [];

/** What a node does when it is figured; kept in a byte array, since the hot loop asks every node. */
const NO_RULE = 0;
const VALUE = 1;
const WHEN_ASKED = 2;
const COMPUTE = 3;
const COMPUTE_SKIPPING = 4;
const LOOPED = 5;

const kindOf = (rule: Rule): number => {
  if (rule.kind === 'value') return VALUE;
  if (rule.kind === 'when-asked') return WHEN_ASKED;
  return rule.skipsFailures === true ? COMPUTE_SKIPPING : COMPUTE;
};

/**
 * A dependency graph over ids and numbers; it knows nothing of jobs. Nodes are ranked so that
 * inputs come before what reads them; ranks only ever rise, which keeps adding a node cheap.
 * Recalculation visits dirty nodes by rank and stops where a value did not change.
 */
export class Graph {
  readonly #index = new NodeIndex();
  #values = new Float64Array(1024);
  /** What value rules say; the figure itself is 0 where it failed. */
  #given = new Float64Array(1024);
  readonly #dirty = new DirtyNodes();
  #kind = new Uint8Array(1024);
  #failed = new Uint8Array(1024);
  /** 1 where a value is not worked out, since nothing has asked for it. */
  #unasked = new Uint8Array(1024);
  readonly #run: Compute[] = [];
  readonly #explain: (Explain | undefined)[] = [];
  readonly #inputs: Int32Array[] = [];
  readonly #readers: number[][] = [];
  readonly #givenFailures = new Map<number, Failure>();
  readonly #whenAsked = new Map<number, () => number>();
  readonly #failures = new Map<number, Failure>();
  /** All members of loops. Between a change of shape and the next `recalculate` at least one of each. */
  readonly #looped = new Set<number>();
  #reshaped = false;
  #changed: number[] = [];
  readonly #notes = new ChangeNotes();
  /** Computing nodes by rank, for figuring everything; undefined after a change of shape. */
  #order: Int32Array | undefined;

  get size(): number {
    return this.#index.size;
  }

  /** From here on, keeps what each node was before its first change; gives what was kept until now. */
  noteChanges(): Before {
    return this.#notes.take();
  }

  #figureNow(node: number): Figure {
    return this.#failed[node] === 1
      ? { failure: this.#failureOf(node) }
      : { value: this.#values[node] as number };
  }

  /** Adds a node or gives it another rule; gives its number. What reads it follows at the next `recalculate`. */
  define(id: NodeId, rule: Rule): number {
    const node = this.#nodeOf(id);
    if (rule.kind === 'value' && this.#isGiven(node, rule.value, rule.failure)) return node;
    const inputs = rule.kind === 'compute' ? this.#numbersOf(rule.inputs) : NO_INPUTS;
    if (this.#keepsInputs(node, inputs)) this.#setRule(node, rule);
    else {
      this.#unlink(node);
      this.#setRule(node, rule);
      if (rule.kind === 'compute') this.#link(node, inputs);
      this.#reshaped = true;
    }
    this.#markDirty(node);
    return node;
  }

  /** Takes a node's rule away; readers then fail as 'missing' until it is defined again. */
  remove(id: NodeId): void {
    const node = this.#index.find(id);
    if (node !== undefined) this.removeNode(node);
  }

  removeNode(node: number): void {
    if (this.#kind[node] === NO_RULE) return;
    this.#unlink(node);
    this.#setRule(node, undefined);
    this.#markDirty(node);
    this.#reshaped = true;
  }

  has(id: NodeId): boolean {
    const node = this.#index.find(id);
    return node !== undefined && this.#kind[node] !== NO_RULE;
  }

  numberOf(id: NodeId): number | undefined {
    return this.#index.find(id);
  }

  idOf(node: number): NodeId {
    return this.#index.idOf(node);
  }

  /** Every node that has a rule. */
  *nodes(): Generator<NodeId> {
    for (let node = 0; node < this.size; node += 1)
      if (this.#kind[node] !== NO_RULE) yield this.#index.idOf(node);
  }

  /** The figure of a node; a node that was never defined is missing. */
  figure(id: NodeId): Figure {
    const node = this.#index.find(id);
    if (node === undefined) return { failure: { kind: 'missing', node: id } };
    if (this.#unasked[node] === 1) {
      this.#ask(node);
      this.#dirty.clear(node);
      this.#evaluate(node);
    }
    return this.#figureNow(node);
  }

  /** Every defined node without a figure, with the reason. */
  *failures(): Generator<readonly [id: NodeId, failure: Failure]> {
    for (const [node, failure] of this.#failures)
      if (this.#kind[node] !== NO_RULE && this.#unasked[node] === 0) yield [this.#index.idOf(node), failure];
  }

  /** What a node reads, in slot order. */
  inputsOf(id: NodeId): readonly NodeId[] {
    const node = this.#index.find(id);
    return node === undefined ? [] : Array.from(this.#inputs[node] ?? [], (each) => this.#index.idOf(each));
  }

  /** What reads a node. */
  readersOf(id: NodeId): readonly NodeId[] {
    const node = this.#index.find(id);
    return node === undefined ? [] : this.#readersOf(node).map((reader) => this.#index.idOf(reader));
  }

  /** Figures everything dirty; returns the ids whose figure changed. */
  recalculate(): readonly NodeId[] {
    if (this.#reshaped && this.#looped.size > 0) this.#findLoops();
    this.#reshaped = false;
    this.#changed = [];
    this.#dirty.drain((node) => this.#evaluate(node));
    return this.#changed.map((node) => this.#index.idOf(node));
  }

  /** Figures everything that computes anew, in order of rank; returns how many nodes there are. */
  recalculateAll(): number {
    this.recalculate();
    this.#order ??= this.#sortByRank();
    for (const node of this.#order) if (!this.#holds(node)) this.#evaluate(node);
    this.recalculate();
    return this.size;
  }

  /** True when figuring a node anew gives what it has; the usual case, and so the quick one. */
  #holds(node: number): boolean {
    if (this.#failed[node] === 1) return false;
    const at = this.#inputs[node] as Int32Array;
    if (this.#kind[node] === COMPUTE)
      for (let slot = 0; slot < at.length; slot += 1)
        if (this.#failed[at[slot] as number] === 1) return false;
    return (this.#run[node] as Compute)(this.#values, at) === this.#values[node];
  }

  #sortByRank(): Int32Array {
    const nodes = Array.from({ length: this.size }, (_, node) => node);
    return Int32Array.from(
      nodes
        .filter((node) => (this.#kind[node] as number) >= COMPUTE)
        .sort((a, b) => this.#dirty.rankOf(a) - this.#dirty.rankOf(b)),
    );
  }

  #isGiven(node: number, value: number, failure: Failure | undefined): boolean {
    return (
      this.#kind[node] === VALUE && this.#given[node] === value && this.#givenFailures.get(node) === failure
    );
  }

  /** A rule over the same operands needs no new links: a pen moved, a rate changed. */
  #keepsInputs(node: number, inputs: Int32Array): boolean {
    if (this.#kind[node] === NO_RULE) return false;
    const had = this.#inputs[node] as Int32Array;
    return had.length === inputs.length && had.every((input, slot) => input === inputs[slot]);
  }

  #setRule(node: number, rule: Rule | undefined): void {
    const kind = rule === undefined ? NO_RULE : kindOf(rule);
    const comes = (this.#kind[node] === NO_RULE) !== (kind === NO_RULE);
    if ((comes || kind === WHEN_ASKED) && this.#unasked[node] === 0 && this.#notes.wants(node))
      this.#notes.keep(node, this.#kind[node] === NO_RULE ? undefined : this.#figureNow(node));
    if (this.#kind[node] !== kind) this.#order = undefined;
    this.#kind[node] = kind;
    this.#run[node] = rule?.kind === 'compute' ? rule.run : NO_COMPUTE;
    this.#explain[node] = rule?.kind === 'compute' ? rule.explain : undefined;
    this.#givenFailures.delete(node);
    this.#whenAsked.delete(node);
    if (rule?.kind === 'value') {
      this.#given[node] = rule.value;
      if (rule.failure !== undefined) this.#givenFailures.set(node, rule.failure);
    }
    if (rule?.kind === 'when-asked') this.#whenAsked.set(node, rule.value);
    this.#unasked[node] = kind === WHEN_ASKED && this.#readersOf(node).length === 0 ? 1 : 0;
  }

  #readersOf = (node: number): readonly number[] => this.#readers[node] ?? NO_READERS;

  #numbersOf(ids: readonly NodeId[]): Int32Array {
    if (ids.length === 0) return NO_INPUTS;
    const numbers = new Int32Array(ids.length);
    for (let slot = 0; slot < ids.length; slot += 1) numbers[slot] = this.#nodeOf(ids[slot] as NodeId);
    return numbers;
  }

  #nodeOf(id: NodeId): number {
    const known = this.#index.find(id);
    if (known !== undefined) return known;
    const node = this.#index.add(id);
    if (node === this.#values.length) this.#grow();
    this.#inputs.push(NO_INPUTS);
    this.#run.push(NO_COMPUTE);
    this.#explain.push(undefined);
    // Missing until it has a rule; said in words only where somebody asks.
    this.#failed[node] = 1;
    return node;
  }

  #failureOf(node: number): Failure {
    return this.#failures.get(node) ?? { kind: 'missing', node: this.#index.idOf(node) };
  }

  #grow(): void {
    const size = this.#values.length * 2;
    const grown = <A extends Float64Array | Uint8Array>(from: A, to: A): A => {
      to.set(from);
      return to;
    };
    this.#values = grown(this.#values, new Float64Array(size));
    this.#given = grown(this.#given, new Float64Array(size));
    this.#dirty.grow(size);
    this.#kind = grown(this.#kind, new Uint8Array(size));
    this.#failed = grown(this.#failed, new Uint8Array(size));
    this.#unasked = grown(this.#unasked, new Uint8Array(size));
  }

  #link(node: number, inputs: Int32Array): void {
    for (const source of inputs) {
      if (this.#unasked[source] === 1) {
        this.#ask(source);
        this.#markDirty(source);
      }
      const readers = this.#readers[source];
      if (readers === undefined) this.#readers[source] = [node];
      else readers.push(node);
    }
    this.#inputs[node] = inputs;
    this.#rankAbove(node);
  }

  #unlink(node: number): void {
    for (const source of this.#inputs[node] as Int32Array) {
      const readers = this.#readers[source] ?? [];
      const at = readers.indexOf(node);
      if (at >= 0) readers.splice(at, 1);
    }
    this.#inputs[node] = NO_INPUTS;
    this.#looped.delete(node);
  }

  /** Raises ranks until the node and all that follows stand above what they read; finds loops. */
  #rankAbove(node: number): void {
    let least = 0;
    for (const source of this.#inputs[node] as Int32Array)
      least = Math.max(least, this.#dirty.rankOf(source) + 1);
    if (this.#dirty.rankOf(node) >= least) return;
    // Looked for before any rank is raised: half-raised ranks would hide the loop next time.
    if (leadsBack(node, this.#readersOf, (each) => this.#looped.has(each))) {
      this.#breakLoop(node);
      return;
    }
    const pending: [number, number][] = [[node, least]];
    for (let next = pending.pop(); next !== undefined; next = pending.pop()) {
      const [current, rank] = next;
      if (this.#dirty.rankOf(current) >= rank) continue;
      this.#setRank(current, rank);
      for (const reader of this.#readersOf(current))
        if (!this.#looped.has(reader)) pending.push([reader, rank + 1]);
    }
  }

  #setRank(node: number, rank: number): void {
    this.#dirty.setRank(node, rank);
    this.#order = undefined;
  }

  #breakLoop(node: number): void {
    this.#looped.add(node);
    this.#setRank(node, 0);
    this.#markDirty(node);
  }

  /**
   * After any change of shape a loop may be gone, or larger. All its members say that they wait for each
   * other, whatever else may be wrong with one of them: it must not matter where the loop was closed.
   */
  #findLoops(): void {
    const waiting = [...this.#looped];
    this.#looped.clear();
    const inputsOf = (node: number): Iterable<number> => this.#inputs[node] ?? NO_INPUTS;
    for (const node of waiting) {
      this.#markDirty(node);
      if (this.#looped.has(node)) continue;
      this.#setRank(node, 0);
      const members = loopsAround(node, this.#readersOf, inputsOf);
      if (members.size === 0) this.#rankAbove(node);
      for (const member of members) this.#breakLoop(member);
    }
  }

  #markDirty(node: number): void {
    if (this.#unasked[node] === 0) this.#dirty.mark(node);
  }

  #ask(node: number): void {
    this.#unasked[node] = 0;
    this.#notes.leaveOut(node);
  }

  #evaluate(node: number): void {
    const before = this.#values[node] as number;
    const wasFailed = this.#failed[node] === 1;
    const failedBefore = wasFailed ? this.#failures.get(node) : undefined;
    const failure = this.#figure(node);
    if (failure !== undefined) {
      this.#failures.set(node, failure);
      this.#failed[node] = 1;
      // A failed operand reads as zero, so that sums over what is known can skip it.
      this.#values[node] = 0;
    } else if (wasFailed) {
      if (failedBefore !== undefined) this.#failures.delete(node);
      this.#failed[node] = 0;
    }
    const isFailed = failure !== undefined;
    if (isFailed === wasFailed && sameFailure(failure, failedBefore) && before === this.#values[node]) return;
    if (this.#notes.wants(node))
      this.#notes.keep(
        node,
        wasFailed ? { failure: failedBefore ?? this.#failureOf(node) } : { value: before },
      );
    this.#changed.push(node);
    for (const reader of this.#readersOf(node)) this.#markDirty(reader);
  }

  /** Figures one node into `#values`, or says why it has no figure. */
  #figure(node: number): Failure | undefined {
    const kind = this.#looped.size > 0 && this.#looped.has(node) ? LOOPED : (this.#kind[node] as number);
    if (kind < COMPUTE) return this.#take(node, kind);
    if (kind === LOOPED) {
      const members = membersOfLoop(node, this.#readersOf);
      return { kind: 'loop', members: members.map((each) => this.#index.idOf(each)) };
    }
    const at = this.#inputs[node] as Int32Array;
    if (kind === COMPUTE)
      for (let slot = 0; slot < at.length; slot += 1)
        if (this.#failed[at[slot] as number] === 1) return this.#failureOf(at[slot] as number);
    const value = (this.#run[node] as Compute)(this.#values, at);
    if (!Number.isFinite(value))
      return this.#explain[node]?.(this.#values, at) ?? { kind: 'missing', node: this.#index.idOf(node) };
    this.#values[node] = value;
    return undefined;
  }

  #take(node: number, kind: number): Failure | undefined {
    if (kind === NO_RULE) return { kind: 'missing', node: this.#index.idOf(node) };
    this.#values[node] =
      kind === VALUE ? (this.#given[node] as number) : (this.#whenAsked.get(node)?.() ?? 0);
    return this.#givenFailures.get(node);
  }
}

/** A loop is named anew each time it is looked at; what reads itself must not take that for a change. */
function sameFailure(a: Failure | undefined, b: Failure | undefined): boolean {
  if (a === b) return true;
  if (a?.kind !== 'loop' || b?.kind !== 'loop') return false;
  return (
    a.members.length === b.members.length && a.members.every((id, i) => sameNode(id, b.members[i] as NodeId))
  );
}
