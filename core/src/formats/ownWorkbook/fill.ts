import { strToU8 } from 'fflate';
import { minorDigits } from '../../pricing/money.ts';
import { type Result, accept, refuse } from '../../problem/result.ts';
import type { Cell } from '../../reports/cell.ts';
import { joinCellText, writeCell } from '../../reports/writeCell.ts';
import { type PrintedReport, writingOf } from '../report/printed.ts';
import { replaceEntries } from '../zip/replaceEntries.ts';
import { type NamedRange, type OwnWorkbook, type OwnWorkbookProblem } from './package.ts';
import { type CellContent, cellName, cellsOf, fillCells } from './sheetXml.ts';

/** Figures of a report to be put into somebody's workbook: rows by what they are of, columns by their names there. */
export interface FillTable {
  /** The name of the range that says what each row is of. */
  readonly key: string;
  readonly rows: readonly { readonly key: string; readonly values: ReadonlyMap<string, CellContent> }[];
  /** For single cells called `total_` and a column. */
  readonly totals: ReadonlyMap<string, CellContent>;
  readonly columns: readonly string[];
}

export const totalName = (column: string): string => `total_${column}`;

/** The outermost groups of a report as rows, with what they come to; the rows themselves where it has no groups. */
export function fillTableOf(printed: PrintedReport, key: string): FillTable {
  const { report } = printed;
  const writing = writingOf(printed);
  const text = (cell: Cell): string => joinCellText(writeCell(cell, undefined, writing));
  const digits = minorDigits(report.currency);
  const valuesOf = (cells: readonly Cell[]): ReadonlyMap<string, CellContent> =>
    new Map(
      report.columns.flatMap(({ key: column }, at) => {
        const content = contentOf(cells[at], digits, text);
        return content === undefined ? [] : [[column, content] as const];
      }),
    );
  const keyAt = report.columns.findIndex((column) => column.key === key);
  const rows =
    report.root.groups.length > 0
      ? report.root.groups.map((group) => ({ key: text(group.label), values: valuesOf(group.totals) }))
      : report.rows.map(({ cells }) => ({ key: text(cells[keyAt]), values: valuesOf(cells) }));
  return {
    key,
    rows,
    totals: valuesOf(report.root.totals),
    columns: report.columns.map((column) => column.key).filter((column) => column !== key),
  };
}

function contentOf(cell: Cell, digits: number, text: (cell: Cell) => string): CellContent | undefined {
  switch (cell?.kind) {
    case undefined:
      return undefined;
    case 'money':
      return cell.minor / 10 ** digits;
    case 'number':
    case 'quantity':
      return cell.value;
    case 'rate':
      return cell.amount;
    case 'percent':
      return cell.value / 100;
    default:
      return text(cell);
  }
}

/** What will be written where, and what will not. */
export interface FillPlan {
  /** By sheet, cell and content. */
  readonly contents: ReadonlyMap<string, ReadonlyMap<string, CellContent>>;
  readonly filled: readonly string[];
  /** Rows of the report that have no row in the workbook. */
  readonly unplaced: readonly string[];
  /** Rows of the workbook that the report has nothing for: they are left as they are. */
  readonly unmatched: readonly string[];
  readonly cells: number;
}

const plain = (text: string): string => text.trim().toLowerCase();

/**
 * Puts figures where the workbook has names for them. Beside a range called as the key, each row gets the figures of
 * what its cell says; a range of empty cells is filled with the rows of the report from its top.
 */
export function planFill(book: OwnWorkbook, table: FillTable): Result<FillPlan, OwnWorkbookProblem> {
  const wanted = new Set([table.key, ...table.columns, ...table.columns.map(totalName)]);
  const lost = book.lost.find((name) => wanted.has(plain(name)));
  if (lost !== undefined) return refuse({ kind: 'own-workbook-lost-name', name: lost });
  const named = new Map(book.names.map((range) => [plain(range.name), range]));
  const columns = table.columns.filter((column) => named.has(column));
  const totals = table.columns.filter((column) => named.has(totalName(column)));
  if (columns.length + totals.length === 0)
    return refuse({
      kind: 'own-workbook-no-names',
      wanted: [...wanted],
      found: book.names.map(({ name }) => name),
    });
  const filling = createFilling(book);
  for (const column of totals) {
    const problem = filling.put(named.get(totalName(column)), 0, table.totals.get(column));
    if (problem !== undefined) return refuse(problem);
  }
  if (columns.length === 0)
    return accept({ ...filling.done(), filled: totals.map(totalName), unplaced: [], unmatched: [] });
  const key = named.get(table.key);
  if (key === undefined) return refuse({ kind: 'own-workbook-key-missing', name: table.key });
  const places = placeRows(filling.textsOf(key), table);
  for (const column of columns) {
    const range = named.get(column);
    if (range === undefined) continue;
    if (range.sheet !== key.sheet || range.top !== key.top || range.bottom !== key.bottom)
      return refuse({ kind: 'own-workbook-not-beside', name: range.name, key: key.name });
    for (const [row, place] of places.rows) {
      const problem = filling.put(range, place, row.values.get(column));
      if (problem !== undefined) return refuse(problem);
    }
  }
  if (places.isList)
    for (const [row, place] of places.rows) {
      const problem = filling.put(key, place, row.key);
      if (problem !== undefined) return refuse(problem);
    }
  const { unplaced, unmatched } = places;
  return accept({ ...filling.done(), filled: [...columns, ...totals.map(totalName)], unplaced, unmatched });
}

type FillRow = FillTable['rows'][number];

/** Which row of the workbook each row of the report goes to. */
function placeRows(texts: readonly string[], { rows }: FillTable) {
  const isList = texts.every((text) => text.trim() === '');
  if (isList)
    return {
      isList,
      rows: rows.slice(0, texts.length).map((row, place) => [row, place] as const),
      unplaced: rows.slice(texts.length).map(({ key }) => key),
      unmatched: [],
    };
  const placeOf = new Map<string, number>();
  texts.forEach((text, place) => {
    if (text.trim() !== '' && !placeOf.has(plain(text))) placeOf.set(plain(text), place);
  });
  const known = new Set(rows.map(({ key }) => plain(key)));
  return {
    isList,
    rows: rows.flatMap((row): readonly (readonly [FillRow, number])[] => {
      const place = placeOf.get(plain(row.key));
      return place === undefined ? [] : [[row, place]];
    }),
    unplaced: rows.filter(({ key }) => !placeOf.has(plain(key))).map(({ key }) => key),
    unmatched: texts.filter((text) => text.trim() !== '' && !known.has(plain(text))),
  };
}

/** Gathers what is written, and refuses to write over what calculates. */
function createFilling(book: OwnWorkbook) {
  const contents = new Map<string, Map<string, CellContent>>();
  const read = new Map<string, ReturnType<typeof cellsOf>>();
  const sheetOf = (sheet: string): ReturnType<typeof cellsOf> => {
    const had = read.get(sheet);
    if (had !== undefined) return had;
    const made = cellsOf(book.xmlOf(book.paths.get(sheet) ?? '') ?? '', book.sharedTexts);
    read.set(sheet, made);
    return made;
  };
  return {
    textsOf: ({ sheet, left, top, bottom }: NamedRange): readonly string[] =>
      Array.from({ length: bottom - top + 1 }, (_, place) =>
        sheetOf(sheet).textOf(cellName({ row: top + place, column: left })),
      ),
    put: (
      range: NamedRange | undefined,
      place: number,
      content: CellContent | undefined,
    ): OwnWorkbookProblem | undefined => {
      if (range === undefined || content === undefined) return undefined;
      const { sheet, name } = range;
      const cell = cellName({ row: range.top + place, column: range.left });
      if (sheetOf(sheet).calculates(cell)) return { kind: 'own-workbook-formula', name, cell, sheet };
      const ofSheet = contents.get(sheet) ?? new Map<string, CellContent>();
      contents.set(sheet, ofSheet.set(cell, content));
      return undefined;
    },
    done: () => ({
      contents,
      cells: [...contents.values()].reduce((sum, { size }) => sum + size, 0),
    }),
  };
}

/** Has the program that opens it work all formulas out again: what they came to was of other figures. */
function recalculating(workbook: string): string {
  if (/<calcPr\b[^>]*fullCalcOnLoad="1"/.test(workbook)) return workbook;
  if (/<calcPr\b/.test(workbook)) return workbook.replace(/<calcPr\b/, '<calcPr fullCalcOnLoad="1"');
  // In the order of the schema it comes behind the names.
  const behind = workbook.includes('</definedNames>') ? '</definedNames>' : '</sheets>';
  return workbook.replace(behind, `${behind}<calcPr fullCalcOnLoad="1"/>`);
}

/** The workbook with the plan carried out: all but the sheets that are filled is as it was, byte for byte. */
export function writeFilled(book: OwnWorkbook, { contents }: FillPlan): Uint8Array {
  const replaced = new Map<string, Uint8Array>();
  for (const [sheet, cells] of contents) {
    const path = book.paths.get(sheet) ?? '';
    replaced.set(path, strToU8(fillCells(book.xmlOf(path) ?? '', cells)));
  }
  const workbook = book.xmlOf('xl/workbook.xml');
  if (workbook !== undefined) replaced.set('xl/workbook.xml', strToU8(recalculating(workbook)));
  return replaceEntries(book.bytes, book.directory, replaced);
}
