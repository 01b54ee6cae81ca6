import { ceilSafely } from '../formula/functions.ts';
import { roundTo } from '../units/numberFormat.ts';
import { NUMBER } from '../units/dimension.ts';
import { type Unit, findUnit } from '../units/unit.ts';

/** The unit of that name; any other word is the label of something bought by the piece. */
export const unitOrLabel = (text: string): Unit =>
  findUnit(text) ?? { symbol: text.trim(), dimension: NUMBER, factor: 1, label: text.trim(), spellings: [] };

/**
 * Decimals a priced quantity keeps: two, or three digits of a figure below one. The quantity that is
 * priced is the quantity that is printed, so that a line can be checked with a pocket calculator.
 */
export function quantityPlaces(quantity: number): number {
  const size = Math.abs(quantity);
  if (size === 0 || size >= 1) return 2;
  return Math.min(8, Math.max(2, 2 - Math.floor(Math.log10(size))));
}

export const roundQuantity = (quantity: number): number => roundTo(quantity, quantityPlaces(quantity));

/** A net quantity with its waste, in the same unit. */
export const withWaste = (net: number, wastePercent: number): number => net * (1 + wastePercent / 100);

/** Up to what can be bought: whole multiples of `multiple`; 0 takes the quantity as it comes. */
export const roundUpTo = (quantity: number, multiple: number): number =>
  multiple > 0 ? roundTo(ceilSafely(quantity / multiple) * multiple, 8) : quantity;
