import { levelQuote, sumPrices } from '../../estimate/quotes.ts';
import { lineNode } from '../../calculate/graph/nodes.ts';
import { settingsOf } from '../../job/job.ts';
import type { Package, Quote } from '../../job/records/quote.ts';
import type { Acceptance } from '../../job/records/acceptance.ts';
import type { Doubt } from '../../doubts/doubt.ts';
import { minorDigits } from '../../pricing/money.ts';
import type { AlternatePrice } from '../alternates.ts';
import type { BridgeCause, BridgeLine } from '../bridge.ts';
import { type Cell, dateCell, textCell } from '../cell.ts';
import type { MaterialPart } from '../materialList.ts';
import { type Field, type ReportContext, known } from './field.ts';

/** What a quote comes to, leveled; priced by line, at the quantities of now. */
function totalOfQuote(quote: Quote, { figures }: ReportContext): number {
  const { job } = figures;
  const digits = minorDigits(settingsOf(job).currency);
  const asked = job.package.get(quote.packageId);
  const leveled = levelQuote(quote, digits);
  if (asked?.by !== 'lines') return leveled.total;
  const lines = asked.lines.map((key) => ({ key, quantity: known(figures, lineNode(key, 'quantity')) }));
  return sumPrices(quote, lines, digits).total + leveled.leftOut + leveled.adjusted;
}

const money = (minor: number): Cell => ({ kind: 'money', minor });

export const PACKAGE_FIELDS = {
  name: { kind: 'text', read: ({ name, order }) => textCell(name, order) },
  kind: { kind: 'text', read: ({ kind }, { words }) => textCell(words.cost(kind)) },
  cost_code: { kind: 'text', read: ({ costCode = '' }) => textCell(costCode) },
  lines: { kind: 'number', read: ({ lines }) => ({ kind: 'number', value: lines.length }) },
} as const satisfies Readonly<Record<string, Field<Package>>>;

export const QUOTE_FIELDS = {
  company: { kind: 'text', read: ({ company }) => textCell(company) },
  quoted: {
    kind: 'money',
    read: (quote, { figures }) =>
      quote.amount === ''
        ? undefined
        : money(levelQuote(quote, minorDigits(settingsOf(figures.job).currency)).quoted),
  },
  total: { kind: 'money', read: (quote, context) => money(totalOfQuote(quote, context)) },
  left_out: {
    kind: 'number',
    read: ({ leftOut }) => ({ kind: 'number', value: Object.keys(leftOut).length }),
  },
  date: { kind: 'date', read: ({ date }) => dateCell(date) },
  valid_until: { kind: 'date', read: ({ validUntil }) => dateCell(validUntil) },
  note: { kind: 'text', read: ({ note }) => textCell(note) },
  taken: {
    kind: 'text',
    read: ({ id, packageId }, { figures, words }) =>
      textCell(figures.job.package.get(packageId)?.takenId === id ? words.say('taken') : ''),
  },
} as const satisfies Readonly<Record<string, Field<Quote>>>;

export const ALTERNATE_FIELDS = {
  name: { kind: 'text', read: ({ alternate: { name, order } }) => textCell(name, order) },
  state: {
    kind: 'text',
    read: ({ alternate }, { words }) => textCell(words.say(alternate.accepted ? 'accepted' : 'open')),
  },
  change: { kind: 'money', spread: true, read: ({ change }) => money(change) },
  with: { kind: 'money', spread: true, read: (each) => money(each.with) },
  without: { kind: 'money', spread: true, read: (each) => money(each.without) },
  lines: { kind: 'number', read: ({ lines }) => ({ kind: 'number', value: lines }) },
  note: { kind: 'text', read: ({ alternate }) => textCell(alternate.note) },
} as const satisfies Readonly<Record<string, Field<AlternatePrice>>>;

/** A doubt, still open or accepted with a reason. */
export interface DoubtRow {
  readonly doubt: Doubt;
  readonly acceptance: Acceptance | undefined;
}

export const DOUBT_FIELDS = {
  question: { kind: 'text', read: ({ doubt }, { words }) => textCell(words.doubt(doubt)) },
  about: { kind: 'text', read: ({ doubt }) => textCell(doubt.name) },
  state: {
    kind: 'text',
    read: ({ acceptance }, { words }) =>
      textCell(words.say(acceptance === undefined ? 'open' : 'accepted'), acceptance === undefined ? 0 : 1),
  },
  reason: { kind: 'text', read: ({ acceptance }) => textCell(acceptance?.reason ?? '') },
  date: { kind: 'date', read: ({ acceptance }) => dateCell(acceptance?.date ?? '') },
} as const satisfies Readonly<Record<string, Field<DoubtRow>>>;

const cause = (of: BridgeCause): Field<BridgeLine> => ({
  kind: 'money',
  read: ({ by }) => (by[of] === 0 ? undefined : money(by[of])),
});

export const CHANGE_FIELDS = {
  name: { kind: 'text', read: ({ name }) => textCell(name) },
  before: { kind: 'money', read: ({ from }) => money(from) },
  now: { kind: 'money', read: ({ to }) => money(to) },
  change: { kind: 'money', read: ({ from, to }) => money(to - from) },
  by_quantity: cause('quantity'),
  by_price: cause('price'),
  added: cause('added'),
  removed: cause('removed'),
} as const satisfies Readonly<Record<string, Field<BridgeLine>>>;

/** What can be known of a part that is bought. */
export const PART_FIELDS = {
  part_number: { kind: 'text', read: ({ partNumber }) => textCell(partNumber) },
  code: { kind: 'text', read: ({ code }) => textCell(code) },
  description: { kind: 'text', read: ({ description }) => textCell(description) },
  supplier: { kind: 'text', read: ({ supplier }) => textCell(supplier) },
  quantity: { kind: 'quantity', read: ({ quantity, unit }) => ({ kind: 'quantity', value: quantity, unit }) },
  needed: { kind: 'quantity', read: ({ needed, unit }) => ({ kind: 'quantity', value: needed, unit }) },
  more: {
    kind: 'percent',
    read: ({ quantity, needed }) =>
      needed === 0 ? undefined : { kind: 'percent', value: (quantity / needed - 1) * 100 },
  },
  unit: { kind: 'text', read: ({ unit }) => textCell(unit) },
  material: { kind: 'money', read: ({ material }) => money(material) },
  unit_price: {
    kind: 'rate',
    read: ({ material, quantity, unit }, { figures }) =>
      quantity === 0 ? undefined : { kind: 'rate', amount: figures.toMajor(material) / quantity, per: unit },
  },
  lines: { kind: 'number', read: ({ lines }) => ({ kind: 'number', value: lines }) },
} as const satisfies Readonly<Record<string, Field<MaterialPart>>>;
