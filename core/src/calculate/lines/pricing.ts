import type { PlacedComponent } from '../../assemblies/frames.ts';
import type { AdjustedLine } from '../../estimate/adjusted.ts';
import type { JobPurchase } from '../../estimate/purchases.ts';
import { type QuotedLine, quotedLine } from '../../estimate/quotes.ts';
import { overrideOf } from '../../job/overrides.ts';
import type { Failure } from '../../job/failure.ts';
import { findItem } from '../../job/belongs.ts';
import type { Job } from '../../job/job.ts';
import type { ComponentLabor } from '../../job/records/assembly.ts';
import type { Item } from '../../job/records/item.ts';
import type { Line } from '../../job/records/line.ts';
import type { Sizing, TypedCosts } from '../../job/records/pricing.ts';
import { crewRatesOf } from '../../pricing/labor.ts';
import {
  type UnitPrice,
  priceByCrew,
  priceByHand,
  priceByItem,
  priceWithLabor,
  priceWithTyped,
  priceWithWorker,
} from '../../pricing/price.ts';
import { type Result, refuse } from '../../problem/result.ts';

/** What prices a line: a code of the price book, what was typed over it, a crew, or a quote. */
export interface Pricing {
  readonly unit: string;
  readonly itemCode: string;
  readonly typedCost: Line['typedCost'];
  readonly costs?: TypedCosts | undefined;
  readonly labor?: ComponentLabor | undefined;
  readonly crewId?: Line['crewId'];
  /** The craft that the line itself names. */
  readonly craftId?: Line['craftId'];
  readonly sizing?: Sizing | undefined;
  readonly quoted?: QuotedLine | undefined;
  /** Bought, not built: no hours go into what is only rounded up. */
  readonly onlyCosts?: boolean;
}

export function pricingOfComponent(job: Job, { key, component }: PlacedComponent): Pricing {
  const override = overrideOf(job, key);
  const { unit, labor, sizing } = component;
  return {
    unit,
    itemCode: override?.itemCode ?? component.itemCode,
    typedCost: null,
    costs: override?.costs,
    labor,
    crewId: override?.crewId,
    craftId: override?.craftId,
    // An item chosen by hand is not looked for by size any more.
    sizing: override?.itemCode === undefined ? sizing : undefined,
    quoted: quotedLine(job, key),
  };
}

export const pricingOfLine = (job: Job, line: Line): Pricing => ({
  unit: line.unit,
  itemCode: line.itemCode,
  typedCost: line.typedCost,
  costs: line.costs,
  crewId: line.crewId,
  craftId: line.craftId,
  sizing: line.sizing,
  quoted: quotedLine(job, line.id),
});

export const pricingOfPurchase = ({ unit, code }: JobPurchase): Pricing => ({
  unit,
  itemCode: code,
  typedCost: null,
  onlyCosts: true,
});

/** What of the price book a line takes its price from; undefined where its price is typed or quoted. */
export const pricedItem = (pricing: Pricing | undefined): AdjustedLine['item'] =>
  pricing === undefined || pricing.quoted !== undefined || pricing.typedCost !== null
    ? undefined
    : { code: pricing.itemCode, sizing: pricing.sizing };

/** The price of one unit of a line. For a line that is sized, the item its size leads to is given. */
export function findPrice(pricing: Pricing, job: Job, sized?: Item): Result<UnitPrice, Failure> {
  const { quoted, typedCost, costs, crewId, craftId } = pricing;
  if (quoted !== undefined) return priceByHand(quoted.kind, quoted.amount);
  const base =
    typedCost === null ? bookPrice(pricing, job, sized) : priceByHand(typedCost.kind, typedCost.amount);
  const crewRates = crewRatesOf({ craftId, crewId }, job);
  const price = costs === undefined ? base : priceWithTyped(base, costs, crewRates);
  return crewId === undefined && craftId === undefined ? price : priceWithWorker(price, crewRates);
}

function bookPrice(pricing: Pricing, job: Job, sized: Item | undefined): Result<UnitPrice, Failure> {
  const price = itemPrice(pricing, job, sized);
  if (pricing.onlyCosts === true && price.ok) return withoutHours(price.value);
  if (pricing.labor !== undefined) return priceWithLabor(price, pricing.labor, job);
  if (pricing.crewId === undefined || (pricing.itemCode !== '' && price.ok)) return price;
  return priceByCrew(crewRatesOf({ crewId: pricing.crewId }, job), pricing.unit);
}

const withoutHours = (price: UnitPrice): Result<UnitPrice, Failure> =>
  price.costs.length === 0
    ? { ok: false, problem: { kind: 'no-price' } }
    : { ok: true, value: { ...price, hours: 0, crewRates: undefined } };

function itemPrice(
  { itemCode, unit }: Pricing,
  job: Job,
  sized: Item | undefined,
): Result<UnitPrice, Failure> {
  if (sized !== undefined) return priceByItem(sized, unit, job);
  if (itemCode === '') return refuse({ kind: 'no-price' });
  const item = findItem(job, itemCode);
  if (item === undefined) return refuse({ kind: 'item-unknown', code: itemCode });
  return priceByItem(item, unit, job);
}
