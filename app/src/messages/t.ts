import { createInstance } from 'i18next';
import { en } from './en/index.ts';
import { enGB } from './en-GB/index.ts';
import { pseudo } from './pseudo.ts';

type Catalog = typeof en;
type Section = keyof Catalog & string;
type Plain<Key> = Key extends `${infer Base}_one` ? Base : Key extends `${infer Base}_other` ? Base : Key;

/** A message by its section and name: `measure.addAScope`. */
export type MessageKey = {
  [Each in Section]: `${Each}.${Plain<keyof Catalog[Each] & string>}`;
}[Section];

type Message<Key> = Key extends `${infer Each}.${infer Name}`
  ? Each extends Section
    ? Name extends keyof Catalog[Each]
      ? Catalog[Each][Name]
      : `${Name}_other` extends keyof Catalog[Each]
        ? Catalog[Each][`${Name}_other` & keyof Catalog[Each]]
        : never
    : never
  : never;
type Names<Text> = Text extends `${string}{{${infer Name}}}${infer Rest}` ? Name | Names<Rest> : never;
type Values<Key> = Readonly<Record<Names<Message<Key>>, string | number>>;
/** What a message asks for is given with it, by name; one that asks for nothing takes nothing. */
type Given<Key> = [Names<Message<Key>>] extends [never] ? [] : [values: Values<Key>];

/** Languages of the interface and of documents; the last is for tests, and shows what is not in a catalog. */
export const LANGUAGES = ['en-US', 'en-GB', 'en-XA'] as const;
export type Language = (typeof LANGUAGES)[number];
const USUAL: Language = 'en-US';

const KEPT_AT = 'zest-language';

/** The language this page was opened in: the one that was chosen, else the browser's own where there is one. */
function chosenLanguage(): Language {
  if (typeof localStorage === 'undefined') return USUAL;
  const kept = localStorage.getItem(KEPT_AT);
  return LANGUAGES.find((each) => each === kept) ?? (navigator.language === 'en-GB' ? 'en-GB' : USUAL);
}

export const language: Language = chosenLanguage();

const messages = createInstance();
void messages.init({
  lng: language,
  fallbackLng: USUAL,
  initAsync: false,
  nsSeparator: false,
  returnNull: false,
  // React writes texts as texts; escaping them here would show the codes.
  interpolation: { escapeValue: false },
  resources: {
    'en-US': { translation: en },
    'en-GB': { translation: enGB },
    ...(language === 'en-XA' ? { 'en-XA': { translation: pseudo(en) } } : {}),
  },
});

type AnyValues = Readonly<Record<string, string | number>>;
const write = messages.t as (key: string, values: AnyValues) => string;

/** A message in the language of the interface. Words that are constants are read once: another language opens the page anew. */
export const t = <Key extends MessageKey>(key: Key, ...given: Given<Key>): string =>
  write(key, given[0] ?? {});

/** Messages in the language of a document, which is not that of the person who writes it. */
export const messagesIn = (lng: Language) => {
  const fixed = messages.getFixedT(lng) as typeof write;
  return <Key extends MessageKey>(key: Key, ...given: Given<Key>): string => fixed(key, given[0] ?? {});
};

/** A language by its own name. */
export const nameOfLanguage = (lng: Language): string =>
  new Intl.DisplayNames([lng], { type: 'language' }).of(lng) ?? lng;

/** Another language from now on: the page is opened anew with it. */
export function chooseLanguage(next: Language): void {
  localStorage.setItem(KEPT_AT, next);
  location.reload();
}
