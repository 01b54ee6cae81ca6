import { orient2d } from 'robust-predicates';
import { type Point, distance } from './point.ts';

/** Shoelace area of a closed ring given without a repeated last point; negative for a clockwise ring with y up. */
export function signedArea(ring: readonly Point[]): number {
  const origin = ring[0];
  if (origin === undefined) return 0;
  let twice = 0;
  // Taken from the first point, so that a small room far from the corner of the sheet keeps its digits.
  for (let i = 1; i + 1 < ring.length; i += 1) {
    const a = ring[i] as Point;
    const b = ring[i + 1] as Point;
    twice += (a.x - origin.x) * (b.y - origin.y) - (b.x - origin.x) * (a.y - origin.y);
  }
  return twice / 2;
}

export function ringPerimeter(ring: readonly Point[]): number {
  let total = 0;
  ring.forEach((at, i) => {
    total += distance(at, ring[(i + 1) % ring.length] as Point);
  });
  return total;
}

/** True inside the ring or on its edge. */
export function ringContains(ring: readonly Point[], p: Point): boolean {
  let inside = false;
  for (let i = 0; i < ring.length; i += 1) {
    const a = ring[i] as Point;
    const b = ring[(i + 1) % ring.length] as Point;
    const side = orient2d(a.x, a.y, b.x, b.y, p.x, p.y);
    const within = Math.min(a.x, b.x) <= p.x && p.x <= Math.max(a.x, b.x);
    if (side === 0 && within && Math.min(a.y, b.y) <= p.y && p.y <= Math.max(a.y, b.y)) return true;
    if (a.y > p.y !== b.y > p.y && side > 0 === a.y < b.y) inside = !inside;
  }
  return inside;
}

/** True when the segments cross at a point inside both; touching ends do not count. */
export function segmentsCross(a: Point, b: Point, c: Point, d: Point): boolean {
  const abc = orient2d(a.x, a.y, b.x, b.y, c.x, c.y);
  const abd = orient2d(a.x, a.y, b.x, b.y, d.x, d.y);
  if (abc === 0 || abd === 0 || abc > 0 === abd > 0) return false;
  const cda = orient2d(c.x, c.y, d.x, d.y, a.x, a.y);
  const cdb = orient2d(c.x, c.y, d.x, d.y, b.x, b.y);
  return cda !== 0 && cdb !== 0 && cda > 0 !== cdb > 0;
}

/** True when two edges of the ring cross; its shoelace area would then be wrong without a word. */
export function ringCrossesItself(ring: readonly Point[]): boolean {
  const at = (i: number): Point => ring[i % ring.length] as Point;
  for (let i = 0; i < ring.length; i += 1) {
    for (let j = i + 2; j < ring.length; j += 1) {
      if (segmentsCross(at(i), at(i + 1), at(j), at(j + 1))) return true;
    }
  }
  return false;
}
