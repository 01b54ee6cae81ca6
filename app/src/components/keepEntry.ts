import { localToPlain } from '@zest/core/formula/localize';
import { type NumberFormat, parseNumber } from '@zest/core/units/numberFormat';

/** What was typed, in the form it is kept in: plain notation, whatever marks the job writes. */
export function keepEntry(text: string, numbers: NumberFormat): string {
  const bare = parseNumber(text, numbers);
  return bare === undefined ? localToPlain(text.trim(), numbers) : String(bare);
}
