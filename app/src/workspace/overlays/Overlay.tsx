import { useStore } from 'zustand';
import type { Point } from '@zest/core/geometry/point';
import type { Mark } from '@zest/core/job/records/mark';
import { lookOf } from '../../look/scopeColors.ts';
import { type Camera, toScreen } from '../camera.ts';
import type { Desk } from '../desk.ts';
import { aim, currentStroke } from '../tools/draw.ts';
import { type Strokes, handlesOf } from '../tools/edit.ts';
import type { Pens } from '../usePens.ts';

/** What is in hand: the selection with its handles, the drag, the pen's draft, the two points. */
export function Overlay({ desk, pens }: { readonly desk: Desk; readonly pens: Pens }) {
  const camera = useStore(desk.store, (state) => state.camera);
  return (
    <svg className="overlay" aria-hidden="true">
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
      <TwoPoints pens={pens} camera={camera} />
    </svg>
  );
}

const write = (camera: Camera, points: readonly Point[]): string =>
  points
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
        mark.kind === 'count' ? null : mark.kind === 'area' ? (
          <polygon
            key={index}
            points={write(camera, stroke)}
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
        if (mark.kind === 'count')
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
  if (tool !== 'run' && tool !== 'area') return null;
  const color = lookOf(scope?.color ?? 0).color;
  const stroke = currentStroke(draft);
  const from = stroke.at(-1);
  const next = draft.hover === undefined ? undefined : aim(draft, draft.hover, draft.square);
  return (
    <g>
      {draft.strokes.map((points, index) => (
        <polyline
          key={index}
          points={write(camera, points)}
          fill={tool === 'area' ? color : 'none'}
          fillOpacity="0.12"
          stroke={color}
          strokeWidth="4"
          strokeLinejoin="round"
        />
      ))}
      {from === undefined || next === undefined ? null : (
        <polyline points={write(camera, [from, next])} fill="none" stroke="#F2B705" strokeWidth="3" />
      )}
      {tool === 'area' && stroke.length >= 2 && next !== undefined ? (
        <polyline
          points={write(camera, [next, stroke[0] as Point])}
          fill="none"
          stroke="#F2B705"
          strokeWidth="1.5"
          strokeDasharray="5 4"
        />
      ) : null}
      {draft.strokes.flat().map((at, index) => {
        const { x, y } = toScreen(camera, at);
        return <circle key={index} cx={x} cy={y} r="4.5" fill="#FFFDF8" stroke="#18211C" strokeWidth="1.5" />;
      })}
    </g>
  );
}

function TwoPoints({ pens: { two, tool }, camera }: { readonly pens: Pens; readonly camera: Camera }) {
  if (tool !== 'scale' && tool !== 'check') return null;
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
