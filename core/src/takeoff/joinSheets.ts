import {
  type Affine,
  applyAffine,
  composeAffine,
  fitSimilarity,
  readSimilarity,
  translation,
} from '../geometry/affine.ts';
import { boundsOf } from '../geometry/bounds.ts';
import { type HalfPlane, clipRing, sideOf } from '../geometry/clipRing.ts';
import { type Point, distance } from '../geometry/point.ts';
import { type Command, put } from '../job/change.ts';
import { inOrder } from '../job/job.ts';
import type { Placing, Sheet, SheetScale } from '../job/records/sheet.ts';
import { type Result, accept, refuse } from '../problem/result.ts';
import { mapStrokes } from './editStrokes.ts';
import { placingsOf } from './placing.ts';
import { worldDistance } from '../geometry/ground.ts';

/** A place on the first sheet and the same place on the second, each in its own sheet points. */
export type JoinPair = readonly [onFirst: Point, onSecond: Point];

export type JoinProblem =
  | { readonly kind: 'join-too-few-points' }
  | { readonly kind: 'join-points-coincide' }
  | { readonly kind: 'join-same-sheet' }
  /** The line through the points has both sheets on one side. */
  | { readonly kind: 'join-same-side' }
  | { readonly kind: 'join-too-large' };

/** Picked closer together than this on a sheet, two points do not tell a direction. */
const NEAREST_PT = 10;
const LARGEST_PT = 20_000;

/** How the second sheet comes to lie beside the first, and how well it fits. */
export interface JoinPlan {
  /** Second sheet's points to the joined sheet's. */
  readonly matrix: Affine;
  /** First sheet's points to the joined sheet's: only moved. */
  readonly shift: Point;
  readonly turnDeg: number;
  readonly factor: number;
  readonly widthPt: number;
  readonly heightPt: number;
  readonly first: readonly Placing[];
  readonly second: readonly Placing[];
  /** Where the two meet, in points of the joined sheet. */
  readonly seam: readonly [Point, Point];
  /** The largest distance left between a pair, in points of the first sheet and in share of the way between the points. */
  readonly residualPt: number;
  readonly residual: number;
  /** The way between the first two points by each sheet's own scale, meters. */
  readonly firstM: number | undefined;
  readonly secondM: number | undefined;
}

const middle = (ring: readonly Point[]): Point => {
  const { minX, minY, maxX, maxY } = boundsOf(ring);
  return { x: (minX + maxX) / 2, y: (minY + maxY) / 2 };
};

const place = (placing: Placing, matrix: Affine, half: HalfPlane): readonly Placing[] => {
  const clip = clipRing(
    placing.clip.map((p) => applyAffine(matrix, p)),
    half,
  );
  return clip.length < 3 ? [] : [{ ...placing, matrix: [...composeAffine(matrix, placing.matrix)], clip }];
};

const measured = (scale: SheetScale | null, a: Point, b: Point): number | undefined =>
  scale === null ? undefined : worldDistance(a, b, scale);

/** The picked points as they must be for a join, or what is wrong with them. */
function findPairProblem(first: Sheet, second: Sheet, pairs: readonly JoinPair[]): JoinProblem | undefined {
  if (first.id === second.id) return { kind: 'join-same-sheet' };
  const [one, two] = pairs;
  if (one === undefined || two === undefined) return { kind: 'join-too-few-points' };
  const near = distance(one[0], two[0]) < NEAREST_PT || distance(one[1], two[1]) < NEAREST_PT;
  return near ? { kind: 'join-points-coincide' } : undefined;
}

/**
 * Lays the second sheet beside the first along the line through the first two points picked on it:
 * moved, turned and enlarged by the similarity that brings the points together. Each sheet shows on
 * its own side of that line. Its scale is the first's.
 */
export function planJoin(
  first: Sheet,
  second: Sheet,
  pairs: readonly JoinPair[],
): Result<JoinPlan, JoinProblem> {
  const problem = findPairProblem(first, second, pairs);
  const fit = problem === undefined ? fitSimilarity(pairs.map(([p, q]) => [q, p])) : undefined;
  if (problem !== undefined || fit === undefined) return refuse(problem ?? { kind: 'join-points-coincide' });
  const [[a, a2], [b, b2]] = pairs as readonly [JoinPair, JoinPair];
  const ours = placingsOf(first);
  const theirs = placingsOf(second);
  const side = Math.sign(sideOf({ a, b }, middle(ours.flatMap(({ clip }) => clip))));
  const other = Math.sign(sideOf({ a, b }, applyAffine(fit, middle(theirs.flatMap(({ clip }) => clip)))));
  if (side === 0 || other === 0 || side === other) return refuse({ kind: 'join-same-side' });
  const [left, right]: readonly [HalfPlane, HalfPlane] =
    side > 0
      ? [
          { a, b },
          { a: b, b: a },
        ]
      : [
          { a: b, b: a },
          { a, b },
        ];
  const still: Affine = translation(0, 0);
  const kept = [
    ...ours.flatMap((placing) => place(placing, still, left)),
    ...theirs.flatMap((placing) => place(placing, fit, right)),
  ];
  const box = boundsOf(kept.flatMap(({ clip }) => clip));
  const [widthPt, heightPt] = [box.maxX - box.minX, box.maxY - box.minY];
  if (widthPt > LARGEST_PT || heightPt > LARGEST_PT) return refuse({ kind: 'join-too-large' });
  const shift = { x: -box.minX, y: -box.minY };
  const moved = translation(shift.x, shift.y);
  const seamHalf = (half: HalfPlane): HalfPlane => ({
    a: applyAffine(moved, half.a),
    b: applyAffine(moved, half.b),
  });
  const residualPt = Math.max(...pairs.map(([p, q]) => distance(p, applyAffine(fit, q))));
  return accept({
    matrix: composeAffine(moved, fit),
    shift,
    ...readSimilarity(fit),
    widthPt,
    heightPt,
    first: ours.flatMap((placing) => place(placing, moved, seamHalf(left))),
    second: theirs.flatMap((placing) => place(placing, composeAffine(moved, fit), seamHalf(right))),
    seam: [applyAffine(moved, a), applyAffine(moved, b)],
    residualPt,
    residual: residualPt / distance(a, b),
    firstM: measured(first.scale, a, b),
    secondM: measured(second.scale, a2, b2),
  });
}

/** What a joined sheet has from its sources and the plan; number, order and id are the caller's. */
export function joinedContent(
  first: Sheet,
  second: Sheet,
  pairs: readonly JoinPair[],
  plan: JoinPlan,
): Pick<
  Sheet,
  'fileId' | 'pageIndex' | 'widthPt' | 'heightPt' | 'printedScale' | 'scale' | 'check' | 'placings' | 'join'
> {
  const { source } = first.scale ?? {};
  const moved = <Known extends { readonly a: Point; readonly b: Point }>(known: Known): Known => ({
    ...known,
    a: { x: known.a.x + plan.shift.x, y: known.a.y + plan.shift.y },
    b: { x: known.b.x + plan.shift.x, y: known.b.y + plan.shift.y },
  });
  const carried =
    source === undefined || source.by === 'ratio'
      ? source
      : source.by === 'two-points'
        ? moved(source)
        : { ...source, across: moved(source.across), upright: moved(source.upright) };
  return {
    fileId: first.fileId,
    pageIndex: first.pageIndex,
    widthPt: plan.widthPt,
    heightPt: plan.heightPt,
    printedScale: first.printedScale,
    scale: first.scale === null || carried === undefined ? null : { ...first.scale, source: carried },
    check: first.check === null ? null : moved(first.check),
    placings: [...plan.first, ...plan.second],
    join: { first: first.id, second: second.id, pairs: pairs.map(([p, q]) => [p, q] as const) },
  };
}

/** Longest number and title a sheet may have. */
const LONGEST_NAME = 200;
const both = (a: string, b: string, between: string): string =>
  [a, b].filter(Boolean).join(between).slice(0, LONGEST_NAME);

/** Puts the joined sheet after the second of the two, named after both, on the first one's level. */
export const joinCommand =
  (id: Sheet['id'], first: Sheet, second: Sheet, pairs: readonly JoinPair[], plan: JoinPlan): Command =>
  (job) => {
    const sheets = inOrder(job.sheet.values());
    const after = sheets[sheets.findIndex((sheet) => sheet.id === second.id) + 1];
    return put({
      type: 'sheet',
      id,
      order: after === undefined ? second.order + 1 : (second.order + after.order) / 2,
      number: both(first.number, second.number, '+'),
      title: both(first.title, second.title, ' and ') || 'Joined sheet',
      ...joinedContent(first, second, pairs, plan),
      ...(first.levelId === undefined ? {} : { levelId: first.levelId }),
      ...(first.discipline === undefined ? {} : { discipline: first.discipline }),
    })(job);
  };

/**
 * Joins a joined sheet anew by other places. Its marks stay on what they were drawn on: on the first
 * sheet, which is only moved with the corner of the joined one.
 */
export const rejoinCommand =
  (joined: Sheet, first: Sheet, second: Sheet, pairs: readonly JoinPair[], plan: JoinPlan): Command =>
  (job) => {
    const { matrix: was } = placingsOf(joined)[0] ?? {};
    const { matrix: own } = placingsOf(first)[0] ?? {};
    const dx = plan.shift.x - ((was?.[4] ?? 0) - (own?.[4] ?? 0));
    const dy = plan.shift.y - ((was?.[5] ?? 0) - (own?.[5] ?? 0));
    const marks = [...job.mark.values()]
      .filter(({ sheetId }) => sheetId === joined.id)
      .map((mark) => ({
        ...mark,
        strokes: mapStrokes(mark.strokes, ({ x, y }) => ({ x: x + dx, y: y + dy })),
      }));
    return put({ ...joined, ...joinedContent(first, second, pairs, plan) }, ...marks)(job);
  };
