import { type Point, distance } from '../geometry/point.ts';
import { polylineLength } from '../geometry/polyline.ts';
import { ringCrossesItself, ringPerimeter, signedArea } from '../geometry/polygon.ts';
import type { MarkKind, MarkMeasure } from './measures.ts';
import { type Scale, toWorld } from './scale.ts';

/** Drawn strokes of a mark in sheet points: open chains, closed rings, or single points. */
export interface DrawnShape {
  readonly kind: MarkKind;
  readonly strokes: readonly (readonly Point[])[];
}

/** A mark's figure in SI units; undefined when the sheet has no scale. Counts need none. */
export function measureMark(
  shape: DrawnShape,
  measure: MarkMeasure,
  scale: Scale | undefined,
): number | undefined {
  if (measure === 'count')
    return shape.kind === 'count' ? shape.strokes.reduce((sum, stroke) => sum + stroke.length, 0) : 1;
  if (scale === undefined) return undefined;
  const strokes = shape.strokes.map((stroke) => stroke.map((at) => toWorld(at, scale)));
  const add = (figure: (stroke: readonly Point[]) => number): number =>
    strokes.reduce((sum, stroke) => sum + figure(stroke), 0);
  switch (measure) {
    case 'length':
      return add(polylineLength);
    case 'area':
      return add((ring) => Math.abs(signedArea(ring)));
    case 'perimeter':
      return add(ringPerimeter);
  }
}

/** One straight piece of a mark, for the tape. */
export interface Piece {
  readonly stroke: number;
  readonly from: Point;
  readonly to: Point;
  readonly lengthM: number;
}

/** The straight pieces that make up a run's length or an area's perimeter. */
export function piecesOf(shape: DrawnShape, scale: Scale): readonly Piece[] {
  return shape.strokes.flatMap((stroke, index) => {
    const ends = shape.kind === 'area' ? [...stroke.slice(1), stroke[0] as Point] : stroke.slice(1);
    return ends.map((to, i) => {
      const from = stroke[i] as Point;
      return { stroke: index, from, to, lengthM: distance(toWorld(from, scale), toWorld(to, scale)) };
    });
  });
}

/** True when a ring of an area crosses itself, so that its area means nothing. */
export const shapeCrossesItself = (shape: DrawnShape): boolean =>
  shape.kind === 'area' && shape.strokes.some(ringCrossesItself);
