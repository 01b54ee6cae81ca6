import { quantityPlaces, unitOrLabel } from '@zest/core/pricing/quantity';
import { isNumber } from '@zest/core/units/dimension';
import { type NumberFormat, formatNumber } from '@zest/core/units/numberFormat';

/** The digits of a line's quantity: pieces without idle decimals, measures always with two. */
export function writeQuantity(quantity: number, unit: string, numbers: NumberFormat): string {
  return formatNumber(quantity, quantityPlaces(quantity), numbers, isNumber(unitOrLabel(unit).dimension));
}
