import type { Block, Cell, Range } from './cells.ts';
import type { GridEdit, GridProps } from './gridProps.ts';

/** What keys and the clipboard work on, and how they tell what came of it. */
export interface HandlerContext<Row> {
  readonly props: GridProps<Row>;
  readonly at: Range;
  /** Rows picked one by one beside the block, by key. */
  readonly picked: ReadonlySet<string>;
  readonly setRefusal: (text: string | undefined) => void;
  readonly goTo: (cell: Cell, extend: boolean) => void;
  readonly edit: (first: string | undefined) => void;
  readonly sort: (column: string, desc: boolean) => void;
  readonly widen: (columnIndex: number, byPx: number) => void;
}

/** The context with what it says of the selected cells. */
export interface SelectedCells<Row> extends HandlerContext<Row> {
  readonly block: Block;
  readonly selectedRows: readonly Row[];
  /** Takes edits of cells that can be typed into, as one step. */
  readonly take: (edits: readonly GridEdit<Row>[]) => void;
}
