import Flatbush from 'flatbush';
import { type Area, BODY_PT, type Painting, type Piece, createPainting, takeApart } from './areas.ts';
import { withoutWordsAndHatches } from './leftOut.ts';
import type { Bounds } from '../bounds.ts';
import {
  type Clip,
  PAPER,
  type PaintedPath,
  boxHolds,
  brightness,
  clipsHold,
  looksAlike,
} from './painted.ts';

/** A straight piece that shows, with whether anything ends or turns at its ends. */
export interface SeenLine {
  readonly ax: number;
  readonly ay: number;
  readonly bx: number;
  readonly by: number;
  readonly bendsA: boolean;
  readonly bendsB: boolean;
}

/**
 * What a person sees of what was painted, as lines: sides of walls where the color changes, thin lines
 * along their middle; cut to their clips, without what later paint covers, words and hatches.
 */
export function seenLines(paths: readonly PaintedPath[]): readonly SeenLine[] {
  const { areas, sides, lines } = takeApart(withoutWordsAndHatches(paths));
  const painting = createPainting(areas);
  const cutter = createCutter(sides);
  const budget = { looks: LOOKS };
  const seen: SeenLine[] = [];
  for (const side of sides) {
    const tally = { plain: 0, inner: 0 };
    const parts = seenParts(side, cutter(side), budget, (at) => {
      const kind = kindOfSide(painting, at);
      if (kind !== 'none') tally[kind] += at.lengthPt;
      return kind === 'plain';
    });
    if (tally.plain > tally.inner) seen.push(...parts);
  }
  for (const line of lines) {
    const box = boxOf(line);
    const isCovered = painting.meets(box);
    const cuts = isCovered || line.clips.length > 0 ? cutter(line) : [];
    seen.push(...seenParts(line, cuts, budget, (at) => !isCovered || showsLine(painting, line, at)));
  }
  return seen;
}

/** So many places are looked at on a sheet; a picture in vectors is not a plan, and the rest of it counts as seen. */
const LOOKS = 400_000;
/** How far beside a side one looks for the color there. */
const BESIDE_PT = 0.12;
/** Parts shorter than this cannot be told. */
const LEAST_PT = 0.04;

const boxOf = ({ ax, ay, bx, by }: Piece) => ({
  minX: Math.min(ax, bx),
  minY: Math.min(ay, by),
  maxX: Math.max(ax, bx),
  maxY: Math.max(ay, by),
});

/** The middle of a part, with the direction square to it. */
interface PartAt {
  readonly x: number;
  readonly y: number;
  readonly nx: number;
  readonly ny: number;
  readonly lengthPt: number;
}

/** The parts of a piece between its cuts that show, joined again where it goes on. */
function seenParts(
  piece: Piece,
  cuts: readonly number[],
  budget: { looks: number },
  shows: (at: PartAt) => boolean,
): readonly SeenLine[] {
  const { ax, ay, bx, by, clips } = piece;
  const [dx, dy] = [bx - ax, by - ay];
  const length = Math.hypot(dx, dy);
  const [nx, ny] = [-dy / length, dx / length];
  const places = [0, ...cutsOfClips(piece, clips), ...cuts, 1].sort((p, q) => p - q);
  const parts: SeenLine[] = [];
  let open: number | undefined;
  let last = 0;
  const end = (): void => {
    if (open !== undefined && (last - open) * length > LEAST_PT)
      parts.push({
        ax: ax + dx * open,
        ay: ay + dy * open,
        bx: ax + dx * last,
        by: ay + dy * last,
        bendsA: open === 0 && piece.bendsA,
        bendsB: last === 1 && piece.bendsB,
      });
    open = undefined;
  };
  for (let i = 0; i + 1 < places.length; i += 1) {
    const [from, to] = [places[i] as number, places[i + 1] as number];
    if ((to - from) * length <= LEAST_PT && !(from === 0 && to === 1)) {
      last = open === undefined ? last : to;
      continue;
    }
    const [x, y] = [ax + (dx * (from + to)) / 2, ay + (dy * (from + to)) / 2];
    budget.looks -= 1;
    if (
      clipsHold(clips, x, y) &&
      (budget.looks < 0 || shows({ x, y, nx, ny, lengthPt: (to - from) * length }))
    ) {
      open ??= from;
      last = to;
    } else end();
  }
  end();
  return parts;
}

/** Where the edges of clips cut a piece, from 0 to 1 along it. */
function cutsOfClips({ ax, ay, bx, by }: Piece, clips: readonly Clip[]): readonly number[] {
  const cuts: number[] = [];
  for (const { rings, bounds } of clips) {
    const [ring] = rings;
    const isPlain = rings.length === 1 && ring !== undefined && ring.length <= 10 && isBox(ring, bounds);
    if (isPlain && boxHolds(bounds, ax, ay) && boxHolds(bounds, bx, by)) continue;
    for (const edges of rings)
      for (let i = 0, j = edges.length - 2; i < edges.length; j = i, i += 2)
        cutAt(
          cuts,
          ax,
          ay,
          bx,
          by,
          edges[j] as number,
          edges[j + 1] as number,
          edges[i] as number,
          edges[i + 1] as number,
        );
  }
  return cuts;
}

const isBox = (ring: readonly number[], { minX, minY, maxX, maxY }: Bounds): boolean =>
  ring.every((value, i) =>
    i % 2 === 0 ? value === minX || value === maxX : value === minY || value === maxY,
  );

/** Notes where c–d crosses a–b, or where it begins and ends along it. */
function cutAt(
  into: number[],
  ax: number,
  ay: number,
  bx: number,
  by: number,
  cx: number,
  cy: number,
  dx: number,
  dy: number,
): void {
  const [ux, uy, vx, vy] = [bx - ax, by - ay, dx - cx, dy - cy];
  const cross = ux * vy - uy * vx;
  const squared = ux * ux + uy * uy;
  const size = Math.sqrt(squared * (vx * vx + vy * vy));
  if (Math.abs(cross) > 1e-4 * size) {
    const t = ((cx - ax) * vy - (cy - ay) * vx) / cross;
    const u = ((cx - ax) * uy - (cy - ay) * ux) / cross;
    if (t > 0 && t < 1 && u >= -1e-6 && u <= 1 + 1e-6) into.push(t);
    return;
  }
  if (((cx - ax) * uy - (cy - ay) * ux) ** 2 > 0.0025 * squared) return;
  for (const t of [((cx - ax) * ux + (cy - ay) * uy) / squared, ((dx - ax) * ux + (dy - ay) * uy) / squared])
    if (t > 0 && t < 1) into.push(t);
}

/** Where the sides of areas cut a piece. */
function createCutter(sides: readonly Piece[]): (piece: Piece) => readonly number[] {
  if (sides.length === 0) return () => [];
  const index = new Flatbush(sides.length);
  for (const side of sides) {
    const { minX, minY, maxX, maxY } = boxOf(side);
    index.add(minX, minY, maxX, maxY);
  }
  index.finish();
  return (piece) => {
    const { minX, minY, maxX, maxY } = boxOf(piece);
    const cuts: number[] = [];
    index.search(minX - 0.05, minY - 0.05, maxX + 0.05, maxY + 0.05, (i) => {
      const side = sides[i] as Piece;
      if (side !== piece)
        cutAt(cuts, piece.ax, piece.ay, piece.bx, piece.by, side.ax, side.ay, side.bx, side.by);
      return false;
    });
    return cuts;
  };
}

/**
 * What a side is at one place: nothing where the color beside it stays, plain where it changes. White laid
 * over a wall leaves a thin band of it: one line to the eye, with the wall's own side as its outer
 * border and this as its inner one.
 */
function kindOfSide(painting: Painting, { x, y, nx, ny }: PartAt): 'none' | 'plain' | 'inner' {
  const left = painting.top(x + nx * BESIDE_PT, y + ny * BESIDE_PT);
  const right = painting.top(x - nx * BESIDE_PT, y - ny * BESIDE_PT);
  if (looksAlike(left?.color ?? PAPER, right?.color ?? PAPER)) return 'none';
  if (left === undefined || right === undefined) return 'plain';
  const [cover, ink, way] = left.order > right.order ? [left, right, -BODY_PT] : [right, left, BODY_PT];
  if (brightness(cover.color) <= brightness(ink.color)) return 'plain';
  return looksAlike(painting.colorAt(x + nx * way, y + ny * way), ink.color) ? 'plain' : 'inner';
}

/** A line shows unless later paint covers both its sides, or what is around it has its color. */
function showsLine(painting: Painting, line: Piece, { x, y, nx, ny }: PartAt): boolean {
  const beside = Math.max(BESIDE_PT, Math.min(line.widthPt / 2, 0.4));
  const around = [
    painting.top(x + nx * beside, y + ny * beside),
    painting.top(x - nx * beside, y - ny * beside),
  ];
  if (around.every((area: Area | undefined) => area !== undefined && area.order > line.order)) return false;
  return !around.every((area) => looksAlike(area?.color ?? PAPER, line.color));
}
