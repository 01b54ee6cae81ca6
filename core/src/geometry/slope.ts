import { type Point, distance } from './point.ts';

/** True over plan area of a plane that rises `rise` for each unit of run: √(1 + rise²). */
export const slopeFactor = (rise: number): number => Math.hypot(1, rise);

/**
 * The true length of a plan segment that lies in a sloped plane. `uphill` is the direction of
 * steepest ascent in plan; along it the segment rises by `rise` for each unit of run.
 */
export function trueLength(from: Point, to: Point, uphill: Point, rise: number): number {
  const size = Math.hypot(uphill.x, uphill.y);
  if (size === 0) return distance(from, to);
  const climbed = (((to.x - from.x) * uphill.x + (to.y - from.y) * uphill.y) / size) * rise;
  return Math.hypot(distance(from, to), climbed);
}
