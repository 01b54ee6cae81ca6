import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { en } from './en/index.ts';
import { enGB } from './en-GB/index.ts';
import { pseudoText } from './pseudo.ts';
import { messagesIn, t } from './t.ts';

type Texts = Readonly<Record<string, Readonly<Record<string, string>>>>;

const asked = (text: string): readonly string[] =>
  [...text.matchAll(/\{\{(\w+)\}\}/g)].map(([, name]) => name ?? '').sort();
const entries = (texts: Texts): readonly (readonly [key: string, text: string])[] =>
  Object.entries(texts).flatMap(([section, all]) =>
    Object.entries(all).map(([name, text]) => [`${section}.${name}`, text] as const),
  );
const english = new Map(entries(en));

function sourcesIn(folder: string): readonly string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name);
    if (each.isDirectory()) return each.name === 'en' || each.name === 'en-GB' ? [] : sourcesIn(path);
    return /\.tsx?$/.test(path) && !path.includes('.test.') ? [readFileSync(path, 'utf8')] : [];
  });
}
const APP = join(import.meta.dirname ?? __dirname, '..');

describe('the catalogs', () => {
  it('hold no message that nothing asks for', () => {
    const code = sourcesIn(APP).join('\n');
    const unused = [...english.keys()].filter(
      (key) => !code.includes(`'${key.replace(/_(one|other)$/, '')}'`),
    );
    expect(unused).toEqual([]);
  });

  it('have a plural beside every singular', () => {
    for (const key of english.keys())
      if (key.endsWith('_one')) expect(english.has(key.replace(/_one$/, '_other'))).toBe(true);
  });

  it('write in UK English only what is in the US catalog, asking for the same figures and names', () => {
    for (const [key, text] of entries(enGB)) {
      expect(english.has(key)).toBe(true);
      expect(asked(text)).toEqual(asked(english.get(key) ?? ''));
      expect(text).not.toBe(english.get(key));
    }
  });

  it('leave no US spelling in UK English', () => {
    const merged = new Map([...english, ...entries(enGB)]);
    const american = /\b(color|labor|favorite|canceled|leveled|center|meters|gray)\b/i;
    const words = (text: string): string => text.replace(/\{\{.*?\}\}/g, '');
    expect([...merged].filter(([, text]) => american.test(words(text)))).toEqual([]);
  });

  it('are plain text: no tags, no double spaces, no straight apostrophe in a word', () => {
    for (const text of english.values()) {
      expect(text).not.toMatch(/<\/?[a-z]/);
      expect(text).not.toMatch(/ {2}/);
      expect(text).not.toMatch(/[a-z]'[a-z]/);
    }
  });
});

describe('a message', () => {
  it('takes what it is given, also where that looks like a code', () => {
    expect(t('estimate.remove', { name: '<b>{{name}} & $t(estimate.add)</b>' })).toBe(
      'Remove <b>{{name}} & $t(estimate.add)</b>',
    );
  });

  it('counts by the rules of its language', () => {
    expect([0, 1, 2].map((count) => t('count.line', { count }))).toEqual(['0 lines', '1 line', '2 lines']);
  });

  it('falls back to US English where UK English is the same', () => {
    const uk = messagesIn('en-GB');
    expect(uk('word.labor')).toBe('Labour');
    expect(uk('word.material')).toBe('Material');
  });
});

describe('the pseudo-language', () => {
  it('marks every letter text, makes it two fifths longer, and keeps what is put in', () => {
    const text = pseudoText('Remove {{name}} from the sheet');
    expect(text).toMatch(/^⟦.*⟧$/);
    expect(text).toContain('{{name}}');
    expect(text).not.toMatch(/Remove/);
    expect(text.length).toBeGreaterThan(1.4 * 'Remove  from the sheet'.length);
  });
});
