import { findSlip } from './scaleDoubt.ts';
import { describe, expect, it } from '@jest/globals';
import { point } from '../geometry/point.ts';
import { measureMark, piecesOf, shapeCrossesItself } from './measureMark.ts';
import {
  METERS_PER_POINT,
  parseScaleRatio,
  scaleError,
  scaleOfRatio,
  scaleOfTwoDistances,
  scaleOfTwoPoints,
} from './scale.ts';

const FOOT = 0.3048;

describe('scales', () => {
  it.each([
    [`1/8" = 1'-0"`, 96],
    [`SCALE: 1/4" = 1'-0"`, 48],
    [`3/4" = 1'-0"`, 16],
    [`1" = 20'`, 240],
    ['1:100', 100],
    ['1 : 1250', 1250],
    ['2:1', 0.5],
  ])('reads %s as 1 to %d', (text, ratio) => {
    const read = parseScaleRatio(text);
    expect(read.ok && read.value).toBeCloseTo(ratio, 9);
  });

  it.each(['as noted', '1/8" 1\'-0"', '', '0:1', `0" = 1'`, '1:99999999'])('refuses %j', (text) => {
    expect(parseScaleRatio(text).ok).toBe(false);
  });

  it('makes an inch on the sheet eight feet at 1/8" = 1\'-0"', () => {
    const scale = scaleOfRatio(96);
    expect(72 * scale.xMetersPerPoint).toBeCloseTo(8 * FOOT, 12);
    expect(METERS_PER_POINT * 72).toBeCloseTo(0.0254, 15);
  });

  it('comes from two points and a known distance, and refuses points in one place', () => {
    const scale = scaleOfTwoPoints(point(0, 0), point(300, 400), 50);
    expect(scale.ok && scale.value.xMetersPerPoint).toBeCloseTo(0.1, 12);
    expect(scaleOfTwoPoints(point(5, 5), point(5, 5.2), 3)).toMatchObject({
      ok: false,
      problem: { kind: 'scale-points-coincide' },
    });
  });

  it('comes apart for x and y from two distances on a stretched scan, also slanted ones', () => {
    const [sx, sy] = [0.1, 0.1006];
    const known = (ax: number, ay: number, bx: number, by: number) => ({
      a: point(ax, ay),
      b: point(bx, by),
      lengthM: Math.hypot((bx - ax) * sx, (by - ay) * sy),
    });
    const scale = scaleOfTwoDistances(known(10, 10, 900, 40), known(30, 20, 5, 700));
    expect(scale.ok && scale.value.xMetersPerPoint).toBeCloseTo(sx, 9);
    expect(scale.ok && scale.value.yMetersPerPoint).toBeCloseTo(sy, 9);
    expect(scaleOfTwoDistances(known(0, 0, 500, 10), known(0, 50, 700, 60))).toMatchObject({
      problem: { kind: 'scale-one-way' },
    });
  });

  it.each([
    [96 * 12, 12],
    [9.6, 0.1],
    [96 * 25.4, 25.4],
    [96 * 1.01, undefined],
    // A print at half its size is a round factor as well.
    [48, 0.5],
    [96 * 1.37, undefined],
  ])('1:%d on a sheet that says 1:96 is a slip by %s', (ratio, slip) => {
    expect(findSlip(ratio, 96)).toEqual(slip);
  });

  it('reports what a dimension measures back as a share', () => {
    expect(scaleError(10.05, 10)).toBeCloseTo(0.005, 12);
  });
});

describe('measures of marks', () => {
  const scale = { xMetersPerPoint: 0.1, yMetersPerPoint: 0.2 };
  it('takes x and y apart on a stretched sheet', () => {
    const run = { kind: 'run', strokes: [[point(0, 0), point(10, 0), point(10, 10)]] } as const;
    expect(measureMark(run, 'length', scale)).toBeCloseTo(3, 12);
    const area = {
      kind: 'area',
      strokes: [[point(0, 0), point(10, 0), point(10, 10), point(0, 10)]],
    } as const;
    expect(measureMark(area, 'area', scale)).toBeCloseTo(2, 12);
    expect(measureMark(area, 'perimeter', scale)).toBeCloseTo(6, 12);
  });

  it('leaves out the way between strokes when the pen was lifted', () => {
    const run = {
      kind: 'run',
      strokes: [
        [point(0, 0), point(10, 0)],
        [point(50, 0), point(60, 0)],
      ],
    } as const;
    expect(measureMark(run, 'length', scale)).toBeCloseTo(2, 12);
    expect(piecesOf(run, scale).map(({ lengthM }) => lengthM)).toEqual([1, 1]);
  });

  it('has no length without a scale, but still counts', () => {
    expect(
      measureMark({ kind: 'run', strokes: [[point(0, 0), point(1, 1)]] }, 'length', undefined),
    ).toBeUndefined();
    expect(measureMark({ kind: 'count', strokes: [[point(0, 0), point(1, 1)]] }, 'count', undefined)).toBe(2);
  });

  it('knows an area whose edge crosses itself', () => {
    const bow = { kind: 'area', strokes: [[point(0, 0), point(4, 4), point(4, 0), point(0, 4)]] } as const;
    expect(shapeCrossesItself(bow)).toBe(true);
  });
});
