import { describe, expect, it } from '@jest/globals';
import ExcelJS from 'exceljs';
import { type FillTable, planFill, writeFilled } from '@zest/core/formats/ownWorkbook/fill';
import { type OwnWorkbook, openOwnWorkbook } from '@zest/core/formats/ownWorkbook/package';
import { unpackEntry } from '@zest/core/formats/zip/readZip';

const TABLE: FillTable = {
  key: 'cost_code',
  columns: ['cost', 'hours'],
  rows: [
    {
      key: '03-100',
      values: new Map<string, number>([
        ['cost', 1250.5],
        ['hours', 12],
      ]),
    },
    {
      key: '06-100',
      values: new Map<string, number>([
        ['cost', 99.99],
        ['hours', 3.5],
      ]),
    },
    { key: '09-900', values: new Map<string, number>([['cost', 10]]) },
  ],
  totals: new Map([['cost', 1360.49]]),
};

type Build = (workbook: ExcelJS.Workbook) => void;

/** An office's own summary: codes in a column, figures beside it, a sum below, and another sheet. */
const summary: Build = (workbook) => {
  const sheet = workbook.addWorksheet('Our summary');
  sheet.getCell('A1').value = 'Code';
  ['03-100', '05-100', '06-100'].forEach((code, at) => {
    sheet.getCell(`A${at + 2}`).value = code;
    sheet.getCell(`C${at + 2}`).numFmt = '#,##0.00 "each"';
    sheet.getCell(`C${at + 2}`).font = { bold: true, color: { argb: 'FF883300' } };
  });
  sheet.getCell('C6').value = { formula: 'SUM(C2:C4)', result: 0 };
  workbook.addWorksheet('Notes').getCell('A1').value = 'Kept as it is';
  workbook.definedNames.add(`'Our summary'!$A$2:$A$4`, 'cost_code');
  workbook.definedNames.add(`'Our summary'!$C$2:$C$4`, 'cost');
  workbook.definedNames.add(`Notes!$B$3`, 'total_cost');
};

async function bookOf(build: Build): Promise<OwnWorkbook> {
  const workbook = new ExcelJS.Workbook();
  build(workbook);
  const opened = openOwnWorkbook(new Uint8Array(await workbook.xlsx.writeBuffer()));
  if (!opened.ok) throw new Error(opened.problem.kind);
  return opened.value;
}

async function filled(book: OwnWorkbook): Promise<ExcelJS.Workbook> {
  const plan = planFill(book, TABLE);
  if (!plan.ok) throw new Error(JSON.stringify(plan.problem));
  const again = new ExcelJS.Workbook();
  await again.xlsx.load(writeFilled(book, plan.value).slice().buffer as ArrayBuffer);
  return again;
}

describe('a workbook of one’s own', () => {
  it('gets its named cells filled, each beside what it is of, and keeps how they look', async () => {
    const sheet = (await filled(await bookOf(summary))).getWorksheet('Our summary');
    expect(['C2', 'C3', 'C4'].map((cell) => sheet?.getCell(cell).value)).toEqual([1250.5, null, 99.99]);
    expect(sheet?.getCell('C2').numFmt).toBe('#,##0.00 "each"');
    expect(sheet?.getCell('C2').font).toMatchObject({ bold: true, color: { argb: 'FF883300' } });
    expect(sheet?.getCell('C6').formula).toBe('SUM(C2:C4)');
  });

  it('is told what found no row, and what of it the report has nothing for', async () => {
    const plan = planFill(await bookOf(summary), TABLE);
    expect(plan).toMatchObject({
      value: { unplaced: ['09-900'], unmatched: ['05-100'], filled: ['cost', 'total_cost'] },
    });
  });

  it('keeps every other part of the package byte for byte', async () => {
    const book = await bookOf(summary);
    const plan = planFill(book, TABLE);
    if (!plan.ok) throw new Error('no plan');
    const bytes = writeFilled(book, plan.value);
    const again = openOwnWorkbook(bytes);
    if (!again.ok) throw new Error(again.problem.kind);
    const changed = again.value.directory.entries.flatMap((entry) => {
      const before = book.directory.entries.find(({ name }) => name === entry.name);
      if (before === undefined) return [entry.name];
      const raw = (from: Uint8Array, { start, packedSize }: typeof entry): string =>
        Buffer.from(from.subarray(start, start + packedSize)).toString('base64');
      return raw(bytes, entry) === raw(book.bytes, before) ? [] : [entry.name];
    });
    expect(changed.sort()).toEqual([
      'xl/workbook.xml',
      'xl/worksheets/sheet1.xml',
      'xl/worksheets/sheet2.xml',
    ]);
    for (const entry of again.value.directory.entries) expect(unpackEntry(bytes, entry).ok).toBe(true);
    expect(again.value.xmlOf('xl/workbook.xml')).toContain('fullCalcOnLoad="1"');
  });

  it('takes an empty range for a list, and tells what did not fit into it', async () => {
    const book = await bookOf((workbook) => {
      workbook.addWorksheet('List');
      workbook.definedNames.add('List!$B$3:$B$4', 'cost_code');
      workbook.definedNames.add('List!$D$3:$D$4', 'cost');
    });
    expect(planFill(book, TABLE)).toMatchObject({ value: { unplaced: ['09-900'] } });
    const sheet = (await filled(book)).getWorksheet('List');
    expect(['B3', 'D3', 'B4', 'D4'].map((cell) => sheet?.getCell(cell).value)).toEqual([
      '03-100',
      1250.5,
      '06-100',
      99.99,
    ]);
  });

  it('is refused without its names, with a name that is lost, and where a cell calculates', async () => {
    const bare = await bookOf((workbook) => {
      workbook.addWorksheet('Empty');
      workbook.definedNames.add('Empty!$A$1', 'something');
    });
    expect(planFill(bare, TABLE)).toMatchObject({
      problem: { kind: 'own-workbook-no-names', found: ['something'] },
    });
    const calculating = await bookOf((workbook) => {
      summary(workbook);
      const sheet = workbook.getWorksheet('Our summary');
      if (sheet !== undefined) sheet.getCell('C2').value = { formula: '1+1', result: 2 };
    });
    expect(planFill(calculating, TABLE)).toMatchObject({
      problem: { kind: 'own-workbook-formula', cell: 'C2', sheet: 'Our summary' },
    });
    const lost = { ...bare, lost: ['cost'] };
    expect(planFill(lost, TABLE)).toMatchObject({
      problem: { kind: 'own-workbook-lost-name', name: 'cost' },
    });
    const crooked = await bookOf((workbook) => {
      summary(workbook);
      workbook.definedNames.add(`'Our summary'!$D$2:$D$9`, 'hours');
    });
    expect(planFill(crooked, TABLE)).toMatchObject({
      problem: { kind: 'own-workbook-not-beside', name: 'hours' },
    });
  });

  it('is refused by name when it is no workbook at all', () => {
    expect(openOwnWorkbook(new Uint8Array([1, 2, 3]))).toMatchObject({
      problem: { kind: 'own-workbook-damaged' },
    });
  });
});
