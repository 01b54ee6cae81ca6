import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { put, remove } from '../job/change.ts';
import { applyDiff, createJob, settingsOf } from '../job/job.ts';
import { isJunction } from '../job/measures.ts';
import { printNode } from '../job/nodeId.ts';
import { anyEdits, doSomething, startBusyBench } from '../testing/randomEdits.ts';
import { differences } from '../testing/differences.ts';
import { Calculation } from './calculation.ts';
import type { Figures } from './figures.ts';
import { bidNode, lineNode } from './graph/nodes.ts';

/** What figures say that a job figured anew does not; how runs meet is only known where somebody asked then. */
function wrongIn(figures: Figures): readonly string[] {
  const anew = new Calculation(figures.job);
  const shown = (of: Pick<Figures, 'figure'>, node: Parameters<Figures['figure']>[0]): string => {
    const figure = of.figure(node);
    return figure.failure === undefined ? figure.value.toPrecision(11) : figure.failure.kind;
  };
  return [...anew.graph.nodes()].flatMap((node) => {
    if (isJunction(node.figure)) return [];
    const [now, then] = [shown(anew, node), shown(figures, node)];
    return now === then && figures.has(node) ? [] : [`${printNode(node)}: ${then}, ${now}`];
  });
}

describe('figures of a moment', () => {
  it('stay as they are, whatever is done to the job', () => {
    fc.assert(
      fc.property(anyEdits, (list) => {
        const bench = startBusyBench();
        const kept: Figures[] = [bench.calculation.figures];
        for (const [what, pick, amount] of list) {
          doSomething(bench, what, pick, amount);
          kept.push(bench.calculation.figures);
        }
        for (const figures of new Set(kept)) expect(wrongIn(figures)).toEqual([]);
      }),
      { numRuns: 12 },
    );
  });

  it('know which nodes were there, and what had no figure', () => {
    const bench = startBusyBench();
    const line = bench.line({ quantity: '3 kg', unit: 'ft', costs: { material: '10' } });
    const before = bench.calculation.figures;
    bench.change(line);
    const then = bench.calculation.figures;
    bench.change({ ...line, quantity: '3' });
    bench.change(remove(line.id));
    const quantity = lineNode(line.id, 'quantity');
    const [first, second, last] = [before, then, bench.calculation.figures].map((figures) => ({
      has: figures.has(quantity),
      failed: [...figures.failures()].some(([node]) => node.owner === line.id),
    }));
    expect([first, second, last]).toEqual([
      { has: false, failed: false },
      { has: true, failed: true },
      { has: false, failed: false },
    ]);
    expect(before.figure(quantity).failure).toMatchObject({ kind: 'missing' });
  });
});

describe('figures after a change that is not made', () => {
  it('are those of the changed job, and leave no trace', () => {
    fc.assert(
      fc.property(anyEdits, fc.nat(400), (list, amount) => {
        const bench = startBusyBench();
        for (const [what, pick, by] of list) doSomething(bench, what, pick, by);
        const now = bench.calculation.figures;
        const line = bench.line({
          quantity: `total(any, length) + ${amount} ft`,
          unit: 'ft',
          costs: { other: '3' },
        });
        const job = bench.job();
        const diff = put(line, { ...settingsOf(job), currency: 'JPY' })(job);
        if (!diff.ok) throw new Error(diff.problem.kind);
        const then = now.after(diff.value);
        expect(then.job).toEqual(applyDiff(job, diff.value));
        expect(wrongIn(then)).toEqual([]);
        expect(bench.calculation.figures).toBe(now);
        expect(wrongIn(now)).toEqual([]);
        expect(differences(bench.calculation, new Calculation(bench.job()))).toEqual([]);
        // And both stand when the job goes on.
        bench.change(bench.line({ costs: { other: '77' } }));
        expect(wrongIn(then)).toEqual([]);
        expect(wrongIn(now)).toEqual([]);
      }),
      { numRuns: 12 },
    );
  });

  it('can be asked for of a moment that has passed too', () => {
    const bench = startBusyBench();
    const then = bench.calculation.figures;
    const line = bench.line({ costs: { other: '100' } });
    bench.change(bench.line({ costs: { other: '1' } }));
    const diff = put(line)(then.job);
    if (!diff.ok) throw new Error(diff.problem.kind);
    const total = (figures: Figures): number => {
      const { value = 0 } = figures.figure(bidNode('total')) as { value?: number };
      return value;
    };
    expect(total(then.after(diff.value))).toBe(total(then) + 100_00);
  });

  it('that cannot be followed leave the calculation refusing to go on, not half changed', () => {
    const bench = startBusyBench();
    const { calculation } = bench;
    const job = bench.job();
    // A job without settings is no job: whoever asks for the currency throws.
    const broken = createJob([]);
    const diff = { added: [], removed: [settingsOf(job)], updated: [] };
    expect(() => calculation.apply(broken, diff)).toThrow('settingsOf');
    expect(() => calculation.apply(job, { added: [], removed: [], updated: [] })).toThrow(
      'not followed to its end',
    );
  });
});
