import type { Failure } from './failure.ts';

/** Reads its operands from `values` at `at`; a result that is not finite asks `explain` for the reason. */
export type Compute = (values: Float64Array, at: Int32Array) => number;

export type Rule =
  | { readonly kind: 'value'; readonly value: number; readonly failure?: Failure }
  | {
      readonly kind: 'compute';
      readonly inputs: readonly string[];
      readonly run: Compute;
      readonly explain?: (values: Float64Array, at: Int32Array) => Failure;
      /** Sums over what is known: a missing price must not hide every other one. */
      readonly skipsFailures?: boolean;
    };

/** A figure: its SI value, or why there is none. */
export type Figure = { readonly value: number; readonly failure?: undefined } | { readonly failure: Failure };

/** Sums of any number of operands share one closure. */
export const sumOf: Compute = (values, at) => {
  let total = 0;
  for (let slot = 0; slot < at.length; slot += 1) total += values[at[slot] as number] as number;
  return total;
};

const NO_INPUTS = new Int32Array(0);

/**
 * A dependency graph over ids and numbers; it knows nothing of jobs. Nodes are ranked so that
 * inputs come before what reads them; ranks only ever rise, which keeps adding a node cheap.
 * Recalculation visits dirty nodes by rank and stops where a value did not change.
 */
export class Graph {
  readonly #index = new Map<string, number>();
  readonly #ids: string[] = [];
  #values = new Float64Array(1024);
  #rank = new Int32Array(1024);
  /** 0 clean, 1 waiting in a bucket. */
  #dirty = new Uint8Array(1024);
  readonly #rules: (Rule | undefined)[] = [];
  readonly #inputs: Int32Array[] = [];
  readonly #readers: number[][] = [];
  readonly #failures = new Map<number, Failure>();
  readonly #buckets: number[][] = [];
  readonly #looped = new Set<number>();
  #changed: number[] = [];

  get size(): number {
    return this.#ids.length;
  }

  /** Adds a node or gives it another rule. What reads it follows at the next `recalculate`. */
  define(id: string, rule: Rule): void {
    const node = this.#nodeOf(id);
    const previous = this.#rules[node];
    if (previous?.kind === 'value' && rule.kind === 'value' && sameValue(previous, rule)) return;
    this.#unlink(node);
    this.#rules[node] = rule;
    if (rule.kind === 'compute') this.#link(node, rule.inputs);
    this.#markDirty(node);
    if (this.#looped.size > 0) this.#relinkLooped();
  }

  /** Takes a node's rule away; readers then fail as 'missing' until it is defined again. */
  remove(id: string): void {
    const node = this.#index.get(id);
    if (node === undefined || this.#rules[node] === undefined) return;
    this.#unlink(node);
    this.#rules[node] = undefined;
    this.#markDirty(node);
    if (this.#looped.size > 0) this.#relinkLooped();
  }

  has(id: string): boolean {
    const node = this.#index.get(id);
    return node !== undefined && this.#rules[node] !== undefined;
  }

  /** The figure of a node; a node that was never defined is missing. */
  figure(id: string): Figure {
    const node = this.#index.get(id);
    if (node === undefined) return { failure: { kind: 'missing', node: id } };
    const failure = this.#failures.get(node);
    return failure === undefined ? { value: this.#values[node] as number } : { failure };
  }

  /** What a node reads, in slot order. */
  inputsOf(id: string): readonly string[] {
    const rule = this.#rules[this.#index.get(id) ?? -1];
    return rule?.kind === 'compute' ? rule.inputs : [];
  }

  /** What reads a node. */
  readersOf(id: string): readonly string[] {
    const node = this.#index.get(id);
    return node === undefined ? [] : (this.#readers[node] ?? []).map((reader) => this.#ids[reader] as string);
  }

  /** Figures everything dirty; returns the ids whose figure changed. */
  recalculate(): readonly string[] {
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
    return this.#changed.map((node) => this.#ids[node] as string);
  }

  /** Figures every node anew, as on opening; returns how many there are. */
  recalculateAll(): number {
    for (let node = 0; node < this.#ids.length; node += 1) this.#markDirty(node);
    this.recalculate();
    return this.#ids.length;
  }

  #nodeOf(id: string): number {
    const known = this.#index.get(id);
    if (known !== undefined) return known;
    const node = this.#ids.length;
    if (node === this.#values.length) this.#grow();
    this.#index.set(id, node);
    this.#ids.push(id);
    this.#inputs.push(NO_INPUTS);
    this.#readers.push([]);
    this.#rules.push(undefined);
    this.#failures.set(node, { kind: 'missing', node: id });
    return node;
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
  }

  #link(node: number, inputs: readonly string[]): void {
    const at = new Int32Array(inputs.length);
    inputs.forEach((input, slot) => {
      const source = this.#nodeOf(input);
      at[slot] = source;
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
    if (this.#dirty[node] === 1) return;
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
    const failedBefore = this.#failures.get(node);
    const failure = this.#figure(node);
    if (failure === undefined) this.#failures.delete(node);
    else {
      this.#failures.set(node, failure);
      // A failed operand reads as zero, so that sums over what is known can skip it.
      this.#values[node] = 0;
    }
    if (failure === failedBefore && before === this.#values[node]) return;
    this.#changed.push(node);
    for (const reader of this.#readers[node] as number[]) this.#markDirty(reader);
  }

  #figure(node: number): Failure | undefined {
    const rule = this.#rules[node];
    if (rule === undefined) return { kind: 'missing', node: this.#ids[node] as string };
    if (rule.kind === 'value') {
      this.#values[node] = rule.value;
      return rule.failure;
    }
    if (this.#looped.has(node)) return { kind: 'loop', members: this.#loopThrough(node) };
    const at = this.#inputs[node] as Int32Array;
    if (rule.skipsFailures !== true && this.#failures.size > 0) {
      for (const source of at) {
        const failed = this.#failures.get(source);
        if (failed !== undefined) return failed;
      }
    }
    const value = rule.run(this.#values, at);
    if (!Number.isFinite(value))
      return rule.explain?.(this.#values, at) ?? { kind: 'missing', node: this.#ids[node] as string };
    this.#values[node] = value;
    return undefined;
  }

  /** The members of the loop a node stands in, by a search along its readers back to itself. */
  #loopThrough(node: number): readonly string[] {
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
    return [this.#ids[node] as string];
  }

  #pathBack(from: ReadonlyMap<number, number>, last: number): readonly string[] {
    const members: string[] = [];
    for (let node: number | undefined = last; node !== undefined; node = from.get(node))
      members.unshift(this.#ids[node] as string);
    return members;
  }
}

const sameValue = (a: Rule & { kind: 'value' }, b: Rule & { kind: 'value' }): boolean =>
  a.value === b.value && a.failure === b.failure;
