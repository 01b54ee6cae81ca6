import type { Subpath } from './painted.ts';

/** A ring of four corners for each straight piece of a thick stroke, mitered where pieces meet. */
export interface StrokeQuad {
  /** Left from, left to, right to, right from; x, y … */
  readonly ring: readonly number[];
  /** Which of its four sides anybody sees: left, the end cap, right, the start cap. */
  readonly sides: readonly [boolean, boolean, boolean, boolean];
  /** The stroke bends within a curve where the piece begins, and where it ends. */
  readonly bendsFrom: boolean;
  readonly bendsTo: boolean;
}

/** Beyond this a miter runs off far from where anybody sees a corner. */
const MITER_LIMIT = 4;

/** The outline of a stroke `widthPt` wide: butt ends moved on by the cap, corners mitered as plans draw walls. */
export function strokeOutline(
  { at, bends, closed }: Subpath,
  widthPt: number,
  capPt: number,
): readonly StrokeQuad[] {
  const spots = distinct(at, closed);
  const count = spots.length;
  if (count < 2) return [];
  const pieces = closed && count > 2 ? count : count - 1;
  const spot = (i: number): Spot => spots[((i % count) + count) % count] as Spot;
  const quads: StrokeQuad[] = [];
  for (let i = 0; i < pieces; i += 1) {
    const [a, b] = [spot(i), spot(i + 1)];
    const opens = pieces < count;
    const before = opens && i === 0 ? undefined : spot(i - 1);
    const after = opens && i === pieces - 1 ? undefined : spot(i + 2);
    const from = cut({ a, b, end: a, next: before, along: -capPt }, widthPt / 2);
    const to = cut({ a, b, end: b, next: after, along: capPt }, widthPt / 2);
    quads.push({
      ring: [...from.left, ...to.left, ...to.right, ...from.right],
      sides: [true, after === undefined, true, before === undefined],
      bendsFrom: bends.has(a.vertex),
      bendsTo: bends.has(b.vertex),
    });
  }
  return quads;
}

interface Spot {
  readonly x: number;
  readonly y: number;
  readonly vertex: number;
}

function distinct(at: readonly number[], closed: boolean): readonly Spot[] {
  const spots: Spot[] = [];
  for (let i = 0; i + 1 < at.length; i += 2) {
    const [x, y] = [at[i] as number, at[i + 1] as number];
    const last = spots.at(-1);
    if (last === undefined || Math.hypot(last.x - x, last.y - y) > 1e-4) spots.push({ x, y, vertex: i / 2 });
  }
  const [first, last] = [spots[0], spots.at(-1)];
  if (closed && first && last && first !== last && Math.hypot(last.x - first.x, last.y - first.y) <= 1e-4)
    spots.pop();
  return spots;
}

interface CutAt {
  readonly a: Spot;
  readonly b: Spot;
  readonly end: Spot;
  /** The neighbor beyond that end; undefined where the stroke ends. */
  readonly next: Spot | undefined;
  /** How far a free end is moved on, along a–b. */
  readonly along: number;
}

/** Where the left and right side of the piece a–b end: square at a free end, on the bisector at a neighbor. */
function cut({ a, b, end, next, along }: CutAt, half: number) {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  const [ux, uy] = [(b.x - a.x) / length, (b.y - a.y) / length];
  if (next === undefined) {
    const [ex, ey] = [end.x + ux * along, end.y + uy * along];
    return { left: [ex - uy * half, ey + ux * half], right: [ex + uy * half, ey - ux * half] };
  }
  const away = (end === a ? -1 : 1) * Math.hypot(next.x - end.x, next.y - end.y);
  const [vx, vy] = [(next.x - end.x) / away, (next.y - end.y) / away];
  const [nx, ny] = [-uy - vy, ux + vx];
  const size = Math.hypot(nx, ny);
  const cos = size === 0 ? 0 : (ux * ny - uy * nx) / size;
  const [mx, my] = cos > 1 / MITER_LIMIT ? [nx / size / cos, ny / size / cos] : [-uy, ux];
  return {
    left: [end.x + mx * half, end.y + my * half],
    right: [end.x - mx * half, end.y - my * half],
  };
}
