import { minorDigits } from '../../pricing/money.ts';
import {
  type ReportSheet,
  type SheetCell,
  type SheetRow,
  quoted,
  reportSheet,
  sheetName,
  withOwnNames,
  zeros,
} from '../report/sheet.ts';
import { letter } from '../workbook/cell.ts';
import type { CellFormula, PrintedBlock, PrintedCell, PrintedDocument, PrintedTable } from './printed.ts';

/** A document as it is being written, row by row. */
interface Writing {
  readonly rows: SheetRow[];
  readonly places: number;
  /** The widest text of each column so far, in letters. */
  readonly widths: number[];
}

/** Words begin in the second column, so that the codes of tables have the first. */
const WORDS_AT = 1;
const WIDEST = 60;
const LEAST = 9;

/** A document as sheets: its tables with live sums, one below the other, and each of its reports on a sheet of its own. */
export function documentSheets(document: PrintedDocument): readonly ReportSheet[] {
  const writing: Writing = { rows: [], places: minorDigits(document.currency), widths: [10, WIDEST] };
  for (const block of document.blocks) addBlock(writing, block);
  const reports = document.blocks.flatMap((block) =>
    block.kind === 'report' ? [reportSheet(block.printed)] : [],
  );
  const own: ReportSheet = {
    name: sheetName(document.title),
    widths: writing.widths.map((width) => Math.min(WIDEST, Math.max(LEAST, width + 2))),
    align: writing.widths.map((_, at) => (at <= WORDS_AT ? 'left' : 'right')),
    headRow: 0,
    isUpright: true,
    rows: writing.rows,
    hiddenColumns: [],
  };
  return withOwnNames([own, ...reports]);
}

const say = ({ rows }: Writing, text: string, bold = false): void =>
  void rows.push({
    level: 0,
    cells: [{ value: undefined }, { value: text, ...(bold ? { bold: true as const } : {}) }],
  });

function addBlock(writing: Writing, block: PrintedBlock): void {
  const before = writing.rows.length;
  if (block.kind === 'report' || block.kind === 'break') return;
  if (before > 0) writing.rows.push({ level: 0, cells: [] });
  if (block.heading !== '') say(writing, block.heading, true);
  const heading = writing.rows.length;
  addContent(writing, block);
  // A heading over nothing, and the empty row before it, say nothing.
  if (writing.rows.length === heading) writing.rows.length = before;
}

function addContent(writing: Writing, block: PrintedBlock): void {
  switch (block.kind) {
    case 'letterhead':
      say(writing, block.company, true);
      for (const line of block.address) say(writing, line);
      say(writing, [block.title, block.dated].filter(Boolean).join(', '), true);
      return;
    case 'paragraphs':
      for (const { text, look } of block.paragraphs)
        for (const line of text.split('\n'))
          say(writing, line, look === 'bold' || look === 'title' || look === 'warn');
      return;
    case 'list':
      for (const item of block.items) say(writing, item);
      return;
    case 'table':
      addTable(writing, block.table);
      return;
    case 'signatures':
      for (const name of block.names) say(writing, name);
      return;
    case 'picture':
      say(writing, block.caption === '' ? block.words : block.caption);
      return;
    default:
  }
}

function addTable(writing: Writing, table: PrintedTable): void {
  const { rows, widths } = writing;
  if (table.rows.length === 0) return;
  const wide = table.columns.findIndex(({ isWide }) => isWide);
  // The column of words stands below all other words.
  const shift = WORDS_AT - Math.min(WORDS_AT, Math.max(0, wide));
  const empty = Array.from({ length: shift }, (): SheetCell => ({ value: undefined }));
  if (table.hasHead)
    rows.push({
      level: 0,
      tinted: true,
      cells: [...empty, ...table.columns.map(({ heading }) => ({ value: heading, bold: true as const }))],
    });
  const first = rows.length + 1;
  table.rows.forEach(({ cells, look }, at) => {
    const bold = look === 'bold' || look === 'total' ? { bold: true as const } : {};
    const written = cells.map((cell, column): SheetCell => ({
      ...cellOf(writing, cell, { first, row: first + at, column: column + shift, shift }),
      ...bold,
    }));
    cells.forEach(({ text }, column) => {
      if (column + shift > WORDS_AT)
        widths[column + shift] = Math.max(widths[column + shift] ?? 0, text.length);
    });
    rows.push({ level: 0, cells: [...empty, ...written] });
  });
}

interface At {
  /** The first row of the table, and this one, from 1. */
  readonly first: number;
  readonly row: number;
  readonly column: number;
  readonly shift: number;
}

function cellOf(
  { places }: Writing,
  { text, value, kind, unit = '', formula }: PrintedCell,
  at: At,
): SheetCell {
  if (value === undefined) return { value: text === '' ? undefined : text };
  const format =
    kind === 'quantity'
      ? `#,##0.00##${unit === '' ? '' : `" ${quoted(unit)}"`}`
      : `#,##0${zeros(places)}${kind === 'rate' ? '##' : ''}`;
  const live = formula === undefined ? undefined : formulaText(formula, at, places);
  return { value, format, ...(live === undefined ? {} : { formula: live }) };
}

/** More arguments than this no spreadsheet takes. */
const MOST_RANGES = 200;

function formulaText(
  formula: CellFormula,
  { first, row, column, shift }: At,
  places: number,
): string | undefined {
  switch (formula.kind) {
    case 'product': {
      const [left, right] = formula.columns.map((each) => `${letter(each + shift)}${row}`);
      return `ROUND(${left}*${right},${places})`;
    }
    case 'percent':
      return `ROUND(${letter(column)}${first + formula.row}*${Number(formula.percent)}/100,${places})`;
    case 'sum': {
      const own = letter(column);
      const ranges = rangesOf(formula.rows).map(([from, to]) =>
        from === to ? `${own}${first + from}` : `${own}${first + from}:${own}${first + to}`,
      );
      return ranges.length === 0 || ranges.length > MOST_RANGES ? undefined : `SUM(${ranges.join(',')})`;
    }
  }
}

/** Rows that follow one another as one range. */
function rangesOf(rows: readonly number[]): readonly (readonly [number, number])[] {
  const ranges: [number, number][] = [];
  for (const row of rows) {
    const last = ranges.at(-1);
    if (last !== undefined && row === last[1] + 1) last[1] = row;
    else ranges.push([row, row]);
  }
  return ranges;
}
