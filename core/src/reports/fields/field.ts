import type { Figures } from '../../calculate/figures.ts';
import { knownValue } from '../../calculate/define.ts';
import type { NodeId } from '../../job/nodeId.ts';
import type { MarkKind } from '../../job/markKinds.ts';
import type { Measure } from '../../job/measures.ts';
import type { Cell, CellKind } from '../cell.ts';
import type { CostKind } from '../../job/records/assembly.ts';
import type { Doubt } from '../../doubts/doubt.ts';
import type { MarkupBase } from '../../job/records/markup.ts';

/** What a report says in words that are nobody's names: given by whoever shows it, in the language it is read in. */
export interface ReportWords {
  readonly cost: (kind: CostKind) => string;
  readonly mark: (kind: MarkKind) => string;
  readonly measure: (measure: Measure) => string;
  readonly doubt: (doubt: Doubt) => string;
  readonly base: (base: MarkupBase) => string;
  readonly say: (word: ReportWord) => string;
}

export const REPORT_WORDS = [
  'yes',
  'typed',
  'from-assembly',
  'rounding-up',
  'quote',
  'pinned',
  'typed-cost',
  'hole',
  'by-printed-scale',
  'by-two-points',
  'by-two-distances',
  'no-scale',
  'checked',
  'not-checked',
  'taken',
  'accepted',
  'open',
  'adds',
  'drops',
  'allowance-with-markup',
  'allowance-without-markup',
  'deducts-all',
  'deducts-none',
  'deducts-above',
  'no-quantity',
  'no-price',
  'no-wage',
  'no-figure',
] as const;
export type ReportWord = (typeof REPORT_WORDS)[number];

/** What fields read: the figures of a moment, and what is not in the job. */
export interface ReportContext {
  readonly figures: Figures;
  readonly words: ReportWords;
  /** ISO date. */
  readonly today: string;
  /** The figures that changes are told from, such as those of a snapshot. */
  readonly earlier?: Figures | undefined;
  /** Only what is of these marks, or of their scopes: what is selected on the sheet. */
  readonly within?: Within | undefined;
}

/** Marks that a report is narrowed to. */
export interface Within {
  readonly marks: ReadonlySet<string>;
  readonly scopes: ReadonlySet<string>;
}

/** One thing that can be known of an owner. */
export interface Field<Owner> {
  readonly kind: CellKind;
  readonly read: (owner: Owner, context: ReportContext) => Cell;
  /** It hangs on other rows as well, as a share of the whole does: any change may change it. */
  readonly spread?: true;
}

export const known = (figures: Figures, node: NodeId): number | undefined =>
  figures.has(node) ? knownValue(figures.figure(node)) : undefined;

/** Money of a node in whole minor units, or why there is none. */
export function moneyCell(figures: Figures, node: NodeId): Cell {
  if (!figures.has(node)) return undefined;
  const figure = figures.figure(node);
  return figure.failure === undefined
    ? { kind: 'money', minor: figure.value }
    : { kind: 'failure', failure: figure.failure };
}

/** A figure in a unit, which the node has it in already. */
export function quantityCell(figures: Figures, node: NodeId, unit: string): Cell {
  if (!figures.has(node)) return undefined;
  const figure = figures.figure(node);
  return figure.failure === undefined
    ? { kind: 'quantity', value: figure.value, unit }
    : { kind: 'failure', failure: figure.failure };
}
