import clipping from 'polygon-clipping';
import { type Bounds, boundsMeet, boundsOf } from '../../geometry/bounds.ts';
import { signedArea } from '../../geometry/polygon.ts';
import { groupBy } from '../../job/groupBy.ts';
import type { Mark } from '../../job/records/mark.ts';
import { scaleOfMark } from '../../job/scaleAt.ts';
import type { DoubtContext } from '../context.ts';
import { type Found, defineRule } from '../rule.ts';

/** Less than this share of the smaller mark is a line drawn twice, not an area measured twice. */
const SHARE = 0.01;

const boundsKnown = new WeakMap<Mark, Bounds>();
const boundsOfMark = (mark: Mark): Bounds => {
  const had = boundsKnown.get(mark);
  if (had !== undefined) return had;
  const bounds = boundsOf(mark.strokes[0] ?? [{ x: 0, y: 0 }]);
  boundsKnown.set(mark, bounds);
  return bounds;
};

const ringOf = ({ strokes: [ring = []] }: Mark): [number, number][] => ring.map(({ x, y }) => [x, y]);

/** Marks never change in place, so that what two have in common is worked out once. */
const commonKnown = new WeakMap<Mark, WeakMap<Mark, number>>();

/** Square sheet points that both cover, arcs taken as straight. */
function commonArea(a: Mark, b: Mark): number {
  const had = commonKnown.get(a)?.get(b);
  if (had !== undefined) return had;
  let common = 0;
  try {
    const parts = clipping.intersection([ringOf(a)], [ringOf(b)]);
    for (const part of parts)
      part.forEach((ring, at) => {
        const area = Math.abs(signedArea(ring.map(([x, y]) => ({ x, y }))));
        common += at === 0 ? area : -area;
      });
  } catch {
    // A ring that crosses itself badly is told elsewhere; here it is no doubt.
  }
  const known = commonKnown.get(a) ?? new WeakMap<Mark, number>();
  commonKnown.set(a, known.set(b, common));
  return common;
}

const ownArea = (mark: Mark): number => Math.abs(signedArea(mark.strokes[0] ?? []));

/** The same area measured twice: marks of one scope that lie over each other. */
export const marksOverlap = defineRule('marks-overlap', 'marks', (context) => {
  const areas = [...context.job.mark.values()].filter(
    ({ kind, strokes }) => kind === 'area' && (strokes[0]?.length ?? 0) > 2,
  );
  const together = groupBy(areas, ({ scopeId, sheetId }) => `${scopeId} ${sheetId}`);
  return [...together.values()].flatMap((marks) =>
    [...pairsThatMeet(marks)].flatMap(([a, b]) => overlapOf(context, a, b) ?? []),
  );
});

/** Pairs whose boxes meet, found along x. */
function* pairsThatMeet(marks: readonly Mark[]): Generator<readonly [Mark, Mark]> {
  const sorted = [...marks].sort((a, b) => boundsOfMark(a).minX - boundsOfMark(b).minX);
  for (const [at, mark] of sorted.entries()) {
    const own = boundsOfMark(mark);
    for (const other of sorted.slice(at + 1)) {
      const bounds = boundsOfMark(other);
      if (bounds.minX >= own.maxX) break;
      if (boundsMeet(own, bounds)) yield [mark, other];
    }
  }
}

function overlapOf({ job }: DoubtContext, a: Mark, b: Mark): Found<{ readonly areaM2: number }> | undefined {
  const common = commonArea(a, b);
  if (common <= SHARE * Math.min(ownArea(a), ownArea(b))) return undefined;
  const scale = scaleOfMark(job, a);
  const areaM2 = scale === undefined ? 0 : common * scale.xMetersPerPoint * scale.yMetersPerPoint;
  return {
    of: [a.id, b.id].sort().join(' '),
    name: job.scope.get(a.scopeId)?.name ?? '',
    place: { at: 'marks', ids: [a.id, b.id], sheetId: a.sheetId },
    facts: { areaM2: Number(areaM2.toPrecision(6)) },
  };
}
