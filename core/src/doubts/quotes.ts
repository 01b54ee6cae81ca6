import { takenQuote } from '../estimate/quotes.ts';
import { settingsOf } from '../job/job.ts';
import type { Doubt } from './doubt.ts';
import type { DoubtContext } from './context.ts';

/** Quotes that were taken and no longer hold on the day of the bid. */
export function expiredQuotes({ job, today }: DoubtContext): readonly Doubt[] {
  const { bidDate } = settingsOf(job);
  const day = bidDate > today ? bidDate : today;
  return [...job.package.values()].flatMap((each): readonly Doubt[] => {
    const quote = takenQuote(job, each);
    if (quote === undefined || quote.validUntil === '' || quote.validUntil >= day) return [];
    const { company, validUntil } = quote;
    return [
      {
        key: `quote-expired|${quote.id}`,
        name: each.name,
        about: { rule: 'quote-expired', company, validUntil },
        place: { at: 'package', id: each.id },
      },
    ];
  });
}
