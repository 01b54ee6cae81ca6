import type { Say } from '@zest/core/library/texts';
import { asWritten } from '@zest/core/library/texts';
import { libraryTerms } from './en-GB/library.ts';
import { pseudoText } from './pseudo.ts';
import { type Language, language } from './t.ts';

const UK = new Map(libraryTerms.map(([us, uk]) => [us.toLowerCase(), uk]));
const ANY = new RegExp(
  `\\b(${[...UK.keys()].map((term) => term.replace(/[+]/g, '\\+')).join('|')})\\b`,
  'gi',
);

/** The case of the first letter follows the text it stands in. */
const likeIn = (found: string, said: string): string =>
  found.charAt(0) === found.charAt(0).toUpperCase()
    ? said.charAt(0).toUpperCase() + said.slice(1)
    : said.charAt(0).toLowerCase() + said.slice(1);

const inUk: Say = (text) => text.replace(ANY, (found) => likeIn(found, UK.get(found.toLowerCase()) ?? found));

const SAY: Readonly<Record<Language, Say>> = { 'en-US': asWritten, 'en-GB': inUk, 'en-XA': pseudoText };

/** Says the texts of the library in a language: that of the job where it has one, else that of the interface. */
export const sayLibrary = (lng: Language = language): Say => SAY[lng];
