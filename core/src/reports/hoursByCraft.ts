import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import type { Craft } from '../job/records/craft.ts';
import { countsInBid, itemOfRow, listShownRows, pricingOfRow } from './estimateReport.ts';

/** Labor hours of one craft, those it works in crews among them. */
export interface CraftHours {
  readonly craft: Craft | undefined;
  readonly hours: number;
}

/** The labor hours of the bid by who works them, the most first. */
export function hoursByCraft(figures: Figures): readonly CraftHours[] {
  const { job } = figures;
  const hours = new Map<string, number>();
  const add = (craftId: string, more: number): void => {
    hours.set(craftId, (hours.get(craftId) ?? 0) + more);
  };
  for (const row of listShownRows(figures)) {
    if (row.type !== 'line' && row.type !== 'component') continue;
    const node = lineNode(row.key, 'hours');
    const worked = figures.has(node) ? knownValue(figures.figure(node)) : undefined;
    if (worked === undefined || worked === 0 || !countsInBid(figures, row)) continue;
    const pricing = pricingOfRow(figures, row);
    const by = pricing.labor ?? itemOfRow(figures, row) ?? { craftId: null, crewId: pricing.crewId };
    const crew = by.crewId === undefined ? undefined : job.crew.get(by.crewId);
    if (crew === undefined) add(by.craftId ?? '', worked);
    else {
      const people = crew.members.reduce((sum, { count }) => sum + count, 0);
      for (const { craftId, count } of crew.members) add(craftId, (worked * count) / people);
    }
  }
  return [...hours]
    .map(([id, worked]) => ({ craft: job.craft.get(id as Craft['id']), hours: worked }))
    .sort((a, b) => b.hours - a.hours);
}
