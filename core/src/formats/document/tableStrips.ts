import type { Flow, Strip } from '../../reports/pages/flow.ts';
import { type PageItem, type TextLook, wrapText } from '../../reports/pages/page.ts';
import type { PrintedRow, PrintedTable } from './printed.ts';
import type { DocumentFrame } from './strips.ts';

const GAP = 12;
const INDENT = 12;
/** As wide as the number of any page. */
const PAGE_ROOM = '0000';
/** What the column of words keeps of the width, however many figures stand beside it. */
const LEAST_WIDE = 0.32;

interface Column {
  readonly x: number;
  readonly width: number;
}

/** A table over the whole width; its heads are repeated on every page. */
export function tableFlow(frame: DocumentFrame, table: PrintedTable): Flow {
  const laid = fitted(frame, table);
  const columns = columnsOf(laid, table);
  const heads: PrintedRow = {
    cells: table.columns.map(({ heading }) => ({ text: heading })),
    look: 'bold',
    indent: 0,
  };
  const strips = table.rows.map((row, at) => ({
    ...rowStrip(laid, table, columns, row),
    // A bold row is over those that stand under it, and the total does not stand on a page of its own.
    keepsNext:
      (table.staysTogether === true && at < table.rows.length - 1) ||
      (table.rows[at + 1]?.indent ?? 0) > row.indent ||
      table.rows[at + 1]?.look === 'total',
  }));
  if (!table.hasHead) return { strips };
  return { heading: { ...rowStrip(laid, table, columns, heads), keepsNext: true }, strips };
}

/** As wide as its widest text; figures are never broken. */
const widthOfColumn = (
  { measure, size }: DocumentFrame,
  { columns, rows, hasHead }: PrintedTable,
  at: number,
): number =>
  Math.max(
    hasHead ? wordWidth(measure, columns[at]?.heading ?? '') * size : 0,
    ...rows.map(({ cells, look }) => {
      const { text: written = '', pageOf } = cells[at] ?? {};
      const text = pageOf === undefined ? written : PAGE_ROOM;
      const own = look === 'total' ? size * 1.15 : size;
      return measure(text, look === 'bold' || look === 'total') * own;
    }),
  );

/** A heading may be broken between its words. */
const wordWidth = (measure: DocumentFrame['measure'], heading: string): number =>
  Math.max(0, ...heading.split(' ').map((word) => measure(word, true)));

/** The frame with letters small enough that all figures fit beside the words. */
function fitted(frame: DocumentFrame, table: PrintedTable): DocumentFrame {
  const needed = table.columns.reduce(
    (sum, { isWide }, at) => sum + (isWide ? 0 : widthOfColumn(frame, table, at) + GAP),
    0,
  );
  const room = frame.widthBetween * (1 - LEAST_WIDE);
  if (needed <= room) return frame;
  const scale = room / needed;
  return { ...frame, size: frame.size * scale, lineHeight: frame.lineHeight * scale };
}

function columnsOf(frame: DocumentFrame, table: PrintedTable): readonly Column[] {
  const own = table.columns.map(({ isWide }, at) => (isWide ? 0 : widthOfColumn(frame, table, at)));
  const gaps = GAP * (table.columns.length - 1);
  const rest = frame.widthBetween - own.reduce((sum, width) => sum + width, 0) - gaps;
  let x = frame.margin;
  return table.columns.map(({ isWide }, at) => {
    const width = isWide ? Math.max(40, rest) : (own[at] ?? 0);
    const column = { x, width };
    x += width + GAP;
    return column;
  });
}

const LOOKS: Readonly<Record<PrintedRow['look'], TextLook>> = {
  plain: 'plain',
  bold: 'bold',
  soft: 'soft',
  total: 'bold',
};

function rowStrip(
  frame: DocumentFrame,
  table: PrintedTable,
  columns: readonly Column[],
  { cells, look, indent }: PrintedRow,
): Strip {
  const { margin, widthBetween, measure } = frame;
  const size = look === 'total' ? frame.size * 1.15 : frame.size;
  const isBold = look === 'bold' || look === 'total';
  const lines = cells.map(({ text, pageOf }, at) => {
    if (pageOf !== undefined) return [PAGE_ROOM];
    const { width = 0 } = columns[at] ?? {};
    const isWide = table.columns[at]?.isWide === true;
    return wrapText(text, width - (isWide ? indent * INDENT : 0) + 0.01, size, isBold, measure);
  });
  const tall = Math.max(1, ...lines.map(({ length }) => length));
  const lineHeight = (size / frame.size) * frame.lineHeight;
  const height = tall * lineHeight + frame.size * 0.45;
  const draw = (top: number): readonly PageItem[] => [
    ...(look === 'total'
      ? [{ kind: 'rule' as const, x: margin, y: top, width: widthBetween, heavy: true }]
      : []),
    ...lines.flatMap((texts, at) => {
      const { x = 0, width = 0 } = columns[at] ?? {};
      const { align = 'left', isWide = false } = table.columns[at] ?? {};
      return texts.map((text, line): PageItem => ({
        kind: 'text',
        x: align === 'right' ? x + width - measure(text, isBold) * size : x + (isWide ? indent * INDENT : 0),
        y: top + line * lineHeight + lineHeight * 0.9,
        text,
        size,
        look: LOOKS[look],
        ...(cells[at]?.pageOf === undefined ? {} : { pageOf: cells[at].pageOf }),
      }));
    }),
    ...cells.flatMap(({ link }, at): readonly PageItem[] => {
      const { x = 0, width = 0 } = columns[at] ?? {};
      return link === undefined ? [] : [{ kind: 'link', x, y: top, width, height, to: link }];
    }),
    { kind: 'rule', x: margin, y: top + height, width: widthBetween, heavy: false },
  ];
  return { height, keepsNext: false, startsPage: false, draw };
}
