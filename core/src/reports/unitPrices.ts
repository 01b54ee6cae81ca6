import { roundQuantity } from '../pricing/quantity.ts';
import { toMinor } from '../pricing/money.ts';
import { roundTo } from '../units/numberFormat.ts';

/** A row that is priced by the unit: how much of it, and what it comes to in whole minor units. */
export interface Measured {
  readonly quantity: number;
  readonly amount: number;
}

export interface UnitPriced {
  /** The quantity as it is written, so that whoever multiplies on paper gets the amount. */
  readonly quantity: number;
  /** Major units with at most four decimals; undefined where there is nothing to divide by. */
  readonly unitPrice: number | undefined;
  /** Whole minor units. */
  readonly amount: number;
}

export interface UnitPrices {
  readonly rows: readonly UnitPriced[];
  /** What no row could take: with the rows it is what they came to before. Whole minor units. */
  readonly left: number;
}

/** Unit costs and unit prices have no more decimals. */
const MOST_PLACES = 4;

/**
 * Unit prices that multiply to their amounts. A row takes the fewest decimals that do so; where four do not, its amount
 * is what its unit price comes to, and the cents go to the largest row that is one of something, else they are left.
 */
export function fitUnitPrices(rows: readonly Measured[], digits: number): UnitPrices {
  const fitted = rows.map((row) => fit(row, digits));
  const left = rows.reduce((sum, { amount }, at) => sum + amount - (fitted[at]?.amount ?? 0), 0);
  if (left === 0) return { rows: fitted, left: 0 };
  const takes = largestLump(fitted);
  if (takes === undefined) return { rows: fitted, left };
  return {
    rows: fitted.map((row, at) => {
      if (at !== takes) return row;
      const amount = row.amount + left;
      return { quantity: row.quantity, amount, unitPrice: amount / 10 ** digits };
    }),
    left: 0,
  };
}

function fit({ quantity, amount }: Measured, digits: number): UnitPriced {
  const shown = roundQuantity(quantity);
  if (shown === 0) return { quantity: shown, unitPrice: undefined, amount };
  const exact = amount / 10 ** digits / shown;
  let unitPrice = exact;
  for (let places = digits; places <= Math.max(digits, MOST_PLACES); places += 1) {
    unitPrice = roundTo(exact, places);
    if (toMinor(unitPrice * shown, digits) === amount) return { quantity: shown, unitPrice, amount };
  }
  return { quantity: shown, unitPrice, amount: toMinor(unitPrice * shown, digits) };
}

/** Of what is one of something any amount is its unit price. */
function largestLump(rows: readonly UnitPriced[]): number | undefined {
  let found: number | undefined;
  rows.forEach(({ quantity, amount }, at) => {
    if (quantity !== 1) return;
    if (found === undefined || amount > (rows[found]?.amount ?? 0)) found = at;
  });
  return found;
}
