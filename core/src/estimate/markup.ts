import { toMinor } from '../pricing/money.ts';

/** Direct cost by what markups can stand on, in whole minor units. */
export interface MarkupBases {
  readonly cost: number;
  readonly material: number;
  readonly labor: number;
  /** Everything so far: cost, tax, and the markups above. */
  readonly running: number;
}

/** A percentage of whole minor units, rounded once to whole minor units. */
export const percentOf = (minor: number, percent: string): number =>
  toMinor((minor * Number(percent)) / 100, 0);

/** A margin stated as a share of the price is this markup on cost: 20 % margin is 25 % markup. */
export const markupOfMargin = (marginPercent: number): number =>
  (100 * marginPercent) / (100 - marginPercent);

export const marginOfMarkup = (markupPercent: number): number =>
  (100 * markupPercent) / (100 + markupPercent);
