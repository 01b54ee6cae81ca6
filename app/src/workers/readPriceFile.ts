import type { CellValue, Workbook } from 'exceljs';
import Papa from 'papaparse';
import { type XlsxProblem, checkXlsx } from '@zest/core/formats/workbook/check';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import { LIMITS } from '@zest/core/formats/limits';

export interface PriceSheet {
  readonly name: string;
  readonly rows: readonly (readonly string[])[];
  /** Rows, from 0, in which quotes do not close. */
  readonly brokenRows: ReadonlySet<number>;
}

export type PriceFileProblem =
  | { readonly kind: 'price-file-empty' }
  | { readonly kind: 'price-file-large'; readonly limit: number }
  | { readonly kind: 'price-file-rows'; readonly limit: number }
  | { readonly kind: 'price-file-columns'; readonly columns: number; readonly limit: number }
  /** Merges that cover so many cells that no one can have meant them. */
  | { readonly kind: 'price-file-merged'; readonly cells: number }
  | { readonly kind: 'price-file-damaged' };

type Read = Result<readonly PriceSheet[], PriceFileProblem>;

/** How far it is: rows so far, and the share of the file. */
export type OnProgress = (rows: number, share: number) => void;

/** The text of a file by its byte order mark, as UTF-8 where it is that, else as Windows writes it. */
export function decodeText(bytes: Uint8Array): string {
  const [a, b, c] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes.subarray(2));
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes.subarray(2));
  const body = a === 0xef && b === 0xbb && c === 0xbf ? bytes.subarray(3) : bytes;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(body);
  } catch {
    return new TextDecoder('windows-1252').decode(body);
  }
}

const EVERY = 5000;

/** Rows of a text with commas, semicolons or tabs between its cells. A quote that does not close marks its row. */
export function readCsv(text: string, onProgress: OnProgress = () => undefined): Read {
  if (text.trim() === '') return refuse({ kind: 'price-file-empty' });
  const rows: string[][] = [];
  const brokenRows = new Set<number>();
  let problem: PriceFileProblem | undefined;
  Papa.parse<string[]>(text, {
    delimitersToGuess: [',', ';', '\t', '|'],
    skipEmptyLines: false,
    step: ({ data, errors, meta }, parser) => {
      if (errors.some(({ type }) => type === 'Quotes')) brokenRows.add(rows.length);
      if (data.length > LIMITS.prices.columns)
        problem = { kind: 'price-file-columns', columns: data.length, limit: LIMITS.prices.columns };
      if (rows.length >= LIMITS.prices.rows) problem = { kind: 'price-file-rows', limit: LIMITS.prices.rows };
      if (problem !== undefined) return parser.abort();
      rows.push(data);
      if (rows.length % EVERY === 0) onProgress(rows.length, meta.cursor / text.length);
    },
  });
  if (problem !== undefined) return refuse(problem);
  return accept([{ name: '', rows, brokenRows }]);
}

/** What a person sees in a cell: the result of a formula, a date as ISO, an error by its sign. */
export function cellText(value: CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return Number.isNaN(value.getTime()) ? '' : value.toISOString().slice(0, 10);
  if (typeof value !== 'object') return String(value);
  if ('error' in value) return value.error;
  if ('richText' in value) return value.richText.map(({ text }) => text).join('');
  if ('formula' in value || 'sharedFormula' in value) return cellText((value.result ?? '') as CellValue);
  if ('text' in value) return cellText(value.text as CellValue);
  return '';
}

const priceProblem = (problem: XlsxProblem): PriceFileProblem => {
  switch (problem.kind) {
    case 'xlsx-damaged':
      return { kind: 'price-file-damaged' };
    case 'xlsx-too-large':
      return { kind: 'price-file-large', limit: problem.limit };
    case 'xlsx-merged':
      return { kind: 'price-file-merged', cells: problem.cells };
  }
};

/** Every sheet of a workbook. Of merged cells the first has the text, and the others are empty. */
export async function readXlsx(bytes: ArrayBuffer, onProgress: OnProgress = () => undefined): Promise<Read> {
  const checked = checkXlsx(new Uint8Array(bytes));
  if (!checked.ok) return refuse(priceProblem(checked.problem));
  const { default: ExcelJS } = await import('exceljs');
  const book: Workbook = new ExcelJS.Workbook();
  try {
    await book.xlsx.load(bytes);
  } catch {
    return refuse({ kind: 'price-file-damaged' });
  }
  const sheets: PriceSheet[] = [];
  for (const sheet of book.worksheets) {
    if (sheet.rowCount > LIMITS.prices.rows)
      return refuse({ kind: 'price-file-rows', limit: LIMITS.prices.rows });
    if (sheet.columnCount > LIMITS.prices.columns)
      return refuse({ kind: 'price-file-columns', columns: sheet.columnCount, limit: LIMITS.prices.columns });
    const rows: string[][] = Array.from({ length: sheet.rowCount }, () => []);
    sheet.eachRow((row, number) => {
      const cells: string[] = [];
      row.eachCell({ includeEmpty: true }, (cell, at) => {
        cells[at - 1] = cell.isMerged && cell.master !== cell ? '' : cellText(cell.value);
      });
      rows[number - 1] = Array.from(cells, (text) => text ?? '');
      if (number % EVERY === 0) onProgress(number, number / sheet.rowCount);
    });
    if (rows.some((row) => row.length > 0)) sheets.push({ name: sheet.name, rows, brokenRows: new Set() });
  }
  return sheets.length === 0 ? refuse({ kind: 'price-file-empty' }) : accept(sheets);
}

/** A drawing or a picture: a PDF says so, and text has no zero in it save as UTF-16. */
function isNoText(bytes: Uint8Array): boolean {
  const head = bytes.subarray(0, 4096);
  if (String.fromCharCode(...head.subarray(0, 5)) === '%PDF-') return true;
  const isUtf16 = (head[0] === 0xff && head[1] === 0xfe) || (head[0] === 0xfe && head[1] === 0xff);
  return !isUtf16 && head.includes(0);
}

/** A workbook by its first bytes, whatever it is called; anything else must be text. */
export async function readPriceBytes(bytes: ArrayBuffer, onProgress?: OnProgress): Promise<Read> {
  const all = new Uint8Array(bytes);
  if (all[0] === 0x50 && all[1] === 0x4b) return readXlsx(bytes, onProgress);
  return isNoText(all) ? refuse({ kind: 'price-file-damaged' }) : readCsv(decodeText(all), onProgress);
}
