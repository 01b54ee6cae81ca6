import type { MakeId } from '../../job/id.ts';
import type { Job } from '../../job/job.ts';
import type { Item } from '../../job/records/item.ts';
import { BLANK_ITEM } from '../../pricing/blankItem.ts';
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

const differs = (from: Item, to: Item): boolean =>
  (Object.keys(to) as (keyof Item)[]).some((key) => JSON.stringify(from[key]) !== JSON.stringify(to[key]));

const DECIMALS = ['material', 'laborHours', 'equipment', 'subcontract', 'other', 'wastePercent'] as const;

/** A list says 21.7 where the book says 21.70: the same price, which stays as it was written. */
function withoutSame(from: Item, changed: Partial<Item>): Partial<Item> {
  const isSame = (field: (typeof DECIMALS)[number]): boolean => {
    const [before, now] = [from[field] ?? '', changed[field] ?? ''];
    return before !== '' && now !== '' && Number(before) === Number(now);
  };
  const same = new Set<string>(DECIMALS.filter(isSame));
  return Object.fromEntries(Object.entries(changed).filter(([field]) => !same.has(field)));
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
  for (const { draft } of drafts) {
    const from = byCode.get(draft.code);
    if (from === undefined) {
      added.push({ ...BLANK_ITEM, description: draft.code, ...draft, id: makeId('item') });
      continue;
    }
    const to: Item = { ...from, ...withoutSame(from, policy === 'update' ? draft : pricesOf(draft)) };
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
