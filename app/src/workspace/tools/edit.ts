import { type Point, distance, interpolate, translate } from '@zest/core/geometry/point';
import { flattenPath } from '@zest/core/geometry/path';
import { ringContains } from '@zest/core/geometry/polygon';
import { type Bounds, boundsOf } from '@zest/core/geometry/bounds';
import type { Mark } from '@zest/core/job/records/mark';
import { mapStrokes } from '@zest/core/takeoff/editStrokes';
import RBush from 'rbush';

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

const isClosed = ({ kind }: Mark): boolean => kind === 'area' || kind === 'slope';
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
    if (mark.kind === 'count') return vertices;
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
  const least = isClosed(mark) ? 3 : mark.kind === 'run' ? 2 : 1;
  const strokes = mark.strokes
    .map((stroke, index) =>
      index === handle.stroke ? stroke.filter((_, vertex) => vertex !== handle.index) : stroke,
    )
    .filter((stroke) => stroke.length >= least);
  return strokes.length === 0 ? undefined : strokes;
}

export const moveStrokes = (strokes: Strokes, by: Point): Strokes =>
  mapStrokes(strokes, (at) => translate(at, by));

interface Entry {
  readonly bounds: Bounds;
  readonly mark: Mark;
  /** Its strokes with arcs as straight pieces. */
  readonly flat: readonly (readonly Point[])[];
  readonly packed: readonly Float64Array[];
}

/**
 * What the tree is made of: made one right after the other, so that a search walks through memory in order.
 * Boxes that lay among the corners of their marks took ten times as long to look through.
 */
interface Box extends Bounds {
  readonly entry: Entry;
}
const boxOf = (entry: Entry): Box => {
  const { minX, minY, maxX, maxY } = entry.bounds;
  return { minX, minY, maxX, maxY, entry };
};
const diagonalOf = ({ minX, minY, maxX, maxY }: Bounds): number => Math.hypot(maxX - minX, maxY - minY);

const flattenMark = (mark: Mark): readonly (readonly Point[])[] =>
  mark.strokes.map((stroke) => (mark.kind === 'count' ? stroke : flattenPath(stroke, isClosed(mark), 0.5)));

/** Finds the mark under a place: points before runs before areas, the nearest first. */
export interface HitIndex {
  readonly set: (marks: Iterable<Mark>) => void;
  readonly put: (mark: Mark) => void;
  readonly remove: (id: string) => void;
  /** Straight pieces of marks whose boxes come near a place, for snapping to them. */
  readonly segmentsNear: (at: Point, reachPt: number) => readonly (readonly [Point, Point])[];
  readonly find: (at: Point, nearPt: number, shown: (mark: Mark) => boolean) => Mark | undefined;
}

const RANK = { count: 0, run: 1, area: 2, slope: 2 } as const;

export function createHitIndex(): HitIndex {
  const tree = new RBush<Box>();
  const boxes = new Map<string, Box>();
  const entryOf = (mark: Mark): Entry => {
    const flat = flattenMark(mark);
    return { bounds: boundsOf(flat.flat()), mark, flat, packed: flat.map((stroke) => pack(mark, stroke)) };
  };
  const remove = (id: string): void => {
    const box = boxes.get(id);
    if (box === undefined) return;
    tree.remove(box);
    boxes.delete(id);
  };
  return {
    set: (marks) => {
      tree.clear();
      boxes.clear();
      const entries = [...marks].map(entryOf);
      const all = entries.map(boxOf);
      for (const box of all) boxes.set(box.entry.mark.id, box);
      tree.load(all);
    },
    put: (mark) => {
      remove(mark.id);
      const box = boxOf(entryOf(mark));
      boxes.set(mark.id, box);
      tree.insert(box);
    },
    remove,
    segmentsNear: (at, reachPt) => {
      const box = { minX: at.x - reachPt, minY: at.y - reachPt, maxX: at.x + reachPt, maxY: at.y + reachPt };
      const reach2 = reachPt * reachPt;
      return tree.search(box).flatMap(({ entry: { mark, flat } }) =>
        mark.kind === 'count'
          ? []
          : flat.flatMap((points) =>
              points.flatMap((a, i): (readonly [Point, Point])[] => {
                const b = points[i + 1] ?? (isClosed(mark) ? points[0] : undefined);
                return b === undefined || squareTo(at, a, b) > reach2 ? [] : [[a, b]];
              }),
            ),
      );
    },
    find: (at, nearPt, shown) => {
      const box = { minX: at.x - nearPt, minY: at.y - nearPt, maxX: at.x + nearPt, maxY: at.y + nearPt };
      let best: Mark | undefined;
      let least = Infinity;
      for (const { entry } of tree.search(box)) {
        const { mark } = entry;
        // Of two areas over each other the smaller is meant: the larger can be clicked elsewhere.
        const size = isClosed(mark) ? diagonalOf(entry.bounds) : 0;
        // At its best, where it lies right there; what cannot be nearer is not looked at more closely.
        const base = RANK[mark.kind] * 1e6 + size / 1e3;
        if (base >= least) continue;
        const away = distanceTo(entry, at, nearPt);
        if (away > nearPt || base + away >= least || !shown(mark)) continue;
        best = mark;
        least = base + away;
      }
      return best;
    },
  };
}

/** The corners of a stroke one after the other, the first again where it closes: read far faster than points. */
function pack(mark: Mark, stroke: readonly Point[]): Float64Array {
  const corners = isClosed(mark) ? [...stroke, ...stroke.slice(0, 1)] : stroke;
  return Float64Array.from(corners.flatMap(({ x, y }) => [x, y]));
}

/** Sheet points from a place to a mark, as far as it is in reach; 0 inside an area. */
function distanceTo({ mark, flat, packed }: Entry, at: Point, reachPt: number): number {
  if (isClosed(mark) && isInside(flat, at)) return 0;
  let least = Infinity;
  for (const corners of packed) {
    // A point that is counted is a piece of no length.
    const step = mark.kind === 'count' ? 0 : 2;
    for (let i = 0; i + step < corners.length; i += 2) {
      const ax = (corners[i] as number) - at.x;
      const bx = (corners[i + step] as number) - at.x;
      const ay = (corners[i + 1] as number) - at.y;
      const by = (corners[i + step + 1] as number) - at.y;
      // Most pieces of a long mark are nowhere near.
      if ((ax < -reachPt && bx < -reachPt) || (ax > reachPt && bx > reachPt)) continue;
      if ((ay < -reachPt && by < -reachPt) || (ay > reachPt && by > reachPt)) continue;
      least = Math.min(least, squareToOrigin(ax, ay, bx, by));
    }
  }
  return Math.sqrt(least);
}

function isInside(rings: readonly (readonly Point[])[], at: Point): boolean {
  let inside = false;
  for (const ring of rings) if (ringContains(ring, at)) inside = !inside;
  return inside;
}

const squareTo = (at: Point, a: Point, b: Point): number =>
  squareToOrigin(a.x - at.x, a.y - at.y, b.x - at.x, b.y - at.y);

/** The squared distance of a segment from the origin. Makes no objects: it runs for all that is near the pointer. */
function squareToOrigin(ax: number, ay: number, bx: number, by: number): number {
  const dx = bx - ax;
  const dy = by - ay;
  const square = dx * dx + dy * dy;
  const along = square === 0 ? 0 : -(ax * dx + ay * dy) / square;
  const t = along < 0 ? 0 : along > 1 ? 1 : along;
  const x = ax + t * dx;
  const y = ay + t * dy;
  return x * x + y * y;
}
