import type {
  PrintedCell,
  PrintedColumn,
  PrintedRow,
  PrintedTable,
} from '@zest/core/formats/document/printed';
import { plainToLocal } from '@zest/core/formula/localize';
import { COST_KINDS, type CostKind } from '@zest/core/job/records/assembly';
import type { BidDetail } from '@zest/core/job/records/document';
import { formatMoney, formatUnitCost, minorDigits } from '@zest/core/pricing/money';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import type { PriceStep } from '@zest/core/calculate/totals/linePrices';
import type { BidReport } from '@zest/core/reports/bidReport';
import type { BidInnerRow, BidPrices, BidRow, UnnamedRow } from '@zest/core/reports/bidRows';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import type { DocumentWords } from './documentWords.ts';

const NOTHING: PrintedCell = { text: '' };
export const words = (text: string): PrintedCell => ({ text });

/** Whole minor units, as paper and as a number. */
export const moneyCell = ({ money }: DocumentWords, minor: number): PrintedCell => ({
  text: formatMoney(minor, money),
  value: minor / 10 ** minorDigits(money.currency),
  kind: 'money',
});

export const rateCell = ({ money }: DocumentWords, amount: number): PrintedCell => ({
  text: formatUnitCost(amount, money),
  value: amount,
  kind: 'rate',
});

const quantityCell = (
  { money }: DocumentWords,
  { value, unit }: NonNullable<BidInnerRow['quantity']>,
): PrintedCell => ({
  text: `${writeQuantity(value, unit, money.numbers)} ${unitOrLabel(unit).symbol}`.trim(),
  value,
  kind: 'quantity',
  unit: unitOrLabel(unit).symbol,
});

const KIND_WORDS = {
  material: 'bid.material',
  labor: 'bid.labor',
  equipment: 'bid.equipment',
  subcontract: 'bid.subcontract',
  other: 'bid.other',
} as const;

const UNNAMED = {
  'other-work': 'bid.otherWork',
  'whole-job': 'bid.inTheWholeJob',
  rounding: 'bid.rounding',
} as const satisfies Readonly<Record<UnnamedRow, string>>;

/** What columns a detail has between the words and the amount. */
interface Shape {
  readonly hasQuantity: boolean;
  readonly hasRate: boolean;
  readonly kinds: readonly CostKind[];
}

function shapeOf(detail: BidDetail, rows: readonly BidRow[]): Shape {
  const priced = detail === 'items' || detail === 'split';
  return {
    hasQuantity: priced || detail === 'lines',
    hasRate: priced,
    kinds:
      detail === 'split'
        ? COST_KINDS.filter((kind) => rows.some(({ inner }) => inner.some(({ kinds }) => kinds?.[kind])))
        : [],
  };
}

const column = (heading: string, align: 'left' | 'right' = 'right'): PrintedColumn => ({
  heading,
  align,
  isWide: false,
});

/** The prices at their detail, what is shown apart, the total, and tax on all that is sold. */
export function priceTable(
  { rows: priced, steps, total: sum }: BidPrices,
  addedTax: BidReport['addedTax'],
  detail: BidDetail,
  by: DocumentWords,
): PrintedTable {
  const { t } = by;
  const shape = shapeOf(detail, priced);
  const columns: readonly PrintedColumn[] = [
    column('', 'left'),
    { heading: t('bid.description'), align: 'left', isWide: true },
    ...(shape.hasQuantity ? [column(t('bid.quantity'))] : []),
    ...(shape.hasRate ? [column(t('bid.unitPrice'))] : []),
    ...shape.kinds.map((kind) => column(t(KIND_WORDS[kind]))),
    column(t('bid.amount')),
  ];
  const rows: PrintedRow[] = [];
  const adds: number[] = [];
  for (const row of priced) {
    adds.push(rows.length);
    rows.push(...sectionRows(row, shape, by, rows.length));
  }
  for (const step of steps) {
    adds.push(rows.length);
    rows.push(closingRow(shape, stepWords(step, by), moneyCell(by, step.amount), 'plain'));
  }
  const total = moneyCell(by, sum);
  rows.push(
    closingRow(
      shape,
      t('bid.totalIn', { currency: by.money.currency }),
      adds.length === 0 ? total : { ...total, formula: { kind: 'sum', rows: adds } },
      'total',
    ),
    ...taxRows(addedTax, shape, by, rows.length),
  );
  return { columns, hasHead: shape.hasRate, rows };
}

/** A row that has only words and an amount. */
function closingRow(
  { hasQuantity, hasRate, kinds }: Shape,
  text: string,
  amount: PrintedCell,
  look: PrintedRow['look'],
): PrintedRow {
  const between = Number(hasQuantity) + Number(hasRate) + kinds.length;
  return {
    cells: [NOTHING, words(text), ...Array.from({ length: between }, () => NOTHING), amount],
    look,
    indent: 0,
  };
}

function sectionRows(row: BidRow, shape: Shape, by: DocumentWords, at: number): readonly PrintedRow[] {
  const named = ({ name, is }: Pick<BidRow, 'name' | 'is'>): string =>
    is === undefined || name !== '' ? name : by.t(UNNAMED[is]);
  const isPriced = row.inner.some(({ amount }) => amount !== undefined);
  const amount = moneyCell(by, row.amount);
  const sum = { kind: 'sum' as const, rows: row.inner.map((_, inner) => at + 1 + inner) };
  const own = closingRow(
    shape,
    named(row),
    isPriced ? { ...amount, formula: sum } : amount,
    row.inner.length > 0 ? 'bold' : 'plain',
  );
  const [, ...rest] = own.cells;
  return [
    { ...own, cells: [words(row.code), ...rest] },
    ...row.inner.map((inner) => innerRow(inner, named(inner), shape, by)),
  ];
}

function innerRow(
  { quantity, unitPrice, amount, kinds }: BidInnerRow,
  name: string,
  shape: Shape,
  by: DocumentWords,
): PrintedRow {
  const isProduct = shape.hasRate && quantity !== undefined && unitPrice !== undefined;
  const money = amount === undefined ? NOTHING : moneyCell(by, amount);
  return {
    look: 'plain',
    indent: 1,
    cells: [
      NOTHING,
      words(name),
      ...(shape.hasQuantity ? [quantity === undefined ? NOTHING : quantityCell(by, quantity)] : []),
      ...(shape.hasRate ? [unitPrice === undefined ? NOTHING : rateCell(by, unitPrice)] : []),
      ...shape.kinds.map((kind) => (kinds?.[kind] ? moneyCell(by, kinds[kind]) : NOTHING)),
      isProduct ? { ...money, formula: { kind: 'product', columns: [2, 3] } } : money,
    ],
  };
}

function stepWords(step: PriceStep, { t, money }: DocumentWords): string {
  if (step.kind === 'rounding') return t('bid.rounding');
  if (step.kind === 'tax')
    return t('bid.taxOnMaterials', { percent: plainToLocal(step.percent, money.numbers) });
  const { name, percent, as, rates = [] } = step.markup;
  // A rate is said only where it is the one for all.
  return as === undefined && rates.length === 0 && percent !== ''
    ? t('bid.addedTax', { name, percent: plainToLocal(percent, money.numbers) })
    : name;
}

/** Each rate of the tax on its share, and the sum to pay. */
function taxRows(
  addedTax: BidReport['addedTax'],
  shape: Shape,
  by: DocumentWords,
  totalAt: number,
): readonly PrintedRow[] {
  if (addedTax === undefined) return [];
  const { name, rows, gross } = addedTax;
  const { t, money } = by;
  const one = rows.length === 1;
  const taxes = rows.map(({ percent, base, amount }) => {
    const said = { name, percent: plainToLocal(percent, money.numbers) };
    const cell = moneyCell(by, amount);
    return closingRow(
      shape,
      one ? t('bid.addedTax', said) : t('bid.addedTaxOn', { ...said, base: formatMoney(base, money) }),
      one ? { ...cell, formula: { kind: 'percent', row: totalAt, percent } } : cell,
      'plain',
    );
  });
  const all = [totalAt, ...taxes.map((_, at) => totalAt + 1 + at)];
  const sum: PrintedCell = { ...moneyCell(by, gross), formula: { kind: 'sum', rows: all } };
  return [
    ...taxes,
    closingRow(shape, t('bid.totalWithTax', { name, currency: money.currency }), sum, 'bold'),
  ];
}
