import type { ReportContext, ReportWords } from '../reports/fields/field.ts';
import type { Figures } from '../calculate/figures.ts';

/** Words that say their own names, for tests. */
export const PLAIN_WORDS: ReportWords = {
  cost: (kind) => kind,
  mark: (kind) => kind,
  measure: (measure) => measure,
  doubt: ({ about }) => about.rule,
  base: (base) => base,
  say: (word) => word,
};

export const contextOf = (figures: Figures, earlier?: Figures): ReportContext => ({
  figures,
  words: PLAIN_WORDS,
  today: '2026-11-28',
  earlier,
});
