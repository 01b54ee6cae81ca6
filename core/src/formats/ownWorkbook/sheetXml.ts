import { escapeXml } from '../report/escape.ts';
import { columnLetters, columnNumber } from '../workbook/columns.ts';

/** What is written into a cell. */
export type CellContent = number | string;

/** A place of a sheet, from 1. */
export interface CellPlace {
  readonly row: number;
  readonly column: number;
}

export const cellName = ({ row, column }: CellPlace): string => `${columnLetters(column)}${row}`;

const ENTITIES: Readonly<Record<string, string>> = { amp: '&', lt: '<', gt: '>', quot: '"', apos: "'" };

/** The text inside XML, without its tags. */
export const textOfXml = (xml: string): string =>
  xml
    .replace(/<rPh\b[\s\S]*?<\/rPh>/g, '')
    .replace(/<[^>]*>/g, '')
    .replace(
      /&(?:#(\d+)|#x([0-9a-fA-F]+)|(\w+));/g,
      (whole, decimal?: string, hex?: string, name?: string) => {
        if (decimal !== undefined) return String.fromCodePoint(Number(decimal));
        if (hex !== undefined) return String.fromCodePoint(parseInt(hex, 16));
        return ENTITIES[name ?? ''] ?? whole;
      },
    );

const ROW = /<row\b([^>]*?)(?:\/>|>([\s\S]*?)<\/row>)/g;
const CELL = /<c\b([^>]*?)(?:\/>|>([\s\S]*?)<\/c>)/g;

interface FoundCell {
  readonly head: string;
  readonly body: string;
}

/** The cells of a sheet by their name: what stands in them, and whether they calculate. */
export function cellsOf(xml: string, sharedTexts: readonly string[]) {
  const cells = new Map<string, FoundCell>();
  for (const [, , row = ''] of xml.matchAll(ROW))
    for (const [, head = '', body = ''] of row.matchAll(CELL)) {
      const name = /\br="([A-Z]+\d+)"/.exec(head)?.[1];
      if (name !== undefined) cells.set(name, { head, body });
    }
  return {
    calculates: (name: string): boolean => /<f[\s>/]/.test(cells.get(name)?.body ?? ''),
    textOf: (name: string): string => {
      const cell = cells.get(name);
      if (cell === undefined) return '';
      const kind = /\bt="(\w+)"/.exec(cell.head)?.[1];
      const value = /<v\b[^>]*>([\s\S]*?)<\/v>/.exec(cell.body)?.[1] ?? '';
      if (kind === 's') return sharedTexts[Number(value)] ?? '';
      return kind === 'inlineStr' ? textOfXml(cell.body) : textOfXml(value);
    },
  };
}

/** The sheet with cells filled; each keeps its style, and nothing else of the sheet is touched. */
export function fillCells(xml: string, contents: ReadonlyMap<string, CellContent>): string {
  const byRow = new Map<number, Map<number, CellContent>>();
  for (const [name, content] of contents) {
    const [, letters = 'A', digits = '1'] = /^([A-Z]+)(\d+)$/.exec(name) ?? [];
    const row = byRow.get(Number(digits)) ?? new Map<number, CellContent>();
    byRow.set(Number(digits), row.set(columnNumber(letters), content));
  }
  const filled = xml.replace(ROW, (whole, head: string, body: string | undefined) => {
    const number = Number(/\br="(\d+)"/.exec(head)?.[1] ?? 0);
    const row = byRow.get(number);
    if (row === undefined) return whole;
    byRow.delete(number);
    return `<row${head}>${fillRow(body ?? '', number, row)}</row>`;
  });
  return byRow.size === 0 ? filled : withNewRows(filled, byRow);
}

function fillRow(body: string, row: number, contents: ReadonlyMap<number, CellContent>): string {
  const left = new Map(contents);
  let filled = '';
  let at = 0;
  for (const match of body.matchAll(CELL)) {
    const [whole, head = ''] = match;
    const column = columnNumber(/\br="([A-Z]+)\d+"/.exec(head)?.[1] ?? 'A');
    filled += body.slice(at, match.index);
    at = match.index + whole.length;
    // Cells that were not there come before the first that stands behind them.
    for (const [own, content] of [...left].sort(([a], [b]) => a - b))
      if (own < column) {
        filled += cellXml({ row, column: own }, '', content);
        left.delete(own);
      }
    const content = left.get(column);
    left.delete(column);
    const style = /\bs="(\d+)"/.exec(head)?.[1];
    filled += content === undefined ? whole : cellXml({ row, column }, style ?? '', content);
  }
  const rest = [...left]
    .sort(([a], [b]) => a - b)
    .map(([column, content]) => cellXml({ row, column }, '', content));
  return filled + body.slice(at) + rest.join('');
}

function cellXml(place: CellPlace, style: string, content: CellContent): string {
  const head = `<c r="${cellName(place)}"${style === '' ? '' : ` s="${style}"`}`;
  return typeof content === 'number'
    ? `${head}><v>${content}</v></c>`
    : `${head} t="inlineStr"><is><t xml:space="preserve">${escapeXml(content)}</t></is></c>`;
}

/** Rows that were empty until now, each at its place. */
function withNewRows(xml: string, rows: ReadonlyMap<number, ReadonlyMap<number, CellContent>>): string {
  let filled = xml.replace(/<sheetData\s*\/>/, '<sheetData></sheetData>');
  for (const [number, contents] of [...rows].sort(([a], [b]) => a - b)) {
    const made = `<row r="${number}">${fillRow('', number, contents)}</row>`;
    let place = filled.indexOf('</sheetData>');
    for (const match of filled.matchAll(ROW))
      if (Number(/\br="(\d+)"/.exec(match[1] ?? '')?.[1] ?? 0) > number) {
        place = match.index;
        break;
      }
    filled = filled.slice(0, place) + made + filled.slice(place);
  }
  return filled;
}
