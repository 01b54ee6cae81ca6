import { MARK_KIND, isPoints, isRing } from '@zest/core/job/markKinds';
import { type Point, distance, interpolate, translate } from '@zest/core/geometry/point';
import type { Mark } from '@zest/core/job/records/mark';
import { mapStrokes } from '@zest/core/takeoff/editStrokes';

export type Strokes = Mark['strokes'];

/** A vertex of a mark, or the middle of an edge where one can be put in. */
export interface Handle {
  readonly markId: Mark['id'];
  readonly stroke: number;
  /** The vertex, or for a middle the vertex before it. */
  readonly index: number;
  readonly middle: boolean;
  readonly at: Point;
}

const isClosed = ({ kind }: Mark): boolean => isRing(kind);
const edgesOf = (mark: Mark, stroke: readonly Point[]): number =>
  isClosed(mark) ? stroke.length : stroke.length - 1;

/** Handles of a selected mark; middles only where there is room for them on the screen. */
export function handlesOf(mark: Mark, roomPt: number): readonly Handle[] {
  return mark.strokes.flatMap((stroke, strokeIndex) => {
    const vertices = stroke.map((at, index): Handle => ({
      markId: mark.id,
      stroke: strokeIndex,
      index,
      middle: false,
      at,
    }));
    if (isPoints(mark.kind)) return vertices;
    const middles = Array.from({ length: edgesOf(mark, stroke) }, (_, index): Handle | undefined => {
      const [a, b] = [stroke[index] as Point, stroke[(index + 1) % stroke.length] as Point];
      if (distance(a, b) < roomPt) return undefined;
      return { markId: mark.id, stroke: strokeIndex, index, middle: true, at: interpolate(a, b, 0.5) };
    });
    return [...vertices, ...middles.filter((each) => each !== undefined)];
  });
}

export const findHandle = (handles: readonly Handle[], at: Point, nearPt: number): Handle | undefined => {
  const near = handles.filter((handle) => distance(handle.at, at) <= nearPt);
  return near.sort(
    (a, b) => Number(a.middle) - Number(b.middle) || distance(a.at, at) - distance(b.at, at),
  )[0];
};

/** Puts the handle at a new place; a middle becomes a vertex. */
export function moveHandle(strokes: Strokes, handle: Handle, to: Point): Strokes {
  return strokes.map((stroke, index) => {
    if (index !== handle.stroke) return stroke;
    if (handle.middle) return [...stroke.slice(0, handle.index + 1), to, ...stroke.slice(handle.index + 1)];
    return stroke.map((at, vertex) => (vertex === handle.index ? { ...at, x: to.x, y: to.y } : at));
  });
}

/** Takes a vertex out; undefined when too little of the mark would be left. */
export function removeVertex(mark: Mark, handle: Handle): Strokes | undefined {
  const least = MARK_KIND[mark.kind].leastPoints;
  const strokes = mark.strokes
    .map((stroke, index) =>
      index === handle.stroke ? stroke.filter((_, vertex) => vertex !== handle.index) : stroke,
    )
    .filter((stroke) => stroke.length >= least);
  return strokes.length === 0 ? undefined : strokes;
}

export const moveStrokes = (strokes: Strokes, by: Point): Strokes =>
  mapStrokes(strokes, (at) => translate(at, by));
