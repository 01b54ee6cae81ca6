/** Letters with marks on them: still read, and seen to be from a catalog. */
const MARKED: Readonly<Record<string, string>> = {
  a: 'á',
  c: 'ç',
  d: 'ď',
  e: 'é',
  g: 'ğ',
  i: 'í',
  l: 'ľ',
  n: 'ñ',
  o: 'ó',
  r: 'ř',
  s: 'š',
  t: 'ť',
  u: 'ú',
  y: 'ý',
  z: 'ž',
  A: 'Á',
  C: 'Ç',
  D: 'Ď',
  E: 'É',
  I: 'Í',
  L: 'Ľ',
  N: 'Ñ',
  O: 'Ó',
  R: 'Ř',
  S: 'Š',
  T: 'Ť',
  U: 'Ú',
  Y: 'Ý',
  Z: 'Ž',
};

/** How much longer a text grows in a language with long words. */
const LONGER = 0.4;

/** A text as no language has it: letters with marks, two fifths longer, between markers. What is put in stays. */
export function pseudoText(text: string): string {
  const parts = text.split(/(\{\{[^}]*\}\})/);
  const marked = parts.map((part) =>
    part.startsWith('{{') ? part : part.replace(/[A-Za-z]/g, (letter) => MARKED[letter] ?? letter),
  );
  const letters = parts.filter((part) => !part.startsWith('{{')).join('').length;
  return `⟦${marked.join('')}${'·'.repeat(Math.ceil(letters * LONGER))}⟧`;
}

type Texts = Readonly<Record<string, Readonly<Record<string, string>>>>;

/** A whole catalog of such texts. */
export const pseudo = (catalog: Texts): Texts =>
  Object.fromEntries(
    Object.entries(catalog).map(([section, texts]) => [
      section,
      Object.fromEntries(Object.entries(texts).map(([name, text]) => [name, pseudoText(text)])),
    ]),
  );
