import type { Calculation } from '../../calculate/calculation.ts';
import { knownValue } from '../../calculate/define.ts';
import { bidNode, markupNode } from '../../calculate/nodes.ts';
import { inOrder, settingsOf } from '../../job/job.ts';
import type { Markup } from '../../job/records/markup.ts';
import { minorDigits } from '../../pricing/money.ts';
import { quantityPlaces } from '../../pricing/quantity.ts';
import { type ReportLine, estimateReport } from '../../reports/estimateReport.ts';

/** A cell of an exported workbook; a formula carries the value it has now. */
export type Cell =
  | { readonly kind: 'text'; readonly text: string; readonly strong?: boolean; readonly indent?: number }
  | { readonly kind: 'number'; readonly value: number; readonly style: CellStyle; readonly strong?: boolean }
  | {
      readonly kind: 'formula';
      readonly formula: string;
      readonly value: number;
      readonly style: CellStyle;
      readonly strong?: boolean;
    }
  | undefined;

export type CellStyle = 'quantity' | 'unit-cost' | 'money' | 'hours' | 'percent';

export interface WorkbookSheet {
  readonly name: string;
  readonly widths: readonly number[];
  readonly rows: readonly (readonly Cell[])[];
}

const TITLES = [
  'Code',
  'Description',
  'Quantity',
  'Unit',
  'Material / unit',
  'Hours / unit',
  'Wage',
  'Equipment / unit',
  'Subcontract / unit',
  'Other / unit',
  'Material',
  'Hours',
  'Labor',
  'Equipment',
  'Subcontract',
  'Other',
  'Extension',
] as const;
const FIRST_SUM = 10;
const LAST_COLUMN = TITLES.length - 1;
const letter = (column: number): string => String.fromCharCode(65 + column);
/** Rows above the table: title and column heads. */
const HEAD_ROWS = 2;

const text = (value: string, strong = false, indent = 0): Cell => ({
  kind: 'text',
  text: value,
  strong,
  indent,
});

/**
 * The estimate as a workbook whose totals are live: extensions multiply, subtotals add, tax and
 * markups stand on their bases, so that a changed quantity carries through to the bid.
 */
export function estimateWorkbook(calculation: Calculation): readonly WorkbookSheet[] {
  const lines = estimateReport(calculation);
  const places = minorDigits(settingsOf(calculation.job).currency);
  const rows: (readonly Cell[])[] = [
    [text(settingsOf(calculation.job).name, true)],
    TITLES.map((title) => text(title, true)),
    ...lines.map((line, index) => rowOf(line, index + HEAD_ROWS + 1, lines, places)),
  ];
  const lastLine = rows.length;
  rows.push([]);
  rows.push(...totalRows(calculation, lines, lastLine, places));
  const widths = [10, 44, 11, 8, 12, 10, 9, 12, 12, 10, 14, 10, 14, 13, 14, 12, 15];
  return [{ name: 'Estimate', widths, rows }];
}

function rowOf(line: ReportLine, row: number, lines: readonly ReportLine[], places: number): readonly Cell[] {
  const grouped = line.row.type === 'section' || line.row.type === 'scope';
  const head = [text(line.code, grouped), text(line.description, grouped, line.row.depth)];
  return grouped
    ? [...head, ...groupCells(line, row, lines, places)]
    : [...head, ...lineCells(line, row, places)];
}

const major = (minor: number, places: number): number => minor / 10 ** places;

/** Rows directly or deeper inside a group end where a row of the same or lesser depth begins. */
function lastInside(line: ReportLine, index: number, lines: readonly ReportLine[]): number {
  let last = index;
  while (last + 1 < lines.length && (lines[last + 1] as ReportLine).row.depth > line.row.depth) last += 1;
  return last;
}

function groupCells(
  line: ReportLine,
  row: number,
  lines: readonly ReportLine[],
  places: number,
): readonly Cell[] {
  const index = row - HEAD_ROWS - 1;
  const last = lastInside(line, index, lines) + HEAD_ROWS + 1;
  const gap = Array.from({ length: FIRST_SUM - 2 }, () => undefined);
  const sums = Array.from({ length: LAST_COLUMN - FIRST_SUM + 1 }, (_, offset): Cell => {
    const column = letter(FIRST_SUM + offset);
    const hours = offset === 1;
    const inside = lines.slice(index + 1, last - HEAD_ROWS).filter(isPriced);
    const value = inside.reduce((sum, each) => sum + amountIn(each, offset, places), 0);
    // SUBTOTAL leaves other subtotals out, so that nested groups are not added twice.
    const formula = last === row ? '0' : `SUBTOTAL(9,${column}${row + 1}:${column}${last})`;
    return { kind: 'formula', formula, value, style: hours ? 'hours' : 'money', strong: true };
  });
  return [...gap, ...sums];
}

const isPriced = ({ row }: ReportLine): boolean => row.type !== 'section' && row.type !== 'scope';

function amountIn(line: ReportLine, offset: number, places: number): number {
  const { material, hours, labor, equipment, subcontract, other } = line.amounts;
  if (offset === 1) return hours ?? 0;
  const minor = [material, hours, labor, equipment, subcontract, other, line.extension][offset] ?? 0;
  return major(minor, places);
}

function lineCells(line: ReportLine, row: number, places: number): readonly Cell[] {
  const quantity: Cell =
    line.quantity === undefined
      ? text('not known')
      : { kind: 'number', value: line.quantity, style: 'quantity' };
  const price = line.perUnit;
  if (price === undefined) return [quantity, text(line.unit)];
  const cost = (value: number): Cell =>
    value === 0 ? undefined : { kind: 'number', value, style: 'unit-cost' };
  const unitCosts: Cell[] = [
    cost(price.material),
    cost(price.hours),
    cost(price.wage),
    cost(price.equipment),
    cost(price.subcontract),
    cost(price.other),
  ];
  const product = (unitColumn: number, offset: number): Cell => {
    if (unitCosts[unitColumn - 4] === undefined) return undefined;
    const formula = `ROUND(C${row}*${letter(unitColumn)}${row},${places})`;
    return { kind: 'formula', formula, value: amountIn(line, offset, places), style: 'money' };
  };
  const hours: Cell =
    price.hours === 0
      ? undefined
      : {
          kind: 'formula',
          formula: `ROUND(C${row}*F${row},${quantityPlaces(line.amounts.hours ?? 0)})`,
          value: line.amounts.hours ?? 0,
          style: 'hours',
        };
  const labor: Cell =
    price.hours === 0
      ? undefined
      : {
          kind: 'formula',
          formula: `ROUND(L${row}*G${row},${places})`,
          value: amountIn(line, 2, places),
          style: 'money',
        };
  const extension: Cell = {
    kind: 'formula',
    formula: `K${row}+SUM(M${row}:P${row})`,
    value: amountIn(line, 6, places),
    style: 'money',
    strong: true,
  };
  return [
    quantity,
    text(line.unit),
    ...unitCosts,
    product(4, 0),
    hours,
    labor,
    product(7, 3),
    product(8, 4),
    product(9, 5),
    extension,
  ];
}

/** Direct cost, tax, markups in their order, bid. */
function totalRows(
  calculation: Calculation,
  lines: readonly ReportLine[],
  lastLine: number,
  places: number,
): readonly (readonly Cell[])[] {
  const settings = settingsOf(calculation.job);
  const start = lastLine + 2;
  const valueOf = (node: string): number => major(knownValue(calculation.figure(node)) ?? 0, places);
  const over = (column: string): string =>
    lines.length === 0 ? '0' : `SUBTOTAL(9,${column}${HEAD_ROWS + 1}:${column}${lastLine})`;
  const row = (
    name: string,
    percent: string,
    formula: string,
    value: number,
    strong = false,
  ): readonly Cell[] => {
    const rate: Cell =
      percent === '' ? undefined : { kind: 'number', value: Number(percent) / 100, style: 'percent' };
    const gap = Array.from({ length: LAST_COLUMN - 3 }, () => undefined);
    return [
      undefined,
      text(name, strong),
      rate,
      ...gap,
      { kind: 'formula', formula, value, style: 'money', strong },
    ];
  };
  const rows = [
    row('Direct cost', '', over('Q'), valueOf(bidNode('cost'))),
    row(
      'Tax on materials',
      settings.taxOnMaterials || '0',
      `ROUND(${over('K')}*C${start + 1},${places})`,
      valueOf(bidNode('tax')),
    ),
  ];
  for (const markup of inOrder(calculation.job.markup.values())) {
    const at = start + rows.length;
    const formula = `ROUND(${markupBase(markup, over, start, at)}*C${at},${places})`;
    rows.push(row(markup.name, markup.percent || '0', formula, valueOf(markupNode(markup.id))));
  }
  rows.push(row('Bid', '', `SUM(Q${start}:Q${start + rows.length - 1})`, valueOf(bidNode('total')), true));
  return rows;
}

function markupBase(markup: Markup, over: (column: string) => string, start: number, at: number): string {
  if (markup.base === 'running') return `SUM(Q${start}:Q${at - 1})`;
  return over({ cost: 'Q', material: 'K', labor: 'M' }[markup.base]);
}
