import { type Point, distance } from './point.ts';

/** Length of an open chain of points, in the unit of the points. */
export function polylineLength(points: readonly Point[]): number {
  let total = 0;
  for (let i = 1; i < points.length; i += 1) total += distance(points[i - 1] as Point, points[i] as Point);
  return total;
}

/**
 * Turns the segment from `from` toward `to` onto the nearest of the right-angle directions of
 * `axis` (the previous segment, or the sheet's own when there is none), keeping its reach along it.
 */
export function squareTo(from: Point, to: Point, axis: Point = { x: 1, y: 0 }): Point {
  const size = Math.hypot(axis.x, axis.y);
  if (size === 0) return squareTo(from, to);
  const u = { x: axis.x / size, y: axis.y / size };
  const along = (to.x - from.x) * u.x + (to.y - from.y) * u.y;
  const across = (to.x - from.x) * -u.y + (to.y - from.y) * u.x;
  return Math.abs(along) >= Math.abs(across)
    ? { x: from.x + along * u.x, y: from.y + along * u.y }
    : { x: from.x - across * u.y, y: from.y + across * u.x };
}

/** The point at `reach` from `from` in the direction of `toward`; `from` itself when they coincide. */
export function pointToward(from: Point, toward: Point, reach: number): Point {
  const size = distance(from, toward);
  if (size === 0) return from;
  return {
    x: from.x + ((toward.x - from.x) * reach) / size,
    y: from.y + ((toward.y - from.y) * reach) / size,
  };
}
