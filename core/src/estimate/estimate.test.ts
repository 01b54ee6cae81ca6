import { describe, expect, it } from '@jest/globals';
import Decimal from 'decimal.js';
import fc from 'fast-check';
import { formatMoney, formatMoneyShort, formatUnitCost, minorDigits, toMinor } from '../pricing/money.ts';
import { roundQuantity, roundUpTo, withWaste } from '../pricing/quantity.ts';
import { COMMA_FORMAT, POINT_FORMAT } from '../units/numberFormat.ts';
import { distribute } from './distribute.ts';
import { marginOfMarkup, markupOfMargin, percentOf } from './markup.ts';

describe('money', () => {
  it('has the minor units of ISO 4217: yen none, dollar two, Kuwaiti dinar three', () => {
    expect(['JPY', 'USD', 'KWD'].map(minorDigits)).toEqual([0, 2, 3]);
  });

  it('is written as the job writes it', () => {
    expect(formatMoney(120410, { currency: 'USD', numbers: POINT_FORMAT })).toBe('$1,204.10');
    expect(formatMoney(-120410, { currency: 'EUR', numbers: COMMA_FORMAT })).toBe('−1.204,10\u00a0€');
    expect(formatMoney(1204, { currency: 'JPY', numbers: POINT_FORMAT })).toBe('¥1,204');
    expect(formatUnitCost(0.6275, { currency: 'USD', numbers: POINT_FORMAT })).toBe('$0.6275');
    expect(formatUnitCost(164, { currency: 'USD', numbers: POINT_FORMAT })).toBe('$164.00');
    expect(formatUnitCost(50.061, { currency: 'USD', numbers: POINT_FORMAT }, 'four')).toBe('$50.0610');
  });

  it.each([
    [2_000_000, '$20k'],
    [150_000_000, '$1.5M'],
    [-12_345_600, '−$123.5k'],
    [99_900, '$999'],
    [50, '$0.5'],
    [0, '$0'],
    [300_000_000_000, '$3bn'],
  ])('of %d cents is %s along an axis', (minor, words) => {
    expect(formatMoneyShort(minor, { currency: 'USD', numbers: POINT_FORMAT })).toBe(words);
  });

  it('keeps the job’s marks and the currency’s place along an axis', () => {
    expect(formatMoneyShort(150_000, { currency: 'EUR', numbers: COMMA_FORMAT })).toBe('1,5k\u00a0€');
    expect(formatMoneyShort(20_000, { currency: 'JPY', numbers: POINT_FORMAT })).toBe('¥20k');
  });

  it('extends quantity by unit cost as decimal.js does, to the cent', () => {
    const hundredths = fc.integer({ min: 0, max: 5_000_000 });
    fc.assert(
      fc.property(hundredths, hundredths, fc.constantFrom(1, 100, 1000), (quantity, cost, basis) => {
        const exact = new Decimal(quantity).div(100).mul(new Decimal(cost).div(10_000)).div(basis).mul(100);
        expect(toMinor(((quantity / 100) * (cost / 10_000)) / basis, 2)).toBe(
          exact.toDecimalPlaces(0, Decimal.ROUND_HALF_UP).toNumber(),
        );
      }),
      { numRuns: 2000 },
    );
  });

  it('takes a percentage as decimal.js does', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e11 }),
        fc.integer({ min: 0, max: 10_000 }),
        (minor, hundredths) => {
          const percent = (hundredths / 100).toString();
          const exact = new Decimal(minor).mul(percent).div(100).toDecimalPlaces(0, Decimal.ROUND_HALF_UP);
          expect(percentOf(minor, percent)).toBe(exact.toNumber());
        },
      ),
    );
  });

  it('knows markup from margin: 25 % on cost is a margin of 20 %', () => {
    expect(marginOfMarkup(25)).toBe(20);
    expect(markupOfMargin(20)).toBe(25);
  });

  it('spreads a sum over weights exactly, and fairly to within a cent', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.array(fc.integer({ min: 0, max: 1e7 }), { minLength: 1, maxLength: 30 }),
        (total, weights) => {
          const shares = distribute(total, weights);
          expect(shares.reduce((sum, share) => sum + share, 0)).toBe(total);
          const whole = weights.reduce((sum, weight) => sum + weight, 0);
          if (whole > 0)
            weights.forEach((weight, i) =>
              expect(Math.abs(shares[i]! - (total * weight) / whole)).toBeLessThanOrEqual(1),
            );
        },
      ),
    );
  });
});

describe('quantities', () => {
  it('keeps two decimals, and three digits of what is below one', () => {
    expect(roundQuantity(101.6172)).toBe(101.62);
    expect(roundQuantity(0.0045678)).toBe(0.00457);
  });

  it('adds waste, then rounds up to what can be bought, without a step for binary noise', () => {
    expect(withWaste(200, 5)).toBe(210);
    expect(roundUpTo(14.625, 1)).toBe(15);
    expect(roundUpTo(0.1 + 0.2, 0.1)).toBeCloseTo(0.3, 12);
    expect(roundUpTo(14.67, 0.25)).toBe(14.75);
    expect(roundUpTo(7.3, 0)).toBe(7.3);
  });
});
