import { describe, expect, it } from '@jest/globals';
import { point } from '@zest/core/geometry/point';
import { createTestJob } from '@zest/core/testing/job';
import { METERS_PER_POINT, scaleOfRatio } from '@zest/core/takeoff/scale';
import { COMMA_FORMAT, POINT_FORMAT } from '@zest/core/units/numberFormat';
import { checkError, writeError, writeScale, writeSlip } from './scaleWords.ts';

const { sheet } = createTestJob();
const known = { a: point(0, 0), b: point(720, 0), text: '24.384 m' };

describe('how a scale reads', () => {
  it('is as it was set, as a ratio from two points, or one each way', () => {
    expect(writeScale(sheet, POINT_FORMAT)).toBe(`1/8" = 1'-0"`);
    expect(writeScale({ ...sheet, scale: null }, POINT_FORMAT)).toBe('No scale');
    const scale = scaleOfRatio(96);
    expect(
      writeScale({ ...sheet, scale: { ...scale, source: { by: 'two-points', ...known } } }, POINT_FORMAT),
    ).toBe('1:96, two points');
    const stretched = {
      ...scale,
      yMetersPerPoint: 97.5 * METERS_PER_POINT,
      source: { by: 'two-distances', across: known, upright: known },
    } as const;
    expect(writeScale({ ...sheet, scale: stretched }, COMMA_FORMAT)).toBe('1:96 across, 1:97,5 up');
  });

  it('tells how far a known dimension measures back long or short', () => {
    const checked = {
      ...sheet,
      scale: { ...scaleOfRatio(96), source: { by: 'ratio', text: '1:96' } as const },
      check: known,
    };
    expect(checkError(checked)).toBeCloseTo(0, 9);
    const long = { ...checked, check: { ...known, text: '24 m' } };
    expect(writeError(checkError(long) ?? NaN, POINT_FORMAT)).toBe('measured back 1.60 % long');
    expect(writeError(checkError(checked) ?? NaN, POINT_FORMAT)).toBe('measured back exactly');
    expect(writeError(-0.000_06, POINT_FORMAT)).toBe('measured back 0.01 % short');
    expect(checkError({ ...checked, scale: null })).toBeUndefined();
  });

  it('says a slip as times larger or smaller', () => {
    expect(writeSlip(25.4, POINT_FORMAT)).toBe('25.4 times larger than what the sheet says');
    expect(writeSlip(1 / 12, POINT_FORMAT)).toBe('12 times smaller than what the sheet says');
  });
});
