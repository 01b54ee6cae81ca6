import { type Result, accept, refuse } from '../problem/result.ts';
import { type Dimension, LENGTH, NUMBER } from '../units/dimension.ts';
import { matchFeetInch } from '../units/feetInch.ts';
import { UNIT_SPELLINGS, type Unit, findUnit } from '../units/unit.ts';
import type { FormulaProblem } from './problem.ts';
import type { Span } from './span.ts';

export type Token = { readonly at: Span; readonly text: string } & (
  | { readonly type: 'number'; readonly value: number; readonly dimension: Dimension; readonly bare: boolean }
  | { readonly type: 'name' }
  | { readonly type: 'operator' }
  | { readonly type: 'text' }
);

export const FORMULA_LENGTH_LIMIT = 2000;

const OPERATOR = /^(<=|>=|!=|[-+*/^()<>=,])/;
/** A quoted text. After a figure the same mark means inches, and was taken with it. */
const TEXT = /^"([^"]*)"/;
const NAME = /^[\p{L}_][\p{L}\p{N}_]*/u;
const DIGITS = /^(\d+(?:\.\d*)?|\.\d+)(?:[eE][-+]?\d+)?/;
const TIMES = /^[xX](?=\s*[\d.½¼¾⅛⅜⅝⅞])/;
const isWordEnd = (text: string, at: number): boolean => !/[\p{L}\p{N}_]/u.test(text.charAt(at));
const isWord = (spelling: string): boolean => /[\p{L}\p{N}]$/u.test(spelling);

/** Units that may follow a number; quotes were taken with feet and inches already. */
const SPELLINGS = UNIT_SPELLINGS.filter((spelling) => !/^['"′″]$/.test(spelling));

/** `×`, `·` and typographic minus are what people paste; one character for one keeps the places true. */
const normalize = (source: string): string =>
  source.replace(/[×·]/g, '*').replace(/[−–]/g, '-').replace(/÷/g, '/');

function matchSpelling(rest: string): string | undefined {
  return SPELLINGS.find(
    (spelling) =>
      rest.startsWith(spelling) &&
      (!isWord(spelling) || isWordEnd(rest, spelling.length)) &&
      !/^%\d/.test(rest),
  );
}

/** The unit written at the start of `text`, after optional blanks, also `lb/ft` written without blanks. */
function matchUnit(text: string): { readonly unit: Unit; readonly length: number } | undefined {
  const blanks = /^\s*/.exec(text)?.[0].length ?? 0;
  const spelling = matchSpelling(text.slice(blanks));
  if (spelling === undefined) return undefined;
  const length = blanks + spelling.length;
  const under = text.charAt(length) === '/' ? matchSpelling(text.slice(length + 1)) : undefined;
  const ratio = under === undefined ? undefined : findUnit(`${spelling}/${under}`);
  if (under !== undefined && ratio !== undefined) return { unit: ratio, length: length + 1 + under.length };
  const unit = findUnit(spelling);
  return unit === undefined ? undefined : { unit, length };
}

function matchNumber(
  text: string,
): (Omit<Token & { type: 'number' }, 'at' | 'text'> & { length: number }) | undefined {
  const feetInch = matchFeetInch(text);
  if (feetInch?.isLength === true)
    return { type: 'number', value: feetInch.value, dimension: LENGTH, bare: false, length: feetInch.length };
  const digits = DIGITS.exec(text);
  const value = feetInch?.value ?? (digits === null ? undefined : Number(digits[0]));
  const digitsLength = feetInch?.length ?? digits?.[0].length ?? 0;
  if (value === undefined || !Number.isFinite(value)) return undefined;
  const unit = matchUnit(text.slice(digitsLength));
  if (unit === undefined)
    return { type: 'number', value, dimension: NUMBER, bare: true, length: digitsLength };
  const length = digitsLength + unit.length;
  return {
    type: 'number',
    value: value * unit.unit.factor,
    dimension: unit.unit.dimension,
    bare: false,
    length,
  };
}

/** Splits a formula into tokens; a number takes the unit that follows it along. */
export function tokenize(source: string): Result<readonly Token[], FormulaProblem> {
  if (source.length > FORMULA_LENGTH_LIMIT) {
    const at = { start: FORMULA_LENGTH_LIMIT, end: source.length };
    return refuse({ kind: 'formula-too-long', at, length: source.length, limit: FORMULA_LENGTH_LIMIT });
  }
  const text = normalize(source);
  const tokens: Token[] = [];
  let start = 0;
  while (start < text.length) {
    const rest = text.slice(start);
    const blanks = /^\s+/.exec(rest)?.[0].length ?? 0;
    if (blanks > 0) {
      start += blanks;
      continue;
    }
    const quoted = TEXT.exec(rest);
    if (quoted !== null) {
      const at = { start, end: start + quoted[0].length };
      tokens.push({ type: 'text', at, text: source.slice(at.start + 1, at.end - 1) });
      start = at.end;
      continue;
    }
    const number = matchNumber(rest);
    if (number === undefined && TIMES.test(rest) && tokens.at(-1)?.type === 'number') {
      // `2 x 8 ft`, as sizes are said and written.
      tokens.push({ type: 'operator', at: { start, end: start + 1 }, text: '*' });
      start += 1;
      continue;
    }
    const word = number === undefined ? (NAME.exec(rest)?.[0] ?? OPERATOR.exec(rest)?.[0]) : undefined;
    const length = number?.length ?? word?.length ?? 0;
    const at = { start, end: start + Math.max(1, length) };
    if (length === 0) return refuse({ kind: 'formula-unexpected', at, found: rest.charAt(0) });
    const written = source.slice(at.start, at.end);
    if (number !== undefined) {
      const { value, dimension, bare } = number;
      tokens.push({ type: 'number', at, text: written, value, dimension, bare });
    } else tokens.push({ type: NAME.test(rest) ? 'name' : 'operator', at, text: word ?? '' });
    start = at.end;
  }
  return accept(tokens);
}
