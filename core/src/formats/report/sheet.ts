import type { Ast } from '../../formula/ast.ts';
import { parseFormula } from '../../formula/parse.ts';
import type { TotalKind } from '../../job/records/report.ts';
import { minorDigits } from '../../pricing/money.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import type { Cell } from '../../reports/cell.ts';
import type { ReportGroup } from '../../reports/report.ts';
import { joinCellText, writeCell } from '../../reports/writeCell.ts';
import { letter } from '../workbook/cell.ts';
import { type PrintedReport, paperWordsOf, writingOf } from './printed.ts';

/** A cell of a workbook's sheet; a formula carries the value it has now. */
export interface SheetCell {
  readonly value: string | number | undefined;
  readonly formula?: string;
  /** As spreadsheets write it: `#,##0.00 "ft²"`. */
  readonly format?: string;
  readonly bold?: true;
  /** ISO date. */
  readonly date?: string;
}

export interface SheetRow {
  readonly cells: readonly SheetCell[];
  /** How deep it stands in the outline. */
  readonly level: number;
  readonly hidden?: true;
  readonly tinted?: true;
}

/** A report as a sheet: numbers are numbers, totals and calculated columns are live. */
export interface ReportSheet {
  readonly name: string;
  readonly widths: readonly number[];
  readonly align: readonly ('left' | 'right')[];
  /** The row of the headings, from 1; what is above and it stay in sight. 0 for none. */
  readonly headRow: number;
  readonly isUpright?: true;
  readonly rows: readonly SheetRow[];
  /** Columns behind those that are read, which only totals of weighted means look at; places from 1. */
  readonly hiddenColumns: readonly number[];
}

interface Writing {
  readonly printed: PrintedReport;
  readonly rows: SheetRow[];
  /** Letter of each column. */
  readonly at: readonly string[];
  readonly helpers: readonly Helper[];
  readonly places: number;
}

/** What a weighted mean is made of, row by row: figure times weight, and the weight where there is a figure. */
interface Helper {
  readonly column: number;
  readonly weight: number;
  /** Letters of the two columns. */
  readonly product: string;
  readonly own: string;
}

/** A pair of columns for each mean that is weighted by a column that shows. */
function helpersOf({ report: { columns } }: PrintedReport): readonly Helper[] {
  const weighted = columns.flatMap(({ total, weight }, column) => {
    const at = total === 'weighted' ? columns.findIndex(({ key }) => key === weight) : -1;
    return at < 0 ? [] : [{ column, weight: at }];
  });
  return weighted.map((each, place) => ({
    ...each,
    product: letter(columns.length + 2 * place),
    own: letter(columns.length + 2 * place + 1),
  }));
}

const PX_PER_CHARACTER = 7;

/** Names of sheets have at most 31 letters, and none of these. */
export const sheetName = (name: string): string =>
  name
    .replace(/[\\/*?:[\]]/g, ' ')
    .trim()
    .slice(0, 31) || 'Report';

/** Sheets of one workbook, each with a name that no other has: two of a name are numbered. */
export function withOwnNames(sheets: readonly ReportSheet[]): readonly ReportSheet[] {
  const taken = new Set<string>();
  return sheets.map((sheet) => {
    let { name } = sheet;
    for (let number = 2; taken.has(name.toLowerCase()); number += 1)
      name = `${sheet.name.slice(0, 31 - String(number).length - 1)} ${number}`;
    taken.add(name.toLowerCase());
    return { ...sheet, name };
  });
}

export function reportSheet(printed: PrintedReport): ReportSheet {
  const { report } = printed;
  const words = paperWordsOf(printed);
  const writing: Writing = {
    printed,
    rows: [],
    at: report.columns.map((_, column) => letter(column)),
    helpers: helpersOf(printed),
    places: minorDigits(report.currency),
  };
  const say = (text: string, bold = false): void =>
    void writing.rows.push({ level: 0, cells: [{ value: text, ...(bold ? { bold } : {}) }] });
  say(report.name, true);
  say([words.job, words.client, words.date].filter(Boolean).join(', '));
  if (words.leftOut !== '') say(words.leftOut);
  writing.rows.push({
    level: 0,
    tinted: true,
    cells: report.columns.map(({ heading }) => ({ value: heading, bold: true as const })),
  });
  const headRow = writing.rows.length;
  addGroup(writing, report.root, false);
  return {
    name: sheetName(report.name),
    widths: report.columns.map(({ width }) => Math.max(8, Math.round(width / PX_PER_CHARACTER))),
    align: report.columns.map(({ align }) => align),
    headRow,
    rows: writing.rows,
    hiddenColumns: writing.helpers.flatMap((_, place) => [
      report.columns.length + 2 * place + 1,
      report.columns.length + 2 * place + 2,
    ]),
  };
}

/** A group with what stands in it; its totals come below it. */
function addGroup(writing: Writing, group: ReportGroup, hidden: boolean): void {
  const { printed, rows } = writing;
  const { report } = printed;
  const words = paperWordsOf(printed);
  const name = groupName(printed, group);
  const isClosed = group.depth > 0 && group.collapsed;
  const dim = hidden ? ({ hidden: true } as const) : {};
  if (group.depth > 0 && !isClosed)
    rows.push({ level: group.depth - 1, tinted: true, ...dim, cells: [{ value: name, bold: true }] });
  const first = rows.length + 1;
  const under = hidden || isClosed;
  if (group.groups.length > 0) group.groups.forEach((inner) => addGroup(writing, inner, under));
  else
    for (let at = group.from; at < group.to; at += 1) {
      const number = rows.length + 1;
      const cells = (report.rows[at]?.cells ?? []).map((cell, column) =>
        bodyCell(writing, at, column, cell, number),
      );
      rows.push({
        level: group.depth,
        ...(under ? { hidden: true as const } : {}),
        cells: [...cells, ...helperCells(writing, at, number)],
      });
    }
  const last = rows.length;
  if (group.depth === 0 && report.columns.every(({ total }) => total === undefined)) return;
  const title = group.depth === 0 ? words.total : isClosed ? name : words.totalOf(name);
  const cells = group.totals.map((cell, column) => totalCell(writing, group, column, cell, [first, last]));
  const spare = cells.findIndex(({ value }) => value === undefined);
  rows.push({
    level: Math.max(0, group.depth - 1),
    ...dim,
    cells: cells.map((cell, column) => ({
      ...(column === spare ? { value: title } : cell),
      bold: true as const,
    })),
  });
}

/** The hidden cells of a row. */
function helperCells(writing: Writing, row: number, number: number): readonly SheetCell[] {
  const { helpers, at, printed } = writing;
  return helpers.flatMap(({ column, weight }): readonly SheetCell[] => {
    const cells = printed.report.rows[row]?.cells ?? [];
    const figure = numberOf(writing, cells[column]);
    const weighs = figure === undefined ? 0 : (numberOf(writing, cells[weight]) ?? 0);
    const [own = '', by = ''] = [at[column], at[weight]];
    return [
      {
        value: (figure ?? 0) * weighs,
        formula: `IF(ISNUMBER(${own}${number}),${own}${number}*N(${by}${number}),0)`,
      },
      { value: weighs, formula: `IF(ISNUMBER(${own}${number}),N(${by}${number}),0)` },
    ];
  });
}

function groupName(printed: PrintedReport, { label, heading }: ReportGroup): string {
  const name = joinCellText(writeCell(label, undefined, writingOf(printed)));
  return name === '' ? paperWordsOf(printed).without(heading) : name;
}

export const zeros = (places: number): string => (places === 0 ? '' : `.${'0'.repeat(places)}`);

/** How spreadsheets are to write a cell: as it is written here. */
function formatOf(
  { printed, places: minor }: Writing,
  column: number,
  cell: NonNullable<Cell>,
): string | undefined {
  const places = printed.report.columns[column]?.places;
  switch (cell.kind) {
    case 'money':
      return `#,##0${zeros(minor)}`;
    case 'rate':
      return `#,##0${zeros(minor)}##${cell.per === '' ? '' : `" / ${quoted(cell.per)}"`}`;
    case 'quantity':
      return `#,##0${places === undefined ? '.00##' : zeros(places)}${cell.unit === '' ? '' : `" ${quoted(cell.unit)}"`}`;
    case 'number':
      return places === undefined ? '#,##0.####' : `#,##0${zeros(places)}`;
    case 'percent':
      return `0${zeros(places ?? 2)}%`;
    default:
      return undefined;
  }
}

export const quoted = (unit: string): string => unit.replaceAll('"', '""');

/** The number a cell holds in the sheet; undefined for words. */
function numberOf({ places }: Writing, cell: Cell): number | undefined {
  switch (cell?.kind) {
    case 'money':
      return cell.minor / 10 ** places;
    case 'rate':
      return cell.amount;
    case 'number':
    case 'quantity':
      return cell.value;
    case 'percent':
      return cell.value / 100;
    default:
      return undefined;
  }
}

function plainCell(writing: Writing, column: number, cell: Cell): SheetCell {
  if (cell === undefined) return { value: undefined };
  if (cell.kind === 'date') return { value: cell.date, date: cell.date };
  const value = numberOf(writing, cell);
  if (value === undefined)
    return { value: joinCellText(writeCell(cell, undefined, writingOf(writing.printed))) };
  const format = formatOf(writing, column, cell);
  return { value, ...(format === undefined ? {} : { format }) };
}

function bodyCell(writing: Writing, row: number, column: number, cell: Cell, number: number): SheetCell {
  const plain = plainCell(writing, column, cell);
  const source = writing.printed.report.columns[column]?.formula;
  if (source === undefined || typeof plain.value !== 'number') return plain;
  const formula = liveFormula(writing, source, row, number, cell);
  return formula === undefined ? plain : { ...plain, formula };
}

/** Values of units of one row's cells, and what they are in SI, so that a formula means the same in the sheet. */
function factorOf(cell: Cell): number {
  if (cell?.kind === 'quantity') return unitOrLabel(cell.unit).factor;
  if (cell?.kind === 'rate') return 1 / unitOrLabel(cell.per).factor;
  return 1;
}

/** A calculated column as the sheet calculates it; undefined where it cannot. */
function liveFormula(
  { printed: { report }, at, places }: Writing,
  source: string,
  row: number,
  number: number,
  result: Cell,
): string | undefined {
  const parsed = parseFormula(source);
  if (!parsed.ok) return undefined;
  const cells = report.rows[row]?.cells ?? [];
  const place = (key: string): number => report.columns.findIndex((column) => column.key === key);
  const print = (ast: Ast): string | undefined => {
    switch (ast.type) {
      case 'number':
        return ast.value < 0 ? `(${ast.value})` : String(ast.value);
      case 'name': {
        const column = place(ast.name);
        if (column < 0) return undefined;
        const factor = factorOf(cells[column]);
        const ref = `${at[column] ?? ''}${number}`;
        return factor === 1 ? ref : `(${ref}*${factor})`;
      }
      case 'unary': {
        const inner = print(ast.operand);
        return inner === undefined || ast.operator !== '-' ? undefined : `-(${inner})`;
      }
      case 'binary': {
        const [left, right] = [print(ast.left), print(ast.right)];
        const isPlain = ['+', '-', '*', '/', '^'].includes(ast.operator);
        return left === undefined || right === undefined || !isPlain
          ? undefined
          : `(${left}${ast.operator}${right})`;
      }
      case 'call': {
        const name = CALLS[ast.name];
        const parts = ast.arguments.map(print);
        return name === undefined || parts.includes(undefined) ? undefined : `${name}(${parts.join(',')})`;
      }
      default:
        return undefined;
    }
  };
  const text = print(parsed.value);
  if (text === undefined) return undefined;
  // Money of a row is rounded to the cent, there as here, or their sum would be another.
  if (result?.kind === 'money') return `ROUND(${text},${places})`;
  const factor = factorOf(result);
  return factor === 1 ? text : `${text}/${factor}`;
}

/** Functions that mean the same in a spreadsheet, whatever they are given. */
const CALLS: Readonly<Record<string, string>> = { min: 'MIN', max: 'MAX', abs: 'ABS', sqrt: 'SQRT' };

/** Numbers of SUBTOTAL (ECMA-376 part 1, 18.17.7), which leaves out other subtotals inside its range. */
const SUBTOTAL: Partial<Readonly<Record<TotalKind, number>>> = { sum: 9, mean: 1, most: 4, least: 5 };

function totalCell(
  writing: Writing,
  group: ReportGroup,
  column: number,
  cell: Cell,
  [first, last]: readonly [number, number],
): SheetCell {
  const plain = plainCell(writing, column, cell);
  const { report } = writing.printed;
  const total = report.columns[column]?.total;
  if (total === undefined || typeof plain.value !== 'number' || last < first) return plain;
  const own = writing.at[column] ?? '';
  const range = `${own}${first}:${own}${last}`;
  // The first column has the names of the groups as well.
  if (total === 'count') {
    const by = column === 0 ? undefined : countBy(report, group, column);
    return by === undefined ? plain : { ...plain, formula: `SUBTOTAL(${by},${range})` };
  }
  // Figures in different units are brought together before they are added: a sheet would add what cannot be added.
  if (!isOneUnit(writing, group, column)) return plain;
  const by = SUBTOTAL[total];
  if (by !== undefined) return { ...plain, formula: `SUBTOTAL(${by},${range})` };
  const helper = writing.helpers.find((each) => each.column === column);
  if (total !== 'weighted' || helper === undefined) return plain;
  const sumOf = (at: string): string => `SUBTOTAL(9,${at}${first}:${at}${last})`;
  return { ...plain, formula: `${sumOf(helper.product)}/${sumOf(helper.own)}` };
}

/**
 * How a sheet counts what a group has in a column: figures by 2, all that is not empty by 3. Why there is no figure is
 * said in its cell, and is not counted; beside texts neither number can tell the two apart.
 */
function countBy(
  { rows }: PrintedReport['report'],
  { from, to }: ReportGroup,
  column: number,
): 2 | 3 | undefined {
  let [hasText, hasFailure] = [false, false];
  for (let at = from; at < to; at += 1) {
    const cell = rows[at]?.cells[column];
    if (cell?.kind === 'text') hasText = true;
    if (cell?.kind === 'failure') hasFailure = true;
  }
  if (!hasText) return 2;
  return hasFailure ? undefined : 3;
}

/** Whether all figures of a column in a group are in the unit of its total. */
function isOneUnit(
  { printed: { report } }: Writing,
  { from, to, totals }: ReportGroup,
  column: number,
): boolean {
  const unitOf = (cell: Cell): string =>
    cell?.kind === 'quantity' ? cell.unit : cell?.kind === 'rate' ? `/ ${cell.per}` : '';
  const wanted = unitOf(totals[column]);
  for (let at = from; at < to; at += 1) {
    const cell = report.rows[at]?.cells[column];
    if (cell !== undefined && cell.kind !== 'failure' && unitOf(cell) !== wanted) return false;
  }
  return true;
}
