import type { ReactNode } from 'react';
import type { Arrangement } from './arrangement.ts';
import type { Cell } from './cells.ts';
import type { Pasted } from './paste.ts';

export interface GridColumn<Row> {
  readonly id: string;
  readonly title: string;
  readonly width: string;
  readonly align?: 'left' | 'right';
  /** More words on what stands there, on the head. */
  readonly hint?: string;
  readonly show: (row: Row) => ReactNode;
  /** Plain text: what is copied, and what editing begins with. */
  readonly text: (row: Row) => string;
  /** What the rows can be sorted by, where they can; it hangs on the row alone. */
  readonly sortBy?: (row: Row) => string | number;
  readonly editable?: (row: Row) => boolean;
  /** Stays in sight when a wide table is scrolled sideways, for the first columns. */
  readonly stays?: boolean;
}

export interface GridEdit<Row> {
  readonly row: Row;
  readonly column: string;
  readonly text: string;
}

export interface GridProps<Row> {
  readonly label: string;
  readonly columns: readonly GridColumn<Row>[];
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => string;
  /** Widths and order as a person chose them, and where they are kept; without it they go with the page. */
  readonly arrangement?: readonly [Arrangement, (next: Arrangement) => void];
  readonly classOf?: (row: Row) => string;
  /** Takes edits as one step; what it returns is what is wrong. */
  readonly onEdit: (edits: readonly GridEdit<Row>[]) => string | undefined;
  /** Takes a pasted block, from the row it was pasted on in the rows as shown; what it returns is what is wrong. */
  readonly onPaste?: (pasted: Pasted, from: Row | undefined, shown: readonly Row[]) => string | undefined;
  readonly onSelect?: (row: Row) => void;
  readonly onRemove?: (rows: readonly Row[]) => void;
  /** Told of the rows of the block that is selected. */
  readonly onBlock?: (rows: readonly Row[]) => void;
  readonly selectedKey?: string | undefined;
  /** A row that was just added, and the column of it that is typed into at once. */
  readonly typing?: { readonly key: string; readonly column: string } | undefined;
  /** Takes rows to before or after another, by hand or with Alt and the arrow keys. */
  readonly onMove?: (rows: readonly Row[], to: Row, side: 'before' | 'after') => void;
  readonly isMovable?: (row: Row) => boolean;
  /** Collapses or expands what stands inside a row, with Alt and the arrow sideways; true where it has an inside. */
  readonly onFold?: (row: Row, isFolded: boolean) => boolean;
  /** A last row that stays in sight, with the totals of the others; it is not among the rows. */
  readonly foot?: Row | undefined;
  /** Whoever gives the rows sorts them: told of a head that was pressed, and by what they are sorted now. */
  readonly sorting?: {
    readonly by: Readonly<Record<string, 'ascending' | 'descending'>>;
    readonly onSort: (column: string) => void;
  };
  /** Heads can be dragged to where they mean something, with this kind of data. */
  readonly headKind?: string;
  /** Shown in place of the plain editor where a column needs its own. */
  readonly editorOf?: (
    row: Row,
    column: string,
    done: (step?: Cell, taken?: string) => void,
    first: string | undefined,
  ) => ReactNode;
}
