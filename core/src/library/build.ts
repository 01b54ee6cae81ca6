import { own } from '../job/own.ts';
import type { Assembly, AssemblyInput, Component } from '../job/records/assembly.ts';
import type { TableRecord } from '../job/records/lookupTable.ts';
import { itemKind } from '../pricing/itemKind.ts';
import type { UnitSystem } from '../units/format.ts';
import { type BookItem, type CraftKey, PRICE_BOOK } from './priceBook.ts';

/** What an assembly is, apart from its place in a job. */
export type Content = Omit<Assembly, 'id' | 'type' | 'order'>;

export const TRADES = [
  'Walls',
  'Floors',
  'Concrete',
  'Masonry',
  'Board',
  'Finishes',
  'Roofing',
  'Electrical',
  'Irrigation',
  'Sitework',
] as const;
export type Trade = (typeof TRADES)[number];

/** An assembly as its trade makes it, with the items it is priced by, in the units of a job. */
export interface MadeAssembly extends Content {
  readonly trade: Trade;
  /** Items of the price book that its components name; a job takes over those it lacks. */
  readonly items: readonly BookItem[];
  /** Tables that its formulas look figures up in. */
  readonly tables: readonly TableContent[];
  /** Counted up when its content changes, so that a job can be told of a later one. */
  readonly version: number;
}

/** An assembly of the trade library. */
export interface LibraryAssembly extends MadeAssembly {
  /** Its name as it was written, whatever language it is read in: what a job's copy says it came from. */
  readonly key: string;
  /** What crafts are called in its language, where that is another. */
  readonly craftNames?: Readonly<Record<CraftKey, string>>;
}

/** What a table is, apart from its place in a job. */
export type TableContent = Omit<TableRecord, 'id' | 'type' | 'order'>;

/** Makes an assembly for a unit system; its price items are invented. */
export type Maker = (system: UnitSystem) => MadeAssembly;

export const input = (
  key: string,
  question: string,
  unit: string,
  value: string,
  hint = '',
  choices: AssemblyInput['choices'] = [],
  more: Pick<AssemblyInput, 'min' | 'max' | 'group' | 'when'> = {},
): AssemblyInput => ({ key, question, unit, value, hint, choices, ...more });

export const choice = (
  ...choices: readonly (readonly [label: string, value: string])[]
): AssemblyInput['choices'] => choices.map(([label, value]) => ({ label, value }));

export const YES_NO = choice(['Yes', '1'], ['No', '0']);

export type Bought = readonly [wastePercent: string, roundUpTo: string];
const AS_FIGURED: Bought = ['0', ''];

/** A component by the code of an item; its kind of cost follows from what the item costs. */
export const component = (
  key: string,
  name: string,
  kind: Component['kind'],
  unit: string,
  formula: string,
  itemCode: string,
  [wastePercent, roundUpTo]: Bought = AS_FIGURED,
): Component => ({ key, name, kind, unit, formula, itemCode, wastePercent, roundUpTo });

interface Price {
  readonly material?: string;
  readonly hours?: string;
  readonly craft?: CraftKey;
  readonly equipment?: string;
  readonly subcontract?: string;
  readonly basis?: number;
}

/** A component with the item that prices it. */
export interface PricedPart {
  readonly component: Component;
  /** One, or the items of a family of which its sizes choose one. */
  readonly items: readonly BookItem[];
}

/** Prices are for these, whatever the units of the job: one book, one figure for one thing. */
const PRICED_IN: Readonly<Record<string, string>> = {
  m: 'ft',
  'm²': 'ft²',
  'm³': 'yd³',
  kg: 'lb',
  t: 'ton',
  L: 'gal',
};

const BOOK = new Map(PRICE_BOOK.map((item) => [item.code, item]));

type Named = readonly [code: string, name: string, unit: string];

const priced = (
  key: string,
  [code, name, unit]: Named,
  formula: string,
  item: BookItem,
  bought: Bought,
): PricedPart => ({
  component: component(key, name, itemKind(item), unit, formula, code, bought),
  items: [item],
});

/** A part that applies only while a comparison holds. */
export const onlyWhere = (when: string, { component: part, items }: PricedPart): PricedPart => ({
  component: { ...part, when },
  items,
});

/** A part with more said of its component: a factor on its hours, spares, the least that is bought. */
export const withMore = (
  more: Pick<Component, 'hoursFactor' | 'spares' | 'minimum' | 'wasteOn'>,
  { component: part, items }: PricedPart,
): PricedPart => ({ component: { ...part, ...more }, items });

/** A part that the price book has an item for. Throws where it has none. */
export function booked(key: string, named: Named, formula: string, bought: Bought = AS_FIGURED): PricedPart {
  const item = BOOK.get(named[0]);
  if (item === undefined) throw new Error(`booked: the price book has no ${named[0]}`);
  return priced(key, named, formula, item, bought);
}

/** A part with an item of its own: how much by which formula, and an invented price for it. */
export function part(
  key: string,
  named: Named,
  formula: string,
  price: Price,
  bought: Bought = AS_FIGURED,
): PricedPart {
  const [code] = named;
  if (BOOK.has(code)) throw new Error(`part: ${code} is in the price book, with a price of its own`);
  return priced(key, named, formula, itemOf(named, price), bought);
}

function itemOf([code, description, unit]: Named, price: Price): BookItem {
  const { material = '', hours = '', craft, equipment = '', subcontract = '', basis = 1 } = price;
  return {
    code,
    description,
    unit: own(PRICED_IN, unit) ?? unit,
    basis,
    material,
    laborHours: hours,
    equipment,
    subcontract,
    other: '',
    craft: craft ?? null,
    supplier: '',
    date: '',
    group: '',
  };
}

/** Which family a part is looked for in, and by what. */
interface BySize {
  readonly family: string;
  /** The sizes that are asked for, as formulas over the answers. */
  readonly by: Readonly<Record<string, string>>;
}

/** A part whose item follows from the sizes asked for, with the whole family of items. */
export function sized(
  key: string,
  [name, unit]: readonly [name: string, unit: string],
  formula: string,
  { family, by }: BySize,
  items: readonly BookItem[],
  bought: Bought = AS_FIGURED,
): PricedPart {
  const [first] = items;
  if (first === undefined) throw new Error(`sized: the family ${family} has no items`);
  const own = component(key, name, itemKind(first), unit, formula, '', bought);
  return { component: { ...own, sizing: { family, by } }, items: items.map((item) => ({ ...item, family })) };
}

/** The items of a family that the price book has. */
export function bookFamily(family: string): readonly BookItem[] {
  const found = PRICE_BOOK.filter((item) => item.family === family);
  if (found.length === 0) throw new Error(`bookFamily: the price book has no family ${family}`);
  return found;
}

/** Items of a family in steps of one size, each with its own invented price. */
export const inSteps = (
  code: string,
  name: string,
  unit: string,
  size: string,
  steps: readonly (readonly [suffix: string, label: string, size: string, price: Price])[],
): readonly BookItem[] =>
  steps.map(([suffix, label, value, price]) => ({
    ...itemOf([`${code}-${suffix}`, `${name} ${label}`, unit], price),
    sizes: { [size]: value },
  }));

/** Fittings with a price for each of the sizes, in their order. */
export const fittingsFor =
  (size: string, sizes: readonly (readonly [suffix: string, label: string, value: string])[]) =>
  (code: string, name: string, prices: readonly number[]): readonly BookItem[] =>
    inSteps(
      code,
      name,
      'ea',
      size,
      sizes.map(([suffix, label, value], i) => {
        const price = prices[i];
        if (price === undefined) throw new Error(`fittingsFor: ${code} has no price for ${label}`);
        return [suffix, label, value, { material: price.toFixed(2) }];
      }),
    );

interface Further {
  readonly inner?: Assembly['inner'];
  readonly checks?: Assembly['checks'];
  readonly note?: string;
  readonly section?: Assembly['section'];
  readonly tables?: readonly TableContent[];
  readonly version?: number;
}

interface Shelf extends Further {
  readonly trade: Trade;
  readonly name: string;
  readonly description: string;
  readonly measures: Content['measures'];
  readonly tags?: string;
  readonly inputs: readonly AssemblyInput[];
  readonly parts: readonly PricedPart[];
}

/** Questions whose answer is divided by: none may be nothing. */
const DIVIDES =
  /spacing|rows|tape_each|tube|pour|course_height|courses|exposure|cover|face|per_|hangers|staples|side_|^board$/;
/** An answer this many times the usual one is a slip of the unit, not a building. */
const MOST_TIMES = 40;

/** A plain figure is held to a range: never below nothing, and never so large that a unit must be wrong. */
function withLimits(each: AssemblyInput): AssemblyInput {
  const usual = Number(each.value);
  const { choices, key, unit, min, max } = each;
  if (choices.length > 0 || !/^[\d.]+$/.test(each.value)) return each;
  const least = min ?? (DIVIDES.test(key) && usual > 0 ? String(Number((usual / 20).toPrecision(1))) : '0');
  const beyond = usual > 0 ? usual * MOST_TIMES : unit === '' || unit === '%' ? 1000 : 100;
  return {
    ...each,
    min: least,
    max: max ?? String(unit === '%' ? Math.max(usual, 200) : Number(beyond.toPrecision(2))),
  };
}

export function assemblyOf({
  parts,
  tags = '',
  trade,
  tables = [],
  version = 1,
  ...content
}: Shelf): MadeAssembly {
  const byCode = new Map(
    parts.flatMap(({ items }) =>
      items.map((item) => [item.code, { ...item, group: item.group || trade }] as const),
    ),
  );
  return {
    ...content,
    inputs: content.inputs.map(withLimits),
    trade,
    tags,
    tables,
    version,
    components: parts.map((each) => each.component),
    items: [...byCode.values()],
  };
}

export interface Sizes {
  readonly length: string;
  readonly small: string;
  readonly area: string;
  readonly volume: string;
  readonly mass: string;
  readonly height: string;
  readonly stick: string;
  readonly sheetArea: string;
}

export const SIZES: Readonly<Record<UnitSystem, Sizes>> = {
  us: {
    length: 'ft',
    small: 'in',
    area: 'ft²',
    volume: 'yd³',
    mass: 'lb',
    height: '9',
    stick: '16',
    sheetArea: '4 ft * 8 ft',
  },
  metric: {
    length: 'm',
    small: 'mm',
    area: 'm²',
    volume: 'm³',
    mass: 'kg',
    height: '2.7',
    stick: '4.8',
    sheetArea: '1.2 m * 2.4 m',
  },
};

/** Lengths that sheets of board come in, 4 ft or 1.2 m wide. */
const BOARD_LENGTHS: Readonly<Record<UnitSystem, readonly string[]>> = {
  us: ['8', '10', '12'],
  metric: ['2.4', '3', '3.6'],
};

/** Asked wherever board is hung: the price follows it, and so does how many there are. */
export const boardLength = (system: UnitSystem): AssemblyInput => {
  const { length } = SIZES[system];
  const [usual, ...longer] = BOARD_LENGTHS[system];
  return input(
    'board_length',
    'How long are the sheets?',
    length,
    usual ?? '',
    'on walls, as long as they are high, or laid in rows',
    [usual ?? '', ...longer].map((value) => ({ label: `${value} ${length}`, value })),
  );
};

/** The sheets of board that are long enough; each is 4 ft or 1.2 m wide. */
export const BOARDS = { family: 'Board 5/8 in', by: { length: 'board_length' } } as const;
export const boardWidth = (system: UnitSystem): string => pick(system, '4 ft', '1.2 m');
/** What is used by the sheet is known for one of 4 x 8 ft. */
export const perBoard = (amount: string, system: UnitSystem): string =>
  `${amount} * board * board_length / (${pick(system, '8 ft', '2.4 m')})`;

export const pick = <Value>(system: UnitSystem, us: Value, metric: Value): Value =>
  system === 'us' ? us : metric;
