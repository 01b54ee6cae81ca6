import { MARK_KIND, isPoints, isRing } from '@zest/core/job/markKinds';
import { type Bounds, boundsOf } from '@zest/core/geometry/bounds';
import { flattenPath } from '@zest/core/geometry/path';
import type { Point } from '@zest/core/geometry/point';
import type { Mark } from '@zest/core/job/records/mark';
import RBush from 'rbush';

/** Finds the mark under a place: points before runs before areas, the nearest first. */
export interface HitIndex {
  readonly set: (marks: Iterable<Mark>) => void;
  readonly put: (mark: Mark) => void;
  readonly remove: (id: string) => void;
  /** Called before every search, for what is still to be put in. */
  readonly beforeSearch: (catchUp: (() => void) | undefined) => void;
  /** Straight pieces of marks whose boxes come near a place, for snapping to them. */
  readonly segmentsNear: (at: Point, reachPt: number) => readonly (readonly [Point, Point])[];
  readonly find: (at: Point, nearPt: number, shown: (mark: Mark) => boolean) => Mark | undefined;
}

/**
 * What the tree is made of. A search waits for memory more than it computes: all that most marks are asked stands
 * here, and the corners of neighbors stand side by side in one array.
 */
interface Box extends Bounds {
  readonly mark: Mark;
  readonly closed: boolean;
  /** How far the next corner of a piece is: 0 for points that are counted, which are pieces of no length. */
  readonly step: 0 | 2;
  /** What is meant of several under the pointer: the least; points, runs, then areas, the smaller first. */
  readonly base: number;
  /** Corners with arcs as straight pieces, x and y in turn, closed rings with their first again; strokes are parted by NaN. */
  readonly corners: Float64Array;
  readonly from: number;
  readonly to: number;
}

/** What lies above is meant before what lies below it. */
const TOP_LAYER = 2;
/** Marks are packed by squares of the sheet, so that those a search finds together lie together. */
const SQUARE_PT = 96;

const diagonalOf = ({ minX, minY, maxX, maxY }: Bounds): number => Math.hypot(maxX - minX, maxY - minY);

interface Flat {
  readonly mark: Mark;
  readonly closed: boolean;
  readonly bounds: Bounds;
  readonly strokes: readonly (readonly Point[])[];
}

function flattenMark(mark: Mark): Flat {
  const closed = isRing(mark.kind);
  const strokes = mark.strokes.map((stroke) =>
    isPoints(mark.kind) ? stroke : flattenPath(stroke, closed, 0.5),
  );
  return { mark, closed, bounds: boundsOf(strokes.flat()), strokes };
}

const lengthOf = ({ strokes, closed }: Flat): number =>
  strokes.reduce((sum, stroke) => sum + 2 * (stroke.length + (closed && stroke.length > 0 ? 1 : 0) + 1), 0);

function pack({ mark, closed, bounds, strokes }: Flat, corners: Float64Array, from: number): Box {
  let to = from;
  const put = (x: number, y: number): void => {
    corners[to] = x;
    corners[to + 1] = y;
    to += 2;
  };
  for (const stroke of strokes) {
    for (const { x, y } of stroke) put(x, y);
    const [first] = stroke;
    if (closed && first !== undefined) put(first.x, first.y);
    put(NaN, NaN);
  }
  // Of two areas over each other the smaller is meant: the larger can be clicked elsewhere.
  const base = (TOP_LAYER - MARK_KIND[mark.kind].layer) * 1e6 + (closed ? diagonalOf(bounds) / 1e3 : 0);
  const { minX, minY, maxX, maxY } = bounds;
  const step = isPoints(mark.kind) ? 0 : 2;
  return { minX, minY, maxX, maxY, mark, closed, step, base, corners, from, to };
}

const squareOf = ({ bounds }: Flat): number =>
  Math.floor(bounds.minY / SQUARE_PT) * 1e5 + Math.floor(bounds.minX / SQUARE_PT);

function packAll(marks: Iterable<Mark>): Box[] {
  const flats = [...marks].map(flattenMark).map((flat) => ({ flat, square: squareOf(flat) }));
  flats.sort((a, b) => a.square - b.square);
  const corners = new Float64Array(flats.reduce((sum, { flat }) => sum + lengthOf(flat), 0));
  let from = 0;
  return flats.map(({ flat }) => {
    const box = pack(flat, corners, from);
    from = box.to;
    return box;
  });
}

export function createHitIndex(): HitIndex {
  const tree = new RBush<Box>();
  const boxes = new Map<string, Box>();
  let catchUp: (() => void) | undefined;
  const near = ({ x, y }: Point, reach: number): Box[] => {
    catchUp?.();
    return tree.search({ minX: x - reach, minY: y - reach, maxX: x + reach, maxY: y + reach });
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
      const all = packAll(marks);
      for (const box of all) boxes.set(box.mark.id, box);
      tree.load(all);
    },
    put: (mark) => {
      remove(mark.id);
      const flat = flattenMark(mark);
      const box = pack(flat, new Float64Array(lengthOf(flat)), 0);
      boxes.set(mark.id, box);
      tree.insert(box);
    },
    remove,
    beforeSearch: (next) => {
      catchUp = next;
    },
    segmentsNear: (at, reachPt) =>
      near(at, reachPt).flatMap((box) => (box.step === 0 ? [] : piecesNear(box, at, reachPt))),
    find: (at, nearPt, shown) => {
      let best: Mark | undefined;
      let least = Infinity;
      for (const box of near(at, nearPt)) {
        // At its best, where it lies right there; what cannot be nearer is not looked at more closely.
        if (box.base >= least) continue;
        const away = distanceTo(box, at, nearPt);
        if (away > nearPt || box.base + away >= least || !shown(box.mark)) continue;
        best = box.mark;
        least = box.base + away;
      }
      return best;
    },
  };
}

function piecesNear(
  { corners, from, to }: Box,
  at: Point,
  reachPt: number,
): readonly (readonly [Point, Point])[] {
  const pieces: (readonly [Point, Point])[] = [];
  for (let i = from; i + 2 < to; i += 2) {
    const a = { x: corners[i] as number, y: corners[i + 1] as number };
    const b = { x: corners[i + 2] as number, y: corners[i + 3] as number };
    if (squareToOrigin(a.x - at.x, a.y - at.y, b.x - at.x, b.y - at.y) <= reachPt * reachPt)
      pieces.push([a, b]);
  }
  return pieces;
}

/** Sheet points from a place to a mark, as far as it is in reach; 0 inside an area. */
function distanceTo(box: Box, at: Point, reachPt: number): number {
  if (box.closed && isInside(box, at)) return 0;
  const { corners, from, to, step } = box;
  let least = Infinity;
  for (let i = from; i + step < to; i += 2) {
    const ax = (corners[i] as number) - at.x;
    const bx = (corners[i + step] as number) - at.x;
    // Most pieces of a long mark are nowhere near.
    if ((ax < -reachPt && bx < -reachPt) || (ax > reachPt && bx > reachPt)) continue;
    const ay = (corners[i + 1] as number) - at.y;
    const by = (corners[i + step + 1] as number) - at.y;
    if ((ay < -reachPt && by < -reachPt) || (ay > reachPt && by > reachPt)) continue;
    const square = squareToOrigin(ax, ay, bx, by);
    // Nothing is near the gap between two strokes: a comparison with NaN is false.
    if (square < least) least = square;
  }
  return Math.sqrt(least);
}

/** Holes count by the even-odd rule, rings being strokes. */
function isInside({ corners, from, to }: Box, at: Point): boolean {
  let inside = false;
  for (let i = from; i + 2 < to; i += 2) {
    const ay = (corners[i + 1] as number) - at.y;
    const by = (corners[i + 3] as number) - at.y;
    if (ay > 0 === by > 0 || Number.isNaN(ay) || Number.isNaN(by)) continue;
    const ax = (corners[i] as number) - at.x;
    const bx = (corners[i + 2] as number) - at.x;
    if (ax * by - ay * bx > 0 === ay < by) inside = !inside;
  }
  return inside;
}

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
