import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { PrintedCell, PrintedTable } from '@zest/core/formats/document/printed';
import { knownValue } from '@zest/core/calculate/define';
import { bidNode } from '@zest/core/calculate/graph/nodes';
import { settingsOf } from '@zest/core/job/job';
import { BID_DETAILS, type BidDetail } from '@zest/core/job/records/document';
import { minorDigits } from '@zest/core/pricing/money';
import { bidReport } from '@zest/core/reports/bidReport';
import { bidPrices } from '@zest/core/reports/bidRows';
import { type Bench, createBench } from '@zest/core/testing/priced';
import { anyEdits, deskAfter } from '@zest/core/testing/randomEdits';
import { makeMarkup } from '@zest/core/testing/records';
import { documentWords } from './documentWords.ts';
import { priceTable } from './priceTable.ts';

type Apart = Parameters<typeof bidPrices>[1]['apart'];

function tableOf(
  bench: Bench,
  detail: BidDetail,
  apart: Apart = { tax: false, markups: false },
): PrintedTable {
  const { figures } = bench.calculation;
  return priceTable(
    bidPrices(figures, { detail, apart }),
    bidReport(figures, 'total').addedTax,
    detail,
    documentWords(settingsOf(bench.job())),
  );
}

/** Whole minor units: some currencies have no cents. */
const minorOf = (value: number, digits: number): number =>
  Math.round(value * 10 ** digits + Math.sign(value) * 1e-7);
const digitsOf = (bench: Bench): number => minorDigits(settingsOf(bench.job()).currency);

/** What a spreadsheet makes of the formula of a cell, from the figures beside and above it; minor units. */
function calculated(
  { rows }: PrintedTable,
  { formula }: PrintedCell,
  at: number,
  column: number,
  digits: number,
): number | undefined {
  const valueAt = (row: number, in_: number): number => rows[row]?.cells[in_]?.value ?? 0;
  switch (formula?.kind) {
    case undefined:
      return undefined;
    case 'sum':
      return minorOf(
        formula.rows.reduce((sum, row) => sum + valueAt(row, column), 0),
        digits,
      );
    case 'product':
      return minorOf(valueAt(at, formula.columns[0]) * valueAt(at, formula.columns[1]), digits);
    case 'percent':
      return minorOf((valueAt(formula.row, column) * Number(formula.percent)) / 100, digits);
  }
}

/** Cells whose formula comes to something else than what is printed in them. */
const wrongIn = (table: PrintedTable, digits = 2): readonly unknown[] =>
  table.rows.flatMap(({ cells }, at) =>
    cells.flatMap((cell, column) => {
      const live = calculated(table, cell, at, column, digits);
      return live === undefined || live === minorOf(cell.value ?? 0, digits)
        ? []
        : [{ at, text: cell.text, live, cell }];
    }),
  );

const textsOf = ({ rows }: PrintedTable) => rows.map(({ cells }) => cells.map(({ text }) => text));

describe('the table of prices', () => {
  const bench = createBench();
  bench.change(
    { ...settingsOf(bench.job()), taxOnMaterials: '10' },
    makeMarkup(bench.makeId, { name: 'Overhead', percent: '20' }),
    bench.line({
      sectionId: bench.sectionId('03'),
      description: 'Slab',
      quantity: '10',
      unit: 'yd³',
      costs: { material: '100', labor: '50' },
    }),
    bench.line({ sectionId: null, description: 'Permit', quantity: '1', unit: 'ea', costs: { other: '80' } }),
  );

  it('has a column for each kind of cost that there is, and none for the others', () => {
    const { columns } = tableOf(bench, 'split');
    expect(columns.map(({ heading }) => heading)).toEqual([
      '',
      'Description',
      'Quantity',
      'Unit price',
      'Material',
      'Labor',
      'Other',
      'Amount',
    ]);
  });

  it('says what is shown apart between the rows and the total', () => {
    const table = tableOf(bench, 'sections', { tax: true, markups: true });
    const named = textsOf(table).map(([, name = '', amount = '']) => [name, amount]);
    // 1,500.00 and 80.00 of cost; a tenth of 1,000.00 is tax; a fifth of cost is overhead.
    expect(named).toEqual([
      ['Concrete', '$1,500.00'],
      ['Other work', '$80.00'],
      [expect.stringMatching(/tax.*10/i), '$100.00'],
      ['Overhead 20 %', expect.any(String)],
      ['Total, USD', expect.any(String)],
    ]);
    expect(wrongIn(table)).toEqual([]);
  });

  it.each(BID_DETAILS)('comes to the bid at detail %s, whatever is shown apart', (detail) => {
    const total = knownValue(bench.calculation.figure(bidNode('total'))) ?? 0;
    for (const tax of [true, false])
      for (const markups of [true, false]) {
        const { rows } = tableOf(bench, detail, { tax, markups });
        const last = rows.find(({ look }) => look === 'total');
        expect(minorOf(last?.cells.at(-1)?.value ?? 0, 2)).toBe(total);
      }
  });

  it('has as many cells in every row as there are columns', () => {
    for (const detail of BID_DETAILS) {
      const { columns, rows } = tableOf(bench, detail, { tax: true, markups: true });
      for (const { cells } of rows) expect(cells).toHaveLength(columns.length);
    }
  });

  it('calculates live to what is printed, after whatever was done to the job', () => {
    fc.assert(
      fc.property(
        anyEdits,
        fc.constantFrom(...BID_DETAILS),
        fc.boolean(),
        fc.boolean(),
        (edits, detail, tax, markups) => {
          const desk = deskAfter(edits);
          const table = tableOf(desk, detail, { tax, markups });
          expect(wrongIn(table, digitsOf(desk))).toEqual([]);
          const total = table.rows.find(({ look }) => look === 'total');
          const bid = knownValue(desk.calculation.figure(bidNode('total'))) ?? 0;
          expect(minorOf(total?.cells.at(-1)?.value ?? 0, digitsOf(desk))).toBe(bid);
        },
      ),
      { numRuns: 60 },
    );
  });
});
