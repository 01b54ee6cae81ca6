import { MM, type Spot } from './plan.ts';
import type { Content, WallStyle } from './walls.ts';

const WIDE = 46 * MM;
const DEEP = 26 * MM;
/** Cubic that stands for a quarter circle. */
const QUARTER = 0.5523;

/** Half a circle from a to b about the middle between them, bulging up, as two cubics. */
function halfCircle(cx: number, cy: number, r: number): Content {
  const k = QUARTER * r;
  const c = (...values: readonly number[]): Content => `${values.map((each) => each.toFixed(3)).join(' ')} c`;
  return `${c(cx - r, cy - k, cx - k, cy - r, cx, cy - r)} ${c(cx + k, cy - r, cx + r, cy - k, cx + r, cy)}`;
}

/** A U of straight walls closed by half a circle, its center line `off` to the outside. */
function outlineOf([x, y]: Spot, off: number): Content {
  const [left, right, foot] = [x - off, x + WIDE + off, y + DEEP + off];
  const radius = WIDE / 2 + off;
  return `${left.toFixed(3)} ${foot.toFixed(3)} m ${left.toFixed(3)} ${y.toFixed(3)} l ${halfCircle(x + WIDE / 2, y, radius)} ${right.toFixed(3)} ${foot.toFixed(3)} l h`;
}

/** A hall with one curved wall, its center lines from `at`, drawn as the rest of the sheet is. */
export function curvedHall(style: WallStyle, at: Spot, thickness: number): Content {
  const half = thickness / 2;
  const faces = `${outlineOf(at, half)} ${outlineOf(at, -half)}`;
  const line = Math.min(0.25 * MM, thickness / 4);
  const stroke = (gray: number, width: number): Content =>
    `${gray} G ${width.toFixed(3)} w ${outlineOf(at, 0)} S`;
  switch (style) {
    case 'two lines':
      return `0 G 1 w ${faces} S`;
    case 'one thick stroke':
      return stroke(0.1, thickness);
    case 'black under white':
      return `${stroke(0, thickness)} ${stroke(1, thickness - 2 * line)}`;
    case 'white rooms':
      return `0.15 g ${outlineOf(at, half)} f 1 g ${outlineOf(at, -half)} f`;
    case 'filled bands':
      return `0.25 g ${faces} f*`;
    case 'outlined fills':
      return `0.8 g 0 G 0.7 w ${faces} B*`;
  }
}

/** The two corners at the foot of the hall, on its inner faces. */
export const curvedCorners = ([x, y]: Spot, thickness: number): readonly Spot[] => [
  [x + thickness / 2, y + DEEP - thickness / 2],
  [x + WIDE - thickness / 2, y + DEEP - thickness / 2],
];
