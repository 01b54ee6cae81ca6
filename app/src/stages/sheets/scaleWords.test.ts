import { describe, expect, it } from '@jest/globals';
import { point } from '@zest/core/geometry/point';
import { createTestJob } from '@zest/core/testing/job';
import { METERS_PER_POINT, scaleOfRatio } from '@zest/core/takeoff/scale';
import { COMMA_FORMAT, POINT_FORMAT } from '@zest/core/units/numberFormat';
import { checkError } from '@zest/core/takeoff/checkError';
import { describeScaleDoubt, writeError, writeScale } from './scaleWords.ts';

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

  it('asks about a scale in words that name what is wrong', () => {
    const display = { system: 'metric', numbers: POINT_FORMAT } as const;
    expect(describeScaleDoubt({ kind: 'off-printed', factor: 25.4, printed: '1:50' }, display)).toMatch(
      /25\.4 times larger than 1:50, which the sheet prints/,
    );
    expect(describeScaleDoubt({ kind: 'off-usual', factor: 1 / 12, usual: 96 }, display)).toMatch(
      /12 times smaller than 1:96/,
    );
    expect(describeScaleDoubt({ kind: 'extent', widthM: 6308, heightM: 4455 }, display)).toMatch(
      /6,308(\.\d+)? m by 4,455/,
    );
  });
});
