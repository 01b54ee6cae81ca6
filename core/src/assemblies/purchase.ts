import { roundQuantity, roundUpTo, withWaste } from '../pricing/quantity.ts';
import type { Component } from '../job/records/assembly.ts';

/** How a net quantity becomes what is bought: all in the component's unit. */
export interface Purchase {
  readonly wastePercent: number;
  readonly spares: number;
  readonly roundUpTo: number;
  readonly minimum: number;
}

const toNumber = (decimal: string | undefined): number =>
  decimal === undefined || decimal === '' ? 0 : Number(decimal);

/** A component that is rounded over the whole job keeps its own quantity as it comes. */
export const purchaseOf = ({
  wastePercent,
  spares,
  roundUpTo: multiple,
  minimum,
  roundAt,
}: Component): Purchase => ({
  wastePercent: toNumber(wastePercent),
  spares: toNumber(spares),
  roundUpTo: roundAt === 'job' ? 0 : toNumber(multiple),
  minimum: roundAt === 'job' ? 0 : toNumber(minimum),
});

export const AS_IT_COMES: Purchase = { wastePercent: 0, spares: 0, roundUpTo: 0, minimum: 0 };

/** Up to what can be bought: the multiple, then the least that is sold. Nothing needed is nothing bought. */
export const roundToPurchase = (quantity: number, multiple: number, minimum: number): number =>
  quantity <= 0 ? quantity : Math.max(roundUpTo(quantity, multiple), minimum);

/** Waste, then spares, then rounding. */
export function purchase(
  net: number,
  { wastePercent, spares, roundUpTo: multiple, minimum }: Purchase,
): number {
  const gross = withWaste(net, wastePercent);
  const needed = gross > 0 ? gross + spares : gross;
  return roundQuantity(roundToPurchase(needed, multiple, minimum));
}
