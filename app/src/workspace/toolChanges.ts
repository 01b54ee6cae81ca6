import { useEffect } from 'react';
import type { Mark } from '@zest/core/job/records/mark';
import type { Stores } from '../stores/context.tsx';
import type { Tool } from '../stores/viewStore.ts';
import { scopeFor } from './drawing.ts';
import type { DrawnKind } from './tools/draw.ts';
import { useLatest } from './useLatest.ts';

/** What a tool draws point by point; undefined for those that do not. */
export const drawnKind = (tool: Tool): DrawnKind | undefined =>
  tool === 'run' || tool === 'area' || tool === 'slope' ? tool : undefined;

/** Another pen or another sheet: what was being drawn is kept as a mark, and the new pen gets its scope. */
export function useToolChanges(
  tool: Tool,
  sheetId: string,
  interrupt: (kind: DrawnKind) => void,
  clearTwo: () => void,
  stores: Stores,
): void {
  const act = useLatest({ interrupt, clearTwo });
  useEffect(() => {
    if (drawnKind(tool) !== undefined || tool === 'count') scopeFor(stores, tool as Mark['kind']);
    // The latest of each is wanted at the time of the change, hence read inside.
    const latest = act;
    return () => {
      const kind = drawnKind(tool);
      if (kind !== undefined) latest.current.interrupt(kind);
      latest.current.clearTwo();
      stores.view.setState({ part: undefined });
    };
  }, [tool, sheetId, stores, act]);
}
