import { type LineKey, purchaseLine } from '../estimate/lineKey.ts';
import type { CostKind } from '../job/records/assembly.ts';
import type { Measure } from '../takeoff/measures.ts';

/** Node ids of the calculation. They are paths: the record that owns the figure, then what it is. */
export const markNode = (markId: string, measure: Measure): string => `${markId}/${measure}`;
export const pieceNode = (pieceId: string): string => `${pieceId}/value`;
export const measureNode = (scopeId: string, measure: Measure): string => `${scopeId}/${measure}`;
export const propertyNode = (scopeId: string, key: string): string => `${scopeId}/property/${key}`;
export const inputNode = (useId: string, key: string): string => `${useId}/input/${key}`;
export const netNode = (useId: string, key: string): string => `${useId}/net/${key}`;

/** Whether what stands at a path of a use is due: 1 or 0. */
export const whenNode = (useId: string, path: string): string => `${useId}/when/${path}`;
export const quantityNode = (quantityId: string): string => `${quantityId}/value`;
/** A property over all of a count, as `total(doors, width)` reads it. */
export const totalNode = (scopeId: string, key: string): string => `${scopeId}/total/${key}`;
/** A total that a filter narrows; the key is the reference as it is written. */
export const filterNode = (key: string): string => `filter:${key}/value`;
export const purchaseNode = (code: string, figure: 'need' | 'bought'): string =>
  `${purchaseLine(code)}/${figure}`;

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
export const lineNode = (line: LineKey, figure: LineFigure): string => `${line}/${figure}`;

/** The line whose labor a node is; undefined for other nodes. */
export const lineOfLabor = (node: string): LineKey | undefined =>
  node.endsWith('/labor') ? node.slice(0, -'/labor'.length) : undefined;

/** The line whose extension a node is; undefined for other nodes. */
export const lineOfExtension = (node: string): LineKey | undefined =>
  node.endsWith('/extension') ? node.slice(0, -'/extension'.length) : undefined;

export type SumFigure = CostKind | 'hours' | 'cost';
export const SUM_KINDS: readonly Exclude<SumFigure, 'cost'>[] = [
  'material',
  'labor',
  'equipment',
  'subcontract',
  'other',
  'hours',
];
export const sectionNode = (sectionId: string, figure: SumFigure): string => `${sectionId}/${figure}`;
/** 1 where anything of the scope is measured, 0 where nothing is yet. */
export const measuredNode = (scopeId: string): string => `${scopeId}/measured`;
/** The scope's own lines taken together. */
export const scopeCostNode = (scopeId: string): string => `${scopeId}/cost`;
export const bidNode = (figure: SumFigure | 'tax' | 'rounding' | 'total'): string => `bid/${figure}`;
export const groupNode = (groupId: string, kind: CostKind): string => `group:${groupId}/${kind}`;
export const sizeNode = (line: LineKey, key: string): string => `${line}/size/${key}`;
export const pinnedNode = (line: LineKey): string => `${line}/pinned`;
export const yardstickNode = (yardstickId: string): string => `${yardstickId}/driver`;
export const markupNode = (markupId: string): string => `bid/${markupId}`;

/** The record a node belongs to: everything before the first slash. */
export const ownerOf = (node: string): string => node.slice(0, node.indexOf('/'));

/** How often an opening counts. */
export const openingNode = (openingId: string): string => `${openingId}/count`;

/** What the sum of a measure over a scope's marks counts twice, as a negative. */
export const sharedNode = (scopeId: string, measure: string): string => `${scopeId}/shared/${measure}`;
