import type { Figures } from '@zest/core/calculate/figures';
import { settingsOf } from '@zest/core/job/job';
import { minorDigits } from '@zest/core/pricing/money';
import { type EstimateRow, alternateOfRow, isPriced } from '@zest/core/estimate/rows';
import type { Job } from '@zest/core/job/job';
import { csvBlob, csvText } from '../../platform/csvText.ts';
import { materialList } from '@zest/core/reports/materialList';
import { estimateReport, factsOf } from '@zest/core/reports/estimateReport';
import { t } from '../../messages/t.ts';

const KINDS = ['material', 'labor', 'equipment', 'subcontract', 'other'] as const;

/** The alternate a line stands in, with its sign: `+ Tiles` is added by it, `- Tiles` left out with it. */
function alternateWords(job: Job, row: EstimateRow): string {
  const place = alternateOfRow(job, row);
  if (place === undefined) return '';
  return `${place.as === 'adds' ? '+' : '-'} ${job.alternate.get(place.id)?.name ?? ''}`;
}

/** The priced lines as plain rows: figures with a decimal point, ready for any other program. */
export function csvOf(figures: Figures): string {
  const digits = minorDigits(settingsOf(figures.job).currency);
  const money = (minor: number | undefined): string =>
    minor === undefined ? '' : (minor / 10 ** digits).toFixed(digits);
  const header = [
    'section',
    'measured',
    'item',
    'description',
    t('bid.costCode'),
    t('bid.partNumber'),
    'quantity',
    'unit',
    t('bid.beforeWaste'),
    'hours',
    ...KINDS,
    'extension',
    'alternate',
  ];
  const rows: string[][] = [];
  let [section, scope] = ['', ''];
  for (const line of estimateReport(figures)) {
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
        factsOf(figures, line.row)?.costCode ?? '',
        line.partNumber,
        line.quantity === undefined ? '' : String(line.quantity),
        line.unit,
        line.worked === undefined ? '' : String(line.worked),
        hours,
        ...amounts,
        money(line.extension),
        alternateWords(figures.job, line.row),
      ]);
    }
  }
  return csvText([header, ...rows]);
}

/** What has to be bought, the same part of the whole job in one row. */
export function materialsOf(figures: Figures): string {
  const digits = minorDigits(settingsOf(figures.job).currency);
  const header = [
    t('bid.partNumber'),
    'item',
    'description',
    'supplier',
    'quantity',
    'unit',
    'material',
    'lines',
  ];
  const rows = materialList(figures).map((part) => [
    part.partNumber,
    part.code,
    part.description,
    part.supplier,
    String(part.quantity),
    part.unit,
    (part.material / 10 ** digits).toFixed(digits),
    String(part.lines),
  ]);
  return csvText([header, ...rows]);
}

export const writeMaterials = (figures: Figures): Blob => csvBlob(materialsOf(figures));

/** With a byte order mark, so that spreadsheets read it as UTF-8. */
export const writeCsv = (figures: Figures): Blob => csvBlob(csvOf(figures));
