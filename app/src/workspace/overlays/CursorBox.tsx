import type { CSSProperties } from 'react';
import type { Point } from '@zest/core/geometry/point';
import { useStore } from 'zustand';
import type { Scope } from '@zest/core/job/records/scope';
import type { Sheet } from '@zest/core/job/records/sheet';
import { scaleAt } from '@zest/core/job/scaleAt';
import { measureMark } from '@zest/core/takeoff/measureMark';
import { leadingMeasure } from '@zest/core/job/markKinds';
import { MEASURE_DIMENSION } from '@zest/core/job/measures';
import { LENGTH } from '@zest/core/units/dimension';
import { formatQuantity, joinFigure } from '@zest/core/units/format';
import { measureNode } from '@zest/core/calculate/graph/nodes';
import { knownValue } from '@zest/core/calculate/define';
import { useFormats, useOpenJob, useView } from '../../stores/context.tsx';
import { toScreen } from '../camera.ts';
import type { Viewport } from '../viewport.ts';
import { aim, currentStroke, isDrawnKind, piecesTo, ringTo } from '../tools/draw.ts';
import type { Session } from '../session.ts';
import { useSessionState } from '../useSession.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface CursorBoxProps {
  readonly viewport: Viewport;
  readonly session: Session;
  readonly sheet: Sheet;
}

/** The live figure at the pointer: this segment, the mark so far, and what the scope comes to. */
export function CursorBox({ viewport, session, sheet }: CursorBoxProps) {
  const camera = useStore(viewport.store, (state) => state.camera);
  const { display } = useFormats();
  const { figures, job } = useOpenJob();
  const draft = useSessionState(session, (state) => state.draft);
  const pointer = useSessionState(session, (state) => state.pointer);
  const tool = useView((state) => state.tool);
  const penScope = useView((state) => state.penScope);
  const scope = job.scope.get(penScope as Scope['id']);
  if (!isDrawnKind(tool) || pointer === undefined || draft.hover === undefined) return null;
  const stroke = currentStroke(draft);
  const from = stroke.at(-1);
  const place = besidePointer(viewport, toScreen(camera, draft.hover));
  if (from === undefined && draft.strokes.length === 0) return <InHand scope={scope} style={place} />;
  const next = aim(draft, draft.hover, draft.square);
  const ring = ringTo(draft, next);
  const ahead = piecesTo(draft, next);
  const strokes = [
    ...draft.strokes.slice(0, -1),
    ring ?? [...stroke, ...(ahead.length === 0 ? [next] : ahead)],
  ];
  // A slope has no pitch yet while it is drawn: its plan area is what can be told.
  const measure = tool === 'slope' ? 'area' : leadingMeasure(tool);
  const start = strokes[0]?.[0];
  const scale = start === undefined ? undefined : scaleAt(sheet, start);
  const soFar = measureMark({ kind: tool, strokes }, measure, scale);
  const before = scope === undefined ? undefined : knownValue(figures.figure(measureNode(scope.id, measure)));
  const write = (value: number | undefined, dimension = MEASURE_DIMENSION[measure]): string =>
    value === undefined ? t('workspace.noScale') : joinFigure(formatQuantity(value, dimension, display));
  const segment =
    from === undefined || scale === undefined
      ? undefined
      : measureMark(
          { kind: 'run', strokes: [[from, ...(ahead.length === 0 ? [next] : ahead)]] },
          'plan_length',
          scale,
        );
  return (
    <div className={styles.cursorBox} data-live={soFar ?? ''} style={place}>
      {from === undefined ? null : (
        <div>
          {draft.typed === '' ? <b>{write(segment, LENGTH)}</b> : <b className="typed">{draft.typed}▏</b>}{' '}
          <span>{draft.typed === '' ? t('workspace.thisPiece') : t('workspace.enterPlacesIt')}</span>
        </div>
      )}
      <span>{tool === 'run' ? t('workspace.run') : t('workspace.area')}</span>
      {write(soFar)}
      {scope === undefined ? null : (
        <>
          <span> {scope.name} </span>
          {write(soFar === undefined || before === undefined ? undefined : before + soFar)}
        </>
      )}
    </div>
  );
}

interface InHandProps {
  readonly scope: Scope | undefined;
  readonly style: CSSProperties;
}

/** What the pen measures, before anything is drawn. */
const InHand = ({ scope, style }: InHandProps) => (
  <div className={styles.cursorBox} style={style}>
    <span>{scope?.name ?? t('workspace.aNewScope')}</span>
  </div>
);

/** At the edges it stands on the other side of the pointer. */
function besidePointer(viewport: Viewport, at: Point): CSSProperties {
  const { screen } = viewport.store.getState();
  const isRight = at.x > screen.width - 270;
  const isLow = at.y > screen.height - 80;
  return {
    ...(isLow ? { bottom: screen.height - at.y + 18 } : { top: at.y + 18 }),
    ...(isRight ? { right: screen.width - at.x + 16 } : { left: at.x + 16 }),
  };
}
