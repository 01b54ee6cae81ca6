import { describe, expect, it } from '@jest/globals';
import type { PriceRequest } from '../../job/records/request.ts';
import { COMMA_FORMAT, POINT_FORMAT } from '../../units/numberFormat.ts';
import { type FilledNote, readFilled } from './readFilled.ts';
import { REQUEST_COLUMNS, requestSheet } from './sheet.ts';

const REQUEST: PriceRequest = {
  type: 'request',
  id: 'request:lumber',
  number: 1,
  name: 'Lumber',
  date: '2026-11-28',
  due: '2026-12-10',
  note: '',
  rows: [
    ['r1', 'P-10', 'Studs', '100'],
    ['r2', '', 'Plates', '20.5'],
    ['r3', 'P-30', 'Nails', '4'],
  ].map(([key = '', partNumber = '', description = '', quantity = '']) => ({
    key,
    itemCode: '',
    partNumber,
    description,
    unit: 'ft',
    quantity,
    needed: quantity,
    places: [],
  })),
  suppliers: [],
  secret: '',
  approved: {},
  order: 1,
};

const heads = Object.fromEntries(REQUEST_COLUMNS.map((column) => [column, column])) as Record<
  (typeof REQUEST_COLUMNS)[number],
  string
>;
/** The file as a spreadsheet gives it back, with what somebody typed into it. */
function filled(change: (rows: string[][]) => void = () => undefined): readonly (readonly string[])[] {
  const { rows } = requestSheet(REQUEST, { heads, lines: ['Lumber', 'by 2026-12-10'] });
  const cells = rows.map((row) => row.cells.map(({ value }) => String(value ?? '')));
  for (const row of cells) while (row.length < REQUEST_COLUMNS.length) row.push('');
  change(cells);
  return cells;
}
const FIRST = 4;
const PRICE = REQUEST_COLUMNS.indexOf('price');
const at = (rows: string[][], line: number): string[] => rows[FIRST + line] ?? [];
const notesOf = (change: (rows: string[][]) => void): readonly FilledNote[] => {
  const read = readFilled(filled(change), REQUEST, POINT_FORMAT);
  if (!read.ok) throw new Error(read.problem.kind);
  return read.value.notes;
};

describe('a request as a workbook', () => {
  it('comes back with the prices that were filled in, and without those that were not', () => {
    const read = readFilled(
      filled((rows) => {
        at(rows, 0)[PRICE] = '1.25';
        at(rows, 2)[PRICE] = '$40';
        at(rows, 2)[REQUEST_COLUMNS.indexOf('priceUnit')] = 'lb';
        at(rows, 2)[REQUEST_COLUMNS.indexOf('leadDays')] = '5';
      }),
      REQUEST,
      POINT_FORMAT,
    );
    expect(read).toEqual({
      ok: true,
      value: {
        notes: [],
        rows: [
          { key: 'r1', price: '1.25', unit: 'ft', substitute: '', note: '' },
          { key: 'r3', price: '40', unit: 'lb', leadDays: 5, substitute: '', note: '' },
        ],
      },
    });
  });

  it('reads prices as the job writes them too', () => {
    const read = readFilled(
      filled((rows) => (at(rows, 0)[PRICE] = '1.234,50')),
      REQUEST,
      COMMA_FORMAT,
    );
    expect(read.ok && read.value.rows[0]?.price).toBe('1234.5');
  });

  it('finds its lines wherever rows were moved to', () => {
    const read = readFilled(
      filled((rows) => {
        at(rows, 0)[PRICE] = '1';
        at(rows, 2)[PRICE] = '3';
        rows.splice(FIRST, 3, at(rows, 2), at(rows, 1), at(rows, 0));
      }),
      REQUEST,
      POINT_FORMAT,
    );
    expect(read.ok && read.value.rows.map(({ key, price }) => [key, price])).toEqual([
      ['r3', '3'],
      ['r1', '1'],
    ]);
  });

  it('tells rows that were added, parts that were changed, and words for prices, each by its row', () => {
    expect(
      notesOf((rows) => {
        at(rows, 0)[1] = 'P-11';
        at(rows, 0)[PRICE] = '9';
        at(rows, 1)[PRICE] = 'on request';
        rows.push(['', 'P-99', 'Bolts', '', '', '7', 'ea', '', '', '']);
        rows.push([...at(rows, 2)]);
      }),
    ).toEqual([
      { kind: 'part-changed', row: 5, found: 'P-11', asked: 'P-10' },
      { kind: 'price-not-number', row: 6, text: 'on request' },
      { kind: 'row-added', row: 8, text: 'Bolts' },
      { kind: 'row-twice', row: 9, text: 'Nails' },
    ]);
  });

  it('is refused where it is no request, another, or has no line of it', () => {
    const problem = (cells: readonly (readonly string[])[]) => {
      const read = readFilled(cells, REQUEST, POINT_FORMAT);
      return read.ok ? undefined : read.problem.kind;
    };
    expect(problem([['Price list'], ['r1', '2']])).toBe('filled-not-a-request');
    expect(problem(filled((rows) => (rows[0] = ['request:other'])))).toBe('filled-other-request');
    expect(problem(filled((rows) => rows.splice(FIRST, 3)))).toBe('filled-no-lines');
  });
});
