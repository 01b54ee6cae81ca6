import type { Figures } from '../calculate/figures.ts';
import { NOTHING_APART, type ShownApart, linePrices } from '../calculate/totals/linePrices.ts';
import { inOrder } from '../job/job.ts';
import { placeShares } from './placeShares.ts';

/** What work is split by: where it was drawn. */
export const SPLITS = ['zone', 'level'] as const;
export type Split = (typeof SPLITS)[number];

/** What of the bid is in one place. */
export interface SplitPart {
  /** A zone or a level; empty for what is in none: typed lines, typed pieces, marks that were put nowhere. */
  readonly id: string;
  readonly name: string;
  /** Whole minor units, with their share of tax and markups. */
  readonly price: number;
  /** Direct cost, whole minor units. */
  readonly cost: number;
  readonly hours: number;
}

/**
 * The bid by zones or levels: each line of an assembly is shared out as its scope lies in them, to the cent, so that
 * nothing has to be measured twice to know what a wing or a floor costs. The parts add up to the bid.
 */
export function splitBid(
  figures: Figures,
  by: Split,
  apart: ShownApart = NOTHING_APART,
): readonly SplitPart[] {
  const { job } = figures;
  const parts = new Map<string, { price: number; cost: number; hours: number }>();
  for (const { levelId = '', zoneId = '', price, cost, hours } of placeShares(figures, apart)) {
    const place = by === 'zone' ? zoneId : levelId;
    const part = parts.get(place) ?? { price: 0, cost: 0, hours: 0 };
    part.price += price;
    part.cost += cost;
    part.hours += hours;
    parts.set(place, part);
  }
  // What belongs to no line, such as the rounding of an empty bid, is in no place either.
  const { total, steps } = linePrices(figures, apart);
  const inPlaces = total - steps.reduce((sum, { amount }) => sum + amount, 0);
  const left = inPlaces - [...parts.values()].reduce((sum, { price }) => sum + price, 0);
  if (left !== 0) {
    const none = parts.get('') ?? { price: 0, cost: 0, hours: 0 };
    parts.set('', { ...none, price: none.price + left });
  }
  const places: readonly { readonly id: string; readonly name: string }[] = [
    ...(by === 'zone' ? inOrder(job.zone.values()) : inOrder(job.level.values())),
    { id: '', name: '' },
  ];
  return places.flatMap(({ id, name }) => {
    const part = parts.get(id);
    return part === undefined ? [] : [{ id, name, ...part }];
  });
}
