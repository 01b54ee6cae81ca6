import Flatbush from 'flatbush';
import { type Point, distance, nearestOnSegment } from './point.ts';

/** What a point is drawn to. Corners, ends and crossings come before the others, whichever is nearest. */
export const SNAP_KINDS = ['corner', 'end', 'crossing', 'meeting', 'middle', 'square', 'line'] as const;
export type SnapKind = (typeof SNAP_KINDS)[number];

export interface Snap {
  readonly at: Point;
  readonly kind: SnapKind;
}

/** Straight pieces that show on a sheet. */
export interface LineWork {
  /** x1, y1, x2, y2 … in sheet points. */
  readonly lines: Float32Array;
  /** For each piece, whether a curve goes on at its first end (1) and at its second (2). */
  readonly bends: Uint8Array;
}

/** Finds what of a sheet's line work a point is drawn to. Built once a sheet. */
export interface SnapIndex {
  readonly size: number;
  /** Every snap within reach: places before lines, the nearest first. */
  readonly find: (at: Point, reachPt: number, from: Point | undefined) => readonly Snap[];
}

/** One piece near a place, and what its ends are to the eye. */
export interface SnapPiece {
  readonly a: Point;
  readonly b: Point;
  readonly endA: SnapKind | undefined;
  readonly endB: SnapKind | undefined;
  /** Part of a curve, or of a longer straight line: its middle is nobody's. */
  readonly isPart: boolean;
}

/** More pieces than this near one place are a picture: only the nearest are looked at. */
const NEAR_LIMIT = 60;
/** Snaps of one kind that are this close are one. */
const SAME_PT = 0.05;

/** A sheet's line work with its finished index, as it crosses from a worker. */
export interface PackedLines {
  readonly lines: Float32Array;
  /** What the ends of each piece are, two bits each: 0 nothing, 1 an end, 2 a corner. */
  readonly ends: Uint8Array;
  /** The index as bytes; undefined where there are no lines. */
  readonly index: ArrayBuffer | undefined;
}

/** Builds the index over line work: the slow part, done off the main thread. */
export function packLines(work: LineWork): PackedLines {
  const { lines } = work;
  const count = Math.floor(lines.length / 4);
  if (count === 0) return { lines, ends: new Uint8Array(0), index: undefined };
  const index = new Flatbush(count);
  for (let i = 0; i < count; i += 1) {
    const [ax, ay, bx, by] = pieceAt(lines, i);
    index.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
  }
  index.finish();
  return { lines, ends: readEnds(work), index: index.data as ArrayBuffer };
}

type Four = [number, number, number, number];
const pieceAt = (lines: Float32Array, i: number): Four => [
  lines[4 * i] as number,
  lines[4 * i + 1] as number,
  lines[4 * i + 2] as number,
  lines[4 * i + 3] as number,
];

/** Ends within one such cell meet. */
const CELL_PT = 0.1;
/** A turn of less than this goes straight on … */
const STRAIGHT_COS = -Math.cos((3 * Math.PI) / 180);
/** … and one of less than this between short pieces is a curve drawn in pieces. */
const CURVE_COS = -Math.cos((25 * Math.PI) / 180);
const SHORT_PT = 14;

/** What each piece's ends are: nothing where it only goes on, an end, or a corner where pieces meet at an angle. */
function readEnds({ lines, bends }: LineWork): Uint8Array {
  const count = Math.floor(lines.length / 4);
  const meeting = new Map<number, number[]>();
  for (let i = 0; i < 2 * count; i += 1) {
    const key =
      Math.round((lines[2 * i] as number) / CELL_PT) * 1e6 +
      Math.round((lines[2 * i + 1] as number) / CELL_PT);
    const there = meeting.get(key);
    if (there === undefined) meeting.set(key, [i]);
    else there.push(i);
  }
  const kinds = new Uint8Array(2 * count);
  for (const there of meeting.values()) {
    const kind = kindOfMeeting(there.map((end) => awayFrom(lines, end)));
    for (const end of there) kinds[end] = kind;
  }
  const ends = new Uint8Array(count);
  for (let i = 0; i < count; i += 1) {
    const bend = bends[i] ?? 0;
    const a = bend & 1 ? 0 : (kinds[2 * i] as number);
    const b = bend & 2 ? 0 : (kinds[2 * i + 1] as number);
    ends[i] = a | (b << 2);
  }
  return ends;
}

interface Away {
  readonly x: number;
  readonly y: number;
  readonly length: number;
}

/** The direction in which a piece leaves one of its ends. */
function awayFrom(lines: Float32Array, end: number): Away {
  const [ax, ay, bx, by] = pieceAt(lines, end >> 1);
  const [dx, dy] = end % 2 === 0 ? [bx - ax, by - ay] : [ax - bx, ay - by];
  const length = Math.hypot(dx, dy);
  return { x: dx / length, y: dy / length, length };
}

function kindOfMeeting(ways: readonly Away[]): 0 | 1 | 2 {
  const [first] = ways;
  if (first === undefined) return 0;
  const cosines = ways.slice(1).map(({ x, y }) => x * first.x + y * first.y);
  if (ways.length === 2) {
    const cos = cosines[0] as number;
    if (cos < STRAIGHT_COS) return 0;
    if (cos < CURVE_COS && ways.every(({ length }) => length <= SHORT_PT)) return 0;
  }
  return cosines.some((cos) => Math.abs(cos) < -STRAIGHT_COS) ? 2 : cosines.some((cos) => cos < 0) ? 0 : 1;
}

const END_KINDS = [undefined, 'end', 'corner', undefined] as const;

export function createSnapIndex({ lines, ends, index: packed }: PackedLines): SnapIndex {
  if (packed === undefined) return { size: 0, find: () => [] };
  const index = Flatbush.from(packed);
  const read = (i: number): SnapPiece => {
    const [ax, ay, bx, by] = pieceAt(lines, i);
    const kinds = ends[i] ?? 0;
    const [endA, endB] = [END_KINDS[kinds & 3], END_KINDS[(kinds >> 2) & 3]];
    const isPart = endA === undefined || endB === undefined;
    return { a: { x: ax, y: ay }, b: { x: bx, y: by }, endA, endB, isPart };
  };
  return {
    size: Math.floor(lines.length / 4),
    find: (at, reachPt, from) => {
      const { x, y } = at;
      const boxed = index.search(x - reachPt, y - reachPt, x + reachPt, y + reachPt);
      return snapsOf(nearest(boxed.map(read), at, reachPt), at, reachPt, from);
    },
  };
}

/** The pieces that come within reach of a place, by their true distance. */
function nearest(pieces: readonly SnapPiece[], at: Point, reachPt: number): readonly SnapPiece[] {
  const near = pieces
    .map((piece) => ({ piece, away: distance(nearestOnSegment(at, piece.a, piece.b).at, at) }))
    .filter(({ away }) => away <= reachPt);
  if (near.length > NEAR_LIMIT) near.sort((p, q) => p.away - q.away).length = NEAR_LIMIT;
  return near.map(({ piece }) => piece);
}

const isEndOf = (at: Point, { a, b }: SnapPiece): boolean =>
  distance(at, a) < SAME_PT || distance(at, b) < SAME_PT;

/** The snaps that pieces near a place offer. */
export function snapsOf(
  pieces: readonly SnapPiece[],
  at: Point,
  reachPt: number,
  from: Point | undefined,
): readonly Snap[] {
  const found: Snap[] = [];
  const offer = (place: Point, kind: SnapKind | undefined): void => {
    if (kind === undefined || distance(place, at) > reachPt) return;
    if (!found.some((each) => each.kind === kind && distance(each.at, place) < SAME_PT))
      found.push({ at: place, kind });
  };
  pieces.forEach(({ a, b, endA, endB, isPart }, i) => {
    offer(a, endA);
    offer(b, endB);
    if (!isPart) offer({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, 'middle');
    offer(nearestOnSegment(at, a, b).at, 'line');
    if (from !== undefined) {
      const foot = nearestOnSegment(from, a, b);
      if (foot.t > 0 && foot.t < 1) offer(foot.at, 'square');
    }
    for (let j = i + 1; j < pieces.length; j += 1) {
      const other = pieces[j] as SnapPiece;
      const meeting = meetingOf(pieces[i] as SnapPiece, other);
      if (meeting !== undefined) offer(meeting, 'meeting');
      const crossing = crossingOf(a, b, other.a, other.b);
      // Where both end is a corner, an end, or a place where a line only goes on.
      const isTheirEnd = crossing !== undefined && isEndOf(crossing, pieces[i] as SnapPiece);
      if (crossing !== undefined && !(isTheirEnd && isEndOf(crossing, other))) offer(crossing, 'crossing');
    }
  });
  return rankSnaps(found, at);
}

const RANKS: Readonly<Record<SnapKind, number>> = {
  corner: 0,
  end: 0,
  crossing: 0,
  meeting: 0,
  middle: 1,
  square: 1,
  line: 2,
};

/** The pieces of what is drawn by hand: every end is one. */
export const pieceOf = ([a, b]: readonly [Point, Point]): SnapPiece => ({
  a,
  b,
  endA: 'end',
  endB: 'end',
  isPart: false,
});

/** The first list before the second, but places of either before lines of either. */
export function joinSnaps(first: readonly Snap[], second: readonly Snap[]): readonly Snap[] {
  const rank = (list: readonly Snap[], wanted: number): readonly Snap[] =>
    list.filter(({ kind }) => RANKS[kind] === wanted);
  return [0, 1, 2].flatMap((each) => [...rank(first, each), ...rank(second, each)]);
}

/** Places before middles and feet, those before lines; among equals the nearest first; one snap a place. */
export function rankSnaps(snaps: readonly Snap[], at: Point): readonly Snap[] {
  const step = ({ at: place }: Snap): number => Math.round(distance(place, at) / SAME_PT);
  const sorted = [...snaps].sort(
    (p, q) =>
      RANKS[p.kind] - RANKS[q.kind] ||
      step(p) - step(q) ||
      SNAP_KINDS.indexOf(p.kind) - SNAP_KINDS.indexOf(q.kind),
  );
  // A corner where lines meet is a corner, not a crossing as well.
  return sorted.filter(
    (snap, i) => !sorted.slice(0, i).some((stronger) => distance(stronger.at, snap.at) < SAME_PT),
  );
}

/** Lines that stop this short of each other were meant to meet: 3 mm of paper. */
const SHORT_OF_PT = 9;
/** Only a line this many times longer than what it lacks says where it was going. */
const LINE_TO_GAP = 2;

/** Where two lines would meet that each end a little short of it; undefined where they do not. */
function meetingOf(p: SnapPiece, q: SnapPiece): Point | undefined {
  if (!hasFreeEnd(p) || !hasFreeEnd(q)) return undefined;
  const [ux, uy, vx, vy] = [p.b.x - p.a.x, p.b.y - p.a.y, q.b.x - q.a.x, q.b.y - q.a.y];
  const [pLength, qLength] = [Math.hypot(ux, uy), Math.hypot(vx, vy)];
  const cross = ux * vy - uy * vx;
  if (Math.abs(cross) <= MEETING_SIN * pLength * qLength) return undefined;
  const t = ((q.a.x - p.a.x) * vy - (q.a.y - p.a.y) * vx) / cross;
  const u = ((q.a.x - p.a.x) * uy - (q.a.y - p.a.y) * ux) / cross;
  if (!goesOn(p, t, pLength) || !goesOn(q, u, qLength)) return undefined;
  return { x: p.a.x + ux * t, y: p.a.y + uy * t };
}

const hasFreeEnd = ({ endA, endB }: SnapPiece): boolean => endA === 'end' || endB === 'end';

/** Lines nearly in line with each other meet nowhere in particular. */
const MEETING_SIN = 0.35;

/** Whether a line reaches the place at `t` of its length by going on a little from a free end. */
function goesOn({ endA, endB }: SnapPiece, t: number, length: number): boolean {
  const lacks = t < 0 ? -t * length : (t - 1) * length;
  const isFree = t < 0 ? endA === 'end' : endB === 'end';
  return isFree && lacks > SAME_PT && lacks <= SHORT_OF_PT && lacks * LINE_TO_GAP <= length;
}

/** Two lines within this of each other's direction meet nowhere in particular. */
const PARALLEL_SIN = 0.02;

/** Where two segments cross, ends included; undefined when they do not or run alongside. */
function crossingOf(a: Point, b: Point, c: Point, d: Point): Point | undefined {
  const [ux, uy, vx, vy] = [b.x - a.x, b.y - a.y, d.x - c.x, d.y - c.y];
  const cross = ux * vy - uy * vx;
  if (Math.abs(cross) <= PARALLEL_SIN * Math.sqrt((ux * ux + uy * uy) * (vx * vx + vy * vy)))
    return undefined;
  const t = ((c.x - a.x) * vy - (c.y - a.y) * vx) / cross;
  const u = ((c.x - a.x) * uy - (c.y - a.y) * ux) / cross;
  if (t < 0 || t > 1 || u < 0 || u > 1) return undefined;
  return { x: a.x + ux * t, y: a.y + uy * t };
}
