import Papa from 'papaparse';

export interface Cell {
  readonly row: number;
  readonly column: number;
}

/** From where a selection began to where it stands. */
export interface Range {
  readonly anchor: Cell;
  readonly focus: Cell;
}

export interface Block {
  readonly top: number;
  readonly bottom: number;
  readonly left: number;
  readonly right: number;
}

export const blockOf = ({ anchor, focus }: Range): Block => ({
  top: Math.min(anchor.row, focus.row),
  bottom: Math.max(anchor.row, focus.row),
  left: Math.min(anchor.column, focus.column),
  right: Math.max(anchor.column, focus.column),
});

/** A step that stays within the table. */
export const moveCell = (from: Cell, step: Cell, rows: number, columns: number): Cell => ({
  row: Math.max(0, Math.min(rows - 1, from.row + step.row)),
  column: Math.max(0, Math.min(columns - 1, from.column + step.column)),
});

export const writeTsv = (cells: readonly (readonly string[])[]): string =>
  Papa.unparse(cells as string[][], { delimiter: '\t', newline: '\n' });

export const parseTsv = (text: string): readonly (readonly string[])[] =>
  Papa.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' }).data;

/** Whether what was in sight is cut off when the room of `had` px from `top` on becomes one of `height` px. */
export const leavesSight = (
  { start, end }: { readonly start: number; readonly end: number },
  top: number,
  had: number,
  height: number,
): boolean => start >= top && end <= top + had && end > top + height;
