import { takenQuote } from '../../estimate/quotes.ts';
import { settingsOf } from '../../job/job.ts';
import { defineRule } from '../rule.ts';

/** Quotes that were taken and no longer hold on the day of the bid. */
export const quoteExpired = defineRule('quote-expired', 'quotes', ({ job, today }) => {
  const { bidDate } = settingsOf(job);
  const day = bidDate > today ? bidDate : today;
  return [...job.package.values()].flatMap((each) => {
    const quote = takenQuote(job, each);
    if (quote === undefined || quote.validUntil === '' || quote.validUntil >= day) return [];
    const { company, validUntil } = quote;
    const place = { at: 'package' as const, id: each.id };
    return [{ of: quote.id, name: each.name, place, facts: { company, validUntil } }];
  });
});
