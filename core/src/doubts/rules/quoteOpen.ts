import { takenQuote } from '../../estimate/quotes.ts';
import { own } from '../../job/own.ts';
import { defineRule } from '../rule.ts';

/** Taken quotes that leave something out, with nothing allowed for it. */
export const quoteOpen = defineRule('quote-open', 'quotes', ({ job }) =>
  [...job.package.values()].flatMap((each) => {
    const quote = takenQuote(job, each);
    if (quote === undefined) return [];
    const missing = each.asks.filter(({ key }) => own(quote.leftOut, key) === '').map(({ text }) => text);
    if (missing.length === 0) return [];
    const facts = { company: quote.company, missing };
    return [{ of: quote.id, name: each.name, place: { at: 'package' as const, id: each.id }, facts }];
  }),
);
