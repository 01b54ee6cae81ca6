import { type Language, language } from './t.ts';

/** Words as a list in a sentence: `cost, tax and overhead`, as the language writes it. */
export const listWith = (as: 'and' | 'or', words: readonly string[], lng: Language = language): string =>
  // The US habit of a comma before the last word would make the same list in two ways on one bid.
  new Intl.ListFormat(lng === 'en-US' ? 'en-GB' : lng, {
    type: as === 'and' ? 'conjunction' : 'disjunction',
  }).format(words);

/** Words as a list, where there may be many: the first of them, and how many more there are. */
export const firstOf = (
  words: readonly string[],
  most: number,
): readonly [first: readonly string[], more: number] => [
  words.slice(0, most),
  Math.max(0, words.length - most),
];
