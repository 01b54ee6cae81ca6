/** Direct cost by what markups can stand on, in whole minor units. */
export interface MarkupBases {
  readonly cost: number;
  readonly material: number;
  readonly labor: number;
  /** Everything so far: cost, tax, and the markups above. */
  readonly running: number;
}

/**
 * A percentage of whole minor units, rounded once to whole minor units, halves away from zero.
 * Worked out in whole numbers: a binary fraction would tip a half cent of a large bid the wrong way.
 */
export function percentOf(minor: number, percent: string): number {
  const [whole = '0', fraction = ''] = percent.replace('-', '').split('.');
  const share = BigInt(whole + fraction);
  const divisor = 100n * 10n ** BigInt(fraction.length);
  const size = (BigInt(Math.abs(Math.round(minor))) * share * 2n + divisor) / (divisor * 2n);
  const negative = minor < 0 !== percent.startsWith('-');
  return negative && size !== 0n ? -Number(size) : Number(size);
}

/** A margin stated as a share of the price is this markup on cost: 20 % margin is 25 % markup. */
export const markupOfMargin = (marginPercent: number): number =>
  (100 * marginPercent) / (100 - marginPercent);

export const marginOfMarkup = (markupPercent: number): number =>
  (100 * markupPercent) / (100 + markupPercent);
