import { own } from '../job/own.ts';
import { type NumberFormat, formatNumber, roundTo } from '../units/numberFormat.ts';

/**
 * Money is whole minor units (cents) everywhere after the unit cost: whole numbers add up exactly
 * in any order. Unit costs stay decimal text of up to eight places until they are extended.
 */

/** Decimals of a currency where they are not two (ISO 4217, from memory). */
const MINOR_DIGITS: Readonly<Record<string, number>> = {
  JPY: 0,
  KRW: 0,
  VND: 0,
  CLP: 0,
  ISK: 0,
  KWD: 3,
  BHD: 3,
  OMR: 3,
  JOD: 3,
  TND: 3,
};

export const minorDigits = (currency: string): number => own(MINOR_DIGITS, currency) ?? 2;

const SYMBOLS: Readonly<Record<string, string>> = { USD: '$', EUR: '€', GBP: '£', JPY: '¥' };

/** Rounds an amount in major units to whole minor units, halves away from zero. */
export const toMinor = (amount: number, digits: number): number =>
  roundTo(amount * (digits === 2 ? 100 : 10 ** digits), 0);

export interface MoneyFormat {
  readonly currency: string;
  readonly numbers: NumberFormat;
}

/** Writes whole minor units: `$1,204.10`, `1.204,10 €`. The sign stands before everything. */
export function formatMoney(minor: number, format: MoneyFormat): string {
  const digits = minorDigits(format.currency);
  return dress(formatNumber(Math.abs(minor) / 10 ** digits, digits, format.numbers), minor < 0, format);
}

/**
 * Writes a unit cost in major units with its own decimals, from the currency's to four; or always with
 * four, where worked out figures stand below one another.
 */
export function formatUnitCost(amount: number, format: MoneyFormat, places: 'own' | 'four' = 'own'): string {
  const digits = minorDigits(format.currency);
  const exact = roundTo(amount, 4);
  const own =
    roundTo(exact, digits) === exact ? digits : Math.max(digits, roundTo(exact, 3) === exact ? 3 : 4);
  const shown = places === 'own' ? own : 4;
  return dress(formatNumber(Math.abs(exact), shown, format.numbers), exact < 0, format);
}

const LARGE = [
  [1e9, 'bn'],
  [1e6, 'M'],
  [1e3, 'k'],
] as const;

/** Money where only its size matters, as along an axis: `$20k`, `1,5M €`, `$750`. */
export function formatMoneyShort(minor: number, format: MoneyFormat): string {
  const amount = Math.abs(minor) / 10 ** minorDigits(format.currency);
  const [size, letter] = LARGE.find(([least]) => amount >= least) ?? [1, ''];
  const figure = formatNumber(amount / size, amount % size === 0 ? 0 : 1, format.numbers, true);
  return dress(`${figure}${letter}`, minor < 0, format);
}

function dress(figure: string, negative: boolean, { currency, numbers }: MoneyFormat): string {
  const symbol = own(SYMBOLS, currency) ?? `${currency}\u00a0`;
  const sign = negative ? '−' : '';
  if (numbers.decimal === ',') return `${sign}${figure}\u00a0${symbol.trim()}`;
  return `${sign}${symbol}${figure}`;
}
