import Papa from 'papaparse';
import type { Calculation } from '@zest/core/calculate/calculation';
import { settingsOf } from '@zest/core/job/job';
import { minorDigits } from '@zest/core/pricing/money';
import { isPriced } from '@zest/core/estimate/rows';
import { estimateReport } from '@zest/core/reports/estimateReport';

const KINDS = ['material', 'labor', 'equipment', 'subcontract', 'other'] as const;

/** The priced lines as plain rows: figures with a decimal point, ready for any other program. */
export function csvOf(calculation: Calculation): string {
  const digits = minorDigits(settingsOf(calculation.job).currency);
  const money = (minor: number | undefined): string =>
    minor === undefined ? '' : (minor / 10 ** digits).toFixed(digits);
  const header = [
    'section',
    'measured',
    'item',
    'description',
    'quantity',
    'unit',
    'hours',
    ...KINDS,
    'extension',
  ];
  const rows: string[][] = [];
  let [section, scope] = ['', ''];
  for (const line of estimateReport(calculation)) {
    if (line.row.type === 'section')
      [section, scope] = [[line.code, line.description].filter(Boolean).join(' '), ''];
    else if (line.row.type === 'scope') scope = line.description;
    else if (isPriced(line.row)) {
      const measured = line.row.type === 'component' ? scope : '';
      const amounts = KINDS.map((kind) => money(line.amounts[kind]));
      const hours = line.amounts.hours === undefined ? '' : String(line.amounts.hours);
      rows.push([
        section,
        measured,
        line.code,
        line.description,
        line.quantity === undefined ? '' : String(line.quantity),
        line.unit,
        hours,
        ...amounts,
        money(line.extension),
      ]);
    }
  }
  // A description that begins like a formula must not run in the spreadsheet that opens it.
  return Papa.unparse([header, ...rows], { escapeFormulae: true, newline: '\r\n' });
}

/** With a byte order mark, so that spreadsheets read it as UTF-8. */
export const writeCsv = (calculation: Calculation): Blob =>
  new Blob(['\ufeff', csvOf(calculation)], { type: 'text/csv;charset=utf-8' });
