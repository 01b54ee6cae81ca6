import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import ExcelJS from 'exceljs';
import fc from 'fast-check';
import { JSDOM } from 'jsdom';
import Papa from 'papaparse';
import { reportRows } from '@zest/core/formats/report/csv';
import { reportHtml } from '@zest/core/formats/report/html';
import type { PrintedReport } from '@zest/core/formats/report/printed';
import { reportSheet } from '@zest/core/formats/report/sheet';
import { reportXml } from '@zest/core/formats/report/xml';
import type { ReportSpec } from '@zest/core/job/records/report';
import { minorDigits } from '@zest/core/pricing/money';
import { openReport } from '@zest/core/reports/openReport';
import { anyReport } from '@zest/core/testing/anyReport';
import { type Deeds, anyEdits, deskAfter, startBusyBench } from '@zest/core/testing/randomEdits';
import { reportWordsOf } from '../../messages/reportWords.ts';
import { csvText } from '../../platform/csvText.ts';
import { writeSheets } from '../../workers/writeSheets.ts';
import { printReport } from './printReport.ts';

/** Any report of a job after any edits, with all its words. */
function printed(edits: Deeds, spec: ReportSpec): PrintedReport {
  const { figures } = deskAfter(edits).calculation;
  const words = reportWordsOf(figures.job);
  const earlier = startBusyBench().calculation.figures;
  return printReport(openReport(spec, { figures, words, today: '2026-11-28', earlier }));
}

/** A figure as a file writes it, in whatever format: its digits. */
const digitsOf = (text: string): string => text.replace(/[^0-9]/g, '');

interface Written {
  readonly row: number;
  readonly column: number;
  readonly input: string;
  readonly kept: unknown;
}

/** What stands in the first sheet of a workbook: texts, figures, and formulas with what they came to. */
async function cellsOf(bytes: ArrayBuffer): Promise<readonly Written[]> {
  const workbook = new ExcelJS.Workbook();
  await workbook.xlsx.load(bytes);
  const cells: Written[] = [];
  workbook.worksheets[0]?.eachRow((row, number) =>
    row.eachCell((cell, column) => {
      const isLive = cell.formula !== undefined && cell.formula !== '';
      // A text that looks like a figure, as the head of a group may, stays a text.
      const plain = typeof cell.value === 'string' ? `'${cell.value}` : String(cell.value as number);
      const input = isLive ? `=${cell.formula}` : plain;
      cells.push({ row: number, column, input, kept: isLive ? cell.result : undefined });
    }),
  );
  return cells;
}

describe('any report as a file, after any edits', () => {
  it('is as long in CSV as it is on the screen, every row as wide as its heads', () => {
    fc.assert(
      fc.property(anyEdits, anyReport, (edits, spec) => {
        const made = printed(edits, spec);
        const [heads = [], ...rows] = Papa.parse<string[]>(csvText(reportRows(made)), {
          skipEmptyLines: true,
        }).data;
        expect(rows).toHaveLength(made.report.rows.length);
        for (const row of rows) expect(row).toHaveLength(heads.length);
      }),
      { numRuns: 15 },
    );
  });

  it('is one table in HTML, with a head for every column and each row as wide', () => {
    fc.assert(
      fc.property(anyEdits, anyReport, (edits, spec) => {
        const made = printed(edits, spec);
        const { document } = new JSDOM(reportHtml(made)).window;
        expect(document.querySelectorAll('table')).toHaveLength(1);
        const heads = document.querySelectorAll('thead th');
        expect(heads).toHaveLength(made.report.columns.length);
        for (const row of document.querySelectorAll('tbody tr, tfoot tr')) {
          const width = [...row.children].reduce(
            (sum, cell) => sum + (cell as HTMLTableCellElement).colSpan,
            0,
          );
          expect(width).toBe(heads.length);
        }
        expect([...document.querySelectorAll('[id]')].length).toBe(
          new Set([...document.querySelectorAll('[id]')].map(({ id }) => id)).size,
        );
      }),
      { numRuns: 12 },
    );
  });

  it('is XML that another program reads, with every row once', () => {
    fc.assert(
      fc.property(anyEdits, anyReport, (edits, spec) => {
        const made = printed(edits, spec);
        const read = new new JSDOM('').window.DOMParser().parseFromString(reportXml(made), 'application/xml');
        expect(read.querySelector('parsererror')).toBeNull();
        expect(read.getElementsByTagNameNS('*', 'row')).toHaveLength(made.report.rows.length);
      }),
      { numRuns: 12 },
    );
  });

  it('calculates to the same figures in another program’s workbook', async () => {
    await fc.assert(
      fc.asyncProperty(anyEdits, anyReport, async (edits, spec) => {
        const made = printed(edits, spec);
        const halfMinor = 0.5 / 10 ** minorDigits(made.report.currency);
        const cells = await cellsOf(await writeSheets([reportSheet(made)], () => undefined));
        const live = cells.filter(({ input }) => input.startsWith('='));
        if (live.length === 0) return;
        const script = join(__dirname, '../../testing/recalculate.mjs');
        const given = cells.map(({ row, column, input }) => ({ row, column, input }));
        const output = execFileSync('node', [script], { input: JSON.stringify(given), maxBuffer: 1e8 });
        const values = JSON.parse(output.toString()) as readonly {
          row: number;
          column: number;
          value: string;
        }[];
        const known = new Map(values.map(({ row, column, value }) => [`${row} ${column}`, value]));
        for (const { row, column, input, kept } of live) {
          const value = Number(known.get(`${row} ${column}`));
          // Sums are the same to the last digit; a mean of money is a sum of money again, and so rounded to it.
          const exact = 1e-6 * Math.max(1, Math.abs(Number(kept)));
          const within = /^=SUBTOTAL\(9,[^)]*\)$/.test(input) ? exact : Math.max(exact, halfMinor + 1e-9);
          const close = Math.abs(value - Number(kept)) <= within;
          expect({ input, value, kept, close }).toEqual({ input, value, kept, close: true });
        }
      }),
      { numRuns: 12, endOnFailure: true },
    );
  }, 60_000);

  it('says the same totals in every format', () => {
    fc.assert(
      fc.property(anyEdits, anyReport, (edits, spec) => {
        const made = printed(edits, { ...spec, groups: [] });
        const { document } = new JSDOM(reportHtml(made)).window;
        const foot = [...document.querySelectorAll('tr')].at(-1)?.textContent ?? '';
        for (const cell of made.report.root.totals)
          if (cell?.kind === 'money' && made.report.rows.length > 0)
            expect(digitsOf(foot)).toContain(String(Math.abs(cell.minor)));
      }),
      { numRuns: 12 },
    );
  });
});
