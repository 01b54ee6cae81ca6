import { remember } from '../job/remember.ts';
import type { Item } from '../job/records/item.ts';

/**
 * How much a word counts by where it was found, the best place only. What an item is goes before what
 * stands around it: a supplier by the name of a thing must not push that thing down.
 */
const SCORES = { code: 8, codeStart: 5, word: 3, start: 2, around: 1 } as const;

/**
 * Words to be found by: small letters, quotes as inches and feet, sizes written as one (20 x 30 is
 * 20x30). Fractions stay whole, so that 1 is not found in 1-1/4 before it is found alone.
 */
export function plainWords(text: string): readonly string[] {
  return text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/["\u2033\u201d]/g, ' in ')
    .replace(/(\d)\s*['\u2032\u2019](?=\s|\d|-|$)/g, '$1 ft ')
    .replace(/(\d[\d./-]*)\s*(?:in|ft|mm|cm|m)?\s*[x\u00d7]\s*(?=\d)/g, '$1x')
    .split(/[^a-z0-9./\-\u00b2\u00b3]+/)
    .map((word) => word.replace(/^[.\-/]+|[.\-/]+$/g, ''))
    .filter((word) => word !== '');
}

interface Entry {
  readonly item: Item;
  /** Each word between blanks: what begins with a word is found by a blank and the word. */
  readonly code: string;
  readonly text: string;
  /** Group, supplier and tags. */
  readonly around: string;
}

/** An item is read once: a price book that changes in one item keeps what was read of the others. */
const entryOf = remember(readEntry);

function readEntry(item: Item): Entry {
  const sizes = Object.values(item.sizes ?? {});
  const joined = sizes.map((size) => plainWords(size)[0] ?? '').join('x');
  const { description, group, supplier, tags = '', family = '' } = item;
  return {
    item,
    code: item.code.toLowerCase(),
    text: blanked([...plainWords([description, family, ...sizes].join(' \n ')), joined]),
    around: blanked(plainWords([group, supplier, tags].join(' \n '))),
  };
}

const blanked = (words: readonly string[]): string => ` ${words.join(' ')} `;

/** Finds items while someone types. Built once for a price book; one search looks at each item once. */
export class BookSearch {
  readonly #entries: readonly Entry[];

  constructor(items: Iterable<Item>) {
    this.#entries = [...items].map(entryOf).sort((a, b) => (a.code < b.code ? -1 : a.code > b.code ? 1 : 0));
  }

  get size(): number {
    return this.#entries.length;
  }

  /** Items that hold every word, in any order, as the beginning of a word; the nearest first. */
  find(text: string, isWanted: (item: Item) => boolean = () => true): readonly Item[] {
    const words = plainWords(text);
    const typed = text.trim().toLowerCase();
    const found: { readonly item: Item; readonly score: number; readonly at: number }[] = [];
    this.#entries.forEach((entry, at) => {
      const score = typed !== '' && entry.code === typed ? 100 : scoreOf(entry, words);
      if (score >= 0 && isWanted(entry.item)) found.push({ item: entry.item, score, at });
    });
    if (words.length > 0) found.sort((a, b) => b.score - a.score || a.at - b.at);
    return found.map(({ item }) => item);
  }
}

/** -1 where a word is not there. */
function scoreOf(entry: Entry, words: readonly string[]): number {
  let score = 0;
  for (const word of words) {
    const own = wordScore(entry, word);
    if (own === 0) return -1;
    score += own;
  }
  return score;
}

function wordScore({ code, text, around }: Entry, word: string): number {
  if (code === word) return SCORES.code;
  if (code.startsWith(word)) return SCORES.codeStart;
  if (text.includes(` ${word} `)) return SCORES.word;
  if (text.includes(` ${word}`)) return SCORES.start;
  return around.includes(` ${word}`) || code.includes(word) ? SCORES.around : 0;
}
