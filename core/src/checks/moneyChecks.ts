import type { NodeId } from '../job/nodeId.ts';
import { linePrices } from '../calculate/totals/linePrices.ts';
import { bidNode, markupNode, measureNode } from '../calculate/graph/nodes.ts';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { FOOT, makeMark, makeScope } from '../testing/job.ts';
import { createBench } from '../testing/priced.ts';
import { makeMarkup } from '../testing/records.ts';
import { put } from '../job/change.ts';
import { applyDiff } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { type Check, type Checks } from './check.ts';

/** A bid of lines at so many dollars, with one markup. */
function bidOf(costs: readonly string[], markup: Partial<RecordOf<'markup'>>) {
  const bench = createBench();
  const record = makeMarkup(bench.makeId, markup);
  bench.change(...costs.map((subcontract) => bench.line({ costs: { subcontract } })), record);
  return { bench, record };
}

/** A wall of 100 x 10 ft with one void of an area, and what is left of it under a rule. */
function netWall(
  voidFt: readonly [width: number, height: number],
  deduct: RecordOf<'scope'>['deduct'],
): number {
  const bench = createBench();
  const scope = makeScope(bench.makeId, {
    key: 'wall',
    kind: 'run',
    properties: [{ key: 'height', name: 'Height', value: '10', unit: 'ft' }],
    ...(deduct === undefined ? {} : { deduct }),
  });
  const mark = makeMark(bench.makeId, scope, bench.sheet, [
    [0, 0],
    [100, 0],
  ]);
  const [width, height] = voidFt;
  const opening: RecordOf<'opening'> = {
    type: 'opening',
    id: bench.makeId('opening'),
    markId: mark.id,
    scopeId: null,
    tag: '',
    widthM: width * FOOT,
    heightM: height * FOOT,
    seat: { on: 'run', stroke: 0, along: 0.5 },
  };
  const diff = put(scope, mark, opening)(bench.job());
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const calculation = new Calculation(applyDiff(bench.job(), diff.value));
  return (knownValue(calculation.figure(measureNode(scope.id, 'net_wall_area'))) ?? Number.NaN) / FOOT ** 2;
}

const check = (figure: string, expected: number, unit: string, source: string, got: () => number): Check => ({
  figure,
  expected,
  unit,
  source,
  got,
});

export const MONEY_CHECKS: Checks = {
  subject: 'Money',
  checks: [
    check('A markup of 25 % on a cost of 1,000', 250, '$', 'computed', () => {
      const { bench, record } = bidOf(['1000'], { percent: '25', base: 'cost' });
      return (bench.known(markupNode(record.id)) ?? Number.NaN) / 100;
    }),
    check('The margin in that bid', 20, '%', 'computed: 250 of 1,250', () => {
      const { bench, record } = bidOf(['1000'], { percent: '25', base: 'cost' });
      const known = (node: NodeId): number => bench.known(node) ?? Number.NaN;
      return (known(markupNode(record.id)) / known(bidNode('total'))) * 100;
    }),
    check('A margin of 20 % on a cost of 1,000', 250, '$', 'computed: 1,000 / 0.8 - 1,000', () => {
      const { bench, record } = bidOf(['1000'], { percent: '20', base: 'cost', as: 'margin' });
      return (bench.known(markupNode(record.id)) ?? Number.NaN) / 100;
    }),
    check(
      'Three lines of 100.00 with a markup of 10.01: the sum of their prices, spread by largest remainder',
      310.01,
      '$',
      'computed: 300 + 10.01',
      () => {
        const { bench } = bidOf(['100', '100', '100'], { percent: '10.01', base: 'cost', as: 'sum' });
        const prices = linePrices(bench.calculation.figures);
        return [...bench.job().line.keys()].reduce((sum, key) => sum + (prices.ofLine(key) ?? 0), 0) / 100;
      },
    ),
    check(
      'Overhead 12 %, contingency 3 % on cost, profit 6 % on all of it, of 250',
      304.75,
      '$',
      'computed: 250 x 1.15 x 1.06',
      () => {
        const bench = createBench();
        bench.change(
          bench.line({ costs: { subcontract: '250' } }),
          makeMarkup(bench.makeId, { percent: '12', base: 'cost', order: 1 }),
          makeMarkup(bench.makeId, { percent: '3', base: 'cost', order: 2 }),
          makeMarkup(bench.makeId, { percent: '6', base: 'running', order: 3 }),
        );
        return (bench.known(bidNode('total')) ?? Number.NaN) / 100;
      },
    ),
  ],
};

const NRM2 = 'NRM2, masonry: voids up to 0.50 m² are not deducted (from memory)';

export const DEDUCTION_CHECKS: Checks = {
  subject: 'Openings in a wall of 100 by 10 ft',
  checks: [
    check('A void of 3 by 7 ft, all deducted', 979, 'ft²', 'computed: 1,000 - 21', () =>
      netWall([3, 7], undefined),
    ),
    check('The same, none deducted', 1000, 'ft²', 'computed', () => netWall([3, 7], { rule: 'none' })),
    check('A void of 2.5 by 2 ft, only those above 0.50 m² deducted', 1000, 'ft²', NRM2, () =>
      netWall([2.5, 2], { rule: 'above', areaM2: 0.5 }),
    ),
    check('A void of 3 by 2 ft, only those above 0.50 m² deducted', 994, 'ft²', NRM2, () =>
      netWall([3, 2], { rule: 'above', areaM2: 0.5 }),
    ),
  ],
};
