import { describe, expect, it } from '@jest/globals';
import { bidNode } from '../calculate/graph/nodes.ts';
import { clientWorkbook } from '../formats/workbook/clientWorkbook.ts';
import type { RecordOf } from '../job/record.ts';
import { createBench } from '../testing/priced.ts';
import { makeMarkup } from '../testing/records.ts';
import { BID_DETAILS, bidReport } from './bidReport.ts';
import { evaluateSheet } from '../testing/spreadsheet.ts';

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

describe('the workbook for the client', () => {
  it('adds up to the bid by its own formulas, and holds no cost', () => {
    const bench = createBench();
    const sectionId = bench.sectionId('09');
    bench.change(
      makeMarkup(bench.makeId, { percent: '10' }),
      bench.line({ sectionId, description: 'Paint', ...costs('100') }),
      bench.line({ sectionId: bench.sectionId('03'), description: 'Slab', ...costs('37') }),
    );
    for (const detail of BID_DETAILS) {
      const [sheet] = clientWorkbook(bench.calculation.figures, detail);
      if (sheet === undefined) throw new Error('no sheet');
      const valueAt = evaluateSheet(sheet.rows);
      const at = sheet.rows.findIndex((row) => row[1]?.kind === 'text' && row[1].text === 'Total');
      expect(valueAt('E', at + 1)).toBeCloseTo(150.7, 6);
      expect(JSON.stringify(sheet.rows)).not.toContain('"value":100,');
    }
  });
});
