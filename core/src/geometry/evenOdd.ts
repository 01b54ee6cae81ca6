import clipping from 'polygon-clipping';
import { boundsMeet, boundsOf } from './bounds.ts';
import { type Vertex, flattenPath, pathArea } from './path.ts';
import type { Point } from './point.ts';
import { ringContains, ringCrossesItself, segmentsCross, signedArea } from './polygon.ts';

/** Arcs are cut this fine where rings meet; plain rings keep their exact arcs. */
const ARC_TOLERANCE_SHARE = 1e-5;

type Ring = readonly Point[];

const edgesCross = (a: Ring, b: Ring): boolean =>
  boundsMeet(boundsOf(a), boundsOf(b)) &&
  a.some((from, i) =>
    b.some((start, j) =>
      segmentsCross(from, a[(i + 1) % a.length] as Point, start, b[(j + 1) % b.length] as Point),
    ),
  );

/** True when an edge of the rings crosses another: their area is then not what was meant. */
export function ringsCross(rings: readonly Ring[]): boolean {
  return rings.some(
    (ring, i) => ringCrossesItself(ring) || rings.slice(i + 1).some((other) => edgesCross(ring, other)),
  );
}

const toClip = (ring: Ring): [number, number][] => ring.map(({ x, y }) => [x, y]);

/**
 * The area covered by the rings under the even-odd rule: a ring inside another is a hole, a ring
 * inside that is covered again. Rings that cross are worked out by polygon clipping.
 */
export function evenOddArea(rings: readonly (readonly Vertex[])[]): number {
  const [only] = rings;
  if (only === undefined) return 0;
  const size = Math.sqrt(Math.abs(signedArea(only))) || 1;
  const flat = rings.map((ring) => flattenPath(ring, true, size * ARC_TOLERANCE_SHARE));
  if (ringsCross(flat)) return clippedArea(flat);
  return rings.reduce((sum, ring, i) => {
    const first = (flat[i] as Ring)[0] as Point;
    const around = flat.filter((other, j) => j !== i && ringContains(other, first)).length;
    return sum + (around % 2 === 0 ? 1 : -1) * Math.abs(pathArea(ring));
  }, 0);
}

function clippedArea(rings: readonly Ring[]): number {
  const [first, ...others] = rings.map((ring): [number, number][][] => [toClip(ring)]);
  if (first === undefined) return 0;
  const areaOfRing = (ring: readonly (readonly [number, number])[]): number =>
    Math.abs(signedArea(ring.map(([x, y]) => ({ x, y }))));
  return clipping
    .xor(first, ...others)
    .reduce(
      (sum, [outer = [], ...holes]) =>
        sum + areaOfRing(outer) - holes.reduce((inner, hole) => inner + areaOfRing(hole), 0),
      0,
    );
}
