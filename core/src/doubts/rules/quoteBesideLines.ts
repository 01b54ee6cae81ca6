import { lineNode } from '../../calculate/graph/nodes.ts';
import { sectionsAround } from '../../estimate/places.ts';
import { takenQuote } from '../../estimate/quotes.ts';
import { defineRule } from '../rule.ts';

/** A taken quote for a section in which our own lines are in the bid too: paid twice, unless both are meant. */
export const quoteBesideLines = defineRule('quote-beside-lines', 'quotes', ({ job, lines, known }) =>
  [...job.package.values()].flatMap((each) => {
    const { id, sectionId, name, by } = each;
    const quote = takenQuote(job, each);
    const isIn = lines.some((line) => line.key === id);
    if (by !== 'sum' || quote === undefined || sectionId === null || !isIn || each.lines.length > 0)
      return [];
    const costOf = (key: (typeof lines)[number]['key']): number => known(lineNode(key, 'extension')) ?? 0;
    const beside = lines.filter(
      (line) =>
        line.of.by !== 'package' &&
        sectionsAround(job, line.sectionId).includes(sectionId) &&
        costOf(line.key) !== 0,
    );
    if (beside.length === 0) return [];
    const cost = beside.reduce((sum, { key }) => sum + costOf(key), 0);
    const section = job.section.get(sectionId)?.name ?? '';
    const facts = { company: quote.company, section, lines: beside.length, cost };
    return [{ of: id, name, place: { at: 'package' as const, id }, facts }];
  }),
);
