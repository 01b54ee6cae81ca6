import type { Point } from '@zest/core/geometry/point';
import { tellProblem } from '../../parts/toaster.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { askScope, describeTyped, readTyped } from '../drawing.ts';
import { type DrawContext, type DrawEffect, type DrawEvent, type DrawnKind, drawPen } from './draw.ts';
import { onDrawKey } from './drawKeys.ts';
import { NEAR_PX, SAME_PX, type ToolContext, type ToolModule } from './tool.ts';
import { t } from '../../messages/t.ts';

/** What a pen is told: by its own gestures, and by the buttons of the dock. */
export function draw(context: ToolContext, kind: DrawnKind, event: DrawEvent): void {
  const before = context.state().draft;
  const drawn: DrawContext = {
    kind,
    nearPt: context.toSheetPt(NEAR_PX),
    twicePt: context.toSheetPt(SAME_PX),
    readTyped: (text: string, from: Point, toward: Point) =>
      readTyped(context.job(), context.sheet(), text, from, toward),
  };
  const { state, effects } = drawPen(before, event, drawn);
  context.set({ draft: state });
  for (const effect of effects) follow(context, kind, effect, before.typed);
}

function follow(context: ToolContext, kind: DrawnKind, effect: DrawEffect, typed: string): void {
  switch (effect.type) {
    case 'commit':
      return context.place.mark(kind, effect.strokes);
    case 'leave':
      return context.stores.view.setState({ tool: 'select' });
    case 'refuse':
      return tellProblem(describeRefusal(context, kind, effect.reason, typed));
  }
}

function describeRefusal(
  context: ToolContext,
  kind: DrawnKind,
  reason: (DrawEffect & { type: 'refuse' })['reason'],
  typed: string,
): string {
  if (reason === 'too-few-points')
    return describeProblem({ kind: 'too-few-points', kindOfMark: kind === 'run' ? 'run' : 'area' });
  return context.sheet().scale === null
    ? t('workspace.lengthsCanBeTypedOnceTheSheet')
    : describeTyped(context.job(), typed);
}

function makePen(id: DrawnKind, name: string, label: string, key: string): ToolModule {
  return {
    id,
    cursor: 'crosshair',
    snaps: true,
    magnified: true,
    dock: { name },
    action: { label, key },
    begin: ({ stores }) => askScope(stores, id),
    move: (context, { at, shift }) => draw(context, id, { type: 'move', at, square: shift }),
    click: (context, { at, shift, timeMs }) =>
      draw(context, id, { type: 'click', at, square: shift, timeMs }),
    key: (context, event) => {
      const { pointer, draft } = context.state();
      if (event.key === 'Shift' && pointer !== undefined) {
        draw(context, id, { type: 'move', at: pointer, square: event.type === 'keydown' });
        return true;
      }
      return event.type === 'keydown' && onDrawKey(event, draft, id, (drawing) => draw(context, id, drawing));
    },
    interrupt: (context) => draw(context, id, { type: 'interrupt' }),
  };
}

export const RUN = makePen('run', t('workspace.run2'), t('workspace.drawARun'), 'L');
export const AREA = makePen('area', t('workspace.area2'), t('workspace.drawAnArea'), 'A');
export const SLOPE = makePen('slope', t('workspace.roofSlope'), t('workspace.drawARoofSlope'), 'R');
