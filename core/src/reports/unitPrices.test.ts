import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { roundQuantity } from '../pricing/quantity.ts';
import { roundTo } from '../units/numberFormat.ts';
import { fitUnitPrices } from './unitPrices.ts';

const fit = (...rows: readonly (readonly [quantity: number, amount: number])[]) =>
  fitUnitPrices(
    rows.map(([quantity, amount]) => ({ quantity, amount })),
    2,
  );

describe('unit prices', () => {
  it('have the fewest decimals that multiply to the amount', () => {
    expect(fit([3, 100_00], [8, 20_00], [620, 2643_18]).rows.map(({ unitPrice }) => unitPrice)).toEqual([
      33.333, 2.5, 4.2632,
    ]);
  });

  it('give the cents that four decimals cannot hold to the largest row that is one of something', () => {
    // A cent on 99,999 of something is no unit price of four decimals.
    const { rows, left } = fit([99_999, 12_345_67], [1, 500_00], [1, 900_00]);
    const [many, small, large] = rows;
    expect(many?.amount).toBe(Math.round((many?.unitPrice ?? 0) * 99_999 * 100));
    expect(small?.amount).toBe(500_00);
    expect((many?.amount ?? 0) + 500_00 + (large?.amount ?? 0)).toBe(12_345_67 + 500_00 + 900_00);
    expect(left).toBe(0);
  });

  it('leave those cents over, to be told, where there is no such row', () => {
    const { rows, left } = fit([99_999, 12_345_67]);
    expect((rows[0]?.amount ?? 0) + left).toBe(12_345_67);
    expect(left).not.toBe(0);
  });

  it('are none where there is nothing to divide by', () => {
    expect(fit([0, 40_00]).rows).toEqual([{ quantity: 0, unitPrice: undefined, amount: 40_00 }]);
  });

  it('always multiply to their amounts, and the amounts come to what they came to before', () => {
    const row = fc.tuple(
      fc.oneof(fc.constant(1), fc.double({ min: 0.01, max: 50_000, noNaN: true })),
      fc.integer({ min: -5_000_000, max: 50_000_000 }),
    );
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 12 }), (given) => {
        const { rows, left } = fit(...given);
        const sum = (amounts: readonly number[]): number => amounts.reduce((all, each) => all + each, 0);
        expect(sum(rows.map(({ amount }) => amount)) + left).toBe(sum(given.map(([, amount]) => amount)));
        rows.forEach(({ quantity, unitPrice, amount }, at) => {
          expect(quantity).toBe(roundQuantity(given[at]?.[0] ?? 0));
          if (unitPrice === undefined) return;
          expect(roundTo(unitPrice * quantity, 2) * 100).toBeCloseTo(amount, 4);
          expect(roundTo(unitPrice, 4)).toBeCloseTo(unitPrice, 9);
        });
      }),
    );
  });
});
