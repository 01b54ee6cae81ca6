import { SCHEDULE_COLUMN_LIMIT, type Schedule } from '../job/records/schedule.ts';

type Table = Pick<Schedule, 'columns' | 'rows'>;

const cellOf = (row: readonly string[], column: number): string => row[column]?.trim() ?? '';
const joined = (...texts: readonly string[]): string => texts.filter((each) => each !== '').join(' ');

/** A column and the one after it as one; the last column stays as it is. */
export function mergeColumns<T extends Table>(table: T, column: number): T {
  if (column < 0 || column + 1 >= table.columns.length) return table;
  const merge = (row: readonly string[]): readonly string[] => [
    ...Array.from({ length: column }, (_, i) => row[i] ?? ''),
    joined(cellOf(row, column), cellOf(row, column + 1)),
    ...row.slice(column + 2),
  ];
  return { ...table, columns: merge(table.columns), rows: table.rows.map(merge) };
}

/** A column as two: what stands before the first space, and the rest. A cell without a space stays in the first. */
export function splitColumn<T extends Table>(table: T, column: number): T {
  if (table.columns.length >= SCHEDULE_COLUMN_LIMIT || column < 0 || column >= table.columns.length)
    return table;
  const split = (row: readonly string[]): readonly string[] => {
    const text = cellOf(row, column);
    const at = text.indexOf(' ');
    const [first, rest] = at < 0 ? [text, ''] : [text.slice(0, at), text.slice(at + 1).trim()];
    return [...Array.from({ length: column }, (_, i) => row[i] ?? ''), first, rest, ...row.slice(column + 1)];
  };
  return { ...table, columns: split(table.columns), rows: table.rows.map(split) };
}
