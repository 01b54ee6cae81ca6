import { type Point, distance } from './point.ts';

/** A circular arc; `sweep` is signed, positive from the x axis toward the y axis. */
export interface Arc {
  readonly center: Point;
  readonly radius: number;
  readonly start: number;
  readonly sweep: number;
}

/** Three points whose middle lies this close to the chord (share of its length) make a straight segment. */
const STRAIGHT_SHARE = 1e-6;
const TURN = 2 * Math.PI;

const positive = (angle: number): number => ((angle % TURN) + TURN) % TURN;

/** The arc from `a` over `through` to `b`; undefined where the three lie on a line. */
export function arcThrough(a: Point, through: Point, b: Point): Arc | undefined {
  const [bx, by] = [through.x - a.x, through.y - a.y];
  const [cx, cy] = [b.x - a.x, b.y - a.y];
  const twice = 2 * (bx * cy - by * cx);
  const longest = Math.max(distance(a, through), distance(through, b), distance(a, b));
  if (longest === 0 || Math.abs(twice) <= STRAIGHT_SHARE * longest * longest) return undefined;
  const [b2, c2] = [bx * bx + by * by, cx * cx + cy * cy];
  const center = { x: a.x + (cy * b2 - by * c2) / twice, y: a.y + (bx * c2 - cx * b2) / twice };
  const angle = (p: Point): number => Math.atan2(p.y - center.y, p.x - center.x);
  const start = angle(a);
  const toThrough = positive(angle(through) - start);
  const toEnd = positive(angle(b) - start);
  // Over the middle point first: if it comes after the end, the arc runs the other way around.
  const sweep = toThrough <= toEnd ? toEnd : toEnd - TURN;
  return { center, radius: distance(a, center), start, sweep };
}

export const arcLength = ({ radius, sweep }: Arc): number => radius * Math.abs(sweep);

/** The area between the arc and its chord, signed as the sweep: r²(θ − sin θ)/2. */
export const arcSegmentArea = ({ radius, sweep }: Arc): number =>
  (radius * radius * (sweep - Math.sin(sweep))) / 2;

export const pointOnArc = ({ center, radius, start, sweep }: Arc, t: number): Point => ({
  x: center.x + radius * Math.cos(start + sweep * t),
  y: center.y + radius * Math.sin(start + sweep * t),
});

/** Points along the arc after its start, its end included, never further from it than `tolerance`. */
export function flattenArc(arc: Arc, tolerance: number): readonly Point[] {
  const step = 2 * Math.acos(Math.max(0, 1 - tolerance / Math.max(arc.radius, tolerance)));
  const pieces = Math.min(256, Math.max(2, Math.ceil(Math.abs(arc.sweep) / Math.max(step, 0.02))));
  return Array.from({ length: pieces }, (_, i) => pointOnArc(arc, (i + 1) / pieces));
}
