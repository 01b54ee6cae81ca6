const INCH = 0.0254;

/**
 * Feet and inches as they are written on a sheet: `42'-6"`, `5' 6 1/2"`, `5'6`, `6 1/2"`, `3/4"`.
 * Matched at the start of a text; primes may be straight or typographic.
 */
const FEET =
  /^(\d+(?:\.\d+)?)\s*['′](?:\s*[-–]?\s*(?:(\d+)\s+(\d+)\/(\d+)|(\d+)\/(\d+)|(\d+(?:\.\d+)?))\s*["″])?/;
const INCHES = /^(?:(\d+)\s+(\d+)\/(\d+)|(\d+)\/(\d+)|(\d+(?:\.\d+)?))\s*["″]/;
/** A mixed number before a spelled unit: `6 1/2 in`. */
const MIXED = /^(\d+)\s+(\d+)\/(\d+)(?=\s*(?:in|inch|inches|ft|feet|foot)\b)/;

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

/** Matches feet and inches at the start of `text`; undefined when there are none. */
export function matchFeetInch(text: string): FeetInchMatch | undefined {
  const feet = FEET.exec(text);
  if (feet !== null) {
    const inches = inchesOf(feet.slice(2));
    if (inches === undefined) return undefined;
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
  return { value: Number(mixed[1]) + part, isLength: false, length: mixed[0].length };
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
