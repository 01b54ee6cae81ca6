import { type LineAt, findLine } from '../estimate/lineSources.ts';
import type { Craft } from '../job/records/craft.ts';
import type { Item } from '../job/records/item.ts';
import type { LineKey } from '../job/lineKey.ts';
import { knownValue } from './define.ts';
import type { Figures } from './figures.ts';
import { lineNode } from './graph/nodes.ts';
import { type Pricing, pricingOfComponent, pricingOfLine, pricingOfPurchase } from './lines/pricing.ts';
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

/** What prices a line: its own choices, and the item they lead to. */
export interface PricedLine {
  /** Undefined for one sum of a quote. */
  readonly pricing: Pricing | undefined;
  /** Also where its price is typed over, or quoted. */
  readonly item: Item | undefined;
}

export function pricedLine(figures: Figures, { key, of }: Pick<LineAt, 'key' | 'of'>): PricedLine {
  const pricing = pricingOf(figures, of);
  return { pricing, item: pricing === undefined ? undefined : itemOf(figures, key, pricing) };
}

/** The item a line takes its price from; undefined where its price is typed or quoted. */
export const pricingItem = ({ pricing, item }: PricedLine): Item | undefined =>
  pricing === undefined || pricing.quoted !== undefined || pricing.typedCost !== null ? undefined : item;

/** How a line is priced; undefined for one sum of a quote. */
export function pricingOf({ job }: Figures, of: LineAt['of']): Pricing | undefined {
  switch (of.by) {
    case 'use':
      return pricingOfComponent(job, of.made);
    case 'line':
      return pricingOfLine(job, of.made);
    case 'purchase':
      return pricingOfPurchase(of.made);
    case 'package':
      return undefined;
  }
}

/**
 * Whether a line is priced by a sample; what was typed over it or quoted for it is nobody's sample. Told from
 * what prices it, without working the price out: second look asks it of every line.
 */
export function samplesOfPriced(figures: Figures, { pricing, item }: PricedLine): LineSamples {
  if (pricing === undefined || pricing.quoted !== undefined || pricing.typedCost !== null) return NONE;
  const { costs = {} } = pricing;
  const price =
    item !== undefined &&
    item.sample === true &&
    BOOK_COSTS.some((cost) => item[cost] !== '' && costs[cost] === undefined);
  const isWorked = pricing.onlyCosts !== true && costs.labor === undefined && hasHours(pricing, item);
  const wage =
    isWorked && craftsOf(figures, pricing, item).some((id) => isSampleWage(figures.job.craft.get(id)));
  return price || wage ? { price, wage } : NONE;
}

const BOOK_COSTS = ['material', 'equipment', 'subcontract', 'other'] as const;

const hasHours = ({ costs, labor, crewId }: Pricing, item: Item | undefined): boolean =>
  costs?.hours !== undefined ||
  labor !== undefined ||
  (item === undefined ? crewId !== undefined : item.laborHours !== '');

const isSampleWage = (craft: Craft | undefined): boolean => craft?.sample === true && craft.wage !== '';

function craftsOf({ job }: Figures, { craftId, crewId, labor }: Pricing, item: Item | undefined) {
  if (craftId !== undefined) return [craftId];
  const crew = job.crew.get(crewId ?? labor?.crewId ?? item?.crewId ?? 'crew:');
  if (crew !== undefined) return crew.members.map((member) => member.craftId);
  const own = labor?.craftId ?? item?.craftId ?? null;
  return own === null ? [] : [own];
}

export const samplesOfLine = (figures: Figures, line: Pick<LineAt, 'key' | 'of'>): LineSamples =>
  samplesOfPriced(figures, pricedLine(figures, line));

/** Whether any of a line's money rests on samples. */
export function restsOnSamples(figures: Figures, key: LineKey): boolean {
  const line = findLine(figures.job, key);
  if (line === undefined) return false;
  const { price, wage } = samplesOfLine(figures, line);
  return price || wage;
}
