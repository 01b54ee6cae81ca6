import { type Virtualizer, useVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, type ReactNode, useCallback, useEffect, useRef } from 'react';
import { CellEditor } from './CellEditor.tsx';
import { GridFoot } from './GridFoot.tsx';
import { GridHead } from './GridHead.tsx';
import { GridRows } from './GridRows.tsx';
import { RowDrag } from './GridRow.tsx';
import { cellId } from './RowCells.tsx';
import type { Cell } from './cells.ts';
import { createHandlers } from './gridKeys.ts';
import type { GridProps } from './gridProps.ts';
import { pixelsOf } from './stay.ts';
import { styles } from './styles.ts';
import { typedIn } from './typedIn.ts';
import { type Editing, useEditing } from './useEditing.ts';
import { type GridTable, useGridTable } from './useGridTable.ts';
import { useKeepInSight } from './useKeepInSight.ts';
import { type Selection, selectedRows, useSelection } from './useSelection.ts';
import { layout } from '../theme/layout.ts';

const ROW_PX = 27;
/** The head stands above the rows in the same scroller. */
const HEAD_PX = 28;

/** A table that is worked like a spreadsheet: arrows, type to edit, blocks copied and pasted as TSV. */
export function Grid<Row>(given: GridProps<Row>) {
  const table = useGridTable(given);
  const props: GridProps<Row> = { ...given, rows: table.rows };
  const { label, rows } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
    scrollPaddingEnd: HEAD_PX,
  });
  const showRow = (index: number): void => virtual.scrollToIndex(index);
  const selection = useSelection(props, { scroller, showRow });
  const editor = useEditing(props, { scroller, showRow, selection });
  const { focus } = selection.at;
  useKeepInSight(virtual, { row: focus.row, rowPx: ROW_PX, headPx: HEAD_PX });
  const template = table.frame.map(({ width }) => width).join(' ');
  // Every row the same width, or a long text in one would push its figures out of line.
  const minWidth = table.frame.reduce((sum, { width }) => sum + leastOf(width), 0);
  const handlers = useHandlers({ props, table, selection, editor, scroller });
  return (
    <RowDrag onDrop={props.onMove === undefined ? undefined : dropOf(props, selection)}>
      <div
        ref={scroller}
        className={styles.grid}
        role="grid"
        tabIndex={0}
        aria-label={label}
        aria-rowcount={rows.length}
        aria-activedescendant={rows[focus.row] === undefined ? undefined : cellId(label, focus)}
        {...handlers}
        onScroll={({ currentTarget }) =>
          currentTarget.toggleAttribute('data-aside', currentTarget.scrollLeft > 0)
        }
      >
        <GridBody
          props={props}
          table={table}
          template={template}
          minWidth={minWidth}
          virtual={virtual}
          selection={selection}
          editor={editor}
        />
        <GridFoot props={props} frame={table.frame} template={template} minWidth={minWidth} />
      </div>
      {editor.refusal === undefined ? null : (
        <div className={`${layout.banner} bad`} role="alert">
          {editor.refusal}
        </div>
      )}
    </RowDrag>
  );
}

interface GridBodyProps<Row> {
  readonly props: GridProps<Row>;
  readonly table: GridTable<Row>;
  readonly template: string;
  readonly minWidth: number;
  readonly virtual: Virtualizer<HTMLDivElement, Element>;
  readonly selection: Selection;
  readonly editor: Editing;
}

/** The heads, and the rows that are in sight. */
function GridBody<Row>(given: GridBodyProps<Row>) {
  const { props, table, template, minWidth, virtual, selection, editor } = given;
  const hand = useHand(props, selection, editor);
  const { focus } = selection.at;
  return (
    <>
      <GridHead
        columns={props.columns}
        table={table}
        template={template}
        minWidth={minWidth}
        {...headOf(props)}
      />
      <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative', minWidth }}>
        <GridRows
          props={props}
          shown={virtual.getVirtualItems()}
          frame={table.frame}
          template={template}
          selection={selection}
          editing={editor.editing !== undefined}
          held={editor.held}
          editorOf={(row) => editorOf(props, row, focus, editor)}
          {...hand}
        />
      </div>
    </>
  );
}

const headOf = <Row,>({
  sorting,
  headKind,
}: GridProps<Row>): Pick<GridProps<Row>, 'sorting' | 'headKind'> => ({
  ...(sorting === undefined ? {} : { sorting }),
  ...(headKind === undefined ? {} : { headKind }),
});

const leastOf = (width: string): number => pixelsOf(width) ?? Number(/\d+/.exec(width)?.[0] ?? 0);

function editorOf<Row>(props: GridProps<Row>, row: Row, focus: Cell, editor: Editing): ReactNode {
  const column = props.columns[focus.column];
  if (column === undefined || editor.editing === undefined) return undefined;
  const { first, whole } = editor.editing;
  return (
    props.editorOf?.(row, column.id, editor.stop, first) ?? (
      <CellEditor
        label={column.title}
        text={first ?? column.text(row)}
        whole={whole === true}
        onCommit={editor.commit}
        onCancel={editor.cancel}
      />
    )
  );
}

/** A row of the selected block takes the whole block along. */
const dropOf =
  <Row,>({ rows, keyOf, onMove }: GridProps<Row>, { block, picked }: Selection) =>
  (moved: string, over: string, side: 'before' | 'after'): void => {
    const chosen = selectedRows(rows, keyOf, block, picked);
    const one = rows.find((row) => keyOf(row) === moved);
    const target = rows.find((row) => keyOf(row) === over);
    if (one === undefined || target === undefined) return;
    onMove?.(chosen.some((row) => keyOf(row) === moved) ? chosen : [one], target, side);
  };

interface HandlersContext<Row> {
  readonly props: GridProps<Row>;
  readonly table: GridTable<Row>;
  readonly selection: Selection;
  readonly editor: Editing;
  readonly scroller: React.RefObject<HTMLDivElement | null>;
}

/** What keys and the clipboard do on the table as a whole. */
function useHandlers<Row>({ props, table, selection, editor, scroller }: HandlersContext<Row>) {
  const { onKeyDown, onCopy, onPaste, fillBlock } = createHandlers({
    props,
    at: selection.at,
    picked: selection.picked,
    setRefusal: editor.setRefusal,
    edit: editor.edit,
    sort: table.sort,
    widen: (index, byPx) => {
      const head = scroller.current?.querySelector('.grid-head')?.children[index] as HTMLElement | undefined;
      const id = table.frame[index]?.id;
      if (head !== undefined && id !== undefined) table.resize(id, head.offsetWidth + byPx);
    },
    /** By keys, the first column is the beginning; a click on what stays moves nothing. */
    goTo: (cell, extend) => {
      editor.setRefusal(undefined);
      selection.goTo(cell, extend);
      if (cell.column === 0) scroller.current?.scrollTo({ left: 0 });
    },
  });
  return {
    onCopy,
    onPaste,
    onKeyDown: (event: KeyboardEvent) => (editor.editing === undefined ? onKeyDown(event) : undefined),
    // Before the editor of the cell, whichever it is, takes Enter for the one cell.
    onKeyDownCapture: (event: KeyboardEvent) => {
      const { target } = event;
      if (editor.editing === undefined || event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
      const typed = typedIn(target);
      if (typed === undefined || (target as Element).getAttribute('aria-expanded') === 'true') return;
      event.preventDefault();
      event.stopPropagation();
      editor.leaveFilled(() => fillBlock(typed));
    },
  };
}

/** What a row is told stays the same function, so that only the rows that changed are drawn anew. */
function useHand<Row>({ columns }: GridProps<Row>, { at, goTo, pick }: Selection, editor: Editing) {
  const { focus } = at;
  const latest = useRef({
    onDown: (_cell: Cell, _how: 'go' | 'extend' | 'add'): void => undefined,
    onOpen: (_row: Row, _column: number): void => undefined,
  });
  useEffect(() => {
    latest.current = {
      onDown: (cell, how) => {
        if (editor.editing !== undefined && cell.row === focus.row && cell.column === focus.column) return;
        editor.stop();
        editor.setRefusal(undefined);
        if (how === 'add') pick(cell);
        else goTo(cell, how === 'extend');
      },
      onOpen: (row, column) => {
        if (columns[column]?.editable?.(row) === true) editor.edit(undefined);
      },
    };
  });
  const onDown = useCallback(
    (cell: Cell, how: 'go' | 'extend' | 'add') => latest.current.onDown(cell, how),
    [],
  );
  const onOpen = useCallback((row: Row, column: number) => latest.current.onOpen(row, column), []);
  return { onDown, onOpen };
}
