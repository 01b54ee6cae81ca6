import type { Figures } from '../../calculate/figures.ts';
import { isPriced as isPricedRow } from '../../estimate/rows.ts';
import type { CostKind } from '../../job/records/assembly.ts';
import { settingsOf } from '../../job/job.ts';
import { minorDigits } from '../../pricing/money.ts';
import { quantityPlaces } from '../../pricing/quantity.ts';
import { type ReportLine, estimateReport, factsOf } from '../../reports/estimateReport.ts';
import { priceAlternates } from '../../reports/alternates.ts';
import { materialList } from '../../reports/materialList.ts';
import { AT, COLUMNS, type Cell, columnIndex, letter, text } from './cell.ts';
import { groupMarks, totalRows } from './totalRows.ts';

export interface WorkbookSheet {
  readonly name: string;
  readonly widths: readonly number[];
  readonly rows: readonly (readonly Cell[])[];
}

const FIRST_SUM = columnIndex('material');
/** Rows above the table: title and column heads. */
const HEAD_ROWS = 2;

/**
 * The estimate as a workbook whose totals are live: extensions multiply, subtotals add, tax and
 * markups stand on their bases, so that a changed quantity carries through to the bid.
 */
export function estimateWorkbook(figures: Figures): readonly WorkbookSheet[] {
  const lines = estimateReport(figures);
  const codes = new Map(lines.map(({ row }) => [row.key, factsOf(figures, row)?.costCode ?? '']));
  const places = minorDigits(settingsOf(figures.job).currency);
  const marks = groupMarks(figures);
  const rows: (readonly Cell[])[] = [
    [text(settingsOf(figures.job).name, true)],
    COLUMNS.map(([, title]) => text(title, true)),
    ...lines.map((line, index) => [
      ...rowOf(line, index + HEAD_ROWS + 1, lines, { places, codes }),
      ...groupMark(marks.get(line.row.key)),
    ]),
  ];
  const lastLine = rows.length;
  rows.push([]);
  rows.push(...totalRows(figures, { first: HEAD_ROWS + 1, last: lastLine, columns: COLUMNS.length }));
  const widths = COLUMNS.map(([, , width]) => width);
  return [
    { name: 'Estimate', widths, rows },
    ...alternateSheet(figures, places),
    materialSheet(figures, places),
    ...acceptedSheet(figures),
  ];
}

/** Options of the client: what each changes of the bid, and which are in it. */
function alternateSheet(figures: Figures, places: number): readonly WorkbookSheet[] {
  const prices = priceAlternates(figures);
  if (prices.length === 0) return [];
  const heads = ['Alternate', 'In the bid', 'Add or deduct'].map((title) => text(title, true));
  const rows = prices.map(({ alternate, change }): readonly Cell[] => [
    text(alternate.name),
    text(alternate.accepted ? 'yes' : 'no'),
    { kind: 'number', value: major(change, places), style: 'money' },
  ]);
  return [{ name: 'Alternates', widths: [44, 12, 16], rows: [heads, ...rows] }];
}

/** What has to be bought, the same part of the whole job in one row. */
function materialSheet(figures: Figures, places: number): WorkbookSheet {
  const heads = ['Part number', 'Item', 'Description', 'Supplier', 'Quantity', 'Unit', 'Material'];
  const rows = materialList(figures).map((part): readonly Cell[] => [
    text(part.partNumber),
    text(part.code),
    text(part.description),
    text(part.supplier),
    { kind: 'number', value: part.quantity, style: 'quantity' },
    text(part.unit),
    { kind: 'number', value: major(part.material, places), style: 'money' },
  ]);
  const widths = [14, 12, 44, 20, 11, 8, 14];
  return { name: 'Materials', widths, rows: [heads.map((title) => text(title, true)), ...rows] };
}

/** Doubts that were accepted, each with its reason: for the office, never for the client. */
function acceptedSheet({ job }: Figures): readonly WorkbookSheet[] {
  const accepted = [...job.acceptance.values()].sort((a, b) => (a.subject < b.subject ? -1 : 1));
  if (accepted.length === 0) return [];
  const heads = ['Accepted in the second look', 'Because', 'On'].map((title) => text(title, true));
  const rows = accepted.map(({ subject, reason, date }) => [text(subject), text(reason), text(date)]);
  return [{ name: 'Second look', widths: [44, 60, 12], rows: [heads, ...rows] }];
}

interface Written {
  readonly places: number;
  /** Cost codes by line. */
  readonly codes: ReadonlyMap<string, string>;
}

function rowOf(
  line: ReportLine,
  row: number,
  lines: readonly ReportLine[],
  { places, codes }: Written,
): readonly Cell[] {
  const grouped = line.row.type === 'section' || line.row.type === 'scope';
  const head = [text(line.code, grouped), text(line.description, grouped, line.row.depth)];
  if (line.row.type === 'text') return head;
  if (line.row.type === 'subtotal') return [...head, ...subtotalCells(line, row, lines, places)];
  return grouped
    ? [...head, ...groupCells(line, row, lines, places)]
    : [...head, ...lineCells(line, row, places, codes.get(line.row.key) ?? '')];
}

/** Which lines tax and markups treat apart stands behind them; most jobs have none. */
const groupMark = (mark: string | undefined): readonly Cell[] => (mark === undefined ? [] : [text(mark)]);

function subtotalCells(
  line: ReportLine,
  row: number,
  lines: readonly ReportLine[],
  places: number,
): readonly Cell[] {
  const over = line.row.type === 'subtotal' ? new Set(line.row.over) : new Set<string>();
  const first = lines.findIndex((each) => over.has(each.row.key));
  return sumCells(first < 0 ? undefined : { from: first + HEAD_ROWS + 1, to: row - 1 }, (offset) =>
    lines
      .filter(({ row: { key } }) => over.has(key))
      .reduce((sum, each) => sum + amountIn(each, offset, places), 0),
  );
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
  const inside = lines.slice(index + 1, last - HEAD_ROWS).filter(isPriced);
  return sumCells(last === row ? undefined : { from: row + 1, to: last }, (offset) =>
    inside.reduce((sum, each) => sum + amountIn(each, offset, places), 0),
  );
}

/** Sums over rows. SUBTOTAL leaves other subtotals out, so that nested groups are not added twice. */
function sumCells(
  over: { readonly from: number; readonly to: number } | undefined,
  valueOf: (offset: number) => number,
): readonly Cell[] {
  const gap = Array.from({ length: FIRST_SUM - 2 }, () => undefined);
  const sums = Array.from({ length: COLUMNS.length - FIRST_SUM }, (_, offset): Cell => {
    const column = letter(FIRST_SUM + offset);
    return {
      kind: 'formula',
      formula: over === undefined ? '0' : `SUBTOTAL(9,${column}${over.from}:${column}${over.to})`,
      value: valueOf(offset),
      style: offset === 1 ? 'hours' : 'money',
      strong: true,
    };
  });
  return [...gap, ...sums];
}

const isPriced = ({ row }: ReportLine): boolean => isPricedRow(row);

function amountIn(line: ReportLine, offset: number, places: number): number {
  const { material, hours, labor, equipment, subcontract, other } = line.amounts;
  if (offset === 1) return hours ?? 0;
  const minor = [material, hours, labor, equipment, subcontract, other, line.extension][offset] ?? 0;
  return major(minor, places);
}

function lineCells(line: ReportLine, row: number, places: number, costCode: string): readonly Cell[] {
  const quantity: Cell =
    line.quantity === undefined
      ? text('not known')
      : { kind: 'number', value: line.quantity, style: 'quantity' };
  // A line without a figure carries no products either: they would come to something here, and not in the bid.
  const price = line.failure === undefined ? line.perUnit : undefined;
  const worked: Cell =
    line.worked === undefined
      ? undefined
      : line.worked === line.quantity
        ? // Nothing is added: a changed quantity is worked too.
          { kind: 'formula', formula: `${AT.quantity}${row}`, value: line.worked, style: 'quantity' }
        : { kind: 'number', value: line.worked, style: 'quantity' };
  const codes = [costCode, line.partNumber].map((code) => (code === '' ? undefined : text(code)));
  if (price === undefined) return [quantity, text(line.unit), worked, ...codes];
  const cost = (value: number): Cell =>
    value === 0 ? undefined : { kind: 'number', value, style: 'unit-cost' };
  const money = (formula: string, offset: number): Cell => ({
    kind: 'formula',
    formula,
    value: amountIn(line, offset, places),
    style: 'money',
  });
  const forKind = (kind: CostKind): string => (line.bought.has(kind) ? AT.quantity : AT.worked);
  const product = (perUnit: number, unitColumn: string, offset: number, kind: CostKind): Cell =>
    perUnit === 0 ? undefined : money(`ROUND(${forKind(kind)}${row}*${unitColumn}${row},${places})`, offset);
  const hours: Cell =
    price.hours === 0
      ? undefined
      : {
          kind: 'formula',
          formula: `ROUND(${forKind('labor')}${row}*${AT.unitHours}${row},${quantityPlaces(line.amounts.hours ?? 0)})`,
          value: line.amounts.hours ?? 0,
          style: 'hours',
        };
  const extension = `${AT.material}${row}+SUM(${AT.labor}${row}:${AT.other}${row})`;
  return [
    quantity,
    text(line.unit),
    worked,
    ...codes,
    cost(price.material),
    cost(price.hours),
    cost(price.wage),
    cost(price.labor),
    cost(price.equipment),
    cost(price.subcontract),
    cost(price.other),
    product(price.material, AT.unitMaterial, 0, 'material'),
    hours,
    price.hours === 0
      ? product(price.labor, AT.unitLabor, 2, 'labor')
      : money(`ROUND(${AT.hours}${row}*${AT.wage}${row},${places})`, 2),
    product(price.equipment, AT.unitEquipment, 3, 'equipment'),
    product(price.subcontract, AT.unitSubcontract, 4, 'subcontract'),
    product(price.other, AT.unitOther, 5, 'other'),
    { kind: 'formula', formula: extension, value: amountIn(line, 6, places), style: 'money', strong: true },
  ];
}
