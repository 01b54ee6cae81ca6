import {
  type Affine,
  IDENTITY,
  applyAffine,
  composeAffine,
  readSimilarity,
  translation,
  turning,
} from '../geometry/affine.ts';
import { type Bounds, boundsOf } from '../geometry/bounds.ts';
import { clipRing } from '../geometry/clipRing.ts';
import { worldDistance } from '../geometry/ground.ts';
import type { Point } from '../geometry/point.ts';
import { type Command, put } from '../job/change.ts';
import type { Id } from '../job/id.ts';
import { getRecord } from '../job/job.ts';
import type { JobRecord } from '../job/record.ts';
import type { Placing, ScaleArea, Sheet, SheetScale } from '../job/records/sheet.ts';
import { mapStrokes } from './editStrokes.ts';
import { type KnownDistance, scaleOfTwoDistances } from './scale.ts';

/** The corners of a box, clockwise as seen. */
export const ringOf = ({ minX, minY, maxX, maxY }: Bounds): readonly Point[] => [
  { x: minX, y: minY },
  { x: maxX, y: minY },
  { x: maxX, y: maxY },
  { x: minX, y: maxY },
];

/** How the pages of a sheet lie on it; a sheet that was never touched shows its one page as it is. */
export function placingsOf(sheet: Sheet): readonly Placing[] {
  const { fileId, pageIndex, widthPt, heightPt, placings } = sheet;
  if (placings !== undefined) return placings;
  const clip = ringOf({ minX: 0, minY: 0, maxX: widthPt, maxY: heightPt });
  return [{ fileId, pageIndex, widthPt, heightPt, matrix: [...IDENTITY], clip }];
}

/** A placing carried along; nothing where all of it falls outside. */
const carry = (placing: Placing, matrix: Affine): Placing => ({
  ...placing,
  matrix: [...composeAffine(matrix, placing.matrix)],
  clip: placing.clip.map((p) => applyAffine(matrix, p)),
});

const isQuarter = (turnDeg: number): boolean => Math.abs(turnDeg / 90 - Math.round(turnDeg / 90)) < 1e-9;

/** A stretched sheet that is turned by more than this from a quarter has its stretch neither way. */
const LEVELING_DEG = 15;

/**
 * A scale after a turn. X and Y change places with each odd quarter turn. A stretched sheet that is leveled
 * keeps both its known distances: the scale each way is worked out of them where they lie then.
 * Undefined where it is turned by more; it must be set again.
 */
function turnScale(scale: SheetScale, matrix: Affine): SheetScale | undefined {
  const { turnDeg } = readSimilarity(matrix);
  const moved = <Known extends { readonly a: Point; readonly b: Point }>(known: Known): Known => ({
    ...known,
    a: applyAffine(matrix, known.a),
    b: applyAffine(matrix, known.b),
  });
  const { source, xMetersPerPoint: x, yMetersPerPoint: y } = scale;
  const even = Math.abs(x / y - 1) < 1e-9;
  if (!even && !isQuarter(turnDeg)) return levelScale(scale, turnDeg, moved);
  const swaps = !even && Math.round(turnDeg / 90) % 2 !== 0;
  const sides = swaps
    ? { xMetersPerPoint: y, yMetersPerPoint: x }
    : { xMetersPerPoint: x, yMetersPerPoint: y };
  switch (source.by) {
    case 'ratio':
      return { ...sides, source };
    case 'two-points':
      return { ...sides, source: moved(source) };
    case 'two-distances': {
      const [across, upright] = [moved(source.across), moved(source.upright)];
      return {
        ...sides,
        source: swaps
          ? { by: source.by, across: upright, upright: across }
          : { by: source.by, across, upright },
      };
    }
  }
}

/** A stretched scale after a turn by a few degrees: both known distances stay as long as they were. */
function levelScale(
  scale: SheetScale,
  turnDeg: number,
  moved: <Known extends { readonly a: Point; readonly b: Point }>(known: Known) => Known,
): SheetScale | undefined {
  const { source } = scale;
  if (source.by !== 'two-distances' || Math.abs(turnDeg) > LEVELING_DEG) return undefined;
  const known = (distance: typeof source.across): KnownDistance => ({
    ...moved(distance),
    lengthM: worldDistance(distance.a, distance.b, scale),
  });
  const leveled = scaleOfTwoDistances(known(source.across), known(source.upright));
  if (!leveled.ok) return undefined;
  return {
    ...leveled.value,
    source: { by: source.by, across: moved(source.across), upright: moved(source.upright) },
  };
}

function moveArea(area: ScaleArea, matrix: Affine): ScaleArea | undefined {
  const scale = turnScale(area.scale, matrix);
  const { x, y, width, height } = area;
  const box = boundsOf(
    ringOf({ minX: x, minY: y, maxX: x + width, maxY: y + height }).map((p) => applyAffine(matrix, p)),
  );
  if (scale === undefined) return undefined;
  return {
    ...area,
    scale,
    x: box.minX,
    y: box.minY,
    width: box.maxX - box.minX,
    height: box.maxY - box.minY,
  };
}

/**
 * The sheet as it would be with everything on it carried by `matrix` (moved and turned, not enlarged)
 * and cut to a page of the given size.
 */
function moveSheet(sheet: Sheet, matrix: Affine, widthPt: number, heightPt: number): Sheet {
  const page = ringOf({ minX: 0, minY: 0, maxX: widthPt, maxY: heightPt });
  const placings = placingsOf(sheet)
    .map((placing) => carry(placing, matrix))
    .map((placing) => ({ ...placing, clip: clipToBox(placing.clip, page) }))
    .filter(({ clip }) => clip.length >= 3);
  const { scale, check, scaleAreas, legend, join: _redoneAnew, ...rest } = sheet;
  const at = (p: Point): Point => applyAffine(matrix, p);
  return {
    ...rest,
    widthPt,
    heightPt,
    placings: placings.length === 0 ? placingsOf(sheet).slice(0, 1) : placings,
    scale: scale === null ? null : (turnScale(scale, matrix) ?? null),
    check: check === null ? null : { ...check, a: at(check.a), b: at(check.b) },
    ...(scaleAreas === undefined
      ? {}
      : { scaleAreas: scaleAreas.flatMap((area) => moveArea(area, matrix) ?? []) }),
    ...(legend === undefined ? {} : { legend: inside(at(legend), widthPt, heightPt) }),
  };
}

/** Room the legend needs, so that it does not end up off the page it was placed on. */
const LEGEND_ROOM_PT = 270;

const inside = ({ x, y }: Point, widthPt: number, heightPt: number): Point => ({
  x: Math.max(0, Math.min(x, widthPt - LEGEND_ROOM_PT)),
  y: Math.max(0, Math.min(y, heightPt - LEGEND_ROOM_PT)),
});

/** A convex ring cut to a convex ring. */
export const clipToBox = (ring: readonly Point[], box: readonly Point[]): readonly Point[] =>
  box.reduce<readonly Point[]>(
    (kept, a, i) => clipRing(kept, { a, b: box[(i + 1) % box.length] as Point }),
    ring,
  );

/** Carries a sheet with all marks on it. */
const carrySheet =
  (sheetId: Id<'sheet'>, matrix: Affine, widthPt: number, heightPt: number): Command =>
  (job) => {
    const moved: JobRecord[] = [moveSheet(getRecord(job, sheetId), matrix, widthPt, heightPt)];
    const onSheet = new Set<string>();
    for (const mark of job.mark.values()) {
      if (mark.sheetId !== sheetId) continue;
      onSheet.add(mark.id);
      moved.push({ ...mark, strokes: mapStrokes(mark.strokes, (p) => applyAffine(matrix, p)) });
    }
    const [a, b, c, d] = matrix;
    for (const opening of job.opening.values()) {
      const { seat } = opening;
      if (seat.on !== 'area' || !onSheet.has(opening.markId)) continue;
      const off = applyAffine([a, b, c, d, 0, 0], { x: seat.dx, y: seat.dy });
      moved.push({ ...opening, seat: { on: 'area', dx: off.x, dy: off.y } });
    }
    return put(...moved)(job);
  };

/** Turns a sheet and its marks, clockwise as seen, onto a page that holds all of it. */
export const turnSheet =
  (sheetId: Id<'sheet'>, angleDeg: number): Command =>
  (job) => {
    const { widthPt, heightPt } = getRecord(job, sheetId);
    const matrix = turning(angleDeg);
    const page = ringOf({ minX: 0, minY: 0, maxX: widthPt, maxY: heightPt });
    const { minX, minY, maxX, maxY } = boundsOf(page.map((p) => applyAffine(matrix, p)));
    return carrySheet(
      sheetId,
      composeAffine(translation(-minX, -minY), matrix),
      maxX - minX,
      maxY - minY,
    )(job);
  };

/** Cuts a sheet to a box of it. Marks outside stay where they were on the drawing. */
export const cropSheet = (sheetId: Id<'sheet'>, { minX, minY, maxX, maxY }: Bounds): Command =>
  carrySheet(sheetId, translation(-minX, -minY), maxX - minX, maxY - minY);

/** Degrees to turn so that a line that should be level or upright becomes so, by the shorter way. */
export function levelingTurn(a: Point, b: Point): number {
  const angle = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
  return Math.round(angle / 90) * 90 - angle;
}
