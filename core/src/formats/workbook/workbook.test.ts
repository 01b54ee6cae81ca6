import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Figures } from '../../calculate/figures.ts';
import { knownValue } from '../../calculate/define.ts';
import { bidNode, sectionNode } from '../../calculate/graph/nodes.ts';
import { settingsOf } from '../../job/job.ts';
import type { RecordOf } from '../../job/record.ts';
import { anyEdits, deskAfter, markup } from '../../testing/randomEdits.ts';
import { type Bench, createBench } from '../../testing/priced.ts';
import { createPricedJob } from '../../testing/pricedJob.ts';
import { evaluateSheet } from '../../testing/spreadsheet.ts';
import { AT, type Cell, columnIndex, letter } from './cell.ts';
import { estimateWorkbook } from './write.ts';

const TOTAL = AT.cost;
type Rows = readonly (readonly Cell[])[];

const rowsOf = (calculation: Figures): Rows => estimateWorkbook(calculation)[0]?.rows ?? [];

/** The row of a name, from 1. */
function rowCalled(rows: Rows, name: string): number {
  const at = rows.findIndex((cells) => cells.some((cell) => cell?.kind === 'text' && cell.text === name));
  if (at < 0) throw new Error(`no row ${name}`);
  return at + 1;
}

/** Every formula with what it comes to and what it carries; in that order they must be the same. */
function formulasOf(
  rows: Rows,
): readonly { readonly at: string; readonly now: number; readonly carried: number }[] {
  const read = evaluateSheet(rows);
  return rows.flatMap((cells, row) =>
    cells.flatMap((cell, column) =>
      cell?.kind === 'formula'
        ? [
            {
              at: `${letter(column)}${row + 1} ${cell.formula}`,
              now: Number(read(letter(column), row + 1).toFixed(6)),
              carried: Number(cell.value.toFixed(6)),
            },
          ]
        : [],
    ),
  );
}

const wrongIn = (rows: Rows): readonly unknown[] =>
  formulasOf(rows).filter(({ now, carried }) => now !== carried);

/** The sheet where a cell has another number. */
const withNumber = (rows: Rows, column: number, row: number, value: number): Rows =>
  rows.map((cells, at) =>
    at === row - 1
      ? cells.map((cell, index) => (index === column && cell?.kind === 'number' ? { ...cell, value } : cell))
      : cells,
  );

describe('the exported workbook', () => {
  const calculation = createPricedJob();
  const rows = rowsOf(calculation.figures);
  const read = evaluateSheet(rows);

  it('has formulas that come to the values they carry, cell by cell', () => {
    expect(formulasOf(rows).length).toBeGreaterThan(80);
    expect(wrongIn(rows)).toEqual([]);
  });

  it('comes to the same bid, and its section to the same cost', () => {
    expect(read(TOTAL, rowCalled(rows, 'Bid')) * 100).toBeCloseTo(
      knownValue(calculation.figure(bidNode('total'))) ?? 0,
      4,
    );
    const section = [...calculation.job.section.values()].find(({ code }) => code === '03');
    expect(read(TOTAL, rowCalled(rows, '03')) * 100).toBeCloseTo(
      knownValue(calculation.figure(sectionNode(section?.id ?? '', 'cost'))) ?? 0,
      4,
    );
  });

  it('follows a changed quantity through to the bid', () => {
    const bid = rowCalled(rows, 'Bid');
    const doubled = withNumber(rows, 2, rowCalled(rows, 'Permit'), 2);
    // 1234.56 more cost carries 12 % and 3 % on cost and 6 % on all above.
    expect(evaluateSheet(doubled)(TOTAL, bid) - read(TOTAL, bid)).toBeCloseTo(1234.56 * 1.15 * 1.06, 1);
  });
});

/** 1,000.00 of material in section 03, 500.00 by a firm in 06. */
function benchWith(...markups: readonly Partial<RecordOf<'markup'>>[]): Bench {
  const bench = createBench();
  bench.change(
    bench.line({ description: 'Steel', sectionId: bench.sectionId('03'), costs: { material: '1000' } }),
    bench.line({ description: 'Firm', sectionId: bench.sectionId('06'), costs: { subcontract: '500' } }),
    ...markups.map((content, order) => markup(bench, { order, name: `Markup ${order + 1}`, ...content })),
  );
  return bench;
}

/** What a row of the sheet comes to as it is, and with 2,000 of material instead of 1,000. */
function amountsOf(bench: Bench, name: string): readonly [now: number, more: number] {
  const rows = rowsOf(bench.calculation.figures);
  expect(wrongIn(rows)).toEqual([]);
  const row = rowCalled(rows, name);
  const more = withNumber(rows, columnIndex('unitMaterial'), rowCalled(rows, 'Steel'), 2000);
  return [evaluateSheet(rows)(TOTAL, row), evaluateSheet(more)(TOTAL, row)];
}

describe('the totals of the workbook, still live', () => {
  it('takes a margin of what is above', () => {
    // 25 % of the price is a third of the cost.
    expect(amountsOf(benchWith({ as: 'margin', percent: '25' }), 'Markup 1')).toEqual([500, 833.33]);
  });

  it('rates a bond by slices', () => {
    const grades = [
      { upTo: '1200', percent: '2.5' },
      { upTo: '', percent: '1' },
    ];
    // 30 + 1 % of 300; with 1,000 more 10 more.
    expect(amountsOf(benchWith({ as: 'graded', percent: '', grades }), 'Markup 1')).toEqual([33, 43]);
  });

  it('adds a sum, and takes a later markup of it too', () => {
    const bench = benchWith({ as: 'sum', percent: '250' }, { base: 'running', percent: '10' });
    expect(amountsOf(bench, 'Markup 1')).toEqual([250, 250]);
    expect(amountsOf(bench, 'Markup 2')).toEqual([175, 275]);
  });

  it('gives a section its own rate', () => {
    const bench = benchWith({ percent: '10' });
    const [overhead] = bench.job().markup.values();
    if (overhead) bench.change({ ...overhead, rates: [{ on: bench.sectionId('03'), percent: '4' }] });
    // 4 % of the material, 10 % of the firm.
    expect(amountsOf(bench, 'Markup 1')).toEqual([90, 130]);
  });

  it('leaves what is exempt out of the tax', () => {
    const bench = benchWith();
    bench.change({ ...settingsOf(bench.job()), taxOnMaterials: '8' });
    bench.change(bench.line({ description: 'Exempt', costs: { material: '400' }, taxPercent: '0' }));
    expect(amountsOf(bench, 'Tax on materials')).toEqual([80, 160]);
  });

  it.each([
    ['nearest', 1500, 2500],
    ['up', 1750, 2500],
    ['down', 1500, 2500],
  ] as const)('rounds the bid, %s', (bidRounding, now, more) => {
    const bench = benchWith({ as: 'sum', percent: '10' });
    bench.change({ ...settingsOf(bench.job()), bidStep: '250', bidRounding });
    expect(amountsOf(bench, 'Bid')[0]).toBe(now);
    expect(amountsOf(bench, 'Bid')[1]).toBe(bidRounding === 'up' ? more + 250 : more);
  });

  it('holds labor that was typed as money in its own column, as markups on labor need', () => {
    const bench = benchWith({ base: 'labor', percent: '10' });
    bench.change(bench.line({ description: 'Fitter', quantity: '2', costs: { labor: '300' } }));
    expect(amountsOf(bench, 'Markup 1')).toEqual([60, 60]);
  });
});

it('carries the figures of any job, however it came to be', () => {
  fc.assert(
    fc.property(anyEdits, (list) => {
      const { calculation } = deskAfter(list);
      const rows = rowsOf(calculation.figures);
      expect(wrongIn(rows)).toEqual([]);
      expect(evaluateSheet(rows)(TOTAL, rowCalled(rows, 'Bid'))).toBeCloseTo(
        calculation.figures.toMajor(knownValue(calculation.figure(bidNode('total'))) ?? 0),
        4,
      );
    }),
    { numRuns: 80 },
  );
});
