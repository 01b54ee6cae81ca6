import { type Arc, pointOnArc } from '../geometry/arc.ts';
import { pathLength, placeOnPath, segmentLength, segmentsOfPath } from '../geometry/path.ts';
import { type Point, distance, nearestOnSegment, subtract } from '../geometry/point.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Opening } from '../job/records/opening.ts';

export type Seat = Opening['seat'];

/** Where an opening sits on the sheet, and the way its wall runs there (radians). */
export interface SeatPlace {
  readonly at: Point;
  readonly direction: number;
}

/** The share of an arc nearest to a place, found by halving: an arc is never long. */
function nearestOnArc(p: Point, arc: Arc): number {
  const steps = 64;
  let best = 0;
  for (let i = 0; i <= steps; i += 1)
    if (distance(p, pointOnArc(arc, i / steps)) < distance(p, pointOnArc(arc, best))) best = i / steps;
  return best;
}

/** The seat in a mark nearest to a place; undefined for marks that hold no openings. */
export function seatAt(mark: Mark, p: Point): Seat | undefined {
  const [origin] = mark.strokes[0] ?? [];
  if (mark.kind === 'count' || origin === undefined) return undefined;
  if (mark.kind !== 'run') {
    const { x, y } = subtract(p, origin);
    return { on: 'area', dx: x, dy: y };
  }
  let best: { readonly away: number; readonly stroke: number; readonly along: number } | undefined;
  mark.strokes.forEach((path, stroke) => {
    const whole = pathLength(path, false);
    let before = 0;
    for (const segment of segmentsOfPath(path, false)) {
      const { from, to, arc } = segment;
      const t = arc === undefined ? nearestOnSegment(p, from, to).t : nearestOnArc(p, arc);
      const at = arc === undefined ? nearestOnSegment(p, from, to).at : pointOnArc(arc, t);
      const length = segmentLength(segment);
      const away = distance(p, at);
      if (whole > 0 && (best === undefined || away < best.away))
        best = { away, stroke, along: Math.min(1, (before + t * length) / whole) };
      before += length;
    }
  });
  return best === undefined ? undefined : { on: 'run', stroke: best.stroke, along: best.along };
}

/** The place of a seat; undefined when its stroke is no longer there. */
export function placeOfSeat(mark: Mark, seat: Seat): SeatPlace | undefined {
  if (seat.on === 'run') return placeOnPath(mark.strokes[seat.stroke] ?? [], false, seat.along);
  const [origin] = mark.strokes[0] ?? [];
  return origin === undefined
    ? undefined
    : { at: { x: origin.x + seat.dx, y: origin.y + seat.dy }, direction: 0 };
}
