import { describe, expect, it } from '@jest/globals';
import { point } from '@zest/core/geometry/point';
import { createTestJob } from '@zest/core/testing/job';
import { readTyped } from './drawing.ts';

const FOOT = 0.3048;
const us = createTestJob('us');
const metric = createTestJob('metric');
/** 9 points a foot. */
const read = (text: string, toward = point(90, 0)) => readTyped(us.job, us.sheet, text, point(0, 0), toward);

describe('what is typed while drawing', () => {
  it.each([
    [`12'6"`, 112.5],
    ['10', 90],
    ['3.048 m', 90],
    [`8' + 2'`, 90],
  ])('%s is a length toward the pointer', (text, reachPt) => {
    const piece = read(text);
    if (piece?.is !== 'point') throw new Error('no point');
    expect(piece.at.x).toBeCloseTo(reachPt, 6);
    expect(piece.at.y).toBeCloseTo(0, 9);
  });

  it('takes an angle up from the level of the sheet, whose y runs down', () => {
    const piece = read('10 @ 30');
    if (piece?.is !== 'point') throw new Error('no point');
    expect(piece.at.x).toBeCloseTo(90 * Math.cos(Math.PI / 6), 6);
    expect(piece.at.y).toBeCloseTo(-45, 6);
    expect(read(`10' @ -90°`)).toMatchObject({ is: 'point' });
  });

  it('takes a sign for a rise or a drop', () => {
    const [up, down] = [read('+8 ft'), read('-4')];
    expect(up).toEqual({ is: 'rise', riseM: 8 * FOOT });
    expect(down?.is === 'rise' && down.riseM).toBeCloseTo(-4 * FOOT, 12);
  });

  it.each(['apples', '0', '+', '10 @', '10 @ north', '-0'])('reads nothing out of %j', (text) => {
    expect(read(text)).toBeUndefined();
  });

  it('reads a bare figure in the unit of the job, and no length without a scale', () => {
    const piece = readTyped(metric.job, metric.sheet, '3.048', point(0, 0), point(0, 50));
    expect(piece?.is === 'point' && piece.at.y).toBeCloseTo(90, 6);
    expect(readTyped(us.job, { ...us.sheet, scale: null }, '10', point(0, 0), point(9, 0))).toBeUndefined();
  });

  it('keeps a typed length true on a stretched sheet in any direction', () => {
    const scale = { ...us.sheet.scale!, yMetersPerPoint: us.sheet.scale!.xMetersPerPoint * 2 };
    const piece = readTyped(us.job, { ...us.sheet, scale }, '10', point(0, 0), point(30, 40));
    if (piece?.is !== 'point') throw new Error('no point');
    const [x, y] = [piece.at.x / 9, (piece.at.y / 9) * 2];
    expect(Math.hypot(x, y)).toBeCloseTo(10, 9);
    expect(piece.at.y / piece.at.x).toBeCloseTo(40 / 30, 9);
  });
});
