import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { formatFeetInch, matchFeetInch } from './feetInch.ts';

const inches = (text: string): number | undefined => {
  const match = matchFeetInch(text);
  return match === undefined || match.length !== text.length ? undefined : match.value / 0.0254;
};

describe('feet and inches', () => {
  it.each([
    [`42'-6"`, 510],
    [`5'6"`, 66],
    [`5' 6 1/2"`, 66.5],
    [`5'-6 1/2"`, 66.5],
    [`14′-6 1/2″`, 174.5],
    [`12'`, 144],
    [`12.5'`, 150],
    [`3/4"`, 0.75],
    [`1/8"`, 0.125],
    [`6 1/2"`, 6.5],
    [`0'-3"`, 3],
  ])('reads %s', (text, expected) => {
    expect(inches(text)).toBeCloseTo(expected, 9);
  });

  it('leaves a division by inches to the formula: 10/2" is no tape reading', () => {
    expect(inches(`10/2"`)).toBeUndefined();
    expect(inches(`1/7"`)).toBeUndefined();
  });

  it('rounds to the quarter inch and carries into the foot', () => {
    expect(formatFeetInch(0.3048 * 11.999)).toBe('12′-0″');
    expect(formatFeetInch(-0.0254 * 6.5)).toBe('−0′-6 1/2″');
    expect(formatFeetInch(0.3048 * 1234.5)).toBe('1,234′-6″');
  });

  it('reads back what it writes', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 4_000_000 }), (quarters) => {
        const lengthM = (quarters / 4) * 0.0254;
        const text = formatFeetInch(lengthM, 4, '');
        expect(matchFeetInch(text)?.value).toBeCloseTo(lengthM, 9);
      }),
    );
  });
});
