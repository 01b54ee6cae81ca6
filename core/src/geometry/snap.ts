import Flatbush from 'flatbush';
import { type Point, distance, nearestOnSegment } from './point.ts';

/** What a point was drawn to, strongest first. */
export const SNAP_KINDS = ['end', 'crossing', 'middle', 'square', 'line'] as const;
export type SnapKind = (typeof SNAP_KINDS)[number];

export interface Snap {
  readonly at: Point;
  readonly kind: SnapKind;
}

/** Segments as x1, y1, x2, y2 … in sheet points. */
export type LineWork = Float32Array;

/** Finds what of a sheet's line work a point is drawn to. Built once a sheet. */
export interface SnapIndex {
  readonly size: number;
  /** Every snap within reach, the strongest kind first and the nearest of a kind before others. */
  readonly find: (at: Point, reachPt: number, from: Point | undefined) => readonly Snap[];
}

/** More segments than this near one place are a hatch: only the nearest are looked at. */
const NEAR_LIMIT = 60;
/** Snaps of one kind that are this close are one. */
const SAME_PT = 0.05;

/** A sheet's line work with its finished index, as it crosses from a worker. */
export interface PackedLines {
  readonly lines: LineWork;
  /** The index as bytes; undefined where there are no lines. */
  readonly index: ArrayBuffer | undefined;
}

/** Builds the index over line work: the slow part, done off the main thread. */
export function packLines(lines: LineWork): PackedLines {
  const count = Math.floor(lines.length / 4);
  if (count === 0) return { lines, index: undefined };
  const index = new Flatbush(count);
  for (let i = 0; i < count; i += 1) {
    const [ax, ay, bx, by] = [lines[4 * i], lines[4 * i + 1], lines[4 * i + 2], lines[4 * i + 3]] as [
      number,
      number,
      number,
      number,
    ];
    index.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
  }
  index.finish();
  return { lines, index: index.data as ArrayBuffer };
}

export function createSnapIndex({ lines, index: packed }: PackedLines): SnapIndex {
  if (packed === undefined) return { size: 0, find: () => [] };
  const index = Flatbush.from(packed);
  const ends = (i: number): readonly [Point, Point] => [
    { x: lines[4 * i] as number, y: lines[4 * i + 1] as number },
    { x: lines[4 * i + 2] as number, y: lines[4 * i + 3] as number },
  ];
  return {
    size: Math.floor(lines.length / 4),
    find: (at, reachPt, from) => {
      const near = index.neighbors(at.x, at.y, NEAR_LIMIT, reachPt).map(ends);
      return snapsOf(near, at, reachPt, from);
    },
  };
}

/** The snaps that segments near a place offer. */
export function snapsOf(
  segments: readonly (readonly [Point, Point])[],
  at: Point,
  reachPt: number,
  from: Point | undefined,
): readonly Snap[] {
  const found: Snap[] = [];
  const offer = (place: Point, kind: SnapKind): void => {
    if (distance(place, at) > reachPt) return;
    if (!found.some((each) => each.kind === kind && distance(each.at, place) < SAME_PT))
      found.push({ at: place, kind });
  };
  segments.forEach(([a, b], i) => {
    offer(a, 'end');
    offer(b, 'end');
    offer({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, 'middle');
    offer(nearestOnSegment(at, a, b).at, 'line');
    if (from !== undefined) {
      const foot = nearestOnSegment(from, a, b);
      if (foot.t > 0 && foot.t < 1) offer(foot.at, 'square');
    }
    for (const [c, d] of segments.slice(i + 1)) {
      const crossing = crossingOf(a, b, c, d);
      if (crossing !== undefined) offer(crossing, 'crossing');
    }
  });
  return rankSnaps(found, at);
}

/** The strongest kind first, the nearest of a kind before others; one snap a place. */
export function rankSnaps(snaps: readonly Snap[], at: Point): readonly Snap[] {
  const sorted = [...snaps].sort(
    (p, q) =>
      SNAP_KINDS.indexOf(p.kind) - SNAP_KINDS.indexOf(q.kind) || distance(p.at, at) - distance(q.at, at),
  );
  // An end where lines meet is an end, not a crossing as well.
  return sorted.filter(
    (snap, i) => !sorted.slice(0, i).some((stronger) => distance(stronger.at, snap.at) < SAME_PT),
  );
}

/** Where two segments cross, ends included; undefined when they do not or run alongside. */
function crossingOf(a: Point, b: Point, c: Point, d: Point): Point | undefined {
  const cross = (b.x - a.x) * (d.y - c.y) - (b.y - a.y) * (d.x - c.x);
  if (cross === 0) return undefined;
  const t = ((c.x - a.x) * (d.y - c.y) - (c.y - a.y) * (d.x - c.x)) / cross;
  const u = ((c.x - a.x) * (b.y - a.y) - (c.y - a.y) * (b.x - a.x)) / cross;
  if (t < 0 || t > 1 || u < 0 || u > 1) return undefined;
  return { x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t };
}
