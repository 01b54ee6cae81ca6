import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { Calculation } from '@zest/core/calculate/calculation';
import type { Figures } from '@zest/core/calculate/figures';
import { bidNode } from '@zest/core/calculate/graph/nodes';
import { knownValue } from '@zest/core/calculate/define';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { createJob, listRecords } from '@zest/core/job/job';
import { COMMA_FORMAT, POINT_FORMAT } from '@zest/core/units/numberFormat';
import { csvOf } from './bid/writeCsv.ts';
import { columnIndex } from '@zest/core/formats/workbook/cell';
import { xlsxBytes } from './bid/writeXlsx.ts';
import { keepTyped } from '@zest/core/formula/readTyped';
import { keyFor } from '@zest/core/job/keyFor';
import { newScope } from './measure/newScope.ts';

function demo(): Figures {
  const read = readZestjob(
    new Uint8Array(readFileSync(`${__dirname}/../../../demo/files/tern-island-boathouse.zestjob`)),
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return new Calculation(read.value.job).figures;
}
const figures = demo();
const total = knownValue(figures.figure(bidNode('total'))) ?? 0;

describe('exports of the demo job', () => {
  it('writes an XLSX that another reader opens, with formulas and the bid', async () => {
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(await xlsxBytes(figures));
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
    const { data } = Papa.parse<Record<string, string>>(csvOf(figures), { header: true });
    const cents = data.reduce((sum, row) => sum + Math.round(Number(row['extension'] ?? 0) * 100), 0);
    expect(cents).toBe(knownValue(figures.figure(bidNode('cost'))));
    expect(new Set(data.map((row) => row['section']))).toContain('03 Concrete');
  });

  it('lets no description run as a formula in the spreadsheet that opens the CSV', () => {
    const [line] = figures.job.line.values();
    const job = createJob([...listRecords(figures.job), { ...line!, description: '=1+1' }]);
    expect(csvOf(new Calculation(job).figures)).toContain(`"'=1+1"`);
  });
});

describe('typing', () => {
  it('keeps figures in plain notation, whatever the job writes', () => {
    expect(keepTyped('1.250,5', COMMA_FORMAT)).toMatchObject({ value: '1250.5' });
    expect(keepTyped('max(2,5 m; length)', COMMA_FORMAT)).toMatchObject({ value: 'max(2.5 m, length)' });
    expect(keepTyped(` 9' `, POINT_FORMAT)).toMatchObject({ value: `9'` });
  });

  it('makes keys from names, unique and never a word of the language', () => {
    expect(keyFor('Partition P2, 6"', new Set())).toBe('partition_p2_6');
    expect(keyFor('Ceil', new Set())).toBe('ceil_2');
    expect(keyFor('Wall', new Set(['wall', 'wall_2']))).toBe('wall_3');
    expect(keyFor('墙', new Set())).toMatch(/^[a-z_][a-z0-9_]*$/);
  });

  it('gives a new scope a name and a color of its own', () => {
    const scope = newScope(figures.job, 'run', () => 'scope:new' as never);
    expect([...figures.job.scope.values()].map(({ name }) => name)).not.toContain(scope.name);
    expect(scope.name).toMatch(/^Run \d+$/);
  });
});
