import type { Id, MakeId } from '../job/id.ts';
import type { JobRecord } from '../job/record.ts';
import type { Settings } from '../job/records/settings.ts';
import { libraryAssemblies } from './assemblies.ts';
import { type Say, asWritten, sayContent, sayItems } from './texts.ts';
import { CRAFTS, type CraftKey, PRICE_BOOK } from './priceBook.ts';

/** What a new job is asked for. */
export type NewJob = Pick<
  Settings,
  'name' | 'client' | 'unitSystem' | 'currency' | 'decimalMark' | 'groupMark'
>;

const SECTIONS: readonly (readonly [code: string, name: string])[] = [
  ['02', 'Sitework'],
  ['03', 'Concrete'],
  ['04', 'Masonry'],
  ['06', 'Framing'],
  ['08', 'Openings'],
  ['09', 'Board and finishes'],
];

const MARKUPS: readonly (readonly [name: string, percent: string, base: 'cost' | 'running'])[] = [
  ['Overhead', '12', 'cost'],
  ['Contingency', '3', 'cost'],
  ['Profit', '6', 'running'],
];

/** The records of a new job: sections, markups, the price book and the assemblies to begin with, in its language. */
export function startJob(asked: NewJob, makeId: MakeId, say: Say = asWritten): readonly JobRecord[] {
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
  };
  return [
    settings,
    ...startSections(makeId, say),
    ...startMarkups(makeId, say),
    ...startBook(makeId, say),
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

const startMarkups = (makeId: MakeId, say: Say): readonly JobRecord[] =>
  MARKUPS.map(([name, percent, base], index) => ({
    type: 'markup' as const,
    id: makeId('markup'),
    name: say(name),
    percent,
    base,
    order: index + 1,
  }));

function startBook(makeId: MakeId, say: Say): readonly JobRecord[] {
  const craftIds = new Map<CraftKey, Id<'craft'>>(CRAFTS.map(([key]) => [key, makeId('craft')]));
  const crafts = CRAFTS.map(([key, name, wage]) => ({
    type: 'craft' as const,
    id: craftIds.get(key) as Id<'craft'>,
    name: say(name),
    wage,
  }));
  const items = sayItems(PRICE_BOOK, say).map(({ craft, ...item }) => ({
    type: 'item' as const,
    id: makeId('item'),
    ...item,
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
