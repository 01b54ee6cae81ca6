import { daysBetween } from '../../doubts/context.ts';
import type { Assembly } from '../../job/records/assembly.ts';
import type { Craft } from '../../job/records/craft.ts';
import type { Crew } from '../../job/records/crew.ts';
import type { Item } from '../../job/records/item.ts';
import { burdenedWage } from '../../pricing/labor.ts';
import { itemKind } from '../../pricing/itemKind.ts';
import { usedCodes } from '../../pricing/book.ts';
import { type Cell, dateCell, textCell } from '../cell.ts';
import type { Field } from './field.ts';

type BookCost = 'material' | 'equipment' | 'subcontract' | 'other';

/** A cost of the price book, for one unit. */
const cost = (of: BookCost): Field<Item> => ({
  kind: 'rate',
  read: (item) =>
    item[of] === '' ? undefined : { kind: 'rate', amount: Number(item[of]) / item.basis, per: item.unit },
});

/** What can be known of an item of the price book. */
export const ITEM_FIELDS = {
  code: { kind: 'text', read: ({ code }) => textCell(code) },
  description: { kind: 'text', read: ({ description }) => textCell(description) },
  unit: { kind: 'text', read: ({ unit }) => textCell(unit) },
  kind: { kind: 'text', read: (item, { words }) => textCell(words.cost(itemKind(item))) },
  material: cost('material'),
  equipment: cost('equipment'),
  subcontract: cost('subcontract'),
  other: cost('other'),
  hours: {
    kind: 'number',
    read: ({ laborHours }) => (laborHours === '' ? undefined : { kind: 'number', value: Number(laborHours) }),
  },
  supplier: { kind: 'text', read: ({ supplier }) => textCell(supplier) },
  price_date: { kind: 'date', read: ({ date }) => dateCell(date) },
  days_old: {
    kind: 'number',
    read: ({ date }, { today }) => {
      const days = daysBetween(date, today);
      return days === undefined ? undefined : { kind: 'number', value: days };
    },
  },
  group: { kind: 'text', read: ({ group }) => textCell(group) },
  family: { kind: 'text', read: ({ family = '' }) => textCell(family) },
  tags: { kind: 'text', read: ({ tags = '' }) => textCell(tags) },
  from: { kind: 'text', read: ({ source = '' }) => textCell(source) },
  sample: {
    kind: 'text',
    read: ({ sample }, { words }) => textCell(sample === true ? words.say('yes') : ''),
  },
  used: {
    kind: 'text',
    read: ({ code }, { figures, words }) =>
      textCell(usedCodes(figures.job).has(code) ? words.say('yes') : ''),
  },
} as const satisfies Readonly<Record<string, Field<Item>>>;

export const ASSEMBLY_FIELDS = {
  name: { kind: 'text', read: ({ name, order }) => textCell(name, order) },
  folder: { kind: 'text', read: ({ folder = '' }) => textCell(folder) },
  tags: { kind: 'text', read: ({ tags = '' }) => textCell(tags) },
} as const satisfies Readonly<Record<string, Field<Assembly>>>;

export const CRAFT_FIELDS = {
  name: { kind: 'text', read: ({ name }) => textCell(name) },
  wage: { kind: 'rate', read: (craft) => wageCell(craft) },
} as const satisfies Readonly<Record<string, Field<Craft>>>;

const wageCell = ({ wage, burden }: Craft): Cell =>
  wage === ''
    ? undefined
    : { kind: 'rate', amount: burdenedWage(burden === undefined ? { wage } : { wage, burden }), per: 'h' };

export const CREW_FIELDS = {
  name: { kind: 'text', read: ({ name, order }) => textCell(name, order) },
  people: {
    kind: 'number',
    read: ({ members }) => ({ kind: 'number', value: members.reduce((sum, { count }) => sum + count, 0) }),
  },
} as const satisfies Readonly<Record<string, Field<Crew>>>;
