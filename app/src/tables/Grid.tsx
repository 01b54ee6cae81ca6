import { useVirtualizer } from '@tanstack/react-virtual';
import { type ClipboardEvent, type KeyboardEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import { type Cell, type Range, blockOf, moveCell, parseTsv, writeTsv } from './cells.ts';

export interface GridColumn<Row> {
  readonly id: string;
  readonly title: string;
  readonly width: string;
  readonly align?: 'left' | 'right';
  readonly show: (row: Row) => ReactNode;
  /** Plain text: what is copied, and what editing begins with. */
  readonly text: (row: Row) => string;
  readonly editable?: (row: Row) => boolean;
}

export interface GridEdit<Row> {
  readonly row: Row;
  readonly column: string;
  readonly text: string;
}

interface GridProps<Row> {
  readonly label: string;
  readonly columns: readonly GridColumn<Row>[];
  readonly rows: readonly Row[];
  readonly keyOf: (row: Row) => string;
  readonly classOf?: (row: Row) => string;
  /** Takes edits as one step; what it returns is what is wrong. */
  readonly onEdit: (edits: readonly GridEdit<Row>[]) => string | undefined;
  readonly onSelect?: (row: Row) => void;
  readonly onRemove?: (rows: readonly Row[]) => void;
  /** Told of the rows of the block that is selected. */
  readonly onBlock?: (rows: readonly Row[]) => void;
  readonly selectedKey?: string | undefined;
  /** Shown in place of the plain editor where a column needs its own. */
  readonly editorOf?: (
    row: Row,
    column: string,
    done: (step?: Cell) => void,
    first: string | undefined,
  ) => ReactNode;
}

const ROW_PX = 27;

/** A table that is worked like a spreadsheet: arrows, type to edit, blocks copied and pasted as TSV. */
export function Grid<Row>(props: GridProps<Row>) {
  const { label, columns, rows, keyOf, classOf, onSelect, selectedKey } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<Range>({ anchor: { row: 0, column: 0 }, focus: { row: 0, column: 0 } });
  const [editing, setEditing] = useState<{ readonly first: string | undefined } | undefined>();
  const [refusal, setRefusal] = useState<string | undefined>();

  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
  });
  const template = columns.map(({ width }) => width).join(' ');
  // Every row the same width, or a long text in one would push its figures out of line.
  const minWidth = columns.reduce((sum, { width }) => sum + Number(/\d+/.exec(width)?.[0] ?? 0), 0);
  const { focus } = at;
  const current = rows[focus.row];

  const selectedIndex = rows.findIndex((row) => keyOf(row) === selectedKey);
  useEffect(() => {
    if (selectedIndex < 0) return;
    setAt((from) =>
      from.focus.row === selectedIndex
        ? from
        : { anchor: { ...from.anchor, row: selectedIndex }, focus: { ...from.focus, row: selectedIndex } },
    );
    virtual.scrollToIndex(selectedIndex);
    // Only when another thing is selected; scrolling by hand must not be pulled back.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [selectedKey]);

  const block = blockOf(at);
  useEffect(() => {
    props.onBlock?.(rows.slice(block.top, block.bottom + 1));
    // Only when the block is another one; who listens may well make new rows.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [block.top, block.bottom]);

  const goTo = (cell: Cell, extend: boolean): void => {
    setAt((from) => ({ anchor: extend ? from.anchor : cell, focus: cell }));
    virtual.scrollToIndex(cell.row);
    const row = rows[cell.row];
    if (row !== undefined && !extend) onSelect?.(row);
  };
  const stopEditing = (step?: Cell): void => {
    setEditing(undefined);
    scroller.current?.focus({ preventScroll: true });
    if (step !== undefined) goTo(moveCell(focus, step, rows.length, columns.length), false);
  };
  /** False when the text was refused and the editor stays. */
  const commit = (text: string, step: Cell): boolean => {
    const column = columns[focus.column];
    if (current === undefined || column === undefined) return true;
    const refused =
      text === column.text(current) ? undefined : props.onEdit([{ row: current, column: column.id, text }]);
    setRefusal(refused);
    if (refused !== undefined) return false;
    stopEditing();
    goTo(moveCell(focus, step, rows.length, columns.length), false);
    return true;
  };
  const handlers = createHandlers({ props, at, setRefusal, goTo, edit: (first) => setEditing({ first }) });

  return (
    <>
      <div
        ref={scroller}
        className="grid"
        role="grid"
        tabIndex={0}
        aria-label={label}
        aria-rowcount={rows.length}
        aria-activedescendant={current === undefined ? undefined : cellId(label, focus)}
        onKeyDown={(event) => (editing === undefined ? handlers.onKeyDown(event) : undefined)}
        onCopy={handlers.onCopy}
        onPaste={handlers.onPaste}
      >
        <div className="grid-head" role="row" style={{ gridTemplateColumns: template, minWidth }}>
          {columns.map(({ id, title, align }) => (
            <div key={id} role="columnheader" className={`grid-cell ${align ?? 'left'}`}>
              {title}
            </div>
          ))}
        </div>
        <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative', minWidth }}>
          {virtual.getVirtualItems().map(({ index, start }) => {
            const row = rows[index];
            if (row === undefined) return null;
            return (
              <div
                key={keyOf(row)}
                role="row"
                aria-rowindex={index + 1}
                className={`grid-row ${classOf?.(row) ?? ''} ${index === focus.row ? 'on' : ''}`}
                style={{ gridTemplateColumns: template, transform: `translateY(${start}px)`, top: 0 }}
              >
                {columns.map((column, columnIndex) => {
                  const here = index === focus.row && columnIndex === focus.column;
                  const cell = { row: index, column: columnIndex };
                  return (
                    <div
                      key={column.id}
                      id={cellId(label, cell)}
                      role="gridcell"
                      aria-selected={inside(at, cell)}
                      className={`grid-cell ${column.align ?? 'left'} ${here ? 'current' : ''}`}
                      style={inside(at, cell) && !here ? { background: 'var(--zest-wash)' } : undefined}
                      onMouseDown={(event) => {
                        if (editing !== undefined && here) return;
                        stopEditing();
                        setRefusal(undefined);
                        goTo(cell, event.shiftKey);
                      }}
                      onDoubleClick={() =>
                        column.editable?.(row) === true && setEditing({ first: undefined })
                      }
                    >
                      {here && editing !== undefined
                        ? (props.editorOf?.(row, column.id, stopEditing, editing.first) ?? (
                            <CellEditor
                              label={column.title}
                              text={editing.first ?? column.text(row)}
                              onCommit={commit}
                              onCancel={() => {
                                setRefusal(undefined);
                                stopEditing();
                              }}
                            />
                          ))
                        : column.show(row)}
                    </div>
                  );
                })}
              </div>
            );
          })}
        </div>
      </div>
      {refusal === undefined ? null : (
        <div className="banner bad" role="alert">
          {refusal}
        </div>
      )}
    </>
  );
}

const cellId = (label: string, { row, column }: Cell): string =>
  `${label.replace(/\W+/g, '-')}-${row}-${column}`;

function inside(range: Range, { row, column }: Cell): boolean {
  const block = blockOf(range);
  return row >= block.top && row <= block.bottom && column >= block.left && column <= block.right;
}

interface HandlerContext<Row> {
  readonly props: GridProps<Row>;
  readonly at: Range;
  readonly setRefusal: (text: string | undefined) => void;
  readonly goTo: (cell: Cell, extend: boolean) => void;
  readonly edit: (first: string | undefined) => void;
}

function createHandlers<Row>({ props, at, setRefusal, goTo, edit }: HandlerContext<Row>) {
  const { rows, columns } = props;
  const { focus } = at;
  const block = blockOf(at);
  const selectedRows = rows.slice(block.top, block.bottom + 1);
  const take = (edits: readonly GridEdit<Row>[]): void => {
    const allowed = edits.filter(
      ({ row, column }) => columns.find(({ id }) => id === column)?.editable?.(row) === true,
    );
    if (allowed.length > 0) setRefusal(props.onEdit(allowed));
  };
  const fillDown = (): void => {
    const source = rows[block.top];
    if (source === undefined) return;
    const across = columns.slice(block.left, block.right + 1);
    take(
      selectedRows
        .slice(1)
        .flatMap((row) => across.map((column) => ({ row, column: column.id, text: column.text(source) }))),
    );
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const step = STEPS[event.key];
    const column = columns[focus.column];
    const row = rows[focus.row];
    const editable = row !== undefined && column?.editable?.(row) === true;
    if (step !== undefined && !event.ctrlKey && !event.metaKey && !event.altKey)
      goTo(moveCell(focus, step, rows.length, columns.length), event.shiftKey);
    else if (event.key === 'Tab') {
      // At the last column the focus leaves the table, as it does everywhere else.
      const next = moveCell(focus, { row: 0, column: event.shiftKey ? -1 : 1 }, rows.length, columns.length);
      if (next.column === focus.column) return;
      goTo(next, false);
    } else if ((event.key === 'Enter' || event.key === 'F2') && editable) edit(undefined);
    else if (event.key === 'Delete' && props.onRemove !== undefined) props.onRemove(selectedRows);
    else if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'd') fillDown();
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey && editable)
      edit(event.key);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const onCopy = (event: ClipboardEvent): void => {
    if (event.target instanceof HTMLInputElement) return;
    const across = columns.slice(block.left, block.right + 1);
    event.clipboardData.setData(
      'text/plain',
      writeTsv(selectedRows.map((row) => across.map((column) => column.text(row)))),
    );
    event.preventDefault();
  };
  const onPaste = (event: ClipboardEvent): void => {
    if (event.target instanceof HTMLInputElement) return;
    const cells = parseTsv(event.clipboardData.getData('text/plain'));
    take(
      cells.flatMap((texts, down) =>
        texts.flatMap((text, along) => {
          const [row, column] = [rows[block.top + down], columns[block.left + along]];
          return row === undefined || column === undefined ? [] : [{ row, column: column.id, text }];
        }),
      ),
    );
    event.preventDefault();
  };
  return { onKeyDown, onCopy, onPaste };
}

const STEPS: Readonly<Record<string, Cell>> = {
  ArrowUp: { row: -1, column: 0 },
  ArrowDown: { row: 1, column: 0 },
  ArrowLeft: { row: 0, column: -1 },
  ArrowRight: { row: 0, column: 1 },
  PageUp: { row: -20, column: 0 },
  PageDown: { row: 20, column: 0 },
  Home: { row: 0, column: -1000 },
  End: { row: 0, column: 1000 },
};

interface CellEditorProps {
  readonly label: string;
  readonly text: string;
  /** Answers whether the text was taken. */
  readonly onCommit: (text: string, step: Cell) => boolean;
  readonly onCancel: () => void;
}

function CellEditor({ label, text, onCommit, onCancel }: CellEditorProps) {
  const [draft, setDraft] = useState(text);
  const input = useRef<HTMLInputElement>(null);
  const settled = useRef(false);
  useEffect(() => input.current?.focus(), []);
  const commit = (step: Cell): void => {
    // Taking the text moves the focus away, and leaving the field would take it a second time.
    settled.current = true;
    settled.current = onCommit(draft, step);
  };
  return (
    <input
      ref={input}
      aria-label={label}
      value={draft}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={() => {
        if (!settled.current) commit({ row: 0, column: 0 });
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') commit({ row: event.shiftKey ? -1 : 1, column: 0 });
        else if (event.key === 'Tab') commit({ row: 0, column: event.shiftKey ? -1 : 1 });
        else if (event.key === 'Escape') {
          settled.current = true;
          onCancel();
        } else return;
        event.preventDefault();
      }}
    />
  );
}
