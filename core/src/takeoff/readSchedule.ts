import { SCHEDULE_COLUMN_LIMIT, SCHEDULE_ROW_LIMIT } from '../job/records/schedule.ts';
import type { Bounds } from '../geometry/bounds.ts';
import type { SheetText } from './pageText.ts';

/** A printed table as it was read: what may be wrong is corrected by the person. */
export interface ReadTable {
  readonly title: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

interface Interval {
  readonly from: number;
  readonly to: number;
}

/** Texts whose baselines lie within half a letter of each other stand in one row. */
function groupRows(texts: readonly SheetText[]): readonly (readonly SheetText[])[] {
  const rows: SheetText[][] = [];
  for (const text of [...texts].sort((a, b) => a.y - b.y)) {
    const row = rows.at(-1);
    const [first] = row ?? [];
    if (row !== undefined && first !== undefined && Math.abs(text.y - first.y) < first.height / 2)
      row.push(text);
    else rows.push([text]);
  }
  return rows;
}

/** Words of one cell stand closer than this, in letter heights; a gutter is wider. */
const WORD_GAP = 0.75;

interface Cell extends Interval {
  readonly text: string;
  readonly height: number;
  readonly y: number;
}

/** The cells of a row: words that stand close together are one. */
function cellsOf(row: readonly SheetText[]): readonly Cell[] {
  const cells: Cell[] = [];
  for (const { text, x, y, width, height } of [...row].sort((a, b) => a.x - b.x)) {
    const last = cells.at(-1);
    if (last !== undefined && x <= last.to + WORD_GAP * height)
      cells[cells.length - 1] = { ...last, to: x + width, text: `${last.text} ${text.trim()}` };
    else cells.push({ from: x, to: x + width, text: text.trim(), height, y });
  }
  return cells;
}

/**
 * Columns are where text stands, with an empty gutter between them. Rows that have as many cells as the head or nearly say
 * where; a long remark in another row may run over a gutter and closes none.
 */
function findColumns(rows: readonly (readonly Cell[])[]): readonly Interval[] {
  const most = Math.max(...rows.map((row) => row.length));
  const [head = []] = rows;
  const full = rows.filter((row) => row === head || row.length >= Math.max(2, 0.6 * most));
  const spans = full.flat().sort((a, b) => a.from - b.from);
  const columns: { from: number; to: number }[] = [];
  for (const { from, to, height } of spans) {
    const last = columns.at(-1);
    if (last !== undefined && from <= last.to + WORD_GAP * 0.5 * height) last.to = Math.max(last.to, to);
    else columns.push({ from, to });
  }
  // One cell that runs over a gutter must not make two columns one: the head knows how many there are.
  return columns.length >= head.length ? columns : head.map(({ from, to }) => ({ from, to }));
}

/** The column a cell stands in: the one it shares most with, or the nearest. */
function columnOf(columns: readonly Interval[], { from, to }: Cell): number {
  const shared = columns.map((column) => Math.min(to, column.to) - Math.max(from, column.from));
  return shared.indexOf(Math.max(...shared));
}

/** Rows whose text runs on in another line below: closer than this, in letter heights, with nothing under the first column. */
const RUNS_ON = 1.7;

/** The texts of each row by column; a line that only goes on with the row above is joined to it. */
function textsOf(
  rows: readonly (readonly Cell[])[],
  columns: readonly Interval[],
): readonly (readonly string[])[] {
  const texts: string[][] = [];
  let lastY = -Infinity;
  rows.forEach((row, at) => {
    const own = columns.map(() => '');
    for (const cell of row) {
      const column = columnOf(columns, cell);
      own[column] = [own[column], cell.text].filter((each) => each !== '').join(' ');
    }
    const [first] = row;
    const above = texts.at(-1);
    const goesOn =
      at > 1 &&
      above !== undefined &&
      own[0] === '' &&
      row.length <= 2 &&
      first !== undefined &&
      first.y - lastY < RUNS_ON * first.height;
    if (goesOn)
      texts[texts.length - 1] = above.map((text, i) =>
        [text, own[i] ?? ''].filter((each) => each !== '').join(' '),
      );
    else texts.push(own);
    lastY = first?.y ?? lastY;
  });
  return texts;
}

/**
 * Reads the texts inside a box as a table: the first row of more than one cell names the columns, a
 * lone text above it is the title. Empty when there is no text, as on a scan.
 */
export function readSchedule(texts: readonly SheetText[], box: Bounds): ReadTable {
  const inside = texts.filter(({ x, y, width }) => {
    const middle = x + width / 2;
    return middle >= box.minX && middle <= box.maxX && y >= box.minY && y <= box.maxY;
  });
  const all = groupRows(inside);
  const headAt = all.findIndex((row) => row.length > 1);
  if (headAt < 0) return { title: '', columns: [], rows: [] };
  const table = all.slice(headAt, headAt + 1 + SCHEDULE_ROW_LIMIT).map(cellsOf);
  const columns = findColumns(table).slice(0, SCHEDULE_COLUMN_LIMIT);
  const cells = textsOf(table, columns);
  const [head = [], ...rows] = cells;
  const title = all
    .slice(0, headAt)
    .flat()
    .map(({ text }) => text.trim())
    .join(' ');
  return { title, columns: head.map((name, i) => name || `Column ${i + 1}`), rows };
}
