import { own } from '../job/own.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import { sectionsAround } from '../estimate/places.ts';
import { takenQuote } from '../estimate/quotes.ts';
import { settingsOf } from '../job/job.ts';
import type { Doubt } from './doubt.ts';
import type { DoubtContext } from './context.ts';

/** A taken quote for a section in which our own lines are in the bid too: paid twice, unless both are meant. */
export function quotesBesideLines({ job, lines, known }: DoubtContext): readonly Doubt[] {
  return [...job.package.values()].flatMap((each): readonly Doubt[] => {
    const { id, sectionId, name, by } = each;
    const quote = takenQuote(job, each);
    const isIn = lines.some((line) => line.key === id);
    if (by !== 'sum' || quote === undefined || sectionId === null || !isIn || each.lines.length > 0)
      return [];
    const beside = lines.filter(
      (line) =>
        line.of.by !== 'package' &&
        sectionsAround(job, line.sectionId).includes(sectionId) &&
        (known(lineNode(line.key, 'extension')) ?? 0) !== 0,
    );
    if (beside.length === 0) return [];
    const cost = beside.reduce((sum, line) => sum + (known(lineNode(line.key, 'extension')) ?? 0), 0);
    const section = job.section.get(sectionId)?.name ?? '';
    return [
      {
        key: `quote-beside-lines|${id}`,
        name,
        about: { rule: 'quote-beside-lines', company: quote.company, section, lines: beside.length, cost },
        place: { at: 'package', id },
      },
    ];
  });
}

/** Taken quotes that leave something out, with nothing allowed for it. */
export function openQuotes({ job }: DoubtContext): readonly Doubt[] {
  return [...job.package.values()].flatMap((each): readonly Doubt[] => {
    const quote = takenQuote(job, each);
    if (quote === undefined) return [];
    const missing = each.asks.filter(({ key }) => own(quote.leftOut, key) === '').map(({ text }) => text);
    if (missing.length === 0) return [];
    return [
      {
        key: `quote-open|${quote.id}`,
        name: each.name,
        about: { rule: 'quote-open', company: quote.company, missing },
        place: { at: 'package', id: each.id },
      },
    ];
  });
}

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
