import type { PlacedComponent } from '../../assemblies/frames.ts';
import {
  AS_IT_COMES,
  MATERIAL_BOUGHT,
  type Purchase,
  purchaseOf,
  wasteKinds,
} from '../../assemblies/purchase.ts';
import { adjustmentsOn } from '../../estimate/adjusted.ts';
import type { LineAt } from '../../estimate/lineSources.ts';
import { levelQuote, takenQuote } from '../../estimate/quotes.ts';
import { findItem } from '../../job/belongs.ts';
import type { Id } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import { overrideOf } from '../../job/overrides.ts';
import type { Line } from '../../job/records/line.ts';
import { currencyOf, regionOf } from '../../job/settings.ts';
import { factorsOfRegion, NO_FACTORS, withAdjustments } from '../../pricing/factors.ts';
import { minorDigits, toMinor } from '../../pricing/money.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import type { Define, Definitions } from '../define.ts';
import { lineNode, pinnedNode, typedNode } from '../graph/nodes.ts';
import { difficultyOfJob } from '../queries/difficulty.ts';
import { jobNames } from '../queries/jobNames.ts';
import { type Names, compileValue, ruleOf } from '../queries/names.ts';
import { type PriceFactors, type Amounted, definePrice, factorOf } from './price.ts';
import { type Pricing, findPrice, pricedItem, pricingOfLine } from './pricing.ts';
import { type Pinned, defineQuantity, workedNode } from './quantity.ts';
import { defineSizes, sizedItems } from './sizes.ts';

/** What acts on the price of a line where it stands. */
export function priceFactorsOn(
  job: Job,
  { key, sectionId }: Pick<LineAt, 'key' | 'sectionId'>,
  pricing: Pricing | undefined,
  difficulty = difficultyOfJob(job),
): PriceFactors {
  const regionId = regionOf(job);
  return {
    currency: currencyOf(job),
    difficulty,
    region: factorsOfRegion(regionId === undefined ? undefined : job.region.get(regionId)),
    adjusted: withAdjustments(NO_FACTORS, adjustmentsOn(job, { key, sectionId, item: pricedItem(pricing) })),
  };
}

/** The money of a line; of one that is sized, with the sizes that choose its item. */
export function definePriced(
  key: string,
  pricing: Pricing,
  priceFactors: PriceFactors,
  names: Names,
  job: Job,
  on: Amounted,
): Definitions {
  const { sizing } = pricing;
  if (sizing === undefined || pricing.quoted !== undefined)
    return definePrice(key, { prices: [findPrice(pricing, job)] }, priceFactors, on);
  const items = sizedItems(job, sizing);
  const prices = items.map(({ item }) => findPrice(pricing, job, item));
  const problems = prices.map((price) => (price.ok ? undefined : price.problem));
  return [
    ...defineSizes(key, sizing, items, problems, names),
    ...definePrice(key, { pick: lineNode(key, 'pick'), prices }, priceFactors, on),
  ];
}

/** A quantity that was typed over the flowing one. */
export function pinnedOf(
  key: string,
  text: string | undefined,
  unit: string,
  names: Names,
): Pinned | undefined {
  if (text === undefined || text === '') return undefined;
  const node = pinnedNode(key);
  const value = compileValue(text, unit, names, unitOrLabel(unit).dimension);
  return { node, rule: ruleOf(node, value, names) };
}

const percentText = (own: string | undefined, usual: string | undefined): number =>
  Number((own ?? '') !== '' ? own : (usual ?? '') === '' ? 0 : usual);

/** What is bought for a component: its own waste, else the item's; where waste is bought for it at all. */
export function purchaseOfComponent(job: Job, { key, component }: PlacedComponent): Purchase {
  const override = overrideOf(job, key);
  const own = override?.wastePercent ?? component.wastePercent;
  const item = own === '' ? findItem(job, override?.itemCode ?? component.itemCode) : undefined;
  const wasted = wasteKinds(component).includes(component.kind);
  return { ...purchaseOf(component), wastePercent: wasted ? percentText(own, item?.wastePercent) : 0 };
}

/** A typed line takes its waste from the item where it says none. */
export const wasteOfLine = (job: Job, line: Line): number =>
  percentText(line.wastePercent, findItem(job, line.itemCode)?.wastePercent);

/** A line that was typed: its quantity and its money. Texts and subtotals have neither of their own. */
export const defineLine: Define = ({ job }, id) => {
  const line = job.line.get(id as Id<'line'>);
  if (line === undefined || line.is !== undefined) return [];
  const names = jobNames(job);
  const node = typedNode(id);
  const value = compileValue(line.quantity, line.unit, names, unitOrLabel(line.unit).dimension);
  const quantity = {
    line: line.id,
    net: node,
    unit: line.unit,
    bought: { ...AS_IT_COMES, wastePercent: wasteOfLine(job, line) },
    pinned: pinnedOf(line.id, line.pinned, line.unit, names),
  };
  const on = { worked: workedNode(quantity), bought: MATERIAL_BOUGHT };
  const pricing = pricingOfLine(job, line);
  const priceFactors = priceFactorsOn(job, { key: line.id, sectionId: line.sectionId }, pricing);
  return [
    [node, ruleOf(node, value, names)],
    ...defineQuantity(quantity),
    ...definePriced(line.id, pricing, priceFactors, names, job, on),
  ];
};

/** One lump of work by the quote that is taken, or the reason why it has no price. */
export const definePackage: Define = ({ job }, packageId) => {
  const each = job.package.get(packageId as Id<'package'>);
  if (each?.by !== 'sum') return [];
  const { id, kind, name, sectionId } = each;
  const quantity = [lineNode(id, 'quantity'), { kind: 'value', value: 1 }] as const;
  const extension = lineNode(id, 'extension');
  const quote = takenQuote(job, each);
  if (quote === undefined)
    return [quantity, [extension, { kind: 'value', value: 0, failure: { kind: 'no-quote', package: name } }]];
  const digits = minorDigits(currencyOf(job));
  const times = factorOf(kind, false, priceFactorsOn(job, { key: id, sectionId }, undefined));
  const { total } = levelQuote(quote, digits);
  const value = times === 1 ? total : toMinor((total * times) / 10 ** digits, digits);
  return [quantity, [lineNode(id, kind), { kind: 'value', value }], [extension, { kind: 'value', value }]];
};
