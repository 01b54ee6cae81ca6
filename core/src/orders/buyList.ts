import type { Figures } from '../calculate/figures.ts';
import { findLine } from '../estimate/lineSources.ts';
import type { LineKey } from '../job/lineKey.ts';
import type { Item } from '../job/records/item.ts';
import { roundQuantity } from '../pricing/quantity.ts';
import { type MaterialPart, materialList } from '../reports/materialList.ts';
import { factorBetween } from './compareOffers.ts';
import { type BuyPlace, type DeliveredBy, createDeliveries } from './deliveries.ts';

/** One thing to buy, and where it goes. */
export interface BuyRow extends MaterialPart {
  /** The same for as long as it is the same part in the same unit. */
  readonly key: string;
  readonly item: Item | undefined;
  /** It is sold in packs of so many of its unit; 0 where any quantity is. */
  readonly pack: number;
  readonly places: readonly BuyPlace[];
}

/** The materials of the job: each part once, with what is bought, what is needed, and what goes where. */
export function buyList(figures: Figures, by: DeliveredBy = 'section'): readonly BuyRow[] {
  const placesOf = createDeliveries(figures, by);
  return materialList(figures)
    .filter(({ quantity }) => quantity > 0)
    .map((part) => {
      const item = figures.findItem(part.code);
      return {
        ...part,
        key: [part.partNumber || part.code || part.description, part.unit].join('|'),
        item,
        pack: packOf(figures, part, item),
        places: placesOf(part),
      };
    });
}

/** As the price book says it is sold; else as the lines round it up, the coarsest of them. */
function packOf({ job }: Figures, { keys, unit }: MaterialPart, item: Item | undefined): number {
  const sold = Number(item?.packSize ?? 0);
  const factor = item === undefined ? undefined : factorBetween(unit, item.unit);
  if (sold > 0 && factor !== undefined) return roundQuantity(sold * factor);
  const rounded = keys.map((key) => {
    const of = findLine(job, key as LineKey)?.of;
    if (of?.by === 'purchase') return of.made.roundUpTo;
    return of?.by === 'use' ? Number(of.made.component.roundUpTo) : 0;
  });
  const coarsest = Math.max(0, ...rounded);
  // Whole ones are no packs.
  return coarsest > 1 ? coarsest : 0;
}

/** What is ordered of a material when some of it is there already: the rest, in whole packs where it is sold so. */
export function toOrder(
  { quantity, pack }: Pick<BuyRow, 'quantity' | 'pack'>,
  stock = 0,
): { readonly quantity: number; readonly packs: number } {
  const left = Math.max(0, quantity - stock);
  if (pack === 0) return { quantity: roundQuantity(left), packs: 0 };
  // A millionth of a pack is no pack: figures that are sums are off by less.
  const packs = Math.max(0, Math.ceil(left / pack - 1e-6));
  return { quantity: roundQuantity(packs * pack), packs };
}
