import type { DraftStroke } from '../tools/draw.ts';
import { isPoints, isRing } from '@zest/core/job/markKinds';
import { useStore } from 'zustand';
import type { Point } from '@zest/core/geometry/point';
import type { SnapKind } from '@zest/core/geometry/snap';
import { type Vertex, flattenPath } from '@zest/core/geometry/path';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import { scaleAt } from '@zest/core/job/scaleAt';
import { placeOfSeat } from '@zest/core/takeoff/seat';
import type { Scope } from '@zest/core/job/records/scope';
import { useStores, useView } from '../../stores/context.tsx';
import { useRecord } from '../../stores/jobHooks.ts';
import { lookOf } from '../../theme/scopeColors.ts';
import { type Camera, toScreen } from '../camera.ts';
import type { Viewport } from '../viewport.ts';
import { openingAt } from '../drawing.ts';
import { aim, currentStroke, isDrawnKind, piecesTo, ringTo } from '../tools/draw.ts';
import { type Handle, type Strokes, handlesOf } from '../tools/edit.ts';
import { boxOf } from '../tools/forms.ts';
import { JunctionDots, ScaleAreas, TextHits } from './SheetSigns.tsx';
import { MIDDLE_ROOM_PX } from '../tools/tool.ts';
import type { Session } from '../session.ts';
import type { Snapper } from '../snapper.ts';
import { useSelectedMarks } from '../useSelectedMarks.ts';
import { useSessionState } from '../useSession.ts';
import { t } from '../../messages/t.ts';

interface OverlayProps {
  readonly viewport: Viewport;
  readonly session: Session;
  readonly snapper: Snapper;
  readonly sheet: Sheet;
}

/** What is going on at the sheet: the selection with its handles, the drag, what is being drawn, two points. */
export function Overlay({ viewport, session, snapper, sheet }: OverlayProps) {
  const camera = useStore(viewport.store, (state) => state.camera);
  return (
    <svg className="overlay" aria-hidden="true">
      <ScaleAreas sheet={sheet} camera={camera} />
      <TextHits sheet={sheet} camera={camera} />
      <JunctionDots sheet={sheet} camera={camera} />
      <Selection session={session} camera={camera} sheet={sheet} />
      <Draft session={session} camera={camera} />
      <OpeningGhost session={session} camera={camera} sheet={sheet} />
      <TwoPoints session={session} camera={camera} />
      <SnapSign session={session} camera={camera} snapper={snapper} />
      <BoxDrawn session={session} camera={camera} />
    </svg>
  );
}

interface DrawnProps {
  readonly session: Session;
  readonly camera: Camera;
}

function Selection({ session, camera, sheet }: DrawnProps & { readonly sheet: Sheet }) {
  const drag = useSessionState(session, (state) => state.drag);
  const vertex = useSessionState(session, (state) => state.vertex);
  const tool = useView((state) => state.tool);
  const marks = useSelectedMarks(useView((state) => state.selectedMarks));
  return marks
    .filter(({ sheetId }) => sheetId === sheet.id)
    .map((mark) => (
      <Selected
        key={mark.id}
        mark={mark}
        strokes={drag?.moved.get(mark.id) ?? mark.strokes}
        camera={camera}
        hasHandles={tool === 'select'}
        vertex={vertex}
      />
    ));
}

function BoxDrawn({ session, camera }: DrawnProps) {
  const box = useSessionState(session, (state) => state.box);
  if (box === undefined) return null;
  return (
    <polygon
      points={write(camera, box.lasso ?? boxOf(box.from, box.to), true)}
      fill="#F2B705"
      fillOpacity="0.1"
      stroke="#F2B705"
      strokeWidth="1.5"
    />
  );
}

/** Arcs are cut this fine on the screen's own scale. */
const ARC_PX = 0.3;

const write = (camera: Camera, path: readonly Vertex[], closed = false): string =>
  flattenPath(path, closed, ARC_PX / camera.scale)
    .map((at) => toScreen(camera, at))
    .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ');

interface SelectedProps {
  readonly mark: Mark;
  readonly strokes: Strokes;
  readonly camera: Camera;
  readonly hasHandles: boolean;
  readonly vertex: Handle | undefined;
}

function Selected({ mark, strokes, camera, hasHandles, vertex }: SelectedProps) {
  const handles = hasHandles ? handlesOf({ ...mark, strokes }, MIDDLE_ROOM_PX / camera.scale) : [];
  return (
    <g>
      {isPoints(mark.kind)
        ? null
        : strokes.map((stroke, index) => (
            <SelectedStroke key={index} points={write(camera, stroke, isRing(mark.kind))} kind={mark.kind} />
          ))}
      {handles.map((handle) => (
        <HandleDot
          key={`${handle.stroke} ${handle.index} ${handle.middle}`}
          handle={handle}
          at={toScreen(camera, handle.at)}
          active={isVertex(vertex, handle)}
          isPoint={isPoints(mark.kind)}
        />
      ))}
    </g>
  );
}

const SelectedStroke = ({ points, kind }: { readonly points: string; readonly kind: Mark['kind'] }) =>
  isRing(kind) ? (
    <polygon
      points={points}
      fill="#F2B705"
      fillOpacity="0.14"
      stroke="#F2B705"
      strokeWidth="4"
      strokeLinejoin="round"
    />
  ) : (
    <polyline points={points} fill="none" stroke="#F2B705" strokeWidth="5" strokeLinejoin="round" />
  );

/** True for the vertex that was clicked. */
const isVertex = (vertex: Handle | undefined, handle: Handle): boolean =>
  vertex !== undefined &&
  !vertex.middle &&
  !handle.middle &&
  vertex.markId === handle.markId &&
  vertex.stroke === handle.stroke &&
  vertex.index === handle.index;

interface HandleDotProps {
  readonly handle: Handle;
  readonly at: Point;
  readonly active: boolean;
  readonly isPoint: boolean;
}

function HandleDot({ handle, at: { x, y }, active, isPoint }: HandleDotProps) {
  if (isPoint) return <circle cx={x} cy={y} r="11" fill="none" stroke="#F2B705" strokeWidth="3" />;
  if (handle.middle) return <circle cx={x} cy={y} r="3.5" fill="#F2B705" stroke="#18211C" strokeWidth="1" />;
  return (
    <circle
      cx={x}
      cy={y}
      r={active ? 7 : 5.5}
      fill={active ? '#18211C' : '#FFFDF8'}
      stroke={active ? '#F2B705' : '#18211C'}
      strokeWidth="2"
    />
  );
}

interface CornersProps {
  readonly draft: { readonly strokes: readonly DraftStroke[] };
  readonly camera: Camera;
}

const Corners = ({ draft, camera }: CornersProps) => (
  <>
    {draft.strokes.flat().map((at, index) => {
      const { x, y } = toScreen(camera, at);
      return (
        <g key={index}>
          <Dot at={{ x, y }} r={4.5} />
          {at.riseM === undefined ? null : (
            <path d={`M${x} ${y - 7}v-12m-4 4l4-4 4 4`} fill="none" stroke="#18211C" strokeWidth="1.5" />
          )}
        </g>
      );
    })}
  </>
);

function Draft({ session, camera }: DrawnProps) {
  const draft = useSessionState(session, (state) => state.draft);
  const tool = useView((state) => state.tool);
  const penScope = useView((state) => state.penScope);
  const color = lookOf(useRecord(penScope as Scope['id'] | undefined)?.color ?? 0).color;
  if (!isDrawnKind(tool)) return null;
  const stroke = currentStroke(draft);
  const from = stroke.at(-1);
  const next = draft.hover === undefined ? undefined : aim(draft, draft.hover, draft.square);
  const ring = next === undefined ? undefined : ringTo(draft, next);
  const pieces = next === undefined ? [] : piecesTo(draft, next);
  // Until an arc's end is placed, its middle is aimed at along a straight line.
  const ahead = pieces.length === 0 && next !== undefined ? [next] : pieces;
  const closes = tool !== 'run' && ring === undefined && stroke.length >= 2;
  return (
    <g>
      {draft.strokes.map((points, index) => (
        <polyline
          key={index}
          points={write(camera, points)}
          fill={tool === 'run' ? 'none' : color}
          fillOpacity="0.12"
          stroke={color}
          strokeWidth="4"
          strokeLinejoin="round"
        />
      ))}
      {ring === undefined ? null : (
        <polygon
          points={write(camera, ring, true)}
          fill={color}
          fillOpacity="0.12"
          stroke="#F2B705"
          strokeWidth="3"
        />
      )}
      {from === undefined || ring !== undefined ? null : (
        <polyline points={write(camera, [from, ...ahead])} fill="none" stroke="#F2B705" strokeWidth="3" />
      )}
      {closes && next !== undefined ? (
        <polyline
          points={write(camera, [next, stroke[0] as Point])}
          fill="none"
          stroke="#F2B705"
          strokeWidth="1.5"
          strokeDasharray="5 4"
        />
      ) : null}
      {draft.bend === undefined ? null : <Dot at={toScreen(camera, draft.bend)} r={3.5} />}
      <Corners draft={draft} camera={camera} />
    </g>
  );
}

const SNAP_WORDS: Readonly<Record<SnapKind, string>> = {
  corner: t('workspace.snapCorner'),
  end: t('workspace.snapEnd'),
  crossing: t('workspace.snapCrossing'),
  meeting: t('workspace.snapMeeting'),
  middle: t('workspace.snapMiddle'),
  square: t('workspace.squareToIt'),
  line: t('workspace.onTheLine'),
};

/** Which place the point is drawn to, in a word: there is no code of shapes to learn. */
function SnapSign({ session, camera, snapper }: DrawnProps & { readonly snapper: Snapper }) {
  const snap = useSessionState(session, (state) => state.snap);
  const held = useStore(snapper.store, (state) => state.held !== undefined);
  if (snap === undefined) return null;
  const { x, y } = toScreen(camera, snap.at);
  return (
    <g className="snap-sign">
      <circle cx={x} cy={y} r="8" fill="none" stroke="#1E4B39" strokeWidth="2" />
      <text x={x + 12} y={y - 9}>
        {SNAP_WORDS[snap.kind]}
        {held ? t('workspace.held') : ''}
      </text>
    </g>
  );
}

const Dot = ({ at: { x, y }, r }: { readonly at: Point; readonly r: number }) => (
  <circle cx={x} cy={y} r={r} fill="#FFFDF8" stroke="#18211C" strokeWidth="1.5" />
);

/** Where an opening would sit, as wide as it is. */
function OpeningGhost({ session, camera, sheet }: DrawnProps & { readonly sheet: Sheet }) {
  const stores = useStores();
  const pointer = useSessionState(session, (state) => state.pointer);
  const tool = useView((state) => state.tool);
  const host = tool === 'opening' && pointer !== undefined ? session.hostAt(pointer) : undefined;
  const opening = host === undefined || pointer === undefined ? undefined : openingAt(stores, host, pointer);
  const place = host === undefined || opening === undefined ? undefined : placeOfSeat(host, opening.seat);
  const scale =
    host === undefined ? undefined : scaleAt(sheet, host.strokes[0]?.[0] ?? place?.at ?? { x: 0, y: 0 });
  if (opening === undefined || place === undefined || scale === undefined) return null;
  const { x, y } = toScreen(camera, place.at);
  const half = (opening.widthM / scale.xMetersPerPoint / 2) * camera.scale;
  return (
    <rect
      x={-half}
      y={-7}
      width={2 * half}
      height={14}
      fill="#FFFDF8"
      stroke="#F2B705"
      strokeWidth="2.5"
      transform={`translate(${x} ${y}) rotate(${(place.direction * 180) / Math.PI})`}
    />
  );
}

function TwoPoints({ session, camera }: DrawnProps) {
  const two = useSessionState(session, (state) => state.two);
  const end = two.b ?? two.hover;
  const points = [two.a, two.a === undefined ? undefined : end].filter((at) => at !== undefined);
  return (
    <g>
      {points.length === 2 ? (
        <polyline points={write(camera, points)} fill="none" stroke="#F2B705" strokeWidth="3" />
      ) : null}
      {points.map((at, index) => {
        const { x, y } = toScreen(camera, at);
        return (
          <path
            key={index}
            d={`M${x - 8} ${y}H${x + 8}M${x} ${y - 8}V${y + 8}`}
            stroke="#18211C"
            strokeWidth="1.5"
          />
        );
      })}
    </g>
  );
}
