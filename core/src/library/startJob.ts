import type { Id, MakeId } from '../job/id.ts';
import type { JobRecord } from '../job/record.ts';
import type { Settings } from '../job/records/settings.ts';
import { libraryAssemblies } from './assemblies.ts';
import { type Say, asWritten, sayContent, sayItems } from './texts.ts';
import { inMetric } from './metricBook.ts';
import { hasSamples, samplePrice, sampleWage } from './samples.ts';
import { CRAFTS, type CraftKey, PRICE_BOOK } from './priceBook.ts';

/** What a new job is asked for. */
export type NewJob = Pick<
  Settings,
  'name' | 'client' | 'unitSystem' | 'currency' | 'decimalMark' | 'groupMark'
> & {
  /** Where its first prices come from: samples, which say that they are, or none. Samples where left out. */
  readonly prices?: 'samples' | 'none';
  /** Added to the cost, in their order; none until a company says so. */
  readonly markups?: readonly StartMarkup[];
};

export interface StartMarkup {
  readonly name: string;
  readonly percent: string;
  readonly base: 'cost' | 'running';
}

const SECTIONS: readonly (readonly [code: string, name: string])[] = [
  ['02', 'Sitework'],
  ['03', 'Concrete'],
  ['04', 'Masonry'],
  ['06', 'Framing'],
  ['07', 'Roofing and insulation'],
  ['08', 'Openings'],
  ['09', 'Board and finishes'],
  ['22', 'Plumbing'],
  ['26', 'Electrical'],
  ['32', 'Irrigation and planting'],
];

/** The records of a new job: sections, markups, the price book and the assemblies to begin with, in its language. */
export function startJob(
  { prices = 'samples', markups = [], ...asked }: NewJob,
  makeId: MakeId,
  say: Say = asWritten,
): readonly [Settings, ...JobRecord[]] {
  const settings: Settings = {
    type: 'settings',
    id: makeId('settings'),
    ...asked,
    clientAddress: '',
    company: '',
    companyAddress: '',
    location: '',
    taxOnMaterials: '0',
    bidDate: '',
    validDays: 30,
    inclusions: '',
    exclusions: '',
    ...(prices === 'none' ? { noSamples: true } : {}),
  };
  return [
    settings,
    ...startSections(makeId, say),
    ...startMarkups(markups, makeId),
    ...startBook(asked, prices === 'samples' && hasSamples(asked), makeId, say),
    ...startAssemblies(asked, makeId, say),
  ];
}

const startSections = (makeId: MakeId, say: Say): readonly JobRecord[] =>
  SECTIONS.map(([code, name], index) => ({
    type: 'section' as const,
    id: makeId('section'),
    code,
    name: say(name),
    parentId: null,
    order: index + 1,
  }));

const startMarkups = (markups: readonly StartMarkup[], makeId: MakeId): readonly JobRecord[] =>
  markups.map((markup, index) => ({
    type: 'markup' as const,
    id: makeId('markup'),
    ...markup,
    order: index + 1,
  }));

/** The book of samples in the units of the job; without prices only what things are called and how long they take. */
function startBook(
  { unitSystem }: NewJob,
  isPriced: boolean,
  makeId: MakeId,
  say: Say,
): readonly JobRecord[] {
  const craftIds = new Map<CraftKey, Id<'craft'>>(CRAFTS.map(([key]) => [key, makeId('craft')]));
  const crafts = CRAFTS.map(([key, name, wage]) => ({
    type: 'craft' as const,
    id: craftIds.get(key) as Id<'craft'>,
    name: say(name),
    ...sampleWage(wage, isPriced),
  }));
  const book = unitSystem === 'us' ? PRICE_BOOK : PRICE_BOOK.map(inMetric);
  const items = sayItems(book, say).map(({ craft, ...item }) => ({
    type: 'item' as const,
    id: makeId('item'),
    ...samplePrice(item, isPriced),
    craftId: craft === null ? null : (craftIds.get(craft) ?? null),
  }));
  return [...crafts, ...items];
}

const startAssemblies = ({ unitSystem }: NewJob, makeId: MakeId, say: Say): readonly JobRecord[] =>
  libraryAssemblies(unitSystem).map((content, index) => ({
    type: 'assembly' as const,
    id: makeId('assembly'),
    ...sayContent(content, say),
    order: index + 1,
  }));
