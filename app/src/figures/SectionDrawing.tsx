import type { DrawnSection, DrawnShape } from '@zest/core/calculate/explain/drawSection';
import { LENGTH } from '@zest/core/units/dimension';
import { type Display, formatQuantity, joinFigure } from '@zest/core/units/format';
import { useFormats } from '../stores/context.tsx';
import { t } from '../messages/t.ts';
import { styles } from './styles.ts';

const WIDTH = 300;
const HEIGHT = 190;
const MARGIN = 34;

/** The section of an assembly to scale, with its overall sizes; it follows the answers. */
export function SectionDrawing({ drawn, label }: { readonly drawn: DrawnSection; readonly label: string }) {
  const { display } = useFormats();
  const { leftM, rightM, bottomM, topM } = drawn;
  const [spanX, spanY] = [Math.max(rightM - leftM, 1e-6), Math.max(topM - bottomM, 1e-6)];
  const scale = Math.min((WIDTH - 2 * MARGIN) / spanX, (HEIGHT - 2 * MARGIN) / spanY);
  const offset = (WIDTH - spanX * scale) / 2;
  const x = (m: number): number => offset + (m - leftM) * scale;
  const y = (m: number): number => MARGIN + (topM - m) * scale;
  return (
    <svg
      className={styles.sectionDrawing}
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={t('common.sectionOfWideAndHigh', {
        label,
        spanX: size(spanX, display),
        spanY: size(spanY, display),
      })}
    >
      <defs>
        <pattern id="fill-concrete" width="9" height="9" patternUnits="userSpaceOnUse">
          <circle cx="2" cy="2" r="0.8" className="grain" />
          <path d="M5 6 l2 -1.4 l0.6 2 z" className="grain-line" />
        </pattern>
        <pattern id="fill-stone" width="10" height="8" patternUnits="userSpaceOnUse">
          <ellipse cx="3" cy="3" rx="2.4" ry="1.7" className="grain-line" />
          <ellipse cx="8" cy="6.4" rx="1.8" ry="1.3" className="grain-line" />
        </pattern>
        <pattern id="fill-sand" width="6" height="6" patternUnits="userSpaceOnUse">
          <circle cx="1.5" cy="1.5" r="0.6" className="grain" />
          <circle cx="4.5" cy="4" r="0.6" className="grain" />
        </pattern>
        <pattern id="fill-ground" width="8" height="8" patternUnits="userSpaceOnUse">
          <path d="M0 8 L8 0" className="grain-line" />
        </pattern>
        <pattern id="fill-wood" width="12" height="5" patternUnits="userSpaceOnUse">
          <path d="M0 2.5 q3 -1.5 6 0 t6 0" className="grain-line" />
        </pattern>
      </defs>
      {drawn.shapes.map((shape, index) => (
        <g key={index} className={`section-${shape.fill}`}>
          <Shape shape={shape} x={x} y={y} scale={scale} />
        </g>
      ))}
      {drawn.shapes.map((shape, index) =>
        shape.label === '' ? null : (
          <text key={index} x={labelX(shape, x)} y={labelY(shape, y)} className="section-label">
            {shape.label}
          </text>
        ),
      )}
      <Sized from={[x(leftM), HEIGHT - 12]} to={[x(rightM), HEIGHT - 12]} text={size(spanX, display)} />
      <Sized from={[14, y(bottomM)]} to={[14, y(topM)]} text={size(spanY, display)} />
    </svg>
  );
}

const size = (lengthM: number, display: Display): string =>
  joinFigure(formatQuantity(lengthM, LENGTH, display));

const labelX = (shape: DrawnShape, x: (m: number) => number): number =>
  shape.shape === 'box' ? x(shape.xM + shape.widthM / 2) : x(shape.xM);
const labelY = (shape: DrawnShape, y: (m: number) => number): number =>
  (shape.shape === 'box' ? y(shape.yM + shape.heightM / 2) : y(shape.yM)) + 4;

interface ShapeProps {
  readonly shape: DrawnShape;
  readonly x: (m: number) => number;
  readonly y: (m: number) => number;
  readonly scale: number;
}

function Shape({ shape, x, y, scale }: ShapeProps) {
  const { xM, yM } = shape;
  if (shape.shape === 'ring')
    return (
      <>
        <circle cx={x(xM)} cy={y(yM)} r={(shape.outerM / 2) * scale} className="ring-outer" />
        <circle cx={x(xM)} cy={y(yM)} r={(shape.innerM / 2) * scale} className="ring-inner" />
      </>
    );
  if (shape.shape === 'line') return <line x1={x(xM)} y1={y(yM)} x2={x(shape.toXM)} y2={y(shape.toYM)} />;
  const { widthM, heightM, flareM } = shape;
  const corners = [
    [xM, yM],
    [xM + widthM, yM],
    [xM + widthM + flareM, yM + heightM],
    [xM - flareM, yM + heightM],
  ] as const;
  return <polygon points={corners.map(([px, py]) => `${x(px)},${y(py)}`).join(' ')} />;
}

interface SizedProps {
  readonly from: readonly [number, number];
  readonly to: readonly [number, number];
  readonly text: string;
}

/** A dimension line with ticks at its ends. */
function Sized({ from: [x1, y1], to: [x2, y2], text }: SizedProps) {
  const upright = x1 === x2;
  const [midX, midY] = [(x1 + x2) / 2, (y1 + y2) / 2];
  const tick = upright ? [4, 0] : [0, 4];
  const [dx = 0, dy = 0] = tick;
  return (
    <g className="section-size">
      <line x1={x1} y1={y1} x2={x2} y2={y2} />
      <line x1={x1 - dx} y1={y1 - dy} x2={x1 + dx} y2={y1 + dy} />
      <line x1={x2 - dx} y1={y2 - dy} x2={x2 + dx} y2={y2 + dy} />
      <text
        x={midX}
        y={midY - 3}
        transform={upright ? `rotate(-90 ${midX} ${midY}) translate(0 ${-2})` : undefined}
      >
        {text}
      </text>
    </g>
  );
}
