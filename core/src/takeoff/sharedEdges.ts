import { type Point, distance } from '../geometry/point.ts';
import { JOINING_PT } from '../geometry/tolerance.ts';
import type { Mark } from '../job/records/mark.ts';
import { vertexToWorld } from '../geometry/ground.ts';
import { parsePitch, trueEdges } from './roof.ts';
import type { Scale } from '../geometry/ground.ts';

/** Edges that two slopes have in common where they meet. */
export const SHARED_EDGES = ['ridge', 'hip', 'valley'] as const;
export type SharedEdge = (typeof SHARED_EDGES)[number];

export interface RoofPart {
  readonly mark: Mark;
  readonly scale: Scale | undefined;
  readonly times: number;
}

interface Placed {
  readonly edge: SharedEdge;
  readonly from: Point;
  readonly to: Point;
  readonly lengthM: number;
  readonly times: number;
  readonly sheetId: string;
}

const isShared = (edge: string): edge is SharedEdge => (SHARED_EDGES as readonly string[]).includes(edge);

function edgesOf({ mark, scale, times }: RoofPart): readonly Placed[] {
  const rise = mark.slope === undefined ? undefined : parsePitch(mark.slope.pitch);
  const [ring] = mark.strokes;
  if (mark.slope === undefined || rise === undefined || ring === undefined || scale === undefined) return [];
  const world = ring.map((vertex) => vertexToWorld(vertex, scale));
  return trueEdges(world, mark.slope, rise).flatMap(({ edge, index, lengthM }): readonly Placed[] => {
    const [from, to] = [ring[index], ring[(index + 1) % ring.length]];
    if (!isShared(edge) || from === undefined || to === undefined) return [];
    return [{ edge, from, to, lengthM, times, sheetId: mark.sheetId }];
  });
}

const near = (a: Point, b: Point): boolean => distance(a, b) <= JOINING_PT;
const same = (a: Placed, b: Placed): boolean =>
  a.edge === b.edge &&
  a.sheetId === b.sheetId &&
  ((near(a.from, b.from) && near(a.to, b.to)) || (near(a.from, b.to) && near(a.to, b.from)));

/**
 * Length in meters by which the sum over all slopes counts ridges, hips and valleys twice: once for
 * either slope that meets there. An edge counts as often as the one of the two that counts more.
 */
export function sharedLengths(parts: readonly RoofPart[]): Readonly<Record<SharedEdge, number>> {
  const totals = { ridge: 0, hip: 0, valley: 0 };
  const squares = new Map<string, Placed[]>();
  const squareOf = ({ from, to }: Placed): readonly [number, number] => [
    Math.floor((from.x + to.x) / 2 / JOINING_PT),
    Math.floor((from.y + to.y) / 2 / JOINING_PT),
  ];
  for (const placed of parts.flatMap(edgesOf)) {
    const [column, row] = squareOf(placed);
    let met = false;
    for (let dx = -1; dx <= 1 && !met; dx += 1)
      for (let dy = -1; dy <= 1 && !met; dy += 1) {
        const square = squares.get(`${column + dx} ${row + dy}`) ?? [];
        const at = square.findIndex((other) => same(placed, other));
        const other = square[at];
        if (other === undefined) continue;
        // Two slopes meet at an edge, not three: each is taken once.
        square.splice(at, 1);
        totals[placed.edge] += Math.min(placed.lengthM * placed.times, other.lengthM * other.times);
        met = true;
      }
    const key = `${column} ${row}`;
    if (!met) squares.set(key, [...(squares.get(key) ?? []), placed]);
  }
  return totals;
}
