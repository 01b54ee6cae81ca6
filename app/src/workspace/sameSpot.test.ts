import { describe, expect, it } from '@jest/globals';
import { put } from '@zest/core/job/change';
import { applyDiff } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { createTestJob, makeMark, makeScope } from '@zest/core/testing/job';
import { enclosesNothing, isCounted, isOpened } from './sameSpot.ts';

const ring = (...corners: readonly (readonly [number, number])[]) => corners.map(([x, y]) => ({ x, y }));

describe('one thing in one place', () => {
  const test = createTestJob();
  const door = makeScope(test.makeId, { key: 'doors', kind: 'count' });
  const other = makeScope(test.makeId, { key: 'lights', kind: 'count' });
  const wall = makeScope(test.makeId, { key: 'wall', kind: 'run' });
  const counted = makeMark(test.makeId, door, test.sheet, [[10, 10]]);
  const run = makeMark(test.makeId, wall, test.sheet, [
    [0, 0],
    [40, 0],
  ]);
  const openingAlong = (along: number): RecordOf<'opening'> => ({
    type: 'opening',
    id: test.makeId('opening'),
    markId: run.id,
    scopeId: door.id,
    tag: '',
    widthM: 0.9,
    heightM: 2.1,
    seat: { on: 'run', stroke: 0, along },
  });
  const diff = put(door, other, wall, counted, run, openingAlong(0.5))(test.job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const job = applyDiff(test.job, diff.value);

  it('is counted once by a scope, however often it is clicked', () => {
    expect(isCounted(job, door, test.sheet, { x: 90.5, y: 90 }, 1)).toBe(true);
    expect(isCounted(job, door, test.sheet, { x: 93, y: 90 }, 1)).toBe(false);
    // Another scope may count at the same place.
    expect(isCounted(job, other, test.sheet, { x: 90, y: 90 }, 1)).toBe(false);
  });

  it('holds one opening', () => {
    expect(isOpened(job, openingAlong(0.5), 1)).toBe(true);
    expect(isOpened(job, openingAlong(0.6), 1)).toBe(false);
  });
});

describe('an outline', () => {
  it('that encloses nothing is told from one that does', () => {
    expect(enclosesNothing(ring([0, 0], [50, 0], [100, 0]))).toBe(true);
    expect(enclosesNothing(ring([0, 0], [100, 0], [100, 60], [0, 50]))).toBe(false);
  });

  it('of one circle, two arcs, encloses something', () => {
    const circle = [
      { x: 0, y: 10, through: { x: 10, y: 0 } },
      { x: 20, y: 10, through: { x: 10, y: 20 } },
    ];
    expect(enclosesNothing(circle)).toBe(false);
  });
});
