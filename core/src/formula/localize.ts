import type { NumberFormat } from '../units/numberFormat.ts';

/**
 * Formulas are kept with a decimal point. Where a job writes a decimal comma, the same formula is
 * typed and shown as `max(2,5 m; length)`: a comma between digits is the decimal mark, and
 * arguments are parted by a semicolon. Grouping marks are not taken inside formulas.
 */
export function localToPlain(text: string, numbers: NumberFormat): string {
  if (numbers.decimal === '.') return text;
  return text.replace(/(\d),(?=\d)/g, '$1.').replace(/;/g, ',');
}

/** The other way: a kept formula as the job writes it. */
export function plainToLocal(text: string, numbers: NumberFormat): string {
  if (numbers.decimal === '.') return text;
  return text.replace(/,/g, ';').replace(/(\d)\.(?=\d)/g, '$1,');
}
