import type { Point } from './point.ts';

/** The side of a line that lies to the right of the way from a to b, as seen on a sheet (y down). */
export interface HalfPlane {
  readonly a: Point;
  readonly b: Point;
}

/** How far right of the way from a to b a place lies, times the length of the way. */
export const sideOf = ({ a, b }: HalfPlane, p: Point): number =>
  (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** What of a ring lies in a half plane (Sutherland and Hodgman 1974); empty when nothing does. */
export function clipRing(ring: readonly Point[], half: HalfPlane): readonly Point[] {
  const kept: Point[] = [];
  ring.forEach((p, i) => {
    const q = ring[(i + 1) % ring.length] as Point;
    const [sp, sq] = [sideOf(half, p), sideOf(half, q)];
    if (sp >= 0) kept.push(p);
    if (sp * sq >= 0) return;
    const t = sp / (sp - sq);
    kept.push({ x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t });
  });
  return kept;
}

/** The piece of a segment inside a convex ring walked clockwise as seen; undefined when none is. */
export function clipSegment(a: Point, b: Point, ring: readonly Point[]): readonly [Point, Point] | undefined {
  let [start, end] = [0, 1];
  for (let i = 0; i < ring.length; i += 1) {
    const half = { a: ring[i] as Point, b: ring[(i + 1) % ring.length] as Point };
    const [sa, sb] = [sideOf(half, a), sideOf(half, b)];
    if (sa < 0 && sb < 0) return undefined;
    if (sa * sb >= 0) continue;
    const t = sa / (sa - sb);
    if (sa < 0) start = Math.max(start, t);
    else end = Math.min(end, t);
    if (start >= end) return undefined;
  }
  const at = (t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });
  return [start === 0 ? a : at(start), end === 1 ? b : at(end)];
}
