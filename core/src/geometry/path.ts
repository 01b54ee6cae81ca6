import { type Arc, arcLength, arcSegmentArea, arcThrough, flattenArc, pointOnArc } from './arc.ts';
import { type Point, distance, interpolate } from './point.ts';
import { signedArea } from './polygon.ts';

/** A corner of a path. With `through`, the segment that ends here is an arc over that place. */
export interface Vertex extends Point {
  readonly through?: Point | undefined;
}

/** One piece of a path between two corners. */
export interface Segment {
  readonly from: Vertex;
  readonly to: Vertex;
  readonly arc: Arc | undefined;
}

/** The pieces of a path; a closed one ends where it began. */
export function segmentsOfPath(path: readonly Vertex[], closed: boolean): readonly Segment[] {
  const ends = closed ? [...path.slice(1), ...path.slice(0, 1)] : path.slice(1);
  return ends.map((to, i) => {
    const from = path[i] as Vertex;
    return { from, to, arc: to.through === undefined ? undefined : arcThrough(from, to.through, to) };
  });
}

const isStraight = (path: readonly Vertex[]): boolean => path.every(({ through }) => through === undefined);

export const segmentLength = ({ from, to, arc }: Segment): number =>
  arc === undefined ? distance(from, to) : arcLength(arc);

export const pathLength = (path: readonly Vertex[], closed: boolean): number =>
  segmentsOfPath(path, closed).reduce((sum, segment) => sum + segmentLength(segment), 0);

/** Signed area within a closed path: the corners' shoelace and what the arcs add or take. */
export function pathArea(ring: readonly Vertex[]): number {
  const straight = signedArea(ring);
  if (isStraight(ring)) return straight;
  return segmentsOfPath(ring, true).reduce(
    (sum, { arc }) => sum + (arc === undefined ? 0 : arcSegmentArea(arc)),
    straight,
  );
}

/** A path as straight pieces, its arcs within `tolerance`. */
export function flattenPath(path: readonly Vertex[], closed: boolean, tolerance: number): readonly Point[] {
  const [first] = path;
  if (first === undefined || isStraight(path)) return path;
  const points: Point[] = [first];
  for (const { to, arc } of segmentsOfPath(path, closed))
    if (arc === undefined) points.push(to);
    else points.push(...flattenArc(arc, tolerance));
  return closed ? points.slice(0, -1) : points;
}

const heading = (from: Point, to: Point): number => Math.atan2(to.y - from.y, to.x - from.x);
const quarter = (arc: Arc): number => (Math.sign(arc.sweep) * Math.PI) / 2;
const headingOut = ({ from, to, arc }: Segment): number =>
  arc === undefined ? heading(from, to) : arc.start + quarter(arc);
const headingIn = ({ from, to, arc }: Segment): number =>
  arc === undefined ? heading(from, to) : arc.start + arc.sweep + quarter(arc);

/** The directions in which a segment sets out and arrives (radians); of an arc, its tangents. */
export const headingsOf = (segment: Segment): readonly [out: number, into: number] => [
  headingOut(segment),
  headingIn(segment),
];

/** Sharper than this a corner doubles back, and a mitered offset has no end. */
const DOUBLES_BACK_RAD = (170 * Math.PI) / 180;

/**
 * How much shorter a path gets for each unit it is moved to the side its turns lead to (from the x
 * axis toward the y axis): 2·tan(θ/2) at a mitered corner, the sweep along an arc. A path moved by d
 * to that side is `length - d * turning` long. Closed where its ends meet.
 */
export function pathTurning(path: readonly Vertex[], closed: boolean): number {
  const segments = segmentsOfPath(path, closed).filter((segment) => segmentLength(segment) > 0);
  let turning = 0;
  segments.forEach((segment, i) => {
    if (segment.arc !== undefined) turning += segment.arc.sweep;
    const next = segments[i + 1] ?? (closed ? segments[0] : undefined);
    if (next === undefined) return;
    let turn = headingOut(next) - headingIn(segment);
    if (turn > Math.PI) turn -= 2 * Math.PI;
    if (turn < -Math.PI) turn += 2 * Math.PI;
    if (Math.abs(turn) < DOUBLES_BACK_RAD) turning += 2 * Math.tan(turn / 2);
  });
  return turning;
}

/** The place at a share of a path's length, and the direction the path runs there (radians). */
export function placeOnPath(
  path: readonly Vertex[],
  closed: boolean,
  share: number,
): { readonly at: Point; readonly direction: number } | undefined {
  const segments = segmentsOfPath(path, closed);
  let left = Math.min(1, Math.max(0, share)) * pathLength(path, closed);
  for (const segment of segments) {
    const length = segmentLength(segment);
    if (left <= length || segment === segments.at(-1)) {
      const t = length === 0 ? 0 : Math.min(1, left / length);
      const { from, to, arc } = segment;
      if (arc === undefined) return { at: interpolate(from, to, t), direction: heading(from, to) };
      return { at: pointOnArc(arc, t), direction: arc.start + arc.sweep * t + quarter(arc) };
    }
    left -= length;
  }
  return undefined;
}
