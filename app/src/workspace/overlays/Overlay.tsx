import { isPoints, isRing } from '@zest/core/job/markKinds';
import { useStore } from 'zustand';
import type { Point } from '@zest/core/geometry/point';
import type { SnapKind } from '@zest/core/geometry/snap';
import { type Vertex, flattenPath } from '@zest/core/geometry/path';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import { scaleAt } from '@zest/core/job/scaleAt';
import { placeOfSeat } from '@zest/core/takeoff/seat';
import { useStores } from '../../stores/context.tsx';
import { lookOf } from '../../look/scopeColors.ts';
import { type Camera, toScreen } from '../camera.ts';
import type { Desk } from '../desk.ts';
import { openingAt } from '../drawing.ts';
import { aim, currentStroke, piecesTo, ringTo } from '../tools/draw.ts';
import { type Strokes, handlesOf } from '../tools/edit.ts';
import { boxOf } from '../tools/forms.ts';
import { JunctionDots, ScaleAreas, TextHits } from './SheetSigns.tsx';
import { picksTwo } from '../tools/measureTwo.ts';
import type { Pens } from '../usePens.ts';

interface OverlayProps {
  readonly desk: Desk;
  readonly pens: Pens;
  readonly sheet: Sheet;
}

/** What is in hand: the selection with its handles, the drag, the pen's draft, the two points. */
export function Overlay({ desk, pens, sheet }: OverlayProps) {
  const camera = useStore(desk.store, (state) => state.camera);
  return (
    <svg className="overlay" aria-hidden="true">
      <ScaleAreas sheet={sheet} camera={camera} />
      <TextHits sheet={sheet} camera={camera} />
      <JunctionDots sheet={sheet} camera={camera} />
      {pens.selected.map((mark) => (
        <Selected
          key={mark.id}
          mark={mark}
          strokes={pens.drag?.moved.get(mark.id) ?? mark.strokes}
          camera={camera}
          pens={pens}
        />
      ))}
      <Draft pens={pens} camera={camera} />
      <OpeningGhost pens={pens} camera={camera} sheet={sheet} />
      <TwoPoints pens={pens} camera={camera} />
      {pens.snap === undefined ? null : (
        <SnapSign at={toScreen(camera, pens.snap.at)} kind={pens.snap.kind} held={pens.snapHeld} />
      )}
      {pens.box === undefined ? null : (
        <polygon
          points={write(camera, pens.box.lasso ?? boxOf(pens.box.from, pens.box.to), true)}
          fill="#F2B705"
          fillOpacity="0.1"
          stroke="#F2B705"
          strokeWidth="1.5"
        />
      )}
    </svg>
  );
}

/** Arcs are cut this fine on the screen's own scale. */
const ARC_PX = 0.3;

const write = (camera: Camera, path: readonly Vertex[], closed = false): string =>
  flattenPath(path, closed, ARC_PX / camera.scale)
    .map((at) => toScreen(camera, at))
    .map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`)
    .join(' ');

function Selected({
  mark,
  strokes,
  camera,
  pens,
}: {
  readonly mark: Mark;
  readonly strokes: Strokes;
  readonly camera: Camera;
  readonly pens: Pens;
}) {
  const handles = pens.tool === 'select' ? handlesOf({ ...mark, strokes }, 46 / camera.scale) : [];
  return (
    <g>
      {strokes.map((stroke, index) =>
        isPoints(mark.kind) ? null : isRing(mark.kind) ? (
          <polygon
            key={index}
            points={write(camera, stroke, true)}
            fill="#F2B705"
            fillOpacity="0.14"
            stroke="#F2B705"
            strokeWidth="4"
            strokeLinejoin="round"
          />
        ) : (
          <polyline
            key={index}
            points={write(camera, stroke)}
            fill="none"
            stroke="#F2B705"
            strokeWidth="5"
            strokeLinejoin="round"
          />
        ),
      )}
      {handles.map((handle) => {
        const { x, y } = toScreen(camera, handle.at);
        const active =
          pens.vertex !== undefined &&
          !pens.vertex.middle &&
          pens.vertex.markId === mark.id &&
          pens.vertex.stroke === handle.stroke &&
          pens.vertex.index === handle.index &&
          !handle.middle;
        const key = `${handle.stroke} ${handle.index} ${handle.middle}`;
        if (isPoints(mark.kind))
          return <circle key={key} cx={x} cy={y} r="11" fill="none" stroke="#F2B705" strokeWidth="3" />;
        return handle.middle ? (
          <circle key={key} cx={x} cy={y} r="3.5" fill="#F2B705" stroke="#18211C" strokeWidth="1" />
        ) : (
          <circle
            key={key}
            cx={x}
            cy={y}
            r={active ? 7 : 5.5}
            fill={active ? '#18211C' : '#FFFDF8'}
            stroke={active ? '#F2B705' : '#18211C'}
            strokeWidth="2"
          />
        );
      })}
    </g>
  );
}

function Draft({ pens, camera }: { readonly pens: Pens; readonly camera: Camera }) {
  const { draft, tool, scope } = pens;
  if (tool !== 'run' && tool !== 'area' && tool !== 'slope') return null;
  const color = lookOf(scope?.color ?? 0).color;
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
    </g>
  );
}

const SNAP_WORDS: Readonly<Record<SnapKind, string>> = {
  end: 'end',
  crossing: 'crossing',
  middle: 'middle',
  square: 'square to it',
  line: 'on the line',
};

interface SnapSignProps {
  readonly at: Point;
  readonly kind: SnapKind;
  readonly held: boolean;
}

/** Which place the point is drawn to, in a word: there is no code of shapes to learn. */
const SnapSign = ({ at: { x, y }, kind, held }: SnapSignProps) => (
  <g className="snap-sign">
    <circle cx={x} cy={y} r="8" fill="none" stroke="#1E4B39" strokeWidth="2" />
    <text x={x + 12} y={y - 9}>
      {SNAP_WORDS[kind]}
      {held ? ', held' : ''}
    </text>
  </g>
);

const Dot = ({ at: { x, y }, r }: { readonly at: Point; readonly r: number }) => (
  <circle cx={x} cy={y} r={r} fill="#FFFDF8" stroke="#18211C" strokeWidth="1.5" />
);

/** Where an opening would sit, as wide as it is. */
function OpeningGhost({
  pens,
  camera,
  sheet,
}: {
  readonly pens: Pens;
  readonly camera: Camera;
  readonly sheet: Sheet;
}) {
  const stores = useStores();
  const { pointer, tool } = pens;
  const host = tool === 'opening' && pointer !== undefined ? pens.hostAt(pointer) : undefined;
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

function TwoPoints({ pens: { two, tool }, camera }: { readonly pens: Pens; readonly camera: Camera }) {
  if (!picksTwo(tool)) return null;
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
