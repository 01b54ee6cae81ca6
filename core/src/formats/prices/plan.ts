import type { MakeId } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import type { Item } from '../../job/records/item.ts';
import { BLANK_ITEM } from '../../pricing/blankItem.ts';
import { SAMPLE_SOURCE } from './sample.ts';
import { ownPrice } from '../../pricing/ownPrice.ts';
import type { PriceDraft, ReadPrices } from './read.ts';

/** What is done with a code the price book has already. */
export const DUPLICATE_POLICIES = ['update', 'prices', 'keep'] as const;
export type DuplicatePolicy = (typeof DUPLICATE_POLICIES)[number];

/** What prices are; the rest of an item stays as it is. */
const PRICE_FIELDS = [
  'basis',
  'material',
  'laborHours',
  'laborBasis',
  'equipment',
  'subcontract',
  'other',
  'date',
  'supplier',
  'source',
] as const;

export interface PricePlan {
  readonly added: readonly Item[];
  readonly updated: readonly (readonly [from: Item, to: Item])[];
  /** In the book already, and kept as they are by the policy or because nothing differs. */
  readonly kept: number;
}

const pricesOf = (draft: PriceDraft): Partial<Item> =>
  Object.fromEntries(
    PRICE_FIELDS.flatMap((field) => (draft[field] === undefined ? [] : [[field, draft[field]]])),
  );

const COSTS = ['material', 'equipment', 'subcontract', 'other'] as const;

const differs = (from: Item, to: Item): boolean =>
  from.sample !== to.sample ||
  (Object.keys(to) as (keyof Item)[]).some((key) => JSON.stringify(from[key]) !== JSON.stringify(to[key]));

const DECIMALS = [
  'material',
  'laborHours',
  'equipment',
  'subcontract',
  'other',
  'wastePercent',
  'packSize',
] as const;

/** A list says 21.7 where the book says 21.70: the same price, which stays as it was written. */
function withoutSame(from: Item, changed: Partial<Item>): Partial<Item> {
  const isSame = (field: (typeof DECIMALS)[number]): boolean => {
    const [before, now] = [from[field] ?? '', changed[field] ?? ''];
    return before !== '' && now !== '' && Number(before) === Number(now);
  };
  const same = new Set<string>(DECIMALS.filter(isSame));
  return Object.fromEntries(Object.entries(changed).filter(([field]) => !same.has(field)));
}

/** A sample that went out in a list comes back as one. */
function readSample(draft: PriceDraft): { readonly isSample: boolean; readonly draft: PriceDraft } {
  if (draft.source !== SAMPLE_SOURCE) return { isSample: false, draft };
  const { source: _said, ...rest } = draft;
  return { isSample: true, draft: rest };
}

/** What taking a price list over would change. Nothing is changed yet. */
export function planPrices(
  { drafts }: Pick<ReadPrices, 'drafts'>,
  job: Pick<Job, 'item'>,
  policy: DuplicatePolicy,
  makeId: MakeId,
): PricePlan {
  const byCode = new Map([...job.item.values()].map((item) => [item.code, item]));
  const added: Item[] = [];
  const updated: (readonly [Item, Item])[] = [];
  let kept = 0;
  for (const { draft: listed } of drafts) {
    const { isSample, draft } = readSample(listed);
    const from = byCode.get(draft.code);
    if (from === undefined) {
      const item = { ...BLANK_ITEM, description: draft.code, ...draft, id: makeId('item') };
      added.push(isSample ? { ...item, sample: true } : item);
      continue;
    }
    const taken = { ...from, ...withoutSame(from, policy === 'update' ? draft : pricesOf(draft)) };
    // A list that names a price makes it one's own, also where it is what the sample said.
    const isOwn = !isSample && COSTS.some((cost) => draft[cost] !== undefined);
    const to: Item = isOwn ? ownPrice(taken) : taken;
    if (policy === 'keep' || !differs(from, to)) kept += 1;
    else updated.push([from, to]);
  }
  return { added, updated, kept };
}

export type RaisedCost = 'material' | 'equipment' | 'subcontract' | 'other';

/** Prices that go up or down by a percentage, to the fourth decimal; items without such a cost stay. */
export function raisePrices(
  items: Iterable<Item>,
  percent: number,
  costs: readonly RaisedCost[],
  date: string,
): readonly (readonly [from: Item, to: Item])[] {
  const raised = (text: string): string =>
    text === '' ? '' : String(Number((Number(text) * (1 + percent / 100)).toFixed(4)));
  return [...items].flatMap((from): readonly (readonly [Item, Item])[] => {
    const to = costs.reduce((item, cost) => ({ ...item, [cost]: raised(item[cost]) }), from);
    return differs(from, to) ? [[from, { ...to, date }]] : [];
  });
}
