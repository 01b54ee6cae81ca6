import { type CSSProperties, type ReactNode, memo } from 'react';
import type { Cell } from './cells.ts';
import type { Contents } from './contents.ts';
import { stayClass } from './stay.ts';
import { styles } from './styles.ts';
import type { ColumnFrame } from './useGridTable.ts';

export const cellId = (label: string, { row, column }: Cell): string =>
  `${label.replace(/\W+/g, '-')}-${row}-${column}`;

/** What was typed into a cell, shown there until the rows say what it came to. */
export interface Held extends Cell {
  readonly text: string;
}

export interface RowCellsProps<Row> {
  readonly row: Row;
  readonly index: number;
  readonly frame: readonly ColumnFrame[];
  readonly contents: Contents;
  readonly label: string;
  /** The column that is current in this row; -1 for none. */
  readonly at: number;
  /** The columns that are selected in this row, from and to; none where from is beyond to. */
  readonly from: number;
  readonly to: number;
  /** In the place of the current cell while it is edited. */
  readonly editor: ReactNode;
  readonly held: Held | undefined;
  readonly onDown: (cell: Cell, how: 'go' | 'extend' | 'add') => void;
  readonly onOpen: (row: Row, column: number) => void;
}

const styleOf = (left: number | undefined, washed: boolean): CSSProperties | undefined =>
  left === undefined && !washed ? undefined : { left, ...(washed ? { background: 'var(--zest-wash)' } : {}) };

/** The cells of one row: drawn anew only when what they show or what is selected in it changed. */
export const RowCells = memo(function RowCells<Row>(props: RowCellsProps<Row>) {
  const { row, index, frame, contents, label, at, from, to, editor, held, onDown, onOpen } = props;
  return frame.map((column, columnIndex) => {
    const here = columnIndex === at;
    const selected = columnIndex >= from && columnIndex <= to;
    const cell = { row: index, column: columnIndex };
    return (
      <div
        key={column.id}
        id={cellId(label, cell)}
        role="gridcell"
        aria-selected={selected}
        className={`${styles.gridCell} ${column.align ?? 'left'} ${here ? 'current' : ''} ${stayClass(column)}`}
        style={styleOf(column.left, selected && !here)}
        onMouseDown={(event) =>
          onDown(cell, event.shiftKey ? 'extend' : event.ctrlKey || event.metaKey ? 'add' : 'go')
        }
        onDoubleClick={() => onOpen(row, columnIndex)}
      >
        {here && editor !== undefined
          ? editor
          : held?.column === columnIndex
            ? held.text
            : contents[columnIndex]}
      </div>
    );
  });
}) as <Row>(props: RowCellsProps<Row>) => ReactNode;
