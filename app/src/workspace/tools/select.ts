import type { Point } from '@zest/core/geometry/point';
import type { Mark } from '@zest/core/job/records/mark';
import { caughtBy } from '../boxes.ts';
import { NUDGES } from '../markSelection.ts';
import { dragMarks, dropMarks } from './dragMarks.ts';
import { type Handle, findHandle, handlesOf } from './edit.ts';
import { type Gesture, MIDDLE_ROOM_PX, NEAR_PX, type ToolContext, type ToolModule } from './tool.ts';
import { t } from '../../messages/t.ts';

const handleAt = ({ marks, toSheetPt }: ToolContext, at: Point): Handle | undefined =>
  findHandle(
    marks.selectedNow().flatMap((mark) => handlesOf(mark, toSheetPt(MIDDLE_ROOM_PX))),
    at,
    toSheetPt(NEAR_PX),
  );

const markAt = ({ hits, marks, toSheetPt }: ToolContext, at: Point): Mark | undefined =>
  hits.find(at, toSheetPt(NEAR_PX), marks.shown);

/** Selects a mark, or nothing; with `add` beside what is selected, or out of it. */
function select({ stores: { jobs, view }, set }: ToolContext, mark: Mark | undefined, add: boolean): void {
  set({ vertex: undefined });
  if (mark === undefined) {
    if (!add) view.setState({ selectedMarks: new Set() });
    return;
  }
  view.setState(({ selectedMarks }) => {
    const next = new Set(add ? selectedMarks : []);
    if (add && selectedMarks.has(mark.id)) next.delete(mark.id);
    else next.add(mark.id);
    return { selectedMarks: next, penScope: mark.scopeId };
  });
  jobs.actions.select({ type: 'mark', id: mark.id });
}

/** Ctrl draws a loop, Shift on empty ground a box; what is selected is dragged, the rest is clicked. */
function press(context: ToolContext, { at, shift, ctrl }: Gesture): 'drag' | 'click' {
  const { set, stores, job } = context;
  if (ctrl) {
    set({ box: { from: at, to: at, lasso: [at] } });
    return 'drag';
  }
  const handle = handleAt(context, at);
  const hit = handle === undefined ? markAt(context, at) : job().mark.get(handle.markId);
  if (hit === undefined && shift) {
    set({ box: { from: at, to: at } });
    return 'drag';
  }
  const selected = hit !== undefined && stores.view.getState().selectedMarks.has(hit.id);
  if (!selected || hit.locked === true || shift) return 'click';
  set({ drag: { start: at, handle, moved: new Map() } });
  return 'drag';
}

function drag(context: ToolContext, at: Point): void {
  const { box } = context.state();
  if (box === undefined) return dragMarks(context, at);
  const { lasso, ...corners } = box;
  context.set({ box: { ...corners, to: at, ...(lasso === undefined ? {} : { lasso: [...lasso, at] }) } });
}

function drop(context: ToolContext): void {
  const { box } = context.state();
  if (box === undefined) return dropMarks(context);
  context.set({ box: undefined });
  context.marks.selectWhere(caughtBy(box));
}

function key(context: ToolContext, event: KeyboardEvent): boolean {
  if (event.type !== 'keydown') return false;
  const step = NUDGES[event.key];
  const far = event.shiftKey ? 10 : 1;
  if (step !== undefined) return context.marks.nudge(step[0] * far, step[1] * far);
  switch (event.key) {
    case 'Escape':
      context.set({ drag: undefined, box: undefined });
      context.hideMarks([]);
      select(context, undefined, false);
      context.stores.jobs.actions.select(undefined);
      return true;
    case 'Delete':
    case 'Backspace':
      context.marks.removeSelected();
      return true;
    default:
      return false;
  }
}

/** Selects marks, moves them and their corners, and catches several in a box or a loop. */
export const SELECT: ToolModule = {
  id: 'select',
  cursor: 'default',
  snaps: false,
  magnified: false,
  dock: { name: t('workspace.select') },
  action: { label: t('workspace.selectAndEditMarks'), key: 'V' },
  press,
  drag,
  drop,
  click: (context, { at, shift }) => select(context, markAt(context, at), shift),
  key,
};
