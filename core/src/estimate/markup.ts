import type { Grade } from '../job/records/markup.ts';

/** Decimals of a percentage that are reckoned with; records take no more. */
const PLACES = 8;
const UNIT = 10n ** BigInt(PLACES);
const HUNDRED = 100n * UNIT;

/** A decimal text as a whole number of 1e-8. */
function scaled(decimal: string): bigint {
  const [whole = '0', fraction = ''] = decimal.replace('-', '').split('.');
  const size =
    BigInt(whole === '' ? '0' : whole) * UNIT + BigInt(fraction.slice(0, PLACES).padEnd(PLACES, '0'));
  return decimal.startsWith('-') ? -size : size;
}

/**
 * Whole minor units times a fraction, rounded once, halves away from zero. Worked out in whole
 * numbers: a binary fraction would tip a half cent of a large bid the wrong way.
 */
function portion(minor: bigint, numerator: bigint, denominator: bigint): number {
  const product = minor * numerator;
  const size = ((product < 0n ? -product : product) * 2n + denominator) / (denominator * 2n);
  return product < 0n && size !== 0n ? -Number(size) : Number(size);
}

/** A percentage of whole minor units. */
export const percentOf = (minor: number, percent: string): number =>
  portion(BigInt(Math.round(minor)), scaled(percent), HUNDRED);

/** What is added so that it is this percentage of the sum: 20 % margin on 100 is 25. Percent is below 100. */
export function marginOn(minor: number, percent: string): number {
  const rate = scaled(percent);
  return rate >= HUNDRED ? 0 : portion(BigInt(Math.round(minor)), rate, HUNDRED - rate);
}

/**
 * Each part of the base at its own rate, as bonds and insurances are rated: the first 100,000 at
 * 2.5 %, what is beyond at 1.5 %. Rounded once.
 */
export function gradedOf(minor: number, grades: readonly Grade[], digits: number): number {
  let [from, sum] = [0n, 0n];
  const base = BigInt(Math.max(0, Math.round(minor)));
  for (const { upTo, percent } of sortGrades(grades)) {
    const limit = upTo === '' ? base : (scaled(upTo) * 10n ** BigInt(digits)) / UNIT;
    const to = limit < base ? limit : base;
    if (to > from) sum += (to - from) * scaled(percent);
    if (to > from) from = to;
  }
  return portion(sum, 1n, HUNDRED);
}

/** By their limit; what has none comes last. */
export const sortGrades = (grades: readonly Grade[]): readonly Grade[] =>
  [...grades].sort((a, b) => (a.upTo === '' ? 1 : b.upTo === '' ? -1 : Number(a.upTo) - Number(b.upTo)));

/** A margin stated as a share of the price is this markup on cost: 20 % margin is 25 % markup. */
export const markupOfMargin = (marginPercent: number): number =>
  (100 * marginPercent) / (100 - marginPercent);

export const marginOfMarkup = (markupPercent: number): number =>
  (100 * markupPercent) / (100 + markupPercent);
