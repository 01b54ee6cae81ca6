import { describe, expect, it } from '@jest/globals';
import { point } from '../geometry/point.ts';
import { createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { placeOfSeat, seatAt } from './seat.ts';

const { makeId, sheet } = createTestJob();
const wall = makeMark(makeId, makeScope(makeId, { key: 'wall', kind: 'run' }), sheet, [
  [0, 0],
  [10, 0],
  [10, 10],
]);
const slab = makeMark(makeId, makeScope(makeId, { key: 'slab', kind: 'area' }), sheet, [
  [2, 2],
  [8, 2],
  [8, 8],
]);

describe('where an opening sits', () => {
  it('snaps into the wall at the nearest place, and runs with it', () => {
    const seat = seatAt(wall, point(95, 45));
    expect(seat).toEqual({ on: 'run', stroke: 0, along: 0.75 });
    expect(seat && placeOfSeat(wall, seat)).toEqual({ at: point(90, 45), direction: Math.PI / 2 });
  });

  it('moves with an area by its first corner', () => {
    const seat = seatAt(slab, point(45, 27));
    const moved = { ...slab, strokes: [slab.strokes[0]!.map(({ x, y }) => ({ x: x + 9, y }))] };
    expect(seat && placeOfSeat(moved, seat)?.at).toEqual(point(54, 27));
  });

  it('has no place in points, nor in a stroke that is gone', () => {
    expect(seatAt({ ...wall, kind: 'count' }, point(0, 0))).toBeUndefined();
    expect(placeOfSeat(wall, { on: 'run', stroke: 4, along: 0.5 })).toBeUndefined();
  });
});
