/** How a job writes its numbers. Both marks are single characters; no grouping is the empty text. */
export interface NumberFormat {
  readonly decimal: '.' | ',';
  readonly group: ',' | '.' | ' ' | '';
}

export const POINT_FORMAT: NumberFormat = { decimal: '.', group: ',' };
export const COMMA_FORMAT: NumberFormat = { decimal: ',', group: '.' };

/** A space that does not break: a grouped number never splits over two lines. */
const NARROW_SPACE = '\u202f';

/**
 * Writes a number with exactly `places` decimals (or up to, when `trim`), grouped by thousands.
 * Ties round away from zero, as on paper; binary noise below 1e-9 of the figure counts as a tie.
 */
export function formatNumber(value: number, places: number, format: NumberFormat, trim = false): string {
  const rounded = roundTo(value, places);
  const [whole = '0', fraction = ''] = Math.abs(rounded).toFixed(places).split('.');
  const mark = format.group === ' ' ? NARROW_SPACE : format.group;
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, mark);
  const kept = trim ? fraction.replace(/0+$/, '') : fraction;
  const sign = rounded < 0 ? '−' : '';
  return sign + grouped + (kept === '' ? '' : format.decimal + kept);
}

/** Every line of an estimate is rounded several times; a power is dear beside a look-up. */
const POWERS: readonly number[] = [0, 1, 2, 3, 4, 5, 6, 7, 8].map((places) => 10 ** places);

/** Rounds half away from zero at `places` decimals, taking binary noise for the tie it stands for. */
export function roundTo(value: number, places: number): number {
  const power = POWERS[places] ?? 10 ** places;
  const scaled = Math.abs(value) * power;
  const rounded = Math.floor(scaled + 0.5 + Math.max(1e-9, scaled * 1e-14)) / power;
  return value < 0 && rounded !== 0 ? -rounded : rounded;
}

const plainNumber = /^\d+(\.\d+)?$|^\.\d+$/;

/**
 * Reads a number as the job writes it. Grouping marks are accepted only where they group by three,
 * so that `1,25` typed in a point job is refused instead of read as 125.
 */
export function parseNumber(text: string, format: NumberFormat): number | undefined {
  const compact = text
    .trim()
    .replace(/[\u2212\u2013]/g, '-')
    .replace(/[\u00a0\u202f]/g, ' ');
  const negative = compact.startsWith('-');
  const body = negative ? compact.slice(1).trim() : compact;
  const decimalAt = body.lastIndexOf(format.decimal);
  const whole = decimalAt < 0 ? body : body.slice(0, decimalAt);
  const fraction = decimalAt < 0 ? '' : body.slice(decimalAt + 1);
  if (!/^\d*$/.test(fraction)) return undefined;
  const ungrouped = ungroup(whole, format);
  if (ungrouped === undefined) return undefined;
  const joined = fraction === '' ? ungrouped : `${ungrouped}.${fraction}`;
  if (!plainNumber.test(joined)) return undefined;
  const value = Number(joined);
  // Three hundred digits are no figure that anything can be reckoned with.
  if (!Number.isFinite(value)) return undefined;
  return negative ? -value : value;
}

function ungroup(whole: string, format: NumberFormat): string | undefined {
  if (/^\d*$/.test(whole)) return whole;
  const marks = format.group === '' ? [' '] : [format.group, ' '];
  for (const mark of marks) {
    const parts = whole.split(mark);
    const [first = '', ...rest] = parts;
    if (/^\d{1,3}$/.test(first) && rest.length > 0 && rest.every((part) => /^\d{3}$/.test(part)))
      return parts.join('');
  }
  return undefined;
}
