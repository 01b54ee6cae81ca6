import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import {
  type LinePrices,
  type PriceStep,
  type ShownApart,
  linePrices,
} from '../calculate/totals/linePrices.ts';
import { lineNode, sectionNode } from '../calculate/graph/nodes.ts';
import { distribute } from '../estimate/distribute.ts';
import { type LineAt, findLine, nameOfLine, unitOfLine } from '../estimate/lineSources.ts';
import { countedInSection } from '../estimate/lines.ts';
import { type LineKey, NO_SECTION } from '../job/lineKey.ts';
import { type Job, inOrder, settingsOf } from '../job/job.ts';
import type { NodeId } from '../job/nodeId.ts';
import { COST_KINDS, type CostKind } from '../job/records/assembly.ts';
import type { BidDetail } from '../job/records/document.ts';
import { minorDigits } from '../pricing/money.ts';
import { type Split, splitBid } from './splitBid.ts';
import { fitUnitPrices } from './unitPrices.ts';

/** A row that stands for no record: the words for it are of whoever writes the bid. */
export type UnnamedRow = 'other-work' | 'whole-job' | 'rounding';

export interface BidRow {
  readonly code: string;
  /** Empty for one that stands for no record. */
  readonly name: string;
  readonly is?: UnnamedRow;
  /** Whole minor units, with all that is not shown apart. */
  readonly amount: number;
  readonly inner: readonly BidInnerRow[];
}

export interface BidInnerRow {
  readonly name: string;
  readonly is?: UnnamedRow;
  /** How much of it, where the detail tells. */
  readonly quantity?: { readonly value: number; readonly unit: string };
  /** Major units; times the quantity it is the amount. */
  readonly unitPrice?: number;
  /** Undefined where only the row around it is priced. */
  readonly amount: number | undefined;
  /** The amount by kind of cost, whole minor units. */
  readonly kinds?: Readonly<Record<CostKind, number>>;
}

/** What a client is shown of the prices. */
export interface PriceView {
  readonly detail: BidDetail;
  readonly apart: ShownApart;
}

const valueOf = (figures: Figures, node: NodeId): number => knownValue(figures.figure(node)) ?? 0;

const sum = (amounts: readonly number[]): number => amounts.reduce((all, each) => all + each, 0);

/** What a client sees of the prices: rows, what stands apart below them, and the total they come to. */
export interface BidPrices {
  readonly rows: readonly BidRow[];
  readonly steps: readonly PriceStep[];
  readonly total: number;
}

export function bidPrices(figures: Figures, view: PriceView): BidPrices {
  const { total, steps } = linePrices(figures, view.apart);
  return { rows: bidRows(figures, view), steps: view.detail === 'total' ? [] : steps, total };
}

/** The priced rows of a bid; with the steps of the prices they come to its total, unless only the total is shown. */
function bidRows(figures: Figures, { detail, apart }: PriceView): readonly BidRow[] {
  if (detail === 'total') return [];
  if (detail === 'zones' || detail === 'levels')
    return placeRows(figures, detail === 'zones' ? 'zone' : 'level', apart);
  const { job } = figures;
  const prices = linePrices(figures, apart);
  const sections = topSections(job).filter(({ id }) => valueOf(figures, sectionNode(id, 'cost')) !== 0);
  // The shares of the lines, so that rates of a section's own stay in it.
  const shared = sections.map(({ id }) => prices.ofSection(id));
  const priced = prices.total - sum(prices.steps.map(({ amount }) => amount));
  const left = priced - sum(shared);
  return sections.map((section, index) => {
    const amount = (shared[index] ?? 0) + (index === 0 ? left : 0);
    const inner =
      detail === 'sections'
        ? sectionRows(job, prices, section, amount)
        : innerRows(figures, prices, section.id, amount, detail);
    return { ...section, amount, inner };
  });
}

interface SectionAt extends Pick<BidRow, 'code' | 'name' | 'is'> {
  readonly id: string;
}

const topSections = (job: Job): readonly SectionAt[] => [
  ...inOrder(job.section.values())
    .filter(({ parentId }) => parentId === null)
    .map(({ id, code, name }) => ({ id, code, name })),
  { id: NO_SECTION, code: '', name: '', is: 'other-work' },
];

/** The bid by where the work is. */
const placeRows = (figures: Figures, by: Split, apart: ShownApart): readonly BidRow[] =>
  splitBid(figures, by, apart).map(({ name, price }) => ({
    code: '',
    name,
    ...(name === '' ? { is: 'whole-job' as const } : {}),
    amount: price,
    inner: [],
  }));

/** The sections inside one, as a phase has them, and what stands in it directly under its own name; none where it has none. */
function sectionRows(job: Job, prices: LinePrices, outer: SectionAt, amount: number): BidRow['inner'] {
  const inner = inOrder(job.section.values())
    .filter(({ parentId }) => parentId === outer.id)
    .map(({ id, name }) => ({ name, amount: prices.ofSection(id) }))
    .filter((row) => row.amount !== 0);
  if (inner.length === 0) return [];
  const rest = amount - sum(inner.map((row) => row.amount));
  const { name, is } = outer;
  return rest === 0 ? inner : [...inner, { name, ...(is === undefined ? {} : { is }), amount: rest }];
}

/** What a section is made of: what was measured and other lines by their shares, or every line by itself. */
function innerRows(
  figures: Figures,
  prices: LinePrices,
  sectionId: string,
  amount: number,
  detail: 'scopes' | 'lines' | 'items' | 'split',
): BidRow['inner'] {
  const { job } = figures;
  const lines = [...sectionsInside(job, sectionId)]
    .flatMap((id) => countedInSection(job, id))
    .flatMap(({ key }) => findLine(job, key) ?? []);
  if (detail === 'lines')
    return lineRows(figures, prices, lines).map(({ name, quantity }) => ({
      name,
      quantity,
      amount: undefined,
    }));
  const rows = detail === 'scopes' ? scopeRows(prices, lines) : unitPricedRows(figures, prices, lines);
  const shown = rows.map(({ key, ...row }): BidInnerRow =>
    key === undefined || detail !== 'split' ? row : { ...row, kinds: kindsOf(figures, key, row.amount) },
  );
  // What rounding of the bid leaves over belongs to no line.
  const rest = amount - sum(rows.map((row) => row.amount));
  return rest === 0 ? shown : [...shown, { name: '', is: 'rounding', amount: rest }];
}

type PricedRow = BidInnerRow & { readonly amount: number; readonly key?: LineKey };

/** What was measured by the shares of its lines, and every other line by its own name. */
function scopeRows(prices: LinePrices, lines: readonly LineAt[]): readonly PricedRow[] {
  const sums = new Map<string, number>();
  for (const line of lines) {
    const share = prices.ofLine(line.key) ?? 0;
    if (share === 0) continue;
    const name = line.of.by === 'use' ? line.of.made.frame.scope.name : nameOfLine(line);
    sums.set(name, (sums.get(name) ?? 0) + share);
  }
  return [...sums].map(([name, amount]) => ({ name, amount }));
}

interface LineRow {
  readonly key: LineKey;
  readonly name: string;
  readonly quantity: { readonly value: number; readonly unit: string };
  readonly amount: number;
}

const lineRows = (figures: Figures, prices: LinePrices, lines: readonly LineAt[]): readonly LineRow[] =>
  lines.flatMap((line) => {
    const value = valueOf(figures, lineNode(line.key, 'quantity'));
    const amount = prices.ofLine(line.key) ?? 0;
    if (value === 0 && amount === 0) return [];
    return [{ key: line.key, name: nameOfLine(line), quantity: { value, unit: unitOfLine(line) }, amount }];
  });

/** Every line with how much of it and what one of it costs, so that the client's pocket calculator agrees. */
function unitPricedRows(
  figures: Figures,
  prices: LinePrices,
  lines: readonly LineAt[],
): readonly PricedRow[] {
  const rows = lineRows(figures, prices, lines);
  const { currency } = settingsOf(figures.job);
  const fitted = fitUnitPrices(
    rows.map(({ quantity, amount }) => ({ quantity: quantity.value, amount })),
    minorDigits(currency),
  );
  return rows.map(({ key, name, quantity: { unit } }, at): PricedRow => {
    const { quantity = 0, unitPrice, amount = 0 } = fitted.rows[at] ?? {};
    return {
      key,
      name,
      quantity: { value: quantity, unit },
      ...(unitPrice === undefined ? {} : { unitPrice }),
      amount,
    };
  });
}

/** A line's amount by what it is spent on, with what is shared in. */
function kindsOf(figures: Figures, key: LineKey, amount: number): NonNullable<BidInnerRow['kinds']> {
  const costs = COST_KINDS.map((kind) => {
    const node = lineNode(key, kind);
    return figures.has(node) ? valueOf(figures, node) : 0;
  });
  const shares = distribute(amount, costs);
  return Object.fromEntries(COST_KINDS.map((kind, at) => [kind, shares[at] ?? 0])) as Record<
    CostKind,
    number
  >;
}

function sectionsInside(job: Job, sectionId: string): ReadonlySet<string> {
  const inside = new Set([sectionId]);
  let before = 0;
  while (inside.size !== before) {
    before = inside.size;
    for (const { id, parentId } of job.section.values())
      if (parentId !== null && inside.has(parentId)) inside.add(id);
  }
  return inside;
}
