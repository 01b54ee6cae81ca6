import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Calculation } from '../calculate/calculation.ts';
import { knownValue } from '../calculate/define.ts';
import { measureNode } from '../calculate/graph/nodes.ts';
import { worldDistance } from '../geometry/ground.ts';
import { point } from '../geometry/point.ts';
import { type Job, applyDiff, createJob, invertDiff, listRecords } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { checkJob } from '../job/integrity.ts';
import { createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { cropSheet, levelingTurn, placingsOf, turnSheet } from './placing.ts';

const { job: started, makeId, sheet } = createTestJob();
const wall = makeScope(makeId, { key: 'wall', kind: 'run' });
const floor = makeScope(makeId, { key: 'floors', kind: 'area', order: 2 });
const run = makeMark(makeId, wall, sheet, [
  [10, 10],
  [60, 10],
  [60, 40],
]);
const area = makeMark(makeId, floor, sheet, [
  [10, 10],
  [60, 10],
  [60, 40],
  [10, 40],
]);
const hole: RecordOf<'opening'> = {
  type: 'opening',
  id: makeId('opening'),
  markId: area.id,
  scopeId: null,
  tag: '',
  widthM: 1,
  heightM: 1,
  seat: { on: 'area', dx: 90, dy: 45 },
};
const withSheet = (changed: Partial<RecordOf<'sheet'>>): Job =>
  createJob([...listRecords(started), wall, floor, run, area, hole, { ...sheet, ...changed }]);

const length = (job: Job): number =>
  knownValue(new Calculation(job).figure(measureNode(wall.id, 'length'))) ?? Number.NaN;
const areaOf = (job: Job): number =>
  knownValue(new Calculation(job).figure(measureNode(floor.id, 'area'))) ?? Number.NaN;

function after(job: Job, command: ReturnType<typeof turnSheet>): Job {
  const diff = command(job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const changed = applyDiff(job, diff.value);
  expect(checkJob(changed)).toBeUndefined();
  expect(applyDiff(changed, invertDiff(diff.value)).sheet).toEqual(job.sheet);
  return changed;
}
const sheetOf = (job: Job): RecordOf<'sheet'> => {
  const found = job.sheet.get(sheet.id);
  if (found === undefined) throw new Error('the sheet is gone');
  return found;
};

describe('turning a sheet', () => {
  it('takes the marks along: every figure stays', () => {
    const job = withSheet({});
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), (angle) => {
        const turned = after(job, turnSheet(sheet.id, angle));
        expect(length(turned)).toBeCloseTo(length(job), 6);
        expect(areaOf(turned)).toBeCloseTo(areaOf(job), 5);
      }),
      { numRuns: 25 },
    );
  });

  it('by a quarter makes a page as high as it was wide, with the same place under every mark', () => {
    const turned = after(withSheet({}), turnSheet(sheet.id, 90));
    expect([sheetOf(turned).widthPt, sheetOf(turned).heightPt]).toEqual([1728, 2592]);
    // The upper left corner of the drawing is now the upper right one.
    const [placing] = placingsOf(sheetOf(turned));
    expect(placing?.matrix).toEqual([0, 1, -1, 0, 1728, 0]);
    expect(turned.mark.get(run.id)?.strokes[0]?.[0]).toEqual({ x: 1728 - 90, y: 90 });
    expect(turned.opening.get(hole.id)?.seat).toEqual({ on: 'area', dx: -45, dy: 90 });
  });

  it('four times by a quarter changes nothing but that it was turned', () => {
    const job = withSheet({});
    const back = [90, 90, 90, 90].reduce((each, angle) => after(each, turnSheet(sheet.id, angle)), job);
    expect(back.mark.get(run.id)).toEqual(job.mark.get(run.id));
    expect(sheetOf(back).placings?.[0]?.matrix).toEqual([1, 0, 0, 1, 0, 0]);
  });

  it('swaps the scales of a stretched sheet with a quarter turn, and keeps both known lengths when it is leveled', () => {
    const stretched: RecordOf<'sheet'>['scale'] = {
      xMetersPerPoint: 0.02,
      yMetersPerPoint: 0.03,
      source: {
        by: 'two-distances',
        across: { a: point(0, 0), b: point(100, 0), text: '2 m' },
        upright: { a: point(0, 0), b: point(0, 100), text: '3 m' },
      },
    };
    const job = withSheet({ scale: stretched });
    const turned = after(job, turnSheet(sheet.id, 90));
    expect(sheetOf(turned).scale).toMatchObject({ xMetersPerPoint: 0.03, yMetersPerPoint: 0.02 });
    expect(length(turned)).toBeCloseTo(length(job), 9);
    const leveled = sheetOf(after(job, turnSheet(sheet.id, 3))).scale;
    if (leveled?.source.by !== 'two-distances') throw new Error('leveled: the scale went');
    const { across, upright } = leveled.source;
    expect(worldDistance(across.a, across.b, leveled)).toBeCloseTo(2, 9);
    expect(worldDistance(upright.a, upright.b, leveled)).toBeCloseTo(3, 9);
    expect(sheetOf(after(job, turnSheet(sheet.id, 40))).scale).toBeNull();
  });
});

describe('cropping a sheet', () => {
  it('moves the drawing and the marks alike, and keeps only the box of the page', () => {
    const job = withSheet({});
    const cropped = after(job, cropSheet(sheet.id, { minX: 50, minY: 40, maxX: 850, maxY: 640 }));
    expect([sheetOf(cropped).widthPt, sheetOf(cropped).heightPt]).toEqual([800, 600]);
    expect(cropped.mark.get(run.id)?.strokes[0]?.[0]).toEqual({ x: 40, y: 50 });
    expect(sheetOf(cropped).placings?.[0]?.clip).toEqual([
      point(0, 0),
      point(800, 0),
      point(800, 600),
      point(0, 600),
    ]);
    expect(length(cropped)).toBeCloseTo(length(job), 9);
  });
});

describe('the turn that levels a line', () => {
  it('goes the shorter way to level or upright', () => {
    expect(levelingTurn(point(0, 0), point(1000, 12.2))).toBeCloseTo(-0.699, 3);
    expect(levelingTurn(point(0, 0), point(-12.2, 1000))).toBeCloseTo(-0.699, 3);
    expect(levelingTurn(point(0, 0), point(100, 0))).toBe(0);
  });
});
