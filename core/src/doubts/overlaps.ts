import clipping from 'polygon-clipping';
import { type Bounds, boundsMeet, boundsOf } from '../geometry/bounds.ts';
import { signedArea } from '../geometry/polygon.ts';
import { groupBy } from '../job/groupBy.ts';
import type { Mark } from '../job/records/mark.ts';
import { scaleOfMark } from '../job/scaleAt.ts';
import type { Doubt } from './doubt.ts';
import type { DoubtContext } from './context.ts';

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
export function marksOverlap({ job }: DoubtContext): readonly Doubt[] {
  const areas = [...job.mark.values()].filter(
    ({ kind, strokes }) => kind === 'area' && (strokes[0]?.length ?? 0) > 2,
  );
  const doubts: Doubt[] = [];
  for (const marks of groupBy(areas, ({ scopeId, sheetId }) => `${scopeId} ${sheetId}`).values()) {
    if (marks.length < 2) continue;
    const sorted = [...marks].sort((a, b) => boundsOfMark(a).minX - boundsOfMark(b).minX);
    sorted.forEach((mark, at) => {
      const own = boundsOfMark(mark);
      for (let next = at + 1; next < sorted.length; next += 1) {
        const other = sorted[next] as Mark;
        const bounds = boundsOfMark(other);
        if (bounds.minX >= own.maxX) break;
        if (!boundsMeet(own, bounds)) continue;
        const common = commonArea(mark, other);
        if (common <= SHARE * Math.min(ownArea(mark), ownArea(other))) continue;
        const scale = scaleOfMark(job, mark);
        const areaM2 = scale === undefined ? 0 : common * scale.xMetersPerPoint * scale.yMetersPerPoint;
        doubts.push({
          key: `marks-overlap|${[mark.id, other.id].sort().join(' ')}`,
          name: job.scope.get(mark.scopeId)?.name ?? '',
          about: { rule: 'marks-overlap', areaM2: Number(areaM2.toPrecision(6)) },
          place: { at: 'marks', ids: [mark.id, other.id], sheetId: mark.sheetId },
        });
      }
    });
  }
  return doubts;
}
