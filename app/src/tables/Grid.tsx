import { useVirtualizer } from '@tanstack/react-virtual';
import {
  type ReactNode,
  startTransition,
  useCallback,
  useEffect,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { sameValue } from '@zest/core/job/sameValue';
import { CellEditor } from './CellEditor.tsx';
import { GridRow, RowDrag } from './GridRow.tsx';
import { type Held, cellId } from './RowCells.tsx';
import { type Block, type Cell, type Range, blockOf, moveCell } from './cells.ts';
import { keepContents } from './contents.ts';
import { createHandlers } from './gridKeys.ts';
import type { GridProps } from './gridProps.ts';
import { placeColumns, showColumn, stayClass } from './stay.ts';
import { styles } from './styles.ts';
import { layout } from '../theme/layout.ts';

const ROW_PX = 27;
/** The head stands above the rows in the same scroller. */
const HEAD_PX = 28;

/** A table that is worked like a spreadsheet: arrows, type to edit, blocks copied and pasted as TSV. */
export function Grid<Row>(props: GridProps<Row>) {
  const { label, rows, keyOf, classOf, onSelect, selectedKey } = props;
  const columns = useMemo(() => placeColumns(props.columns), [props.columns]);
  // Columns are made anew with the figures they read; what the rows are drawn by is not.
  const frame = useSame(columns.map(({ id, align, left, edge }) => ({ id, align, left, edge })));
  const [keep] = useState(keepContents);
  const scroller = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<Range>({ anchor: { row: 0, column: 0 }, focus: { row: 0, column: 0 } });
  const [editing, setEditing] = useState<
    { readonly first: string | undefined; readonly whole?: true } | undefined
  >();
  const [refusal, setRefusal] = useState<string | undefined>();
  const [held, setHeld] = useState<Held | undefined>();

  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
    scrollPaddingEnd: HEAD_PX,
  });
  const template = columns.map(({ width }) => width).join(' ');
  // Every row the same width, or a long text in one would push its figures out of line.
  const minWidth = columns.reduce((sum, { width }) => sum + Number(/\d+/.exec(width)?.[0] ?? 0), 0);
  const { focus } = at;
  const current = rows[focus.row];

  const selectedIndex = rows.findIndex((row) => keyOf(row) === selectedKey);
  // Before the next key: a row that was just added takes what is typed.
  useLayoutEffect(() => {
    if (selectedIndex < 0) return;
    setAt((from) =>
      from.focus.row === selectedIndex
        ? from
        : { anchor: { ...from.anchor, row: selectedIndex }, focus: { ...from.focus, row: selectedIndex } },
    );
    // What was gone to by hand or by keys is in sight already; to ask again would lay out the table twice.
    if (focus.row !== selectedIndex) virtual.scrollToIndex(selectedIndex);
    // Only when another thing is selected, or its row came just now; scrolling by hand must not be pulled back.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [selectedKey, selectedIndex < 0]);

  const { typing } = props;
  const typingRow = typing === undefined ? -1 : rows.findIndex((row) => keyOf(row) === typing.key);
  const typingColumn = columns.findIndex(({ id }) => id === typing?.column);
  useLayoutEffect(() => {
    if (typingRow < 0 || typingColumn < 0) return;
    const cell = { row: typingRow, column: typingColumn };
    setAt({ anchor: cell, focus: cell });
    virtual.scrollToIndex(typingRow);
    setEditing({ first: undefined, whole: true });
    // Once for each row that is added, when it has come; not again when rows above it come or go.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [typing, typingRow < 0, typingColumn < 0]);

  const block = blockOf(at);
  useEffect(() => {
    props.onBlock?.(rows.slice(block.top, block.bottom + 1));
    // Only when the block is another one; who listens may well make new rows.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [block.top, block.bottom]);

  const goTo = (cell: Cell, extend: boolean): void => {
    setAt((from) => ({ anchor: extend ? from.anchor : cell, focus: cell }));
    virtual.scrollToIndex(cell.row);
    if (scroller.current !== null) showColumn(scroller.current, cell.column);
    const row = rows[cell.row];
    if (row !== undefined && !extend) onSelect?.(row);
  };
  const stopEditing = (step?: Cell, taken?: string): void => {
    setEditing(undefined);
    if (taken !== undefined) {
      // Rows that follow a moment later must not show what was there before in between.
      setHeld({ ...focus, text: taken });
      startTransition(() => setHeld(undefined));
    }
    scroller.current?.focus({ preventScroll: true });
    if (step !== undefined) goTo(moveCell(focus, step, rows.length, columns.length), false);
  };
  /** An editor that is left because its block was filled has nothing more to give. */
  const filling = useRef(false);
  /** False when the text was refused and the editor stays. */
  const commit = (text: string, step: Cell): boolean => {
    if (filling.current) return true;
    const column = columns[focus.column];
    if (current === undefined || column === undefined) return true;
    const changed = text !== column.text(current);
    const refused = changed ? props.onEdit([{ row: current, column: column.id, text }]) : undefined;
    setRefusal(refused);
    if (refused !== undefined) return false;
    stopEditing(undefined, changed ? text : undefined);
    goTo(moveCell(focus, step, rows.length, columns.length), false);
    return true;
  };
  /** By keys, the first column is the beginning; a click on what stays moves nothing. */
  const goByKeys = (cell: Cell, extend: boolean): void => {
    setRefusal(undefined);
    goTo(cell, extend);
    if (cell.column === 0) scroller.current?.scrollTo({ left: 0 });
  };
  const edit = (first: string | undefined): void => setEditing({ first });
  const handlers = createHandlers({ props, at, setRefusal, goTo: goByKeys, edit });

  const drop = (moved: string, over: string, side: 'before' | 'after'): void => {
    const chosen = rows.slice(block.top, block.bottom + 1);
    const one = rows.find((row) => keyOf(row) === moved);
    const target = rows.find((row) => keyOf(row) === over);
    if (one === undefined || target === undefined) return;
    // A row of the selected block takes the whole block along.
    const moving = chosen.some((row) => keyOf(row) === moved) ? chosen : [one];
    props.onMove?.(moving, target, side);
  };
  // What a row is told stays the same function, so that only the rows that changed are drawn anew.
  const latest = useRef({
    onDown: (_cell: Cell, _shift: boolean): void => undefined,
    onOpen: (_row: Row, _column: number): void => undefined,
  });
  useEffect(() => {
    latest.current = {
      onDown: (cell, shift) => {
        if (editing !== undefined && cell.row === focus.row && cell.column === focus.column) return;
        stopEditing();
        setRefusal(undefined);
        goTo(cell, shift);
      },
      onOpen: (row, column) => {
        if (columns[column]?.editable?.(row) === true) setEditing({ first: undefined });
      },
    };
  });
  const onDown = useCallback((cell: Cell, shift: boolean) => latest.current.onDown(cell, shift), []);
  const onOpen = useCallback((row: Row, column: number) => latest.current.onOpen(row, column), []);
  const editorOf = (row: Row): ReactNode => {
    const column = columns[focus.column];
    if (column === undefined || editing === undefined) return undefined;
    return (
      props.editorOf?.(row, column.id, stopEditing, editing.first) ?? (
        <CellEditor
          label={column.title}
          text={editing.first ?? column.text(row)}
          whole={editing.whole === true}
          onCommit={commit}
          onCancel={() => {
            setRefusal(undefined);
            stopEditing();
          }}
        />
      )
    );
  };
  return (
    <RowDrag onDrop={props.onMove === undefined ? undefined : drop}>
      <div
        ref={scroller}
        className={styles.grid}
        role="grid"
        tabIndex={0}
        aria-label={label}
        aria-rowcount={rows.length}
        aria-activedescendant={current === undefined ? undefined : cellId(label, focus)}
        // Before the editor of the cell, whichever it is, takes Enter for the one cell.
        onKeyDownCapture={(event) => {
          const { target } = event;
          if (editing === undefined || event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return;
          if (!(target instanceof HTMLInputElement) || target.getAttribute('aria-expanded') === 'true')
            return;
          event.preventDefault();
          event.stopPropagation();
          if (!handlers.fillBlock(target.value)) return;
          filling.current = true;
          stopEditing();
          filling.current = false;
        }}
        onKeyDown={(event) => (editing === undefined ? handlers.onKeyDown(event) : undefined)}
        onScroll={({ currentTarget }) =>
          currentTarget.toggleAttribute('data-aside', currentTarget.scrollLeft > 0)
        }
        onCopy={handlers.onCopy}
        onPaste={handlers.onPaste}
      >
        <div className={styles.gridHead} role="row" style={{ gridTemplateColumns: template, minWidth }}>
          {columns.map((column) => (
            <div
              key={column.id}
              role="columnheader"
              className={`${styles.gridCell} ${column.align ?? 'left'} ${stayClass(column)}`}
              style={column.left === undefined ? undefined : { left: column.left }}
              title={column.hint}
            >
              {column.title}
            </div>
          ))}
        </div>
        <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative', minWidth }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const row = rows[index];
            if (row === undefined) return null;
            return (
              <GridRow
                key={keyOf(row)}
                id={keyOf(row)}
                className={`${classOf?.(row) ?? ''} ${index !== focus.row ? '' : editing === undefined ? 'on' : 'on editing'}`}
                movable={props.onMove !== undefined && props.isMovable?.(row) === true}
                template={template}
                start={start}
                row={row}
                index={index}
                frame={frame}
                contents={keep(
                  keyOf(row),
                  columns.map((column) => column.show(row)),
                )}
                label={label}
                at={index === focus.row ? focus.column : -1}
                from={inRows(block, index) ? block.left : -1}
                to={inRows(block, index) ? block.right : -2}
                editor={index === focus.row && editing !== undefined ? editorOf(row) : undefined}
                held={held !== undefined && held.row === index ? held : undefined}
                onDown={onDown}
                onOpen={onOpen}
              />
            );
          })}
        </div>
      </div>
      {refusal === undefined ? null : (
        <div className={`${layout.banner} bad`} role="alert">
          {refusal}
        </div>
      )}
    </RowDrag>
  );
}

/** The value of before for as long as it is the same. */
function useSame<Value>(value: Value): Value {
  const [same, setSame] = useState(value);
  if (sameValue(same, value)) return same;
  setSame(value);
  return value;
}

const inRows = ({ top, bottom }: Block, row: number): boolean => row >= top && row <= bottom;
