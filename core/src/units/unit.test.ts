import { describe, expect, it } from '@jest/globals';
import { findUnit, getUnit } from './unit.ts';

/** NIST SP 811 (2008), App. B. Those marked exact are definitions; the rest carry its digits. */
const NIST: readonly (readonly [unit: string, si: number, digits: number])[] = [
  ['in', 0.0254, 12],
  ['ft', 0.3048, 12],
  ['yd', 0.9144, 12],
  ['mi', 1609.344, 9],
  ['lb', 0.45359237, 12],
  ['ton', 907.18474, 9],
  ['ft²', 0.09290304, 12],
  ['ft³', 0.02831685, 8],
  ['yd³', 0.7645549, 7],
  ['gal', 0.003785412, 9],
];

describe('units', () => {
  it.each(NIST)('%s is %d in SI (NIST SP 811)', (unit, si, digits) => {
    expect(getUnit(unit).factor).toBeCloseTo(si, digits);
  });

  it('holds the acre to the international foot; the survey acre of SP 811 (4046.873 m², from memory) differs by 4 ppm', () => {
    expect(getUnit('acre').factor / 4046.873).toBeCloseTo(1, 5);
  });

  it.each([
    ['sq ft', 'ft²'],
    ['sf', 'ft²'],
    ['cy', 'yd³'],
    ['ft^2', 'ft²'],
    ['feet', 'ft'],
    ['M2', 'm²'],
  ])('reads %s as %s', (spelling, symbol) => {
    expect(findUnit(spelling)?.symbol).toBe(symbol);
  });

  it('divides units: a pound per foot is 1.488 kg/m', () => {
    expect(findUnit('lb/ft')?.factor).toBeCloseTo(0.45359237 / 0.3048, 12);
  });

  it('does not know what is not a unit', () => {
    expect(findUnit('furlong')).toBeUndefined();
    expect(findUnit('lb/ft/ft')).toBeUndefined();
    expect(() => getUnit('furlong')).toThrow(/furlong/);
  });
});
