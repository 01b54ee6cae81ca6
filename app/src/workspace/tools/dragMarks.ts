import { type Point, subtract } from '@zest/core/geometry/point';
import { put } from '@zest/core/job/change';
import type { Mark } from '@zest/core/job/records/mark';
import { tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { type Handle, type Strokes, moveHandle, moveStrokes } from './edit.ts';
import type { ToolContext } from './tool.ts';
import { t } from '../../messages/t.ts';

const isSame = (a: Strokes, b: Strokes): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The strokes of what is dragged, with the pointer at a place: of one mark by its handle, or of all that are selected. */
export function dragMarks({ state, set, marks, hideMarks }: ToolContext, at: Point): void {
  const { drag } = state();
  if (drag === undefined) return;
  const { handle, start } = drag;
  const selected = marks.selectedNow();
  const dragged = handle === undefined ? selected : selected.filter(({ id }) => id === handle.markId);
  const place = (strokes: Strokes): Strokes =>
    handle === undefined ? moveStrokes(strokes, subtract(at, start)) : moveHandle(strokes, handle, at);
  const moved = new Map(dragged.map(({ id, strokes }) => [id as string, place(strokes)]));
  if (drag.moved.size === 0) hideMarks([...moved.keys()]);
  set({ drag: { ...drag, moved } });
}

/** One drag is one step of undo. */
export function dropMarks({ stores, state, set, job, hideMarks }: ToolContext): void {
  const { drag } = state();
  set({ drag: undefined });
  if (drag === undefined) return;
  const { handle, moved } = drag;
  hideMarks([]);
  const changed = [...moved].flatMap(([id, strokes]) => {
    const mark = job().mark.get(id as Mark['id']);
    return mark === undefined || isSame(mark.strokes, strokes) ? [] : [{ ...mark, strokes }];
  });
  // Pressed only, or put back where it was: nothing changed, and there is nothing to undo.
  if (changed.length === 0) return set({ vertex: handle });
  const done = stores.jobs.actions.transact(labelOf(handle, changed.length), put(...changed));
  if (!done.ok) tellProblem(describeProblem(done.problem));
}

function labelOf(handle: Handle | undefined, count: number): string {
  if (handle === undefined) return t('workspace.move', { marks: t('count.mark', { count: count }) });
  return handle.middle ? t('workspace.insertAVertex') : t('workspace.moveAVertex');
}
