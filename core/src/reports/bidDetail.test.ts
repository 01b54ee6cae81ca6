import { describe, expect, it } from '@jest/globals';
import { bidNode } from '../calculate/graph/nodes.ts';
import { settingsOf } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { createBench } from '../testing/priced.ts';
import { makeMarkup } from '../testing/records.ts';
import { bidReport } from './bidReport.ts';

const costs = (material: string) => ({ costs: { material } });

describe('the detail of a bid', () => {
  it('lists every line with how much of it, priced by section or one by one', () => {
    const bench = createBench();
    const sectionId = bench.sectionId('09');
    bench.change(
      bench.line({ sectionId, description: 'Paint', quantity: '20', unit: 'ft2', ...costs('2') }),
      bench.line({ sectionId, description: 'Tape', quantity: '3', unit: 'ea', ...costs('1') }),
    );
    const { figures } = bench.calculation;
    const [lines] = bidReport(figures, 'lines').rows;
    expect(lines?.inner.map(({ name, quantity, amount }) => [name, quantity?.value, amount])).toEqual([
      ['Paint', 20, undefined],
      ['Tape', 3, undefined],
    ]);
    const [items] = bidReport(figures, 'items').rows;
    expect(items?.inner.map(({ amount }) => amount)).toEqual([4000, 300]);
  });
});

describe('sections inside a phase', () => {
  it('stand on the bid by sections too, and add up to their phase with what is in it directly', () => {
    const bench = createBench();
    const phase = bench.sectionId('03');
    const inside: RecordOf<'section'> = {
      type: 'section',
      id: bench.makeId('section'),
      code: '',
      name: 'Footings',
      parentId: phase,
      order: 1,
    };
    bench.change(
      inside,
      bench.line({ sectionId: inside.id, ...costs('30') }),
      bench.line({ sectionId: phase, ...costs('12') }),
    );
    const [row] = bidReport(bench.calculation.figures, 'sections').rows;
    expect([row?.amount, row?.inner]).toEqual([
      4200,
      [
        { name: 'Footings', amount: 3000 },
        { name: 'Concrete', amount: 1200 },
      ],
    ]);
  });
});

describe('an allowance', () => {
  it('is named on the bid with its share of markups, or bare where it takes none', () => {
    const bench = createBench();
    const sectionId = bench.sectionId('09');
    bench.change(
      makeMarkup(bench.makeId, { percent: '10', base: 'running' }),
      bench.line({ sectionId, description: 'Paint', ...costs('100') }),
      bench.line({ sectionId, description: 'Lockers', allowance: 'with-markup', ...costs('50') }),
      bench.line({ sectionId, description: 'Signs', allowance: 'without-markup', ...costs('30') }),
    );
    const report = bidReport(bench.calculation.figures, 'sections');
    expect(report.allowances).toEqual([
      { name: 'Lockers', amount: 5500 },
      { name: 'Signs', amount: 3000 },
    ]);
    // 150 with a tenth, and 30 as it is.
    expect(report.total).toBe(19_500);
  });

  it('takes its markup again when it is an ordinary line again', () => {
    const bench = createBench();
    const line = bench.line({ description: 'Signs', allowance: 'without-markup', ...costs('30') });
    bench.change(makeMarkup(bench.makeId, { percent: '10' }), line);
    expect(bench.known(bidNode('total'))).toBe(3000);
    const { allowance: _allowance, ...plain } = line;
    bench.change(plain);
    expect(bench.known(bidNode('total'))).toBe(3300);
  });
});

describe('tax and markups that are shown', () => {
  /** 100 of material with 10 % tax, 200 of labor; a tenth of overhead on both, then 5 of profit on all that is before it. */
  function priced() {
    const bench = createBench();
    const sectionId = bench.sectionId('09');
    bench.change(
      { ...settingsOf(bench.job()), taxOnMaterials: '10' },
      makeMarkup(bench.makeId, { name: 'Overhead', percent: '10', base: 'cost', order: 1 }),
      makeMarkup(bench.makeId, { name: 'Profit', percent: '5', base: 'running', order: 2 }),
      bench.line({ sectionId, description: 'Paint', ...costs('100') }),
      bench.line({ sectionId, description: 'Painter', costs: { labor: '200' } }),
    );
    return bench.calculation.figures;
  }
  const said = (figures: ReturnType<typeof priced>, apart: { tax: boolean; markups: boolean }) => {
    const { rows, steps, total } = bidReport(figures, 'items', apart);
    return {
      rows: rows.flatMap(({ inner }) => inner.map(({ name, amount }) => [name, amount])),
      steps: steps.map(({ amount, ...step }) => [
        step.kind === 'markup' ? step.markup.name : step.kind,
        amount,
      ]),
      total,
    };
  };

  it('lie in the prices unless they are asked for', () => {
    // Tax 10, overhead 10 and 20, profit 5 % of 120 and of 220.
    expect(said(priced(), { tax: false, markups: false })).toEqual({
      rows: [
        ['Paint', 126_00],
        ['Painter', 231_00],
      ],
      steps: [],
      total: 357_00,
    });
  });

  it('stand below prices that are costs, and come to the same total', () => {
    expect(said(priced(), { tax: true, markups: true })).toEqual({
      rows: [
        ['Paint', 100_00],
        ['Painter', 200_00],
      ],
      steps: [
        ['tax', 10_00],
        ['Overhead', 30_00],
        ['Profit', 17_00],
      ],
      total: 357_00,
    });
  });

  it('can be shown one without the other', () => {
    expect(said(priced(), { tax: false, markups: true })).toMatchObject({
      rows: [
        ['Paint', 110_00],
        ['Painter', 200_00],
      ],
      steps: [
        ['Overhead', 30_00],
        ['Profit', 17_00],
      ],
    });
    expect(said(priced(), { tax: true, markups: false })).toMatchObject({
      rows: [
        ['Paint', 116_00],
        ['Painter', 231_00],
      ],
      steps: [['tax', 10_00]],
    });
  });
});

describe('every line by kind of cost', () => {
  it('shares its price over what it is spent on', () => {
    const bench = createBench();
    bench.change(
      makeMarkup(bench.makeId, { percent: '10' }),
      bench.line({
        description: 'Door',
        quantity: '2',
        unit: 'ea',
        costs: { material: '300', labor: '100' },
      }),
    );
    const [row] = bidReport(bench.calculation.figures, 'split').rows;
    expect(row?.inner[0]).toMatchObject({
      amount: 880_00,
      unitPrice: 440,
      kinds: { material: 660_00, labor: 220_00, equipment: 0, subcontract: 0, other: 0 },
    });
  });
});
