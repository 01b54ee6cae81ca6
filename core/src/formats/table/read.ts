import {
  TABLE_COLUMN_LIMIT,
  TABLE_ROW_LIMIT,
  type TableColumn,
  type TableRecord,
} from '../../job/records/lookupTable.ts';
import { keyFor } from '../../job/keyFor.ts';
import { type Result, accept, refuse } from '../../problem/result.ts';
import { findUnit } from '../../units/unit.ts';
import { readCell } from '../../assemblies/lookupTable.ts';

export type TableProblem =
  | { readonly kind: 'table-empty' }
  | {
      readonly kind: 'table-too-large';
      readonly of: 'rows' | 'columns';
      readonly count: number;
      readonly limit: number;
    };

/** A cell that is no figure in a column of figures; the row is counted as in the file. */
export interface TableNote {
  readonly row: number;
  readonly column: string;
  readonly text: string;
}

export interface ReadTable extends Pick<TableRecord, 'columns' | 'rows'> {
  readonly notes: readonly TableNote[];
}

const CELL_LIMIT = 200;

/** `Width (in)`, `Width, in` and `Width [in]` name a unit; `Width` does not. */
function readHeader(text: string): { readonly name: string; readonly unit: string } {
  const match = /^(.*?)[\s,]*[([]\s*([^)\]]+)\s*[)\]]\s*$/.exec(text) ?? /^(.*),\s*([^,]+)$/.exec(text);
  const unit = match?.[2]?.trim() ?? '';
  return match !== null && findUnit(unit) !== undefined
    ? { name: match[1]?.trim() ?? '', unit }
    : { name: text.trim(), unit: '' };
}

/** The first row names the columns with their units; the others are cells, kept as they are written. */
export function readTableCsv(cells: readonly (readonly string[])[]): Result<ReadTable, TableProblem> {
  const [header = [], ...body] = cells;
  if (body.length === 0 || header.length === 0) return refuse({ kind: 'table-empty' });
  if (header.length > TABLE_COLUMN_LIMIT)
    return refuse({
      kind: 'table-too-large',
      of: 'columns',
      count: header.length,
      limit: TABLE_COLUMN_LIMIT,
    });
  if (body.length > TABLE_ROW_LIMIT)
    return refuse({ kind: 'table-too-large', of: 'rows', count: body.length, limit: TABLE_ROW_LIMIT });
  const taken = new Set<string>();
  const columns = header.map((text, at): TableColumn => {
    const { name, unit } = readHeader(text);
    const key = keyFor(name, taken, 'column');
    taken.add(key);
    return { key, name: name.slice(0, 100) || `Column ${at + 1}`, unit };
  });
  const rows = body.map((row) => columns.map((_, at) => (row[at] ?? '').trim().slice(0, CELL_LIMIT)));
  return accept({ columns, rows, notes: findWords(columns, rows) });
}

/** Words in columns that hold figures mostly: a slip, and told. A column of words is a column of names. */
function findWords(
  columns: readonly TableColumn[],
  rows: readonly (readonly string[])[],
): readonly TableNote[] {
  return columns.flatMap((column, at) => {
    const filled = rows
      .map((cells, index) => ({ text: cells[at] ?? '', row: index + 2 }))
      .filter(({ text }) => text !== '');
    const words = filled.filter(({ text }) => readCell(text, column) === undefined);
    if (words.length * 2 > filled.length) return [];
    return words.map(({ text, row }) => ({ row, column: column.name, text }));
  });
}
