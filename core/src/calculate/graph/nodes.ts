import type { CostKind } from '../../job/records/assembly.ts';
import { type LineKey, purchaseLine } from '../../job/lineKey.ts';
import type { Measure } from '../../job/measures.ts';
import type { NodeId } from '../../job/nodeId.ts';

const node = (owner: string, figure: string): NodeId => ({ owner, figure });
const nodeOf = (owner: string, figure: string, of: string): NodeId => ({ owner, figure, of });

/** A measure of a mark, or of a scope over all that is measured in it. */
export const markNode = (markId: string, measure: Measure): NodeId => node(markId, measure);
export const measureNode = (scopeId: string, measure: Measure): NodeId => node(scopeId, measure);
export const pieceNode = (pieceId: string): NodeId => node(pieceId, 'value');
export const propertyNode = (scopeId: string, key: string): NodeId => nodeOf(scopeId, 'property', key);
export const inputNode = (useId: string, key: string): NodeId => nodeOf(useId, 'input', key);
export const netNode = (useId: string, key: string): NodeId => nodeOf(useId, 'net', key);

/** Whether what stands at a path of a use is due: 1 or 0. */
export const whenNode = (useId: string, path: string): NodeId => nodeOf(useId, 'when', path);
export const quantityNode = (quantityId: string): NodeId => node(quantityId, 'value');
/** A property over all of a count, as `total(doors, width)` reads it. */
export const totalNode = (scopeId: string, key: string): NodeId => nodeOf(scopeId, 'total', key);

/** A total that a filter narrows, by the formula that asks for it: it is there for as long as one does. */
export const filterNode = (formula: string): NodeId => node(formula, 'filtered');
export const isFiltered = ({ figure }: NodeId): boolean => figure === 'filtered';

export const purchaseNode = (code: string, figure: 'need' | 'bought'): NodeId =>
  node(purchaseLine(code), figure);

/** `flowing` is the quantity a pinned one stands over, `pick` which item its size leads to. */
export type LineFigure =
  | CostKind
  | 'quantity'
  | 'hours'
  | 'extension'
  | 'flowing'
  | 'pick'
  /** The quantity before waste, spares and rounding: what hours are for. Only where it may differ. */
  | 'worked'
  /** The least that is bought, in the line's unit, where a formula says it. */
  | 'least'
  /** What labor comes to as far as it is known: nothing where a wage is missing. */
  | 'labor-known'
  /** What the component itself takes its hours times. */
  | 'hours-factor';
export const lineNode = (line: LineKey, figure: LineFigure): NodeId => node(line, figure);

export type SumFigure = CostKind | 'hours' | 'cost';
export const SUM_KINDS: readonly Exclude<SumFigure, 'cost'>[] = [
  'material',
  'labor',
  'equipment',
  'subcontract',
  'other',
  'hours',
];
export const sectionNode = (sectionId: string, figure: SumFigure): NodeId => node(sectionId, figure);
/** 1 where anything of the scope is measured, 0 where nothing is yet. */
export const measuredNode = (scopeId: string): NodeId => node(scopeId, 'measured');
/** The scope's own lines taken together. */
export const scopeCostNode = (scopeId: string): NodeId => node(scopeId, 'cost');
export const bidNode = (figure: SumFigure | 'tax' | 'rounding' | 'total'): NodeId => node('bid', figure);
export const markupNode = (markupId: string): NodeId => nodeOf('bid', 'markup', markupId);
export const groupNode = (groupId: string, kind: CostKind): NodeId => nodeOf('group', kind, groupId);
export const sizeNode = (line: LineKey, key: string): NodeId => nodeOf(line, 'size', key);
export const pinnedNode = (line: LineKey): NodeId => node(line, 'pinned');
/** The least of a line before it is put into the line's unit, SI. */
export const leastNetNode = (line: LineKey): NodeId => nodeOf(line, 'least', 'net');
/** What is typed as the quantity of a line, SI. */
export const typedNode = (lineId: string): NodeId => nodeOf(lineId, 'net', 'typed');
export const yardstickNode = (yardstickId: string): NodeId => node(yardstickId, 'driver');

/** How often an opening counts. */
export const openingNode = (openingId: string): NodeId => node(openingId, 'count');

/** What the sum of a measure over a scope's marks counts twice, as a negative. */
export const sharedNode = (scopeId: string, measure: string): NodeId => nodeOf(scopeId, 'shared', measure);

/** A figure of one part of a scope, for what is figured part by part: for a component, or a total with a filter. */
export const partNode = ({ owner, figure, of }: NodeId, partId: string, what: string): NodeId =>
  nodeOf(owner, 'part', `${figure} ${of ?? ''} ${partId} ${what}`);
