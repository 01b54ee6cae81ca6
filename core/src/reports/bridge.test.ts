import { bidNode } from '../calculate/graph/nodes.ts';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Calculation } from '../calculate/calculation.ts';
import { remove } from '../job/change.ts';
import { restoreJob } from '../job/commands/restore.ts';
import { applyDiff, invertDiff, listRecords } from '../job/job.ts';
import { createBench } from '../testing/priced.ts';
import { bidWith, priceAlternates } from './alternates.ts';
import { BRIDGE_CAUSES, bridgeOf } from './bridge.ts';
import { makeAlternate, makeMarkup } from '../testing/records.ts';

describe('the bridge between two states', () => {
  it('tells quantity from price, and what came and went', () => {
    const bench = createBench();
    const both = bench.line({ description: 'Both', quantity: '10', costs: { material: '5' } });
    const gone = bench.line({ description: 'Gone', costs: { material: '7' } });
    const markup = makeMarkup(bench.makeId, { percent: '10' });
    bench.change(both, gone, markup);
    const before = new Calculation(bench.job());
    bench.change(
      remove(gone.id),
      { ...both, quantity: '12', costs: { material: '6' } },
      bench.line({ description: 'New', costs: { labor: '3' } }),
      { ...markup, percent: '20' },
    );
    const bridge = bridgeOf(before.figures, bench.calculation.figures);
    // 57.00 and 10 % = 62.70; 12 x 6 + 3 = 75.00 and 20 % = 90.00.
    expect([bridge.from, bridge.to]).toEqual([62_70, 90_00]);
    // Two more at 5.00, then 12 of them a dollar dearer.
    expect(bridge.by).toEqual({ quantity: 10_00, price: 12_00, added: 3_00, removed: -7_00 });
    expect(bridge.markup).toBe(15_00 - 5_70);
    expect(bridge.lines.map(({ name }) => name)).toEqual(['Both', 'Gone', 'New']);
  });

  it('gives a change of quantity alone no cent of price, whatever the cents round to', () => {
    const bench = createBench();
    const line = bench.line({
      quantity: '3',
      costs: { material: '0.333', labor: '0.127', equipment: '0.019' },
    });
    bench.change(line);
    const before = new Calculation(bench.job());
    for (const quantity of ['7', '11', '2.5', '1000']) {
      bench.change({ ...line, quantity });
      expect(bridgeOf(before.figures, bench.calculation.figures).by.price).toBe(0);
    }
  });

  it('adds up exactly, whatever was changed', () => {
    const step = fc.tuple(fc.nat(3), fc.nat(5), fc.integer({ min: 1, max: 99_999 }));
    fc.assert(
      fc.property(
        fc.array(step, { maxLength: 12 }),
        fc.array(step, { minLength: 1, maxLength: 12 }),
        (first, second) => {
          const bench = createBench();
          const markup = makeMarkup(bench.makeId, { percent: '11.5' });
          bench.change(markup);
          const run = (steps: typeof first): void => {
            for (const [what, pick, amount] of steps) {
              const lines = [...bench.job().line.values()];
              const line = lines[pick % Math.max(1, lines.length)];
              if (line === undefined || what === 0)
                bench.change(
                  bench.line({ quantity: String(pick), costs: { material: String(amount / 100) } }),
                );
              else if (what === 1) bench.change(remove(line.id));
              else if (what === 2) bench.change({ ...line, quantity: String(amount / 7) });
              else bench.change({ ...line, costs: { material: String(amount / 1000) } });
            }
          };
          run(first);
          const before = new Calculation(bench.job());
          run(second);
          const {
            from,
            to,
            by,
            tax,
            markup: marked,
            lines,
          } = bridgeOf(before.figures, bench.calculation.figures);
          const causes = BRIDGE_CAUSES.reduce((sum, cause) => sum + by[cause], 0);
          expect(from + causes + tax + marked).toBe(to);
          for (const line of lines)
            expect(BRIDGE_CAUSES.reduce((sum, cause) => sum + line.by[cause], 0)).toBe(line.to - line.from);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('alternates', () => {
  const bench = createBench();
  const alternate = (name: string) => makeAlternate(bench.makeId, { name });
  const [more, less] = [alternate('More'), alternate('Less')];
  bench.change(more, less, makeMarkup(bench.makeId, { percent: '10' }));
  bench.change(
    bench.line({ costs: { material: '100' } }),
    bench.line({ costs: { material: '40' }, alternate: { id: more.id, as: 'adds' } }),
    bench.line({ costs: { material: '25' }, alternate: { id: less.id, as: 'drops' } }),
  );

  it('are each an add or a deduct with their markup', () => {
    expect(
      priceAlternates(bench.calculation.figures).map(({ alternate: { name }, change }) => [name, change]),
    ).toEqual(
      expect.arrayContaining([
        ['More', 44_00],
        ['Less', -27_50],
      ]),
    );
  });

  it('are priced in any combination, as if they were accepted', () => {
    const choices = [[], [more], [less], [more, less]];
    const priced = choices.map((chosen) =>
      bidWith(bench.calculation.figures, new Set(chosen.map(({ id }) => id))),
    );
    expect(priced).toEqual([137_50, 181_50, 110_00, 154_00]);
    const real = choices.map((chosen) => {
      for (const each of [more, less]) bench.change({ ...each, accepted: chosen.includes(each) });
      return bench.known(bidNode('total'));
    });
    expect(real).toEqual(priced);
  });
});

describe('going back to a state', () => {
  it('is one change, which can be undone', () => {
    const bench = createBench();
    bench.change(bench.line({ description: 'Kept' }));
    const then = bench.job();
    const line = [...then.line.values()][0];
    bench.change(bench.line({ description: 'Later' }));
    if (line) bench.change({ ...line, description: 'Changed' });
    const now = bench.job();
    const diff = restoreJob(then)(now);
    if (!diff.ok) throw new Error('refused');
    const back = applyDiff(now, diff.value);
    expect(new Set(listRecords(back))).toEqual(new Set(listRecords(then)));
    const again = applyDiff(back, invertDiff(diff.value));
    expect(new Set(listRecords(again))).toEqual(new Set(listRecords(now)));
  });
});
