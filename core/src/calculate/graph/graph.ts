import type { Failure } from '../../job/failure.ts';
import { type NodeId, sameNode } from '../../job/nodeId.ts';

/** Reads its operands from `values` at `at`; a result that is not finite asks `explain` for the reason. */
export type Compute = (values: Float64Array, at: Int32Array) => number;

export type Rule =
  | { readonly kind: 'value'; readonly value: number; readonly failure?: Failure }
  /** A costly value: worked out only once something reads it or asks for it. */
  | { readonly kind: 'when-asked'; readonly value: () => number }
  | {
      readonly kind: 'compute';
      readonly inputs: readonly NodeId[];
      readonly run: Compute;
      readonly explain?: (values: Float64Array, at: Int32Array) => Failure;
      /** Sums over what is known: a missing price must not hide every other one. */
      readonly skipsFailures?: boolean;
    };

/** A figure: its SI value, or why there is none. */
export type Figure = { readonly value: number; readonly failure?: undefined } | { readonly failure: Failure };

/** A figure that is what it is until it is defined otherwise. */
export const valued = (value: number): Rule => ({ kind: 'value', value });

/** Sums of any number of operands share one closure. */
export const sumOf: Compute = (values, at) => {
  let total = 0;
  for (let slot = 0; slot < at.length; slot += 1) total += values[at[slot] as number] as number;
  return total;
};

const NO_INPUTS = new Int32Array(0);
const NO_COMPUTE: Compute = () => Number.NaN;

/** What a node does when it is figured; kept in a byte array, since the hot loop asks every node. */
const VALUE = 1;
const WHEN_ASKED = 2;
const COMPUTE = 3;
const COMPUTE_SKIPPING = 4;
const LOOPED = 5;

const KINDS = { value: VALUE, 'when-asked': WHEN_ASKED } as const;
const kindOf = (rule: Rule | undefined): number => {
  if (rule === undefined) return 0;
  if (rule.kind !== 'compute') return KINDS[rule.kind];
  return rule.skipsFailures === true ? COMPUTE_SKIPPING : COMPUTE;
};

/**
 * A dependency graph over ids and numbers; it knows nothing of jobs. Nodes are ranked so that
 * inputs come before what reads them; ranks only ever rise, which keeps adding a node cheap.
 * Recalculation visits dirty nodes by rank and stops where a value did not change.
 */
export class Graph {
  /** By owner, then by figure. */
  readonly #index = new Map<string, Map<string, number>>();
  readonly #ids: NodeId[] = [];
  #values = new Float64Array(1024);
  #rank = new Int32Array(1024);
  /** 0 clean, 1 waiting in a bucket. */
  #dirty = new Uint8Array(1024);
  /** 0 where no rule stands. */
  #kind = new Uint8Array(1024);
  #failed = new Uint8Array(1024);
  /** 1 where a value is not worked out, since nothing has asked for it. */
  #unasked = new Uint8Array(1024);
  readonly #rules: (Rule | undefined)[] = [];
  readonly #run: Compute[] = [];
  readonly #inputs: Int32Array[] = [];
  readonly #readers: number[][] = [];
  readonly #failures = new Map<number, Failure>();
  readonly #buckets: number[][] = [];
  readonly #looped = new Set<number>();
  #changed: number[] = [];
  /** Computing nodes by rank, for figuring everything; undefined after a change of shape. */
  #order: Int32Array | undefined;

  get size(): number {
    return this.#ids.length;
  }

  /** Adds a node or gives it another rule. What reads it follows at the next `recalculate`. */
  define(id: NodeId, rule: Rule): void {
    const node = this.#nodeOf(id);
    const previous = this.#rules[node];
    if (previous?.kind === 'value' && rule.kind === 'value' && sameValue(previous, rule)) return;
    if (this.#keepsInputs(node, rule)) this.#setRule(node, rule);
    else {
      this.#unlink(node);
      this.#setRule(node, rule);
      if (rule.kind === 'compute') this.#link(node, rule.inputs);
      if (this.#looped.size > 0) this.#relinkLooped();
    }
    this.#markDirty(node);
  }

  /** Takes a node's rule away; readers then fail as 'missing' until it is defined again. */
  remove(id: NodeId): void {
    const node = this.#find(id);
    if (node === undefined || this.#rules[node] === undefined) return;
    this.#unlink(node);
    this.#setRule(node, undefined);
    this.#markDirty(node);
    if (this.#looped.size > 0) this.#relinkLooped();
  }

  /** The number of a node, which stays; undefined for one that was never spoken of. */
  numberOf(id: NodeId): number | undefined {
    return this.#find(id);
  }

  has(id: NodeId): boolean {
    const node = this.#find(id);
    return node !== undefined && this.#rules[node] !== undefined;
  }

  /** Every node that has a rule. */
  *nodes(): Generator<NodeId> {
    for (const [node, id] of this.#ids.entries()) if (this.#rules[node] !== undefined) yield id;
  }

  /** The figure of a node; a node that was never defined is missing. */
  figure(id: NodeId): Figure {
    const node = this.#find(id);
    if (node === undefined) return { failure: { kind: 'missing', node: id } };
    if (this.#unasked[node] === 1) {
      this.#unasked[node] = 0;
      this.#dirty[node] = 0;
      this.#evaluate(node);
    }
    return this.#failed[node] === 1
      ? { failure: this.#failureOf(node) }
      : { value: this.#values[node] as number };
  }

  /** Every defined node without a figure, with the reason. */
  *failures(): Generator<readonly [id: NodeId, failure: Failure]> {
    for (const [node, failure] of this.#failures)
      if (this.#rules[node] !== undefined && this.#unasked[node] === 0)
        yield [this.#ids[node] as NodeId, failure];
  }

  /** What a node reads, in slot order. */
  inputsOf(id: NodeId): readonly NodeId[] {
    const rule = this.#rules[this.#find(id) ?? -1];
    return rule === undefined ? NOTHING : inputsOfRule(rule);
  }

  /** True where a node has been asked for, by a reader or by figure(). */
  isRead(id: NodeId): boolean {
    const node = this.#find(id);
    return node !== undefined && this.#rules[node] !== undefined && this.#unasked[node] === 0;
  }

  /** What reads a node. */
  readersOf(id: NodeId): readonly NodeId[] {
    const node = this.#find(id);
    return node === undefined ? [] : (this.#readers[node] ?? []).map((reader) => this.#ids[reader] as NodeId);
  }

  /** Figures everything dirty; returns the ids whose figure changed. */
  recalculate(): readonly NodeId[] {
    this.#changed = [];
    for (let rank = 0; rank < this.#buckets.length; rank += 1) {
      const bucket = this.#buckets[rank];
      if (bucket === undefined) continue;
      // Evaluating never adds to this bucket: readers rank above what they read.
      for (let i = 0; i < bucket.length; i += 1) {
        const node = bucket[i] as number;
        if (this.#dirty[node] === 0 || this.#rank[node] !== rank) continue;
        this.#dirty[node] = 0;
        this.#evaluate(node);
      }
      bucket.length = 0;
    }
    return this.#changed.map((node) => this.#ids[node] as NodeId);
  }

  /** Figures everything that computes anew, in order of rank; returns how many nodes there are. */
  recalculateAll(): number {
    this.recalculate();
    this.#order ??= this.#sortByRank();
    for (const node of this.#order) if (!this.#holds(node)) this.#evaluate(node);
    this.recalculate();
    return this.#ids.length;
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
    const nodes = this.#ids.map((_, node) => node).filter((node) => (this.#kind[node] as number) >= COMPUTE);
    return Int32Array.from(nodes.sort((a, b) => (this.#rank[a] as number) - (this.#rank[b] as number)));
  }

  /** A rule over the same operands needs no new links: a pen moved, a rate changed. */
  #keepsInputs(node: number, rule: Rule): boolean {
    const before = this.#rules[node];
    if (before === undefined || this.#looped.size > 0) return false;
    const [old, now] = [inputsOfRule(before), inputsOfRule(rule)];
    return old.length === now.length && old.every((input, slot) => sameNode(input, now[slot] as NodeId));
  }

  #setRule(node: number, rule: Rule | undefined): void {
    if (this.#rules[node]?.kind !== rule?.kind) this.#order = undefined;
    this.#rules[node] = rule;
    this.#run[node] = rule?.kind === 'compute' ? rule.run : NO_COMPUTE;
    this.#kind[node] = kindOf(rule);
    this.#unasked[node] =
      rule?.kind === 'when-asked' && (this.#readers[node] as number[]).length === 0 ? 1 : 0;
  }

  #find(id: NodeId): number | undefined {
    return this.#index.get(id.owner)?.get(figureOf(id));
  }

  #nodeOf(id: NodeId): number {
    const known = this.#find(id);
    if (known !== undefined) return known;
    const node = this.#ids.length;
    if (node === this.#values.length) this.#grow();
    const ofOwner = this.#index.get(id.owner);
    if (ofOwner === undefined) this.#index.set(id.owner, new Map([[figureOf(id), node]]));
    else ofOwner.set(figureOf(id), node);
    this.#ids.push(id);
    this.#inputs.push(NO_INPUTS);
    this.#readers.push([]);
    this.#rules.push(undefined);
    this.#run.push(NO_COMPUTE);
    // Missing until it has a rule; said in words only where somebody asks.
    this.#failed[node] = 1;
    return node;
  }

  #failureOf(node: number): Failure {
    return this.#failures.get(node) ?? { kind: 'missing', node: this.#ids[node] as NodeId };
  }

  #grow(): void {
    const size = this.#values.length * 2;
    const grown = <A extends Float64Array | Int32Array | Uint8Array>(from: A, to: A): A => {
      to.set(from);
      return to;
    };
    this.#values = grown(this.#values, new Float64Array(size));
    this.#rank = grown(this.#rank, new Int32Array(size));
    this.#dirty = grown(this.#dirty, new Uint8Array(size));
    this.#kind = grown(this.#kind, new Uint8Array(size));
    this.#failed = grown(this.#failed, new Uint8Array(size));
    this.#unasked = grown(this.#unasked, new Uint8Array(size));
  }

  #fail(node: number, failure: Failure): void {
    this.#failures.set(node, failure);
    this.#failed[node] = 1;
  }

  #link(node: number, inputs: readonly NodeId[]): void {
    const at = new Int32Array(inputs.length);
    inputs.forEach((input, slot) => {
      const source = this.#nodeOf(input);
      at[slot] = source;
      if (this.#unasked[source] === 1) {
        this.#unasked[source] = 0;
        this.#markDirty(source);
      }
      (this.#readers[source] as number[]).push(node);
    });
    this.#inputs[node] = at;
    this.#rankAbove(node);
  }

  #unlink(node: number): void {
    for (const source of this.#inputs[node] as Int32Array) {
      const readers = this.#readers[source] as number[];
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
      least = Math.max(least, (this.#rank[source] as number) + 1);
    if ((this.#rank[node] as number) >= least) return;
    // Looked for before any rank is raised: half-raised ranks would hide the loop next time.
    if (this.#reaches(node, node)) {
      this.#breakLoop(node);
      return;
    }
    const pending: [number, number][] = [[node, least]];
    while (pending.length > 0) {
      const [current, rank] = pending.pop() as [number, number];
      if ((this.#rank[current] as number) >= rank) continue;
      this.#rank[current] = rank;
      this.#order = undefined;
      if (this.#dirty[current] === 1) this.#enqueue(current);
      for (const reader of this.#readers[current] as number[])
        if (!this.#looped.has(reader)) pending.push([reader, rank + 1]);
    }
  }

  #reaches(from: number, to: number): boolean {
    const pending = [from];
    const seen = new Set<number>();
    while (pending.length > 0) {
      for (const reader of this.#readers[pending.pop() as number] as number[]) {
        if (reader === to) return true;
        if (seen.has(reader) || this.#looped.has(reader)) continue;
        seen.add(reader);
        pending.push(reader);
      }
    }
    return false;
  }

  #breakLoop(node: number): void {
    this.#looped.add(node);
    this.#rank[node] = 0;
    this.#markDirty(node);
  }

  /** After any change of shape, a loop may be gone: try the nodes that were set aside again. */
  #relinkLooped(): void {
    const waiting = [...this.#looped];
    this.#looped.clear();
    for (const node of waiting) {
      this.#rank[node] = 0;
      this.#rankAbove(node);
      this.#markDirty(node);
    }
  }

  #markDirty(node: number): void {
    if (this.#dirty[node] === 1 || this.#unasked[node] === 1) return;
    this.#dirty[node] = 1;
    this.#enqueue(node);
  }

  #enqueue(node: number): void {
    const rank = this.#rank[node] as number;
    const bucket = this.#buckets[rank];
    if (bucket === undefined) {
      for (let i = this.#buckets.length; i <= rank; i += 1) this.#buckets[i] ??= [];
      (this.#buckets[rank] as number[]).push(node);
    } else bucket.push(node);
  }

  #evaluate(node: number): void {
    const before = this.#values[node] as number;
    const wasFailed = this.#failed[node] === 1;
    const failedBefore = wasFailed ? this.#failures.get(node) : undefined;
    const failure = this.#figure(node);
    if (failure !== undefined) {
      this.#fail(node, failure);
      // A failed operand reads as zero, so that sums over what is known can skip it.
      this.#values[node] = 0;
    } else if (wasFailed) {
      if (failedBefore !== undefined) this.#failures.delete(node);
      this.#failed[node] = 0;
    }
    const isFailed = failure !== undefined;
    if (isFailed === wasFailed && sameFailure(failure, failedBefore) && before === this.#values[node]) return;
    this.#changed.push(node);
    for (const reader of this.#readers[node] as number[]) this.#markDirty(reader);
  }

  /** Figures one node into `#values`, or says why it has no figure. */
  #figure(node: number): Failure | undefined {
    const kind = this.#looped.size > 0 && this.#looped.has(node) ? LOOPED : (this.#kind[node] as number);
    if (kind < COMPUTE) return this.#take(node);
    if (kind === LOOPED) return { kind: 'loop', members: this.#loopThrough(node) };
    const at = this.#inputs[node] as Int32Array;
    if (kind === COMPUTE)
      for (let slot = 0; slot < at.length; slot += 1)
        if (this.#failed[at[slot] as number] === 1) return this.#failureOf(at[slot] as number);
    const value = (this.#run[node] as Compute)(this.#values, at);
    if (!Number.isFinite(value)) return this.#explain(node, at);
    this.#values[node] = value;
    return undefined;
  }

  #take(node: number): Failure | undefined {
    const rule = this.#rules[node];
    if (rule === undefined || rule.kind === 'compute')
      return { kind: 'missing', node: this.#ids[node] as NodeId };
    this.#values[node] = rule.kind === 'value' ? rule.value : rule.value();
    return rule.kind === 'value' ? rule.failure : undefined;
  }

  #explain(node: number, at: Int32Array): Failure {
    const rule = this.#rules[node];
    const explained = rule?.kind === 'compute' ? rule.explain?.(this.#values, at) : undefined;
    return explained ?? { kind: 'missing', node: this.#ids[node] as NodeId };
  }

  /** The members of the loop a node stands in, by a search along its readers back to itself. */
  #loopThrough(node: number): readonly NodeId[] {
    const from = new Map<number, number>();
    const pending = [node];
    while (pending.length > 0) {
      const current = pending.shift() as number;
      for (const reader of this.#readers[current] as number[]) {
        if (reader === node) return this.#pathBack(from, current);
        if (from.has(reader)) continue;
        from.set(reader, current);
        pending.push(reader);
      }
    }
    return [this.#ids[node] as NodeId];
  }

  #pathBack(from: ReadonlyMap<number, number>, last: number): readonly NodeId[] {
    const members: NodeId[] = [];
    for (let node: number | undefined = last; node !== undefined; node = from.get(node))
      members.unshift(this.#ids[node] as NodeId);
    return members;
  }
}

/** A figure within its owner, as a key. */
const figureOf = ({ figure, of }: NodeId): string => (of === undefined ? figure : `${figure}/${of}`);

const NOTHING: readonly NodeId[] = [];
const inputsOfRule = (rule: Rule): readonly NodeId[] => (rule.kind === 'compute' ? rule.inputs : NOTHING);

/** A loop is named anew each time it is looked at; what reads itself must not take that for a change. */
function sameFailure(a: Failure | undefined, b: Failure | undefined): boolean {
  if (a === b) return true;
  if (a?.kind !== 'loop' || b?.kind !== 'loop') return false;
  return (
    a.members.length === b.members.length &&
    a.members.every((member, i) => sameNode(member, b.members[i] as NodeId))
  );
}

const sameValue = (a: Rule & { kind: 'value' }, b: Rule & { kind: 'value' }): boolean =>
  a.value === b.value && a.failure === b.failure;
