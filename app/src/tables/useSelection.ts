import { type RefObject, useEffect, useLayoutEffect, useState } from 'react';
import { type Block, type Cell, type Range, blockOf } from './cells.ts';
import type { GridProps } from './gridProps.ts';
import { showColumn } from './stay.ts';

export interface Selection {
  readonly at: Range;
  readonly block: Block;
  readonly setAt: (to: Range) => void;
  readonly goTo: (cell: Cell, extend: boolean) => void;
  /** Rows that were picked one by one beside the block, by key. */
  readonly picked: ReadonlySet<string>;
  /** Adds a row to what is selected, or takes it out again. */
  readonly pick: (cell: Cell) => void;
}

interface Seen {
  readonly scroller: RefObject<HTMLDivElement | null>;
  readonly showRow: (index: number) => void;
}

/** Which cells are selected; it follows what the page has selected, and tells the page what is selected here. */
export function useSelection<Row>(props: GridProps<Row>, { scroller, showRow }: Seen): Selection {
  const { rows, keyOf, selectedKey, onSelect, onBlock } = props;
  const [at, setAt] = useState<Range>({ anchor: { row: 0, column: 0 }, focus: { row: 0, column: 0 } });
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
    if (at.focus.row !== selectedIndex) showRow(selectedIndex);
    // Only when another thing is selected, or its row came just now; scrolling by hand must not be pulled back.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [selectedKey, selectedIndex < 0]);
  const block = blockOf(at);
  const [picked, setPicked] = useState<ReadonlySet<string>>(NONE);
  useEffect(() => {
    onBlock?.(selectedRows(rows, keyOf, block, picked));
    // Only when the block is another one; who listens may well make new rows.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [block.top, block.bottom, picked]);
  const goTo = (cell: Cell, extend: boolean): void => {
    setAt((from) => ({ anchor: extend ? from.anchor : cell, focus: cell }));
    if (!extend) setPicked(NONE);
    showRow(cell.row);
    if (scroller.current !== null) showColumn(scroller.current, cell.column);
    const row = rows[cell.row];
    if (row !== undefined && !extend) onSelect?.(row);
  };
  const pick = (cell: Cell): void => {
    const row = rows[cell.row];
    if (row === undefined) return;
    const key = keyOf(row);
    const next = new Set(selectedRows(rows, keyOf, block, picked).map(keyOf));
    // What was picked before stays picked; the row that is clicked again goes out.
    if (next.has(key) && next.size > 1) {
      next.delete(key);
      const left = rows.findIndex((each) => next.has(keyOf(each)));
      setAt({ anchor: { ...cell, row: left }, focus: { ...cell, row: left } });
      const first = rows[left];
      if (first !== undefined) onSelect?.(first);
    } else {
      next.add(key);
      setAt({ anchor: cell, focus: cell });
      onSelect?.(row);
    }
    setPicked(next);
  };
  return { at, block, setAt, goTo, picked, pick };
}

const NONE: ReadonlySet<string> = new Set();

/** The rows of the block, and those that were picked beside it, in the order they are shown. */
export function selectedRows<Row>(
  rows: readonly Row[],
  keyOf: (row: Row) => string,
  { top, bottom }: Block,
  picked: ReadonlySet<string>,
): readonly Row[] {
  if (picked.size === 0) return rows.slice(top, bottom + 1);
  return rows.filter((row, at) => (at >= top && at <= bottom) || picked.has(keyOf(row)));
}
