import { describe, expect, it } from '@jest/globals';
import { type Command, put } from '../job/change.ts';
import { type Job, applyDiff } from '../job/job.ts';
import type { Mark } from '../job/records/mark.ts';
import { EIGHTH_SCALE, createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { cutOut, findAround } from './holes.ts';
import { measureMark } from './measureMark.ts';

const { job: empty, makeId, sheet } = createTestJob();
const scope = makeScope(makeId, { key: 'tiles', kind: 'area' });
/** Feet. */
const square = (x: number, y: number, side: number): Mark =>
  makeMark(makeId, scope, sheet, [
    [x, y],
    [x + side, y],
    [x + side, y + side],
    [x, y + side],
  ]);
const [floor, shaft, beside] = [square(10, 10, 10), square(12, 12, 2), square(40, 10, 3)] as const;
const changed = (job: Job, command: Command): Job => {
  const diff = command(job);
  if (!diff.ok) throw new Error(`changed: refused, ${diff.problem.kind}`);
  return applyDiff(job, diff.value);
};

describe('an area drawn inside another', () => {
  const job = changed(empty, put(scope, floor, shaft, beside));

  it('is known by the area around it, of the same scope', () => {
    expect(findAround(job, shaft)?.id).toBe(floor.id);
    expect(findAround(job, beside)).toBeUndefined();
    expect(findAround(job, floor)).toBeUndefined();
  });

  it('is cut out in one step: the floor is smaller by just its area, and one mark is left of the two', () => {
    const cut = changed(job, cutOut(floor.id, shaft.id));
    expect(cut.mark.has(shaft.id)).toBe(false);
    const [before, hole, after] = [floor, shaft, cut.mark.get(floor.id)].map((mark) =>
      measureMark(mark as Mark, 'area', EIGHTH_SCALE),
    ) as [number, number, number];
    expect(before / 0.09290304).toBeCloseTo(100, 9);
    expect(hole / 0.09290304).toBeCloseTo(4, 9);
    expect(after).toBeCloseTo(before - hole, 12);
  });
});
