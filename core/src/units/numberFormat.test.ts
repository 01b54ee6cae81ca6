import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import Decimal from 'decimal.js';
import { COMMA_FORMAT, POINT_FORMAT, formatNumber, parseNumber, roundTo } from './numberFormat.ts';

describe('numbers as a job writes them', () => {
  it('groups by thousands with either mark', () => {
    expect(formatNumber(1234567.891, 2, POINT_FORMAT)).toBe('1,234,567.89');
    expect(formatNumber(1234567.891, 2, COMMA_FORMAT)).toBe('1.234.567,89');
    expect(formatNumber(-0.001, 2, POINT_FORMAT)).toBe('0.00');
  });

  it('takes grouping marks only where they group by three, so that 1,25 is not read as 125', () => {
    expect(parseNumber('1,25', POINT_FORMAT)).toBeUndefined();
    expect(parseNumber('1,250', POINT_FORMAT)).toBe(1250);
    expect(parseNumber('1,25', COMMA_FORMAT)).toBe(1.25);
    expect(parseNumber('12 500,5', COMMA_FORMAT)).toBe(12500.5);
    expect(parseNumber('1.2.3', POINT_FORMAT)).toBeUndefined();
    expect(parseNumber('', POINT_FORMAT)).toBeUndefined();
  });

  it('reads back what it writes, in both notations', () => {
    const marks = fc.constantFrom(POINT_FORMAT, COMMA_FORMAT);
    fc.assert(
      fc.property(fc.integer({ min: -1e9, max: 1e9 }), marks, (cents, format) => {
        expect(parseNumber(formatNumber(cents / 100, 2, format), format)).toBeCloseTo(cents / 100, 6);
      }),
    );
  });

  it('rounds a decimal product half away from zero, as decimal.js does', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 10_000_000 }), fc.integer({ min: 0, max: 1_000_000 }), (a, b) => {
        const exact = new Decimal(a).div(100).mul(new Decimal(b).div(10_000));
        expect(roundTo((a / 100) * (b / 10_000), 2)).toBe(
          exact.toDecimalPlaces(2, Decimal.ROUND_HALF_UP).toNumber(),
        );
      }),
      { numRuns: 2000 },
    );
  });
});
