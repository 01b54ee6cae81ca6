import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { Calculation } from '@zest/core/calculate/calculation';
import { bidNode } from '@zest/core/calculate/nodes';
import { knownValue } from '@zest/core/calculate/define';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { createJob, listRecords } from '@zest/core/job/job';
import { formatMoney } from '@zest/core/pricing/money';
import { bidReport } from '@zest/core/reports/bidReport';
import { COMMA_FORMAT, POINT_FORMAT } from '@zest/core/units/numberFormat';
import { bidDocument } from './bid/bidDocument.ts';
import { csvOf } from './bid/writeCsv.ts';
import { columnIndex } from '@zest/core/formats/workbook/cell';
import { xlsxBytes } from './bid/writeXlsx.ts';
import { describeMarkup } from './estimate/describeMarkup.ts';
import { editRow } from './estimate/editRow.ts';
import { keepEntry } from '../components/keepEntry.ts';
import { keyFor } from '@zest/core/job/keyFor';
import { newScope } from './measure/newScope.ts';

function demo(): Calculation {
  const read = readZestjob(
    new Uint8Array(readFileSync(`${__dirname}/../../../demo/files/tern-island-boathouse.zestjob`)),
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return new Calculation(read.value.job);
}
const calculation = demo();
const total = knownValue(calculation.figure(bidNode('total'))) ?? 0;

describe('exports of the demo job', () => {
  it('writes an XLSX that another reader opens, with formulas and the bid', async () => {
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(await xlsxBytes(calculation));
    const sheet = workbook.getWorksheet('Estimate');
    const values: ExcelJS.CellFormulaValue[] = [];
    let bid: unknown;
    sheet?.eachRow((row) => {
      row.eachCell((cell) => {
        if (cell.type === ExcelJS.ValueType.Formula) values.push(cell.value as ExcelJS.CellFormulaValue);
      });
      if (row.getCell(2).value === 'Bid')
        bid = (row.getCell(columnIndex('cost') + 1).value as ExcelJS.CellFormulaValue).result;
    });
    expect(values.length).toBeGreaterThan(250);
    expect(bid).toBeCloseTo(total / 100, 2);
  });

  it('writes a CSV whose extensions add up to the direct cost', () => {
    const { data } = Papa.parse<Record<string, string>>(csvOf(calculation), { header: true });
    const cents = data.reduce((sum, row) => sum + Math.round(Number(row['extension'] ?? 0) * 100), 0);
    expect(cents).toBe(knownValue(calculation.figure(bidNode('cost'))));
    expect(new Set(data.map((row) => row['section']))).toContain('03 Concrete');
  });

  it('lets no description run as a formula in the spreadsheet that opens the CSV', () => {
    const [line] = calculation.job.line.values();
    const job = createJob([...listRecords(calculation.job), { ...line!, description: '=1+1' }]);
    expect(csvOf(new Calculation(job))).toContain(`"'=1+1"`);
  });

  it('puts company, client, sections, inclusions and the total into the bid document', () => {
    const text = JSON.stringify(
      bidDocument(bidReport(calculation, 'sections'), { currency: 'USD', numbers: POINT_FORMAT }),
    );
    for (const words of [
      'Quillfeather Builders',
      'Tern Island Rowing Association',
      'Masonry',
      'Doors and windows as scheduled',
      'Boat racks',
      formatMoney(total, { currency: 'USD', numbers: POINT_FORMAT }),
    ])
      expect(text).toContain(words);
  });
});

describe('typing', () => {
  it('keeps figures in plain notation, whatever the job writes', () => {
    expect(keepEntry('1.250,5', COMMA_FORMAT)).toBe('1250.5');
    expect(keepEntry('max(2,5 m; length)', COMMA_FORMAT)).toBe('max(2.5 m, length)');
    expect(keepEntry(` 9' `, POINT_FORMAT)).toBe(`9'`);
  });

  it('makes keys from names, unique and never a word of the language', () => {
    expect(keyFor('Partition P2, 6"', new Set())).toBe('partition_p2_6');
    expect(keyFor('Ceil', new Set())).toBe('ceil_2');
    expect(keyFor('Wall', new Set(['wall', 'wall_2']))).toBe('wall_3');
    expect(keyFor('墙', new Set())).toMatch(/^[a-z_][a-z0-9_]*$/);
  });

  it('gives a new scope a name and a color of its own', () => {
    const scope = newScope(calculation.job, 'run', () => 'scope:new' as never);
    expect([...calculation.job.scope.values()].map(({ name }) => name)).not.toContain(scope.name);
    expect(scope.name).toMatch(/^Run \d+$/);
  });

  it('types a cost over a line, and gives it back to the price book when emptied', () => {
    const line = [...calculation.job.line.values()].find(({ itemCode }) => itemCode === 'SW-SILT')!;
    const row = { type: 'line', key: line.id, line, depth: 1 } as const;
    const edit = (column: string, text: string) => editRow(calculation.job, row, column, text, POINT_FORMAT);
    expect(edit('material', '$1,234.50')).toMatchObject({
      value: { change: { costs: { material: '1234.5' } } },
    });
    expect(edit('material', '')).toMatchObject({ ok: true, value: { change: { costs: {} } } });
    expect(edit('material', 'about ten')).toMatchObject({ problem: { kind: 'number-not-read' } });
    expect(edit('quantity', 'count(doors) * 2')).toMatchObject({
      value: { line: { quantity: 'count(doors) * 2' } },
    });
  });

  it('takes labor as hours or as money, whichever was typed last', () => {
    const [first] = calculation.job.line.values();
    if (first === undefined) throw new Error('the demo has no lines');
    const line = { ...first, typedCost: null, costs: { labor: '300', other: '5' } };
    const row = { type: 'line', key: line.id, line, depth: 1 } as const;
    const hours = editRow(calculation.job, row, 'hours', '2', POINT_FORMAT);
    expect(hours).toEqual({
      ok: true,
      value: { change: { costs: { labor: undefined, hours: '2', other: '5' } } },
    });
    const back = editRow(calculation.job, row, 'labor', '280', POINT_FORMAT, { hours: '2', other: '5' });
    expect(back).toEqual({
      ok: true,
      value: { change: { costs: { hours: undefined, labor: '280', other: '5' } } },
    });
  });

  it('pins a figure that is typed over a formula, and replaces the formula by another', () => {
    const [line] = calculation.job.line.values();
    if (line === undefined) throw new Error('the demo has no lines');
    const flows = { ...line, quantity: 'total(wall, length)' };
    const row = { type: 'line', key: line.id, line: flows, depth: 1 } as const;
    const edit = (text: string) => editRow(calculation.job, row, 'quantity', text, POINT_FORMAT);
    expect(edit('1,250')).toMatchObject({ value: { change: { pinned: '1250' } } });
    expect(edit('total(wall, area)')).toMatchObject({ value: { line: { quantity: 'total(wall, area)' } } });
  });
});

describe('a markup in words', () => {
  const { job } = calculation;
  const markup = { ...[...job.markup.values()].at(-1)!, name: 'Profit', percent: '10' };
  it.each([
    [{ base: 'cost' as const }, '10 % profit on cost'],
    [{ base: 'labor' as const, as: 'margin' as const }, '10 % profit as margin, on labor'],
    [
      {
        base: 'cost' as const,
        as: 'graded' as const,
        grades: [
          { upTo: '', percent: '1.5' },
          { upTo: '100000', percent: '2.5' },
        ],
      },
      'profit on cost: 2.5 % to 100,000, 1.5 % beyond',
    ],
  ])('says %j', (content, words) => {
    expect(describeMarkup({ ...markup, ...content }, job, POINT_FORMAT)).toBe(words);
  });

  it('names all that a markup on everything stands on', () => {
    expect(describeMarkup({ ...markup, base: 'running' }, job, POINT_FORMAT)).toBe(
      '10 % profit on cost, tax, overhead and contingency',
    );
  });
});
