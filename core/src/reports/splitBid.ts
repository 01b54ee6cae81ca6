import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { bidNode, lineNode, markNode, openingNode, pieceNode } from '../calculate/graph/nodes.ts';
import { linePrices } from '../calculate/totals/linePrices.ts';
import { distribute } from '../estimate/distribute.ts';
import type { LineAt } from '../estimate/lineSources.ts';
import { marksOfScope, openingsOfScope, piecesOfScope, recordsOf } from '../job/belongs.ts';
import type { Id } from '../job/id.ts';
import { type Job, inOrder } from '../job/job.ts';
import { leadingMeasure } from '../job/markKinds.ts';
import type { NodeId } from '../job/nodeId.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Scope } from '../job/records/scope.ts';

/** What work is split by: where it was drawn. */
export const SPLITS = ['zone', 'level'] as const;
export type Split = (typeof SPLITS)[number];

/** What of the bid is in one place. */
export interface SplitPart {
  /** A zone or a level; empty for what is in none: typed lines, typed pieces, marks that were put nowhere. */
  readonly id: string;
  readonly name: string;
  /** Whole minor units, with their share of tax and markups. */
  readonly price: number;
  /** Direct cost, whole minor units. */
  readonly cost: number;
  readonly hours: number;
}

const placeOfMark = (job: Job, by: Split, { zoneId, sheetId }: Mark): string =>
  (by === 'zone' ? zoneId : job.sheet.get(sheetId)?.levelId) ?? '';

/** How much of a scope is in each place, by what it leads with: length of a run, area of an area, pieces of a count. */
function sharesOf(figures: Figures, { id, kind }: Scope, by: Split): ReadonlyMap<string, number> {
  const { job } = figures;
  const shares = new Map<string, number>();
  const add = (place: string, node: NodeId): void => {
    const value = figures.has(node) ? (knownValue(figures.figure(node)) ?? 0) : 0;
    if (value > 0) shares.set(place, (shares.get(place) ?? 0) + value);
  };
  const measure = leadingMeasure(kind);
  for (const mark of recordsOf(job.mark, marksOfScope(job, id)))
    add(placeOfMark(job, by, mark), markNode(mark.id, measure));
  for (const opening of recordsOf(job.opening, openingsOfScope(job, id))) {
    const host = job.mark.get(opening.markId);
    if (host !== undefined) add(placeOfMark(job, by, host), openingNode(opening.id));
  }
  for (const pieceId of piecesOfScope(job, id)) add('', pieceNode(pieceId));
  return shares;
}

/**
 * The bid by zones or levels: each line of an assembly is shared out as its scope lies in them, to the cent, so that
 * nothing has to be measured twice to know what a wing or a floor costs. The parts add up to the bid.
 */
export function splitBid(figures: Figures, by: Split): readonly SplitPart[] {
  const { job } = figures;
  const prices = linePrices(figures);
  const parts = new Map<string, { price: number; cost: number; hours: number }>();
  const known = new Map<Id<'scope'>, ReadonlyMap<string, number>>();
  const sharesOfLine = ({ of }: LineAt): ReadonlyMap<string, number> => {
    if (of.by !== 'use') return NOWHERE;
    const { scope } = of.made.frame;
    const had = known.get(scope.id) ?? sharesOf(figures, scope, by);
    known.set(scope.id, had);
    return had.size === 0 ? NOWHERE : had;
  };
  for (const line of figures.countedLines()) {
    const shares = sharesOfLine(line);
    const weights = [...shares.values()];
    const whole = weights.reduce((sum, weight) => sum + weight, 0);
    const of = (figure: 'extension' | 'hours'): number =>
      knownValue(figures.figure(lineNode(line.key, figure))) ?? 0;
    const price = distribute(prices.ofLine(line.key) ?? 0, weights);
    const cost = distribute(of('extension'), weights);
    const hours = figures.has(lineNode(line.key, 'hours')) ? of('hours') : 0;
    [...shares.keys()].forEach((place, at) => {
      const part = parts.get(place) ?? { price: 0, cost: 0, hours: 0 };
      part.price += price[at] ?? 0;
      part.cost += cost[at] ?? 0;
      part.hours += (hours * (weights[at] ?? 0)) / whole;
      parts.set(place, part);
    });
  }
  // What belongs to no line, such as the rounding of an empty bid, is in no place either.
  const total = knownValue(figures.figure(bidNode('total'))) ?? 0;
  const left = total - [...parts.values()].reduce((sum, { price }) => sum + price, 0);
  if (left !== 0) {
    const none = parts.get('') ?? { price: 0, cost: 0, hours: 0 };
    parts.set('', { ...none, price: none.price + left });
  }
  const places: readonly { readonly id: string; readonly name: string }[] = [
    ...(by === 'zone' ? inOrder(job.zone.values()) : inOrder(job.level.values())),
    { id: '', name: '' },
  ];
  return places.flatMap(({ id, name }) => {
    const part = parts.get(id);
    return part === undefined ? [] : [{ id, name, ...part }];
  });
}

const NOWHERE: ReadonlyMap<string, number> = new Map([['', 1]]);
