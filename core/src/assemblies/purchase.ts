import { roundQuantity, roundUpTo, withWaste } from '../pricing/quantity.ts';
import { COST_KINDS, type Component, type CostKind } from '../job/records/assembly.ts';

/** How a net quantity becomes what is bought: all in the component's unit. */
export interface Purchase {
  readonly wastePercent: number;
  readonly spares: number;
  readonly roundUpTo: number;
  readonly minimum: number;
}

const toNumber = (decimal: string | undefined): number =>
  decimal === undefined || decimal === '' ? 0 : Number(decimal);

/** A bare figure; the minimum may also be a formula, which is figured like any other. */
export const isBareMinimum = (minimum: string): boolean => /^-?\d+(\.\d+)?$/.test(minimum.trim());

/** A component that is rounded over the whole job keeps its own quantity as it comes. */
export const purchaseOf = ({
  wastePercent,
  spares,
  roundUpTo: multiple,
  minimum = '',
  roundAt,
}: Component): Purchase => ({
  wastePercent: toNumber(wastePercent),
  spares: toNumber(spares),
  roundUpTo: roundAt === 'job' ? 0 : toNumber(multiple),
  minimum: roundAt === 'job' || !isBareMinimum(minimum) ? 0 : toNumber(minimum),
});

export const AS_IT_COMES: Purchase = { wastePercent: 0, spares: 0, roundUpTo: 0, minimum: 0 };

/** True where what is bought may differ from what is worked. */
export const isRaised = ({ wastePercent, spares, roundUpTo: multiple, minimum }: Purchase): boolean =>
  wastePercent !== 0 || spares !== 0 || multiple !== 0 || minimum !== 0;

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

const MATERIAL: readonly CostKind[] = ['material'];

/** The kinds that waste is bought for. Where a component is of another kind, its waste does nothing. */
export const wasteKinds = ({ wasteOn }: Pick<Component, 'wasteOn'>): readonly CostKind[] =>
  wasteOn ?? MATERIAL;

/**
 * The kinds of cost that are for what is bought: material, what waste is bought for, and the kind of
 * the component itself, whose rounding was asked for. All others, hours among them, are for the
 * quantity that is worked: a broken device is bought twice and installed once.
 */
export const kindsBought = (component: Pick<Component, 'wasteOn' | 'kind'>): ReadonlySet<CostKind> =>
  new Set([...MATERIAL, ...wasteKinds(component), component.kind]);

/** On a typed line waste is of material alone. */
export const MATERIAL_BOUGHT: ReadonlySet<CostKind> = new Set(MATERIAL);
export const ALL_BOUGHT: ReadonlySet<CostKind> = new Set(COST_KINDS);
