import { own } from '../job/own.ts';
import type { Job } from '../job/job.ts';
import { recordsOf } from '../job/belongs.ts';
import { group } from '../job/query.ts';
import type { CostKind } from '../job/records/assembly.ts';
import type { Package, Quote } from '../job/records/quote.ts';
import { toMinor } from '../pricing/money.ts';
import type { LineKey } from '../job/lineKey.ts';

/** A quote made comparable: what it names, what it leaves out and would cost besides, what was adjusted. */
export interface Leveled {
  /** Whole minor units, all of them. */
  readonly quoted: number;
  readonly leftOut: number;
  readonly adjusted: number;
  readonly total: number;
  /** How many things it leaves out for which nothing is allowed yet: it does not compare. */
  readonly open: number;
}

const minorOf = (decimal: string, digits: number): number =>
  decimal === '' ? 0 : toMinor(Number(decimal), digits);

export function levelQuote(quote: Quote, digits: number): Leveled {
  const sum = (amounts: readonly string[]): number =>
    amounts.reduce((total, amount) => total + minorOf(amount, digits), 0);
  const quoted = minorOf(quote.amount, digits);
  const leftOut = sum(Object.values(quote.leftOut));
  const adjusted = sum(quote.adjustments.map(({ amount }) => amount));
  const open = Object.values(quote.leftOut).filter((amount) => amount === '').length;
  return { quoted, leftOut, adjusted, total: quoted + leftOut + adjusted, open };
}

export const quotesOf = (job: Job, packageId: string): readonly Quote[] =>
  [...job.quote.values()]
    .filter((quote) => quote.packageId === packageId)
    .sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

export const takenQuote = (job: Job, { takenId }: Package): Quote | undefined =>
  takenId === null ? undefined : job.quote.get(takenId);

/** A line of a package quoted line by line, with how much of it there is where that is known. */
export interface AskedLine {
  readonly key: LineKey;
  readonly quantity: number | undefined;
}

/** Totals and details at a quote's unit prices, whole minor units, and how many it leaves open. */
export function sumPrices(
  { prices }: Quote,
  lines: readonly AskedLine[],
  digits: number,
): { readonly total: number; readonly missing: number } {
  let [total, missing] = [0, 0];
  for (const { key, quantity = 0 } of lines) {
    const price = own(prices, key) ?? '';
    if (price === '') missing += 1;
    // Each line is rounded by itself, as the estimate rounds it.
    else total += toMinor(quantity * Number(price), digits);
  }
  return { total, missing };
}

/** A line priced by the quote that was taken for it. */
export interface QuotedLine {
  readonly kind: CostKind;
  readonly amount: string;
  readonly company: string;
}

const askedFor = group('package', ({ by, lines }) => (by === 'lines' ? lines : []));

/** The price of a line by the quote that was taken for it; of several packages the last one's. */
export function quotedLine(job: Job, key: LineKey): QuotedLine | undefined {
  let found: QuotedLine | undefined;
  for (const { kind, takenId } of recordsOf(job.package, askedFor(job, key))) {
    const quote = takenId === null ? undefined : job.quote.get(takenId);
    const amount = quote === undefined ? '' : (own(quote.prices, key) ?? '');
    if (quote !== undefined && amount !== '') found = { kind, amount, company: quote.company };
  }
  return found;
}
