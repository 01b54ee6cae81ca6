import type { NodeId } from '../../job/nodeId.ts';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Graph } from './graph.ts';
import { type Rule, sumOf } from './rule.ts';

const value = (at: number): Rule => ({ kind: 'value', value: at });
/** A node by one letter. */
const at = (owner: string): NodeId => ({ owner, figure: 'value' });
const ownersOf = (nodes: readonly NodeId[]): readonly string[] => nodes.map(({ owner }) => owner).sort();
const sum = (...inputs: string[]): Rule => ({ kind: 'compute', inputs: inputs.map(at), run: sumOf });

describe('the dependency graph', () => {
  it('figures what follows, and only that', () => {
    const graph = new Graph();
    graph.define(at('a'), value(1));
    graph.define(at('b'), value(2));
    graph.define(at('ab'), sum('a', 'b'));
    graph.define(at('bb'), sum('b', 'b'));
    graph.recalculate();
    graph.define(at('a'), value(10));
    expect(ownersOf(graph.recalculate())).toEqual(['a', 'ab']);
    expect(graph.figure(at('ab'))).toEqual({ value: 12 });
  });

  it('stops where a value did not change', () => {
    const graph = new Graph();
    graph.define(at('a'), value(1));
    graph.define(at('capped'), {
      kind: 'compute',
      inputs: [at('a')],
      run: (v, at) => Math.min(5, v[at[0] as number] as number),
    });
    graph.define(at('after'), sum('capped'));
    graph.define(at('a'), value(7));
    graph.recalculate();
    graph.define(at('a'), value(9));
    expect(ownersOf(graph.recalculate())).toEqual(['a']);
  });

  it('lets a failure flow to what needs the figure, but not into sums over what is known', () => {
    const graph = new Graph();
    graph.define(at('a'), { kind: 'value', value: 0, failure: { kind: 'no-price' } });
    graph.define(at('b'), value(4));
    graph.define(at('strict'), sum('a', 'b'));
    graph.define(at('known'), { ...sum('a', 'b'), skipsFailures: true } as Rule);
    graph.recalculate();
    expect(graph.figure(at('strict'))).toEqual({ failure: { kind: 'no-price' } });
    expect(graph.figure(at('known'))).toEqual({ value: 4 });
  });

  it('names what reads itself as a loop, once, and comes to rest', () => {
    const graph = new Graph();
    graph.define(at('a'), sum('a'));
    graph.define(at('b'), sum('a'));
    expect(ownersOf(graph.recalculate())).toEqual(['a', 'b']);
    expect(graph.figure(at('b')).failure).toEqual({ kind: 'loop', members: [at('a')] });
    expect(graph.recalculate()).toEqual([]);
    graph.define(at('a'), value(3));
    graph.recalculate();
    expect(graph.figure(at('b'))).toEqual({ value: 3 });
  });

  it('names the members of a loop, and recovers when it is cut', () => {
    const graph = new Graph();
    graph.define(at('a'), sum('c'));
    graph.define(at('b'), sum('a'));
    graph.define(at('c'), sum('b'));
    graph.recalculate();
    const figure = graph.figure(at('c'));
    if (figure.failure?.kind !== 'loop') throw new Error('expected a loop');
    expect(ownersOf(figure.failure.members)).toEqual(['a', 'b', 'c']);
    expect(graph.figure(at('a')).failure?.kind).toBe('loop');
    graph.define(at('b'), value(3));
    graph.recalculate();
    expect(graph.figure(at('a'))).toEqual({ value: 3 });
  });

  it('says of every member of a loop that it waits, wherever the loop was closed', () => {
    const rules = [
      [at('no'), { kind: 'value', value: 0, failure: { kind: 'no-price' } }],
      [at('a'), sum('no', 'c')],
      [at('b'), sum('a')],
      [at('c'), sum('b')],
      [at('d'), sum('c')],
    ] as const;
    for (let first = 0; first < rules.length; first += 1) {
      const graph = new Graph();
      for (const [id, rule] of [...rules.slice(first), ...rules.slice(0, first)])
        graph.define(id, rule as Rule);
      graph.recalculate();
      const kinds = ['a', 'b', 'c', 'd'].map((owner) => graph.figure(at(owner)).failure?.kind);
      expect(kinds).toEqual(['loop', 'loop', 'loop', 'loop']);
      graph.define(at('c'), value(1));
      graph.recalculate();
      expect(graph.figure(at('a')).failure).toEqual({ kind: 'no-price' });
      expect(graph.figure(at('d'))).toEqual({ value: 1 });
    }
  });

  it('works out a costly value only once something asks for it', () => {
    const graph = new Graph();
    let worked = 0;
    const costly = (result: number): Rule => ({
      kind: 'when-asked',
      value: () => {
        worked += 1;
        return result;
      },
    });
    graph.define(at('junctions'), costly(7));
    graph.define(at('other'), value(1));
    graph.recalculate();
    graph.recalculateAll();
    expect(worked).toBe(0);
    expect(graph.figure(at('junctions'))).toEqual({ value: 7 });
    expect(graph.figure(at('junctions'))).toEqual({ value: 7 });
    expect(worked).toBe(1);
    graph.define(at('reader'), sum('junctions', 'other'));
    graph.recalculate();
    expect(graph.figure(at('reader'))).toEqual({ value: 8 });
    graph.define(at('junctions'), costly(9));
    graph.recalculate();
    expect(graph.figure(at('reader'))).toEqual({ value: 10 });
    expect(worked).toBe(2);
  });

  it('lists what has no figure, without what is no longer there', () => {
    const graph = new Graph();
    graph.define(at('a'), { kind: 'value', value: 0, failure: { kind: 'no-price' } });
    graph.define(at('b'), { kind: 'value', value: 0, failure: { kind: 'no-quantity' } });
    graph.recalculate();
    graph.remove(at('b'));
    graph.recalculate();
    expect([...graph.failures()]).toEqual([[at('a'), { kind: 'no-price' }]]);
  });

  it('calls a removed node missing until it is there again', () => {
    const graph = new Graph();
    graph.define(at('a'), value(1));
    graph.define(at('b'), sum('a'));
    graph.recalculate();
    graph.remove(at('a'));
    graph.recalculate();
    expect(graph.figure(at('b')).failure).toEqual({ kind: 'missing', node: at('a') });
    graph.define(at('a'), value(2));
    graph.recalculate();
    expect(graph.figure(at('b'))).toEqual({ value: 2 });
  });

  it('is after any edits what a fresh graph of the same rules would be', () => {
    const edit = fc.record({
      node: fc.integer({ min: 0, max: 9 }),
      kind: fc.constantFrom('value', 'sum', 'remove'),
      amount: fc.integer({ min: -50, max: 50 }),
      inputs: fc.array(fc.integer({ min: 0, max: 9 }), { maxLength: 3 }),
    });
    fc.assert(
      fc.property(fc.array(edit, { maxLength: 40 }), (edits) => {
        const graph = new Graph();
        const rules = new Map<string, Rule>();
        for (const { node, kind, amount, inputs } of edits) {
          const id = `n${node}`;
          // Inputs of higher number only: loops have a test of their own.
          const rule =
            kind === 'value' ? value(amount) : sum(...inputs.filter((i) => i > node).map((i) => `n${i}`));
          if (kind === 'remove') {
            graph.remove(at(id));
            rules.delete(id);
          } else {
            graph.define(at(id), rule);
            rules.set(id, rule);
          }
          graph.recalculate();
        }
        const fresh = new Graph();
        for (const [id, rule] of rules) fresh.define(at(id), rule);
        fresh.recalculate();
        for (const id of rules.keys()) expect(graph.figure(at(id))).toEqual(fresh.figure(at(id)));
      }),
    );
  });
});
