import type { Figures } from '../calculate/figures.ts';
import { joinNote, notesOf } from '../calculate/explain/notes.ts';
import { NOTHING_APART, type ShownApart, linePrices } from '../calculate/totals/linePrices.ts';
import { percentOf } from '../estimate/markup.ts';
import { inOrder, settingsOf } from '../job/job.ts';
import { paragraphs } from '../job/paragraphs.ts';
import type { BidDetail } from '../job/records/document.ts';
import type { Logo } from '../job/records/logo.ts';
import type { Settings } from '../job/records/settings.ts';
import { priceAlternates } from './alternates.ts';
import { type BidPrices, bidPrices } from './bidRows.ts';

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

export interface BidReport extends BidPrices {
  readonly settings: Settings;
  readonly logo: Logo | undefined;
  readonly alternates: readonly BidAlternate[];
  readonly addedTax: AddedTax | undefined;
  /** Money set aside, each with what it is in the total; whole minor units. */
  readonly allowances: readonly { readonly name: string; readonly amount: number }[];
  readonly inclusions: readonly string[];
  readonly exclusions: readonly string[];
  /** How it was figured, scope by scope; empty where the bid does not tell. */
  readonly notes: readonly string[];
}

/** What the client gets. Tax and markups lie on the lines that they are taken of, to the cent, or stand apart. */
export function bidReport(figures: Figures, detail: BidDetail, apart: ShownApart = NOTHING_APART): BidReport {
  const { job } = figures;
  const settings = settingsOf(job);
  const prices = bidPrices(figures, { detail, apart });
  return {
    ...prices,
    settings,
    logo: [...job.logo.values()][0],
    alternates: priceAlternates(figures).map(({ alternate, change }) => ({
      name: alternate.name,
      change,
      accepted: alternate.accepted,
    })),
    addedTax: addedTaxOf(figures, prices.total),
    allowances: allowancesOf(figures),
    inclusions: paragraphs(settings.inclusions),
    exclusions: paragraphs(settings.exclusions),
    notes: settings.notesInBid === true ? notesOfJob(figures) : [],
  };
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
