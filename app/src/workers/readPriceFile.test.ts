import { describe, expect, it } from '@jest/globals';
import ExcelJS from 'exceljs';
import { findHeadRow, guessMapping } from '@zest/core/formats/prices/columns';
import { readPrices } from '@zest/core/formats/prices/read';
import { type PriceSheet, decodeText, readCsv, readPriceBytes } from './readPriceFile.ts';
import { LIMITS } from '@zest/core/formats/limits';

const sheetOf = (text: string): PriceSheet => {
  const read = readCsv(text);
  if (!read.ok || read.value[0] === undefined) throw new Error(JSON.stringify(read));
  return read.value[0];
};

const pricesOf = ({ rows, brokenRows }: PriceSheet) => {
  const headRow = findHeadRow(rows);
  return readPrices({
    rows,
    brokenRows,
    headRow,
    mapping: guessMapping(rows[headRow] ?? []),
    numbers: { decimal: '.', group: ',' },
    crafts: [],
    crews: [],
  });
};

describe('the text of a price list', () => {
  const bytes = (...codes: number[]): Uint8Array => new Uint8Array(codes);
  it.each([
    ['UTF-8', new TextEncoder().encode('Größe'), 'Größe'],
    ['UTF-8 with its mark', bytes(0xef, 0xbb, 0xbf, 0x41), 'A'],
    ['UTF-16, little end first', bytes(0xff, 0xfe, 0x41, 0, 0xf6, 0), 'Aö'],
    ['UTF-16, big end first', bytes(0xfe, 0xff, 0, 0x41), 'A'],
    ['Windows', bytes(0x47, 0x72, 0xf6, 0xdf, 0x65), 'Größe'],
  ])('is read as %s', (_what, data, text) => {
    expect(decodeText(data)).toBe(text);
  });
});

describe('a price list as CSV', () => {
  it('is read with semicolons and quotes, line breaks within them too', () => {
    expect(sheetOf('Code;Description\r\nA;"Pipe; 1"" wide\nlong"').rows).toEqual([
      ['Code', 'Description'],
      ['A', 'Pipe; 1" wide\nlong'],
    ]);
  });

  it('loses one row to a quote that does not close, and says which', () => {
    const { drafts, refused } = pricesOf(
      sheetOf('Code,Description,Material\nA,fine,1\nB,"never closed,2\nC,swallowed,3'),
    );
    expect(drafts.map(({ draft }) => draft.code)).toEqual(['A']);
    expect(refused).toMatchObject([{ row: 3, fault: { kind: 'quotes' } }]);
  });

  it('is read with two hundred columns, and refused by name with too many', () => {
    expect(sheetOf(Array.from({ length: 200 }, (_, i) => `c${i}`).join(',')).rows[0]).toHaveLength(200);
    const wide = readCsv(Array.from({ length: LIMITS.prices.columns + 1 }, () => 'x').join(','));
    expect(wide).toMatchObject({ ok: false, problem: { kind: 'price-file-columns' } });
  });

  it('tells how far it is', () => {
    const told: number[] = [];
    readCsv('Code\n' + 'A\n'.repeat(12_000), (rows) => told.push(rows));
    expect(told).toEqual([5000, 10_000]);
  });

  it('is refused when there is nothing in it', () => {
    expect(readCsv(' \n')).toMatchObject({ ok: false, problem: { kind: 'price-file-empty' } });
  });
});

describe('a price list as XLSX', () => {
  it('is read with formulas, dates, merged cells and errors', async () => {
    const book = new ExcelJS.Workbook();
    const sheet = book.addWorksheet('List');
    sheet.addRow(['Spring prices']);
    sheet.mergeCells('A1:D1');
    sheet.addRow(['Code', 'Description', 'Price', 'Date']);
    sheet.addRow([
      'A',
      { richText: [{ text: 'Bo' }, { text: 'lt' }] },
      { formula: '2*3', result: 6 },
      new Date(Date.UTC(2026, 2, 9)),
    ]);
    sheet.addRow(['B', 'Broken', { error: '#DIV/0!' }, '']);
    const read = await readPriceBytes((await book.xlsx.writeBuffer()) as ArrayBuffer);
    if (!read.ok || read.value[0] === undefined) throw new Error('not read');
    expect(read.value[0].rows[0]?.slice(0, 2)).toEqual(['Spring prices', '']);
    const { drafts, refused } = pricesOf(read.value[0]);
    expect(drafts).toMatchObject([
      { draft: { code: 'A', description: 'Bolt', material: '6', date: '2026-03-09' } },
    ]);
    expect(refused).toMatchObject([{ row: 4, fault: { kind: 'cell-error' } }]);
  });

  it('is refused by name when it is damaged', async () => {
    const damaged = new Uint8Array([0x50, 0x4b, 3, 4, 9, 9, 9]).buffer;
    expect(await readPriceBytes(damaged)).toMatchObject({
      ok: false,
      problem: { kind: 'price-file-damaged' },
    });
  });
});

describe('what is no price list at all', () => {
  it.each([
    ['a PDF', new TextEncoder().encode('%PDF-1.7\n7 0 obj\n<<')],
    ['a picture', new Uint8Array([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 0, 0, 13])],
  ])('%s is refused, and not read as text', async (_what, { buffer }) => {
    expect(await readPriceBytes(buffer as ArrayBuffer)).toMatchObject({
      ok: false,
      problem: { kind: 'price-file-damaged' },
    });
  });

  it('is not a list in UTF-16, though every other byte of it is zero', async () => {
    const text = new Uint8Array([
      0xff,
      0xfe,
      ...[...'Code;Material\nA;5'].flatMap((c) => [c.charCodeAt(0), 0]),
    ]);
    expect(await readPriceBytes(text.buffer)).toMatchObject({ ok: true });
  });
});
