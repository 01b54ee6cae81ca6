import type { Virtualizer } from '@tanstack/react-virtual';
import { useLayoutEffect, useRef } from 'react';
import { leavesSight } from './cells.ts';

/** The row in hand stays in sight when the room for the rows shrinks, as when something opens below them. */
export function useKeepInSight(
  virtual: Virtualizer<HTMLDivElement, Element>,
  { row, rowPx, headPx }: { readonly row: number; readonly rowPx: number; readonly headPx: number },
): void {
  const height = virtual.scrollRect?.height;
  const before = useRef(height);
  useLayoutEffect(() => {
    const had = before.current;
    before.current = height;
    if (had === undefined || height === undefined) return;
    const top = virtual.scrollOffset ?? 0;
    if (leavesSight({ start: row * rowPx, end: (row + 1) * rowPx + headPx }, top, had, height))
      virtual.scrollToIndex(row);
  }, [virtual, height, row, rowPx, headPx]);
}
