import type { NodeId } from '../job/nodeId.ts';
import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { joinNote, notesOf } from '../calculate/explain/notes.ts';
import { type LinePrices, linePrices } from '../calculate/totals/linePrices.ts';
import { bidNode, lineNode, sectionNode } from '../calculate/graph/nodes.ts';
import { percentOf } from '../estimate/markup.ts';
import { priceAlternates } from './alternates.ts';
import { type LineAt, findLine, nameOfLine, unitOfLine } from '../estimate/lineSources.ts';
import { countedInSection } from '../estimate/lines.ts';
import { type Split, splitBid } from './splitBid.ts';
import { NO_SECTION } from '../job/lineKey.ts';
import { type Job, inOrder, settingsOf } from '../job/job.ts';
import type { Logo } from '../job/records/logo.ts';
import { paragraphs } from '../job/paragraphs.ts';
import type { Settings } from '../job/records/settings.ts';

/**
 * How much of the split the client sees: `lines` lists all of them and prices their sections, `items` prices each. The
 * total is the same in each.
 */
export const BID_DETAILS = ['total', 'sections', 'scopes', 'lines', 'items', 'zones', 'levels'] as const;
export type BidDetail = (typeof BID_DETAILS)[number];

export interface BidRow {
  readonly code: string;
  readonly name: string;
  /** Whole minor units, tax and markups shared in. */
  readonly amount: number;
  readonly inner: readonly BidInnerRow[];
}

export interface BidInnerRow {
  readonly name: string;
  /** How much of it, where the detail tells. */
  readonly quantity?: { readonly value: number; readonly unit: string };
  /** Undefined where only the row around it is priced. */
  readonly amount: number | undefined;
}

/** An option the client may take: what it adds to the total, or takes off it. */
export interface BidAlternate {
  readonly name: string;
  /** Whole minor units, tax and markups shared in; negative for a deduct. */
  readonly change: number;
  /** It is in the total already. */
  readonly accepted: boolean;
}

/** Tax on all that is sold, by its rates. */
export interface AddedTax {
  readonly name: string;
  readonly rows: readonly { readonly percent: string; readonly base: number; readonly amount: number }[];
  readonly gross: number;
}

export interface BidReport {
  readonly settings: Settings;
  readonly logo: Logo | undefined;
  readonly rows: readonly BidRow[];
  readonly total: number;
  readonly alternates: readonly BidAlternate[];
  readonly addedTax: AddedTax | undefined;
  /** Money set aside, each with what it is in the total; whole minor units. */
  readonly allowances: readonly { readonly name: string; readonly amount: number }[];
  readonly inclusions: readonly string[];
  readonly exclusions: readonly string[];
  /** How it was figured, scope by scope; empty where the bid does not tell. */
  readonly notes: readonly string[];
}

const valueOf = (figures: Figures, node: NodeId): number => knownValue(figures.figure(node)) ?? 0;

/** What the client gets. Tax and markups lie on the lines that they are taken of, to the cent. */
export function bidReport(figures: Figures, detail: BidDetail): BidReport {
  const { job } = figures;
  const settings = settingsOf(job);
  const total = valueOf(figures, bidNode('total'));
  const common = {
    settings,
    logo: [...job.logo.values()][0],
    total,
    alternates: priceAlternates(figures).map(({ alternate, change }) => ({
      name: alternate.name,
      change,
      accepted: alternate.accepted,
    })),
    addedTax: addedTaxOf(figures, total),
    allowances: allowancesOf(figures),
    inclusions: paragraphs(settings.inclusions),
    exclusions: paragraphs(settings.exclusions),
    notes: settings.notesInBid === true ? notesOfJob(figures) : [],
  };
  if (detail === 'total') return { ...common, rows: [] };
  if (detail === 'zones' || detail === 'levels')
    return { ...common, rows: placeRows(figures, detail === 'zones' ? 'zone' : 'level') };
  const sections = topSections(job)
    .map((section) => ({ ...section, cost: valueOf(figures, sectionNode(section.id, 'cost')) }))
    .filter(({ cost }) => cost !== 0);
  // The shares of the lines, so that rates of a section's own stay in it.
  const prices = linePrices(figures);
  const shared = sections.map(({ id }) => prices.ofSection(id));
  const left = total - shared.reduce((sum, share) => sum + share, 0);
  const rows = sections.map(({ id, code, name }, index) => {
    const amount = (shared[index] ?? 0) + (index === 0 ? left : 0);
    return {
      code,
      name,
      amount,
      inner:
        detail === 'sections'
          ? sectionRows(job, prices, { id, name }, amount)
          : innerRows(figures, prices, id, amount, detail),
    };
  });
  return { ...common, rows };
}

/**
 * Value-added tax on the bid: sections with a rate of their own by their share, all the rest by the usual rate. Each
 * rate is rounded once, as invoices state it.
 */
function addedTaxOf(figures: Figures, total: number): AddedTax | undefined {
  const tax = settingsOf(figures.job).valueAddedTax;
  if (tax === undefined) return undefined;
  const { name, percent, rates = [] } = tax;
  const prices = rates.length === 0 ? undefined : linePrices(figures);
  const bases = new Map<string, number>();
  let left = total;
  for (const { sectionId, percent: own } of rates) {
    if (!figures.job.section.has(sectionId)) continue;
    const share = prices?.ofSection(sectionId) ?? 0;
    left -= share;
    bases.set(own, (bases.get(own) ?? 0) + share);
  }
  bases.set(percent, (bases.get(percent) ?? 0) + left);
  const rows = [...bases]
    .filter(([, base]) => base !== 0)
    .sort(([a], [b]) => Number(b) - Number(a))
    .map(([rate, base]) => ({ percent: rate, base, amount: percentOf(base, rate) }));
  return { name, rows, gross: total + rows.reduce((sum, { amount }) => sum + amount, 0) };
}

/** The notes of every assembly that is applied, with the figures of the moment. */
function notesOfJob(figures: Figures): readonly string[] {
  const { job } = figures;
  const { unitSystem, decimalMark, groupMark } = settingsOf(job);
  const display = { system: unitSystem, numbers: { decimal: decimalMark, group: groupMark } } as const;
  const uses = inOrder(job.use.values());
  return inOrder(job.scope.values()).flatMap((scope) =>
    uses
      .filter((use) => use.scopeId === scope.id && figures.isMeasured(scope.id))
      .flatMap((use) => notesOf(figures, use, display).map((parts) => `${scope.name}: ${joinNote(parts)}`)),
  );
}

function topSections(
  job: Job,
): readonly { readonly id: string; readonly code: string; readonly name: string }[] {
  const own = inOrder(job.section.values()).filter(({ parentId }) => parentId === null);
  return [...own, { id: NO_SECTION, code: '', name: 'Other work' }];
}

/** The bid by where the work is. */
const placeRows = (figures: Figures, by: Split): BidReport['rows'] =>
  splitBid(figures, by).map(({ name, price }) => ({
    code: '',
    name: name === '' ? 'Work in the whole job' : name,
    amount: price,
    inner: [],
  }));

/** Allowances that are in the bid, by their share of it. */
function allowancesOf(figures: Figures): BidReport['allowances'] {
  const lines = inOrder(figures.job.line.values()).filter(({ allowance }) => allowance !== undefined);
  if (lines.length === 0) return [];
  const prices = linePrices(figures);
  return lines.flatMap(({ id, description }) => {
    const amount = prices.ofLine(id) ?? 0;
    return amount === 0 ? [] : [{ name: description, amount }];
  });
}

/** The sections inside one, as a phase has them, and what stands in it directly under its own name; none where it has none. */
function sectionRows(
  job: Job,
  prices: LinePrices,
  outer: { readonly id: string; readonly name: string },
  amount: number,
): BidRow['inner'] {
  const inner = inOrder(job.section.values())
    .filter(({ parentId }) => parentId === outer.id)
    .map(({ id, name }) => ({ name, amount: prices.ofSection(id) }))
    .filter((row) => row.amount !== 0);
  if (inner.length === 0) return [];
  const rest = amount - inner.reduce((sum, row) => sum + row.amount, 0);
  return rest === 0 ? inner : [...inner, { name: outer.name, amount: rest }];
}

/** What a section is made of: what was measured and other lines by their shares, or every line by itself. */
function innerRows(
  figures: Figures,
  prices: LinePrices,
  sectionId: string,
  amount: number,
  detail: 'scopes' | 'lines' | 'items',
): BidRow['inner'] {
  const { job } = figures;
  const lines = [...sectionsInside(job, sectionId)]
    .flatMap((id) => countedInSection(job, id))
    .flatMap(({ key }) => findLine(job, key) ?? []);
  const rows =
    detail === 'scopes' ? scopeRows(prices, lines) : lines.flatMap((line) => lineRow(figures, prices, line));
  // What rounding of the bid leaves over belongs to no line.
  const rest = amount - rows.reduce((sum, row) => sum + row.amount, 0);
  const all = rest === 0 ? rows : [...rows, { name: 'Rounding', amount: rest }];
  return detail === 'lines' ? rows.map((row) => ({ ...row, amount: undefined })) : all;
}

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

type PricedRow = BidInnerRow & { readonly amount: number };

function lineRow(figures: Figures, prices: LinePrices, line: LineAt): readonly PricedRow[] {
  const value = valueOf(figures, lineNode(line.key, 'quantity'));
  const amount = prices.ofLine(line.key) ?? 0;
  if (value === 0 && amount === 0) return [];
  return [{ name: nameOfLine(line), quantity: { value, unit: unitOfLine(line) }, amount }];
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
