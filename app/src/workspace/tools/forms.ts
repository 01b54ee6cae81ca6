import type { Vertex } from '@zest/core/geometry/path';
import { type Point, distance } from '@zest/core/geometry/point';

/** A box along the sheet's axes, by two opposite corners. */
export const boxOf = (a: Point, b: Point): readonly Vertex[] => [
  a,
  { x: b.x, y: a.y },
  b,
  { x: a.x, y: b.y },
];

/** A box on the base from `a` to `b`, as deep as `c` stands off it. */
export function slantedBoxOf(a: Point, b: Point, c: Point): readonly Vertex[] {
  const size = distance(a, b);
  if (size === 0) return [a, b, c];
  const normal = { x: -(b.y - a.y) / size, y: (b.x - a.x) / size };
  const depth = (c.x - a.x) * normal.x + (c.y - a.y) * normal.y;
  const off = ({ x, y }: Point): Point => ({ x: x + normal.x * depth, y: y + normal.y * depth });
  return [a, b, off(b), off(a)];
}

/** A circle as two half circles. */
export function circleOf(center: Point, rim: Point): readonly Vertex[] {
  const [dx, dy] = [rim.x - center.x, rim.y - center.y];
  return [
    { x: center.x + dx, y: center.y + dy, through: { x: center.x + dy, y: center.y - dx } },
    { x: center.x - dx, y: center.y - dy, through: { x: center.x - dy, y: center.y + dx } },
  ];
}

/**
 * From one click to the next at right angles, never diagonally: on in the direction of the piece
 * before, or along the longer way first; then square to the end.
 */
export function routeBetween(before: Point | undefined, from: Point, to: Point): readonly Vertex[] {
  const [dx, dy] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)];
  if (dx < 1e-6 || dy < 1e-6) return [to];
  const level = before === undefined ? dx >= dy : Math.abs(from.x - before.x) >= Math.abs(from.y - before.y);
  return [level ? { x: to.x, y: from.y } : { x: from.x, y: to.y }, to];
}
