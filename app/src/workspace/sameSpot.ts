import { distance, type Point } from '@zest/core/geometry/point';
import { pathArea, type Vertex } from '@zest/core/geometry/path';
import type { Job } from '@zest/core/job/job';
import type { Opening } from '@zest/core/job/records/opening';
import type { Scope } from '@zest/core/job/records/scope';
import type { Sheet } from '@zest/core/job/records/sheet';
import { placeOfSeat } from '@zest/core/takeoff/seat';

/** Whether a scope already counts what is there: one thing clicked twice is still one. */
export const isCounted = (job: Job, scope: Scope, sheet: Sheet, at: Point, withinPt: number): boolean =>
  [...job.mark.values()].some(
    ({ kind, scopeId, sheetId, strokes }) =>
      kind === 'count' &&
      scopeId === scope.id &&
      sheetId === sheet.id &&
      strokes.some((stroke) => stroke.some((place) => distance(place, at) <= withinPt)),
  );

/** Whether an opening already sits at the place another is put. */
export function isOpened(job: Job, opening: Opening, withinPt: number): boolean {
  const host = job.mark.get(opening.markId);
  const place = host === undefined ? undefined : placeOfSeat(host, opening.seat);
  if (host === undefined || place === undefined) return false;
  return [...job.opening.values()].some((other) => {
    const there = other.markId === host.id ? placeOfSeat(host, other.seat) : undefined;
    return there !== undefined && distance(there.at, place.at) <= withinPt;
  });
}

/** Less than this is nothing that could be drawn on purpose, in square points. */
const NOTHING_PT2 = 0.01;

export const enclosesNothing = (ring: readonly Vertex[]): boolean => Math.abs(pathArea(ring)) < NOTHING_PT2;
