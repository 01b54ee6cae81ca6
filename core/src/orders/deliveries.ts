import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import { type LineAt, findLine } from '../estimate/lineSources.ts';
import { sectionsAround } from '../estimate/places.ts';
import type { LineKey } from '../job/lineKey.ts';
import type { Id } from '../job/id.ts';
import { roundQuantity } from '../pricing/quantity.ts';
import type { MaterialPart } from '../reports/materialList.ts';
import { placeShares } from '../reports/placeShares.ts';

/** What a delivery is for: the section of a line or the outermost one around it, its scope, or where it was drawn. */
export const DELIVERED_BY = ['section', 'phase', 'scope', 'level', 'zone'] as const;
export type DeliveredBy = (typeof DELIVERED_BY)[number];

/** So much of a material for one place, in the unit of its row; what only rounding adds, or stands in none, has the name ''. */
export interface BuyPlace {
  readonly name: string;
  readonly quantity: number;
}

type SharesOfLine = (line: LineAt) => readonly BuyPlace[];

/** Where the materials of the job go, by one kind of place. */
export function createDeliveries(
  figures: Figures,
  by: DeliveredBy,
): (part: MaterialPart) => readonly BuyPlace[] {
  const sharesOf = by === 'level' || by === 'zone' ? drawnIn(figures, by) : standingIn(figures, by);
  return ({ keys, quantity }) => {
    const places = new Map<string, number>();
    for (const key of keys) {
      const line = findLine(figures.job, key as LineKey);
      // What is rounded up over the job goes to no place of its own.
      if (line === undefined || line.of.by === 'purchase') continue;
      for (const { name, quantity: own } of sharesOf(line)) places.set(name, (places.get(name) ?? 0) + own);
    }
    const rest = quantity - [...places.values()].reduce((sum, each) => sum + each, 0);
    if (Math.abs(rest) > 1e-6) places.set('', (places.get('') ?? 0) + rest);
    return [...places]
      .map(([name, amount]) => ({ name, quantity: roundQuantity(amount) }))
      .filter((place) => place.quantity !== 0);
  };
}

/** A line stands whole in one section or scope. */
function standingIn(figures: Figures, by: 'section' | 'phase' | 'scope'): SharesOfLine {
  const { job } = figures;
  const nameOf = (line: LineAt): string => {
    if (by === 'scope') return line.of.by === 'use' ? line.of.made.frame.scope.name : '';
    const around = sectionsAround(job, line.sectionId);
    const id = by === 'phase' ? around.at(-1) : around[0];
    const section = id === undefined ? undefined : job.section.get(id);
    return section === undefined ? '' : `${section.code} ${section.name}`.trim();
  };
  return (line) => [
    { name: nameOf(line), quantity: knownValue(figures.figure(lineNode(line.key, 'quantity'))) ?? 0 },
  ];
}

/** A line is drawn on several levels and in several zones; what was typed is in none. */
function drawnIn(figures: Figures, by: 'level' | 'zone'): SharesOfLine {
  const { job } = figures;
  const shares = new Map<string, BuyPlace[]>();
  for (const { row, levelId, zoneId, quantity } of placeShares(figures)) {
    const id = by === 'level' ? levelId : zoneId;
    const record =
      id === undefined ? undefined : (job[by] as ReadonlyMap<Id, { readonly name: string }>).get(id);
    const share: BuyPlace = { name: record?.name ?? '', quantity };
    const had = shares.get(row.key);
    if (had === undefined) shares.set(row.key, [share]);
    else had.push(share);
  }
  return ({ key }) => shares.get(key) ?? [];
}

/** The first so many of what goes to places, in their order, and what is left for others. */
export function takePlaces(
  places: readonly BuyPlace[],
  quantity: number,
): { readonly taken: readonly BuyPlace[]; readonly left: readonly BuyPlace[] } {
  const taken: BuyPlace[] = [];
  const left: BuyPlace[] = [];
  let open = quantity;
  for (const { name, quantity: all } of places) {
    const part = roundQuantity(Math.max(0, Math.min(all, open)));
    const rest = roundQuantity(all - part);
    if (part > 0) taken.push({ name, quantity: part });
    if (rest > 0) left.push({ name, quantity: rest });
    open -= part;
  }
  return { taken, left };
}
