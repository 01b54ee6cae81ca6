import { distance } from '../../geometry/point.ts';
import { countsOnSheet, recordsOf } from '../../job/belongs.ts';
import { scaleOfMark } from '../../job/scaleAt.ts';
import { placeOfSeat } from '../../takeoff/seat.ts';
import { defineRule } from '../rule.ts';
import { tellingWords } from '../../pricing/tellingWords.ts';

/** A sign of a count this near to an opening is taken for the same thing. */
const NEAR_M = 1.2;

/** Doors and windows that are placed in a wall and counted beside it: each would be paid twice. */
export const countedAndPlaced = defineRule('counted-and-placed', 'openings', ({ job }) =>
  [...job.opening.values()].flatMap((opening) => {
    const host = job.mark.get(opening.markId);
    const scale = host === undefined ? undefined : scaleOfMark(job, host);
    const place = host === undefined ? undefined : placeOfSeat(host, opening.seat);
    if (host === undefined || scale === undefined || place === undefined || opening.scopeId === null)
      return [];
    const placed = job.scope.get(opening.scopeId);
    const words = new Set(tellingWords(placed?.name ?? ''));
    const twin = recordsOf(job.mark, countsOnSheet(job, host.sheetId)).find(({ scopeId, strokes }) => {
      const counted = job.scope.get(scopeId);
      const isAlike =
        scopeId === opening.scopeId || tellingWords(counted?.name ?? '').some((word) => words.has(word));
      return (
        isAlike &&
        strokes.some((stroke) =>
          stroke.some((vertex) => distance(vertex, place.at) * scale.xMetersPerPoint <= NEAR_M),
        )
      );
    });
    if (twin === undefined || placed === undefined) return [];
    return [
      {
        of: `${opening.id} ${twin.id}`,
        name: placed.name,
        place: { at: 'marks' as const, ids: [twin.id], sheetId: host.sheetId },
        facts: { counted: job.scope.get(twin.scopeId)?.name ?? '' },
      },
    ];
  }),
);
