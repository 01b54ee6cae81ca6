import { type Result, accept, refuse } from '../problem/result.ts';
import { NUMBER } from '../units/dimension.ts';
import { matchFeetInch } from '../units/feetInch.ts';
import { type NumberFormat, formatNumber, parseNumber } from '../units/numberFormat.ts';
import { EMPTY_NAMES } from './checkDimensions.ts';
import { compileFormula } from './compile.ts';

/** Why a figure that a person typed was not taken. Nothing is guessed: what is unclear is asked about. */
export type TypedProblem =
  /** A dot or comma where the job writes none; `meant` is how the job would write what was likely meant. */
  | { readonly kind: 'typed-mark'; readonly text: string; readonly meant: readonly string[] }
  | { readonly kind: 'typed-not-a-number'; readonly text: string; readonly example: string }
  /** A percentage where an amount is wanted. */
  | { readonly kind: 'typed-percent'; readonly text: string }
  /** Money where a figure without a currency is wanted. */
  | { readonly kind: 'typed-money'; readonly text: string }
  | { readonly kind: 'typed-currency'; readonly text: string; readonly currency: string }
  | { readonly kind: 'typed-range'; readonly text: string; readonly least: number; readonly most: number }
  /** `18 600` as printed on a drawing, where a bare figure would be meters or feet. */
  | { readonly kind: 'typed-drawing'; readonly text: string; readonly unit: 'm' | 'ft' };

const RUN = /^\d+(?:[.,]\d+)*/;
/** Thousands apart by a space, as printed on drawings: `18 600`. A fraction or a feet mark after it is none. */
const SPACED = /^\d{1,3}(?: \d{3})+(?![\d/'′]| ?\/)(?:[.,]\d+)?/;
const SPACES = /[\u00a0\u202f\u2009]/g;

const isGrouped = (run: string, group: string, decimal: string): boolean =>
  group !== '' &&
  new RegExp(`^\\d{1,3}(?:\\${group}\\d{3})+(?:\\${decimal}\\d+)?$`).test(run) &&
  run.includes(group);

/** How the job would write the figures that a run with the wrong mark may have meant. */
function meantBy(run: string, numbers: NumberFormat): readonly string[] {
  const at = Math.max(run.lastIndexOf('.'), run.lastIndexOf(','));
  const whole = run.slice(0, at).replace(/[.,]/g, '');
  const fraction = run.slice(at + 1);
  const write = (plain: string): string =>
    formatNumber(Number(plain), (plain.split('.')[1] ?? '').length, numbers);
  const asDecimal = write(`${whole}.${fraction}`);
  return fraction.length === 3 ? [asDecimal, write(whole + fraction)] : [asDecimal];
}

/** One written number in plain notation, or what is unclear about it. */
function plainRun(run: string, numbers: NumberFormat, inCall: boolean): Result<string, TypedProblem> {
  const { decimal, group } = numbers;
  if (!/[.,]/.test(run)) return accept(run);
  if (decimal === '.') {
    // Between the parentheses of a function a comma parts its arguments.
    if (!run.includes(',') || inCall) return accept(run);
    if (isGrouped(run, ',', '.')) return accept(run.replaceAll(',', ''));
    return refuse({ kind: 'typed-mark', text: run, meant: meantBy(run, numbers) });
  }
  if (isGrouped(run, group === '.' ? '.' : '', ',')) return accept(run.replaceAll('.', '').replace(',', '.'));
  if (!run.includes('.') && /^\d+,\d+$/.test(run)) return accept(run.replace(',', '.'));
  return refuse({ kind: 'typed-mark', text: run, meant: meantBy(run, numbers) });
}

/**
 * What a person typed, in the plain notation it is kept in: a leading `=` goes, `(5)` is −5 as on
 * paper, thousands are joined, and a decimal comma becomes a point. A mark that does not fit the
 * job's way to write numbers is refused with what was likely meant, never multiplied by a thousand.
 */
export function toPlain(typed: string, numbers: NumberFormat): Result<string, TypedProblem> {
  let text = typed.replace(SPACES, ' ').trim().replace(/^=\s*/, '');
  const bracketed = /^\(\s*([\d.,' ]+)\s*\)$/.exec(text);
  if (bracketed !== null) text = `-${bracketed[1] ?? ''}`;
  const calls: boolean[] = [];
  let plain = '';
  for (let at = 0; at < text.length;) {
    const rest = text.slice(at);
    const char = rest.charAt(0);
    const within = plain.at(-1) ?? '';
    const begins = /\d/.test(char) && !/[\p{L}\p{N}_.,]/u.test(within);
    if (char === '"' && within !== '"' && !/[\d\s]/.test(within)) {
      // A quoted word of a filter stays as it is.
      const quoted = /^"[^"]*"/.exec(rest)?.[0] ?? char;
      plain += quoted;
      at += quoted.length;
      continue;
    }
    const spaced = begins ? SPACED.exec(rest)?.[0] : undefined;
    const run = begins ? (spaced ?? RUN.exec(rest)?.[0] ?? char) : undefined;
    if (run !== undefined) {
      const read = plainRun(run.replaceAll(' ', ''), numbers, calls.at(-1) === true);
      if (!read.ok) return read;
      plain += read.value;
      at += run.length;
      continue;
    }
    if (char === '(') calls.push(/[\p{L}\p{N}_]/u.test(within));
    if (char === ')') calls.pop();
    plain += char === ';' && numbers.decimal === ',' ? ',' : char;
    at += 1;
  }
  return accept(mixedNumber(plain) ?? plain);
}

/** `½` or `5 1/2` alone is one figure in the field's unit. */
function mixedNumber(plain: string): string | undefined {
  const match = matchFeetInch(`${plain.replace(/^-/, '')} x`);
  if (match === undefined || match.isLength || match.length !== plain.replace(/^-/, '').length)
    return undefined;
  return String(plain.startsWith('-') ? -match.value : match.value);
}

/**
 * What was typed, in the form it is kept in. `unit` is what a bare figure is in: in meters or feet,
 * `18 600` is asked about, since drawings print millimeters so.
 */
export function keepTyped(typed: string, numbers: NumberFormat, unit?: string): Result<string, TypedProblem> {
  const plain = toPlain(typed, numbers);
  if (!plain.ok) return plain;
  const bare = parseNumber(plain.value, { decimal: '.', group: '' });
  if (bare === undefined) return plain;
  const drawn = drawnFigure(typed, unit);
  return drawn === undefined ? accept(decimalText(bare)) : refuse(drawn);
}

/** A number as it is kept: plain decimals, at most eight of them. */
export const decimalText = (value: number): string => {
  const text = String(value);
  return /e/i.test(text) || text.length > 18 ? value.toFixed(8).replace(/\.?0+$/, '') : text;
};

/** What to ask of a bare length that was written with spaces between thousands, as drawings print millimeters. */
export function drawnFigure(typed: string, unit: string | undefined): TypedProblem | undefined {
  const text = typed.replace(SPACES, ' ').trim();
  if ((unit !== 'm' && unit !== 'ft') || !/^-?\d{1,3}( \d{3})+$/.test(text)) return undefined;
  return { kind: 'typed-drawing', text, unit };
}

/** What a figure is of, for cells that take no unit. */
export interface FigureOptions {
  readonly as: 'amount' | 'percent' | 'count';
  /** The job's money; a sign or code of another is refused. Left out where the figure is no money. */
  readonly currency?: string | undefined;
  readonly least?: number | undefined;
  readonly most?: number | undefined;
}

const SIGNS: Readonly<Record<string, string>> = { $: 'USD', '€': 'EUR', '£': 'GBP', '¥': 'JPY' };
const MONEY_AT_START = /^(-?)\s*([$€£¥]|[A-Z]{3}(?=[\s\d]))\s*/;
const MONEY_AT_END = /\s*([$€£¥]|(?<=[\s\d])[A-Z]{3})$/;
const NOTHING = new Float64Array(0);
const NO_SLOTS = new Int32Array(0);

/** The dollar sign is that of several currencies. */
const fits = (sign: string, currency: string): boolean =>
  sign === '$' ? /^(USD|CAD|AUD|NZD|SGD|HKD|MXN)$/.test(currency) : (SIGNS[sign] ?? sign) === currency;

function withoutMoney(text: string, currency: string | undefined): Result<string, TypedProblem> {
  const start = MONEY_AT_START.exec(text);
  const end = MONEY_AT_END.exec(text);
  const sign = start?.[2] ?? end?.[1];
  if (sign === undefined) return accept(text);
  // What is no money has no sign of money: five dollars are not five hours.
  if (currency === undefined) return sign in SIGNS ? refuse({ kind: 'typed-money', text }) : accept(text);
  if (!fits(sign, currency)) return refuse({ kind: 'typed-currency', text, currency });
  return accept(text.replace(MONEY_AT_START, '$1').replace(MONEY_AT_END, ''));
}

/**
 * The one reader of typed figures without a unit: money, percents, counts. Plain arithmetic is worked
 * out; anything half understood is refused. Undefined for an empty text.
 */
export function readFigure(
  typed: string,
  numbers: NumberFormat,
  { as, currency, least, most }: FigureOptions,
): Result<number | undefined, TypedProblem> {
  const trimmed = typed.replace(SPACES, ' ').trim();
  if (trimmed === '') return accept(undefined);
  const isPercent = /%$/.test(trimmed);
  if (isPercent && as !== 'percent') return refuse({ kind: 'typed-percent', text: typed });
  const bracketed = /^\(.*\)$/.test(trimmed) ? trimmed.slice(1, -1) : undefined;
  const money = withoutMoney(bracketed ?? trimmed, as === 'amount' ? currency : undefined);
  if (!money.ok) return money;
  const bare = bracketed === undefined ? money.value : `(${money.value})`;
  const plain = toPlain(isPercent ? bare.replace(/\s*%$/, '') : bare, numbers);
  if (!plain.ok) return plain;
  const value = valueOf(plain.value);
  if (value === undefined) {
    const example = formatNumber(9.8, 2, numbers);
    return refuse({ kind: 'typed-not-a-number', text: typed, example });
  }
  if (
    value < (least ?? -Infinity) ||
    value > (most ?? Infinity) ||
    (as === 'count' && !Number.isInteger(value))
  )
    return refuse({ kind: 'typed-range', text: typed, least: least ?? -Infinity, most: most ?? Infinity });
  return accept(value);
}

function valueOf(plain: string): number | undefined {
  const bare = parseNumber(plain, { decimal: '.', group: '' });
  if (bare !== undefined) return bare;
  const formula = compileFormula(plain, EMPTY_NAMES, NUMBER);
  // A unit cancels out in no price: what has one was meant for another cell.
  if (!formula.ok || /[a-z%°]/i.test(plain.replace(/(?<=\d)\s*(?:e[-+]?|x\s*)(?=[\d.])/gi, '')))
    return undefined;
  const value = formula.value.run(NOTHING, NO_SLOTS);
  return Number.isFinite(value) ? value : undefined;
}
