import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode, markNode, openingNode, pieceNode } from '../calculate/graph/nodes.ts';
import { NOTHING_APART, type ShownApart, linePrices } from '../calculate/totals/linePrices.ts';
import { distribute } from '../estimate/distribute.ts';
import { type PricedRow, isPriced } from '../estimate/rows.ts';
import { marksOfScope, openingsOfScope, piecesOfScope, recordsOf } from '../job/belongs.ts';
import type { Id } from '../job/id.ts';
import { leadingMeasure } from '../job/markKinds.ts';
import type { NodeId } from '../job/nodeId.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Scope } from '../job/records/scope.ts';
import { countsInBid, listShownRows } from './estimateReport.ts';

/** What of a line lies in one level and zone. */
export interface PlaceShare {
  readonly row: PricedRow;
  /** Undefined for what was typed, or drawn in none. */
  readonly levelId: Id<'level'> | undefined;
  readonly zoneId: Id<'zone'> | undefined;
  /** Of all of the line, 0 to 1. */
  readonly share: number;
  /** Direct cost and price, whole minor units: the shares of a line add up to the line. */
  readonly cost: number;
  readonly price: number;
  readonly hours: number;
  readonly quantity: number;
}

interface Weight {
  readonly levelId: Id<'level'> | undefined;
  readonly zoneId: Id<'zone'> | undefined;
  readonly weight: number;
}

const EVERYWHERE: readonly Weight[] = [{ levelId: undefined, zoneId: undefined, weight: 1 }];

/** How much of a scope is in each place, by what it leads with. */
function weightsOf(figures: Figures, { id, kind }: Scope): readonly Weight[] {
  const { job } = figures;
  const weights = new Map<string, Weight>();
  const add = (mark: Mark | undefined, node: NodeId): void => {
    const value = figures.has(node) ? (knownValue(figures.figure(node)) ?? 0) : 0;
    if (value <= 0) return;
    const levelId = mark === undefined ? undefined : job.sheet.get(mark.sheetId)?.levelId;
    const zoneId = mark?.zoneId;
    const key = `${levelId ?? ''} ${zoneId ?? ''}`;
    weights.set(key, { levelId, zoneId, weight: (weights.get(key)?.weight ?? 0) + value });
  };
  const measure = leadingMeasure(kind);
  for (const mark of recordsOf(job.mark, marksOfScope(job, id))) add(mark, markNode(mark.id, measure));
  for (const { id: openingId, markId } of recordsOf(job.opening, openingsOfScope(job, id)))
    add(job.mark.get(markId), openingNode(openingId));
  for (const pieceId of piecesOfScope(job, id)) add(undefined, pieceNode(pieceId));
  return weights.size === 0 ? EVERYWHERE : [...weights.values()];
}

/** Every line that counts, shared out over the levels and zones its scope was drawn in, to the cent. */
export function placeShares(figures: Figures, apart: ShownApart = NOTHING_APART): readonly PlaceShare[] {
  const prices = linePrices(figures, apart);
  const known = new Map<string, readonly Weight[]>();
  const weightsOfRow = (row: PricedRow): readonly Weight[] => {
    if (row.type !== 'component') return EVERYWHERE;
    const had = known.get(row.scope.id) ?? weightsOf(figures, row.scope);
    known.set(row.scope.id, had);
    return had;
  };
  return listShownRows(figures).flatMap((row): readonly PlaceShare[] => {
    if (!isPriced(row) || !countsInBid(figures, row)) return [];
    const weights = weightsOfRow(row);
    const whole = weights.reduce((sum, { weight }) => sum + weight, 0);
    const of = (figure: 'extension' | 'hours' | 'quantity'): number => {
      const node = lineNode(row.key, figure);
      return figures.has(node) ? (knownValue(figures.figure(node)) ?? 0) : 0;
    };
    const each = weights.map(({ weight }) => weight);
    const cost = distribute(of('extension'), each);
    const price = distribute(prices.ofLine(row.key) ?? 0, each);
    return weights.map(({ levelId, zoneId, weight }, at) => ({
      row,
      levelId,
      zoneId,
      share: weight / whole,
      cost: cost[at] ?? 0,
      price: price[at] ?? 0,
      hours: (of('hours') * weight) / whole,
      quantity: (of('quantity') * weight) / whole,
    }));
  });
}
