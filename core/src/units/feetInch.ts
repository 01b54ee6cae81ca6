const INCH = 0.0254;

/** What fills the inches of `FEET`: whole and fraction, a fraction alone, or a decimal. */
const INCH_PARTS = String.raw`(?:(\d+)[\s-]+(\d+)\/(\d+)|(\d+)\/(\d+)|(\d+(?:\.\d+)?))`;
const FOOT_MARK = String.raw`(?:['′’]|\s*(?:feet|foot|ft)(?![\p{L}²³^/]))`;
const INCH_MARK = String.raw`(?:["″”]|''|\s*(?:inches|inch|in)(?![\p{L}\p{N}²³^/]))`;

/**
 * Feet and inches as they are written on a sheet: `42'-6"`, `5' 6 1/2"`, `5'6`, `3 ft 6 in`, `6 1/2"`,
 * `3/4"`. Matched at the start of a text; primes may be straight or typographic. Without a mark after
 * them, inches follow the feet at once or after a blank: `3' - 6` is left to the formula.
 */
const FEET = new RegExp(
  String.raw`^(\d+(?:\.\d+)?)${FOOT_MARK}(?:\s*[-–]?\s*${INCH_PARTS}\s*${INCH_MARK})?`,
  'u',
);
const FEET_BARE_INCHES = new RegExp(
  String.raw`^(\d+(?:\.\d+)?)['′’](?:[-–]|\s*)${INCH_PARTS}(?!\s*['′’"″”/\p{L}\p{N}.²³%])`,
  'u',
);
const INCHES = new RegExp(String.raw`^${INCH_PARTS}\s*["″”]`, 'u');
/** A mixed number or a fraction before a spelled unit: `6 1/2 in`, `1/8 in`. */
const MIXED = /^(?:(\d+)\s+)?(\d+)\/(\d+)(?=\s*\p{L})/u;

export interface FeetInchMatch {
  /** In meters; for a mixed number without its unit, the plain number. */
  readonly value: number;
  readonly isLength: boolean;
  readonly length: number;
}

const fraction = (over: string, under: string): number | undefined => {
  const divisor = Number(under);
  // Only what a tape shows is a fraction of an inch: 10/2" is a division that someone wrote.
  const onTape = [2, 4, 8, 16, 32, 64].includes(divisor) && Number(over) < divisor;
  return onTape ? Number(over) / divisor : undefined;
};

function inchesOf(parts: readonly (string | undefined)[]): number | undefined {
  const [whole, over, under, onlyOver, onlyUnder, decimal] = parts;
  if (whole !== undefined && over !== undefined && under !== undefined) {
    const part = fraction(over, under);
    return part === undefined ? undefined : Number(whole) + part;
  }
  if (onlyOver !== undefined && onlyUnder !== undefined) return fraction(onlyOver, onlyUnder);
  return decimal === undefined ? 0 : Number(decimal);
}

/** One character for the fractions of a tape, as a phone or a word processor writes them. */
const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** The text with fractions spelled out, and how long each part of it was as written. */
function spellFractions(text: string): { readonly text: string; readonly lengthAt: (end: number) => number } {
  if (!/[½¼¾⅛⅜⅝⅞]/.test(text)) return { text, lengthAt: (end) => end };
  let spelled = '';
  const ends: number[] = [0];
  [...text].forEach((char, at) => {
    const fractionText = VULGAR[char];
    const written = fractionText === undefined ? char : `${/\d$/.test(spelled) ? ' ' : ''}${fractionText}`;
    spelled += written;
    for (let i = 0; i < written.length; i += 1) ends.push(at + 1);
  });
  return { text: spelled, lengthAt: (end) => ends[end] ?? text.length };
}

/** Matches feet and inches at the start of `text`; undefined when there are none. */
export function matchFeetInch(written: string): FeetInchMatch | undefined {
  const { text, lengthAt } = spellFractions(written);
  const match = matchSpelled(text) ?? (text === written ? undefined : matchFraction(text));
  return match === undefined ? undefined : { ...match, length: lengthAt(match.length) };
}

/** `5½` without a unit: one figure, where `5 1/2` alone would be a mistake. */
function matchFraction(text: string): FeetInchMatch | undefined {
  const match = /^(?:(\d+)\s+)?(\d)\/(\d)(?!\d)/.exec(text);
  if (match === null) return undefined;
  const value = Number(match[1] ?? 0) + Number(match[2]) / Number(match[3]);
  return { value, isLength: false, length: match[0].length };
}

function matchSpelled(text: string): FeetInchMatch | undefined {
  for (const pattern of [FEET_BARE_INCHES, FEET]) {
    const feet = pattern.exec(text);
    if (feet === null) continue;
    const inches = inchesOf(feet.slice(2));
    // A length in spelled feet alone is a figure with a unit like any other.
    if (
      inches === undefined ||
      (feet.slice(2).every((part) => part === undefined) && /\p{L}$/u.test(feet[0]))
    )
      continue;
    return { value: (Number(feet[1]) * 12 + inches) * INCH, isLength: true, length: feet[0].length };
  }
  const inches = INCHES.exec(text);
  if (inches !== null) {
    const value = inchesOf(inches.slice(1));
    return value === undefined
      ? undefined
      : { value: value * INCH, isLength: true, length: inches[0].length };
  }
  const mixed = MIXED.exec(text);
  if (mixed === null) return undefined;
  const part = fraction(mixed[2] ?? '', mixed[3] ?? '');
  if (part === undefined) return undefined;
  return { value: Number(mixed[1] ?? 0) + part, isLength: false, length: mixed[0].length };
}

const greatestCommonDivisor = (a: number, b: number): number =>
  b === 0 ? a : greatestCommonDivisor(b, a % b);

/**
 * Writes a length as feet and inches, rounded to one `parts`-th of an inch: `14′-6 1/2″`.
 * `group` goes between thousands of feet.
 */
export function formatFeetInch(lengthM: number, parts = 4, group = ','): string {
  const total = Math.round(Math.abs(lengthM / INCH) * parts);
  const feet = Math.floor(total / (12 * parts));
  const inchParts = total - feet * 12 * parts;
  const whole = Math.floor(inchParts / parts);
  const rest = inchParts - whole * parts;
  const divisor = greatestCommonDivisor(rest, parts) || 1;
  const tail = rest === 0 ? '' : ` ${rest / divisor}/${parts / divisor}`;
  const feetText = String(feet).replace(/\B(?=(\d{3})+(?!\d))/g, group);
  return `${lengthM < 0 && total > 0 ? '−' : ''}${feetText}′-${whole}${tail}″`;
}
