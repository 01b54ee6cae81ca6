import { type Bounds, boundsHold, boundsOf } from '@zest/core/geometry/bounds';
import type { Point } from '@zest/core/geometry/point';
import { ringContains } from '@zest/core/geometry/polygon';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { Stores } from '../stores/context.tsx';
import type { Tool } from '../stores/viewStore.ts';
import { openSchedule } from './openSchedule.ts';
import { cropToBox } from './straighten.ts';

/** The box, or the loop drawn by hand, that marks are being caught in. */
export interface Box {
  readonly from: Point;
  readonly to: Point;
  readonly lasso?: readonly Point[];
}

/** Tools that begin with a box dragged on the sheet. */
export type BoxTool = Extract<Tool, 'schedule' | 'crop' | 'part'>;

/** What a box or a loop catches: marks that lie in it whole. */
export function caughtBy({ from, to, lasso }: Box): (mark: Mark) => boolean {
  if (lasso !== undefined)
    return (mark) => lasso.length > 2 && mark.strokes.flat().every((at) => ringContains(lasso, at));
  const area = boundsOf([from, to]);
  return (mark) => boundsHold(area, boundsOf(mark.strokes.flat()));
}

/** Does what the box was drawn for. */
export function finishBox(stores: Stores, tool: BoxTool, sheet: Sheet, box: Bounds): void {
  if (tool === 'schedule') void openSchedule(stores, sheet, box);
  else if (tool === 'crop') cropToBox(stores, sheet, box);
  else stores.view.setState({ part: box });
}
