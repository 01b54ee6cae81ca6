import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { Calculation } from '@zest/core/calculate/calculation';
import { knownValue } from '@zest/core/calculate/define';
import { bidNode } from '@zest/core/calculate/graph/nodes';
import { reportRows } from '@zest/core/formats/report/csv';
import { reportHtml } from '@zest/core/formats/report/html';
import type { PrintedReport } from '@zest/core/formats/report/printed';
import { reportSheet } from '@zest/core/formats/report/sheet';
import { reportXml } from '@zest/core/formats/report/xml';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import type { ReportSpec } from '@zest/core/job/records/report';
import { type PresetId, REPORT_PRESETS, findPreset } from '@zest/core/library/reportPresets';
import { openReport } from '@zest/core/reports/openReport';
import { reportWordsOf } from '../../messages/reportWords.ts';
import { csvText } from '../../platform/csvText.ts';
import { writeSheets } from '../../workers/writeSheets.ts';
import { PRESET_WORDS } from './presetWords.ts';
import { printReport } from './printReport.ts';

function demo(): Calculation {
  const file = join(__dirname, '../../../../demo/files/tern-island-boathouse.zestjob');
  const read = readZestjob(new Uint8Array(readFileSync(file)));
  if (!read.ok) throw new Error(JSON.stringify(read.problem));
  return new Calculation(read.value.job);
}
const { figures } = demo();
const cost = knownValue(figures.figure(bidNode('cost'))) ?? 0;

const specOf = (id: PresetId): ReportSpec => {
  const preset = findPreset(id);
  if (preset === undefined) throw new Error(`no preset ${id}`);
  return { ...preset.spec, name: PRESET_WORDS[id], folder: '' };
};
const printed = (spec: ReportSpec): PrintedReport =>
  printReport(openReport(spec, { figures, words: reportWordsOf(figures.job), today: '2026-11-28' }));

interface Live {
  readonly row: number;
  readonly column: number;
  readonly value: string;
}

/** The formulas of a sheet of a workbook as another program calculates them, beside the values they came with. */
async function recalculated(bytes: ArrayBuffer): Promise<readonly (Live & { readonly kept: unknown })[]> {
  const workbook = new ExcelJS.Workbook();
  await workbook.xlsx.load(bytes);
  const cells: { row: number; column: number; input: string }[] = [];
  const kept = new Map<string, unknown>();
  workbook.worksheets[0]?.eachRow((row, number) =>
    row.eachCell((cell, column) => {
      const input =
        cell.formula === undefined || cell.formula === ''
          ? String(cell.value as string | number)
          : `=${cell.formula}`;
      cells.push({ row: number, column, input });
      kept.set(`${number} ${column}`, cell.result);
    }),
  );
  const script = join(__dirname, '../../testing/recalculate.mjs');
  const output = execFileSync('node', [script], { input: JSON.stringify(cells), maxBuffer: 1e8 });
  const values = JSON.parse(output.toString()) as readonly Live[];
  return values.map((live) => ({ ...live, kept: kept.get(`${live.row} ${live.column}`) }));
}

describe('a report as XLSX', () => {
  it.each(['estimate-in-full', 'markup-by-line', 'unit-costs', 'bars'] as const)(
    'comes to the same figures when another program calculates it: %s',
    async (id) => {
      const live = await recalculated(await writeSheets([reportSheet(printed(specOf(id)))], () => undefined));
      expect(live.length).toBeGreaterThan(4);
      for (const { value, kept } of live) {
        const isRight = Math.abs(Number(value) - Number(kept)) <= 1e-6 * Math.max(1, Math.abs(Number(kept)));
        expect({ value, isRight }).toEqual({ value, isRight: true });
      }
    },
  );

  it('has the direct cost of the job at its foot, as a formula over the rows', async () => {
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(
      await writeSheets([reportSheet(printed(specOf('estimate-in-full')))], () => undefined),
    );
    const sheet = workbook.worksheets[0];
    const foot = sheet?.getRow(sheet.rowCount);
    const cell = foot?.getCell(9);
    expect(cell?.formula).toMatch(/^SUBTOTAL\(9,I\d+:I\d+\)$/);
    expect(cell?.result).toBeCloseTo(cost / 100, 2);
  });

  it('folds its groups, keeps its heading in sight and writes units as formats', async () => {
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(
      await writeSheets([reportSheet(printed(specOf('by-level-and-zone')))], () => undefined),
    );
    const sheet = workbook.worksheets[0];
    expect(sheet?.views[0]).toMatchObject({ state: 'frozen' });
    const levels = new Set<number>();
    const formats = new Set<string>();
    sheet?.eachRow((row) => {
      levels.add(row.outlineLevel ?? 0);
      row.eachCell((cell) => formats.add(cell.numFmt ?? ''));
    });
    expect([...levels].sort()).toEqual([0, 1, 2]);
    expect(formats).toContain('#,##0.0" h"');
  });
});

describe('a report in other formats', () => {
  const spec = specOf('by-cost-code');

  it('adds up to the direct cost in CSV, with what it is grouped by before each row', () => {
    const { data } = Papa.parse<Record<string, string>>(csvText(reportRows(printed(spec))), { header: true });
    // A line without a price says so in the place of its cost.
    const costs = data.map((row) => Number(row['Cost'])).filter(Number.isFinite);
    const cents = costs.reduce((sum, each) => sum + Math.round(each * 100), 0);
    expect(cents).toBe(cost);
    expect(data[0]?.['Cost code']).not.toBe('');
  });

  it('shows the same total in HTML and XML', () => {
    const dollars = (cost / 100).toFixed(2);
    expect(reportXml(printed(spec))).toContain(`<money column="cost">${dollars}</money>`);
    const html = reportHtml(printed(spec));
    expect(html).toContain(new Intl.NumberFormat('en-US', { minimumFractionDigits: 2 }).format(cost / 100));
    expect(html).toContain('<th scope="col" class="right">Cost</th>');
  });

  it('lets nothing that somebody typed be read as markup or run as a formula', () => {
    const evil = {
      ...spec,
      name: '<b>&"x"',
      columns: [{ ...spec.columns[1]!, heading: '=1+1<i>' }],
      groups: [],
    };
    const made = printed(evil);
    expect(reportHtml(made)).toContain('&lt;b&gt;&amp;&quot;x&quot;');
    expect(reportXml(made)).toContain('name="&lt;b&gt;&amp;&quot;x&quot;"');
    expect(csvText(reportRows(made)).split('\r\n')[0]).toBe(`"'=1+1<i>"`);
  });

  it('is written for every report that ships, without a problem in any', () => {
    for (const { id } of REPORT_PRESETS) {
      const made = printed(specOf(id));
      expect({ id, problems: made.report.problems }).toEqual({ id, problems: [] });
      expect(reportHtml(made)).toContain('</html>');
      expect(reportSheet(made).rows.length).toBeGreaterThan(2);
    }
  });
});
