import { lineNode } from '../../calculate/graph/nodes.ts';
import { restsOnSamples } from '../../calculate/samples.ts';
import { linePrices } from '../../calculate/totals/linePrices.ts';
import { alternateOfRow, type PricedRow } from '../../estimate/rows.ts';
import type { Failure } from '../../job/failure.ts';
import { overrideOf } from '../../job/overrides.ts';
import { COST_KINDS, type CostKind } from '../../job/records/assembly.ts';
import { remember } from '../../job/remember.ts';
import type { Figures } from '../../calculate/figures.ts';
import {
  codeOfRow,
  dateOfRow,
  itemOfRow,
  nameOfRow,
  reportLine,
  sourceOfRow,
  wasteOfRow,
  workedOf,
} from '../estimateReport.ts';
import type { Cell, CellKind } from '../cell.ts';
import { dateCell, textCell } from '../cell.ts';
import { type Field, type ReportContext, type ReportWord, known, moneyCell, quantityCell } from './field.ts';

type LineField = Field<PricedRow>;

/** Prices of all lines, worked out once for figures that stay. */
const pricesOf = remember((figures: Figures) => linePrices(figures));

export function unitOfRow(row: PricedRow): string {
  switch (row.type) {
    case 'line':
      return row.line.unit;
    case 'component':
      return row.component.unit;
    case 'purchase':
      return row.purchase.unit;
    case 'quote':
      return 'sum';
  }
}

const text = (read: (row: PricedRow, context: ReportContext) => string): LineField => ({
  kind: 'text',
  read: (row, context) => textCell(read(row, context)),
});

const money = (figure: CostKind | 'extension'): LineField => ({
  kind: 'money',
  read: ({ key }, { figures }) => moneyCell(figures, lineNode(key, figure)),
});

const figure = (kind: CellKind, read: LineField['read']): LineField => ({ kind, read });

/** Cost of one unit by kind, labor with its wages. */
const perUnit = (kind: CostKind): LineField =>
  figure('rate', (row, { figures }) => {
    const { perUnit: per, unit } = reportLine(figures, row);
    if (per === undefined) return undefined;
    const amount = kind === 'labor' ? per.labor + per.hours * per.wage : per[kind];
    return amount === 0 ? undefined : { kind: 'rate', amount, per: unit };
  });

const MADE_BY = {
  line: 'typed',
  component: 'from-assembly',
  purchase: 'rounding-up',
  quote: 'quote',
} as const;

/** The kind most of a line's money is of; what it is meant to be, where it has none. */
function kindOf(figures: Figures, row: PricedRow): CostKind | undefined {
  if (row.type === 'component') return row.component.kind;
  if (row.type === 'quote') return row.package.kind;
  let most: CostKind | undefined;
  let amount = 0;
  for (const kind of COST_KINDS) {
    const own = Math.abs(known(figures, lineNode(row.key, kind)) ?? 0);
    if (own > amount) [most, amount] = [kind, own];
  }
  return most;
}

/** What the client pays for a line, and what of it is on top of cost. */
const price = (of: 'price' | 'top' | 'percent' | 'unit'): LineField => ({
  kind: of === 'percent' ? 'percent' : of === 'unit' ? 'rate' : 'money',
  spread: true,
  read: (row, { figures }): Cell => {
    const minor = pricesOf(figures).ofLine(row.key);
    if (minor === undefined) return undefined;
    const cost = known(figures, lineNode(row.key, 'extension')) ?? 0;
    if (of === 'price') return { kind: 'money', minor };
    if (of === 'top') return { kind: 'money', minor: minor - cost };
    if (of === 'percent')
      return cost === 0 ? undefined : { kind: 'percent', value: ((minor - cost) / cost) * 100 };
    const quantity = known(figures, lineNode(row.key, 'quantity')) ?? 0;
    return quantity === 0
      ? undefined
      : { kind: 'rate', amount: figures.toMajor(minor) / quantity, per: unitOfRow(row) };
  },
});

const LACKING: Partial<Readonly<Record<Failure['kind'], ReportWord>>> = {
  'no-price': 'no-price',
  'no-quote': 'no-price',
  'item-unknown': 'no-price',
  'no-quantity': 'no-quantity',
};

/** Hours are known and what they cost is not: the rest of the line is in the bid. */
const isWageMissing = (figures: Figures, key: string): boolean => {
  const node = lineNode(key, 'labor');
  return figures.has(node) && figures.figure(node).failure !== undefined;
};

/** Labor as far as it is known, as the bid has it. */
const labor: LineField = {
  kind: 'money',
  read: ({ key }, { figures }) => {
    const part = lineNode(key, 'labor-known');
    return moneyCell(figures, figures.has(part) ? part : lineNode(key, 'labor'));
  },
};

/** Why the bid does not hold a line, or not all of it. Nothing of something costs nothing, and lacks nothing. */
function lacks(figures: Figures, row: PricedRow, { words }: ReportContext): string {
  const extension = figures.figure(lineNode(row.key, 'extension'));
  if (extension.failure !== undefined) return words.say(LACKING[extension.failure.kind] ?? 'no-figure');
  return isWageMissing(figures, row.key) ? words.say('no-wage') : '';
}

/** What a person typed over what flows. */
function typedOver(figures: Figures, row: PricedRow, { words }: ReportContext): string {
  const choices = row.type === 'line' ? row.line : overrideOf(figures.job, row.key);
  if (choices?.pinned !== undefined) return words.say('pinned');
  return Object.values(choices?.costs ?? {}).some((cost) => cost !== undefined && cost !== '')
    ? words.say('typed-cost')
    : '';
}

function noteOf(figures: Figures, row: PricedRow): string {
  if (row.type === 'line') return row.line.note ?? '';
  return overrideOf(figures.job, row.key)?.note ?? '';
}

function allowanceOf(row: PricedRow, { words }: ReportContext): string {
  if (row.type !== 'line' || row.line.allowance === undefined) return '';
  return words.say(`allowance-${row.line.allowance}`);
}

/** The option a line comes or goes with. */
export function alternateWords(row: PricedRow, { figures, words }: ReportContext): string {
  const place = alternateOfRow(figures.job, row);
  const name = place === undefined ? undefined : figures.job.alternate.get(place.id)?.name;
  return place === undefined || name === undefined ? '' : `${words.say(place.as)} ${name}`;
}

/** What can be known of a priced line. */
export const LINE_FIELDS = {
  description: text((row, { figures }) => nameOfRow(figures.job, row)),
  kind: text((row, { figures, words }) => {
    const kind = kindOf(figures, row);
    return kind === undefined ? '' : words.cost(kind);
  }),
  made_by: text((row, { words }) => words.say(MADE_BY[row.type])),
  cost_code: text((row, { figures }) => codeOfRow(figures, row)),
  part_number: text((row) => (row.type === 'component' ? (row.component.partNumber ?? '') : '')),
  quantity: figure('quantity', (row, { figures }) =>
    row.type === 'quote'
      ? { kind: 'quantity', value: 1, unit: 'sum' }
      : quantityCell(figures, lineNode(row.key, 'quantity'), unitOfRow(row)),
  ),
  needed: figure('quantity', (row, { figures }) => {
    const value = row.type === 'quote' ? 1 : workedOf(figures, row);
    return value === undefined ? undefined : { kind: 'quantity', value, unit: unitOfRow(row) };
  }),
  flowing: figure('quantity', (row, { figures }) =>
    quantityCell(figures, lineNode(row.key, 'flowing'), unitOfRow(row)),
  ),
  unit: text((row) => unitOfRow(row)),
  waste: figure('percent', (row, { figures }) => {
    const value = wasteOfRow(figures, row);
    return value === 0 ? undefined : { kind: 'percent', value };
  }),
  hours: figure('quantity', ({ key }, { figures }) => quantityCell(figures, lineNode(key, 'hours'), 'h')),
  material: money('material'),
  labor,
  equipment: money('equipment'),
  subcontract: money('subcontract'),
  other: money('other'),
  cost: money('extension'),
  unit_material: perUnit('material'),
  unit_labor: perUnit('labor'),
  unit_equipment: perUnit('equipment'),
  unit_subcontract: perUnit('subcontract'),
  unit_other: perUnit('other'),
  unit_hours: figure('rate', (row, { figures }) => {
    const { perUnit: per } = reportLine(figures, row);
    return per === undefined || per.hours === 0 ? undefined : { kind: 'number', value: per.hours };
  }),
  on_top: price('top'),
  on_top_percent: price('percent'),
  price: price('price'),
  unit_price: price('unit'),
  from: text((row, { figures }) => sourceOfRow(figures, row)),
  price_date: {
    kind: 'date',
    read: (row, { figures }) => dateCell(dateOfRow(figures, row)),
  } satisfies LineField,
  sample: text((row, { figures, words }) => (restsOnSamples(figures, row.key) ? words.say('yes') : '')),
  typed_over: text((row, context) => typedOver(context.figures, row, context)),
  lacks: text((row, context) => lacks(context.figures, row, context)),
  note: text((row, { figures }) => noteOf(figures, row)),
  allowance: text(allowanceOf),
  alternate: text(alternateWords),
} as const satisfies Readonly<Record<string, LineField>>;

/** The item a row is priced by, of a sized one the item its sizes lead to. */
export const itemOfPriced = (figures: Figures, row: PricedRow) =>
  row.type === 'quote' ? undefined : itemOfRow(figures, row);
