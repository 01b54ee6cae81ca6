import { type RefObject, useEffect, useLayoutEffect, useState } from 'react';
import { type Block, type Cell, type Range, blockOf } from './cells.ts';
import type { GridProps } from './gridProps.ts';
import { showColumn } from './stay.ts';

export interface Selection {
  readonly at: Range;
  readonly block: Block;
  readonly setAt: (to: Range) => void;
  readonly goTo: (cell: Cell, extend: boolean) => void;
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
  useEffect(() => {
    onBlock?.(rows.slice(block.top, block.bottom + 1));
    // Only when the block is another one; who listens may well make new rows.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [block.top, block.bottom]);
  const goTo = (cell: Cell, extend: boolean): void => {
    setAt((from) => ({ anchor: extend ? from.anchor : cell, focus: cell }));
    showRow(cell.row);
    if (scroller.current !== null) showColumn(scroller.current, cell.column);
    const row = rows[cell.row];
    if (row !== undefined && !extend) onSelect?.(row);
  };
  return { at, block, setAt, goTo };
}
