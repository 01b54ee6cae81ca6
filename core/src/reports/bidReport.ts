import type { NodeId } from '../job/nodeId.ts';
import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { joinNote, notesOf } from '../calculate/explain/notes.ts';
import { type LinePrices, linePrices } from '../calculate/totals/linePrices.ts';
import { bidNode, sectionNode } from '../calculate/graph/nodes.ts';
import { linesOfScope } from '../estimate/lines.ts';
import { NO_SECTION } from '../job/lineKey.ts';
import { type Job, inOrder, settingsOf } from '../job/job.ts';
import type { Settings } from '../job/records/settings.ts';

/** How much of the split the client sees. The total is the same in each. */
export const BID_DETAILS = ['total', 'sections', 'scopes'] as const;
export type BidDetail = (typeof BID_DETAILS)[number];

export interface BidRow {
  readonly code: string;
  readonly name: string;
  /** Whole minor units, tax and markups shared in. */
  readonly amount: number;
  readonly inner: readonly { readonly name: string; readonly amount: number }[];
}

export interface BidReport {
  readonly settings: Settings;
  readonly rows: readonly BidRow[];
  readonly total: number;
  readonly inclusions: readonly string[];
  readonly exclusions: readonly string[];
  /** How it was figured, scope by scope; empty where the bid does not tell. */
  readonly notes: readonly string[];
}

const paragraphs = (text: string): readonly string[] =>
  text
    .split('\n')
    .map((each) => each.trim())
    .filter((each) => each !== '');

const valueOf = (figures: Figures, node: NodeId): number => knownValue(figures.figure(node)) ?? 0;

/** What the client gets. Tax and markups lie on the lines that they are taken of, to the cent. */
export function bidReport(figures: Figures, detail: BidDetail): BidReport {
  const { job } = figures;
  const settings = settingsOf(job);
  const total = valueOf(figures, bidNode('total'));
  const common = {
    settings,
    total,
    inclusions: paragraphs(settings.inclusions),
    exclusions: paragraphs(settings.exclusions),
    notes: settings.notesInBid === true ? notesOfJob(figures) : [],
  };
  if (detail === 'total') return { ...common, rows: [] };
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
      inner: detail === 'scopes' ? innerRows(figures, prices, id, amount) : [],
    };
  });
  return { ...common, rows };
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

/** What was measured in a section by the shares of its lines, and the rest. */
function innerRows(figures: Figures, prices: LinePrices, sectionId: string, amount: number): BidRow['inner'] {
  const { job } = figures;
  const inside = sectionsInside(job, sectionId);
  const scopes = inOrder(job.scope.values())
    .filter((scope) => inside.has(scope.sectionId ?? NO_SECTION))
    .map((scope) => ({
      name: scope.name,
      amount: linesOfScope(job, scope.id).reduce((sum, key) => sum + (prices.ofLine(key) ?? 0), 0),
    }))
    .filter(({ amount: own }) => own !== 0);
  const rest = amount - scopes.reduce((sum, scope) => sum + scope.amount, 0);
  return rest === 0 ? scopes : [...scopes, { name: 'Further work in this section', amount: rest }];
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
