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

/** Columns are where text stands in any row; between them runs an empty gutter from top to bottom. */
function findColumns(rows: readonly (readonly SheetText[])[]): readonly Interval[] {
  const spans = rows
    .flat()
    .map(({ x, width, height }) => ({ from: x, to: x + width, height }))
    .sort((a, b) => a.from - b.from);
  const columns: { from: number; to: number }[] = [];
  for (const { from, to, height } of spans) {
    const last = columns.at(-1);
    if (last !== undefined && from <= last.to + WORD_GAP * height) last.to = Math.max(last.to, to);
    else columns.push({ from, to });
  }
  return columns;
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
  const table = all.slice(headAt, headAt + 1 + SCHEDULE_ROW_LIMIT);
  const columns = findColumns(table).slice(0, SCHEDULE_COLUMN_LIMIT);
  const cells = table.map((row) =>
    columns.map(({ from, to }) =>
      row
        .filter(({ x, width }) => x + width / 2 >= from && x + width / 2 <= to)
        .sort((a, b) => a.x - b.x)
        .map(({ text }) => text.trim())
        .join(' '),
    ),
  );
  const [head = [], ...rows] = cells;
  const title = all
    .slice(0, headAt)
    .flat()
    .map(({ text }) => text.trim())
    .join(' ');
  return { title, columns: head.map((name, i) => name || `Column ${i + 1}`), rows };
}
