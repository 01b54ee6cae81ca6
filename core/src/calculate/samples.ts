import type { LineAt } from '../estimate/lineSources.ts';
import type { Craft } from '../job/records/craft.ts';
import type { Item } from '../job/records/item.ts';
import type { LineKey } from '../job/lineKey.ts';
import { knownValue } from './define.ts';
import type { Figures } from './figures.ts';
import { lineNode } from './graph/nodes.ts';
import {
  type Pricing,
  findPrice,
  pricingOfComponent,
  pricingOfLine,
  pricingOfPurchase,
} from './lines/pricing.ts';
import { sizedItems } from './lines/sizes.ts';

/** What of a line's money rests on samples that ship with the program. */
export interface LineSamples {
  readonly price: boolean;
  readonly wage: boolean;
}

const NONE: LineSamples = { price: false, wage: false };

/** The item that prices a line; of a sized one, the item its sizes lead to. */
function itemOf(figures: Figures, key: LineKey, { sizing, itemCode }: Pricing): Item | undefined {
  if (sizing === undefined) return figures.findItem(itemCode);
  const at = knownValue(figures.figure(lineNode(key, 'pick')));
  return at === undefined ? undefined : sizedItems(figures.job, sizing)[at]?.item;
}

/** Whether a line is priced by a sample; what was typed over it or quoted for it is nobody's sample. */
export function samplesOfPricing(figures: Figures, key: LineKey, pricing: Pricing): LineSamples {
  const { job } = figures;
  const item = itemOf(figures, key, pricing);
  const price = findPrice(pricing, job, item);
  if (!price.ok) return NONE;
  const { costs, hours } = price.value;
  return {
    price: item?.sample === true && costs.some(({ fromBook }) => fromBook === true),
    wage: hours > 0 && craftsOf(figures, pricing, item).some((id) => isSampleWage(job.craft.get(id))),
  };
}

const isSampleWage = (craft: Craft | undefined): boolean => craft?.sample === true && craft.wage !== '';

function craftsOf({ job }: Figures, { craftId, crewId, labor }: Pricing, item: Item | undefined) {
  if (craftId !== undefined) return [craftId];
  const crew = job.crew.get(crewId ?? labor?.crewId ?? item?.crewId ?? 'crew:');
  if (crew !== undefined) return crew.members.map((member) => member.craftId);
  const own = labor?.craftId ?? item?.craftId ?? null;
  return own === null ? [] : [own];
}

export function samplesOfLine(figures: Figures, { key, of }: Pick<LineAt, 'key' | 'of'>): LineSamples {
  switch (of.by) {
    case 'use':
      return samplesOfPricing(figures, key, pricingOfComponent(figures.job, of.made));
    case 'line':
      return samplesOfPricing(figures, key, pricingOfLine(figures.job, of.made));
    case 'purchase':
      return samplesOfPricing(figures, key, pricingOfPurchase(of.made));
    case 'package':
      return NONE;
  }
}
