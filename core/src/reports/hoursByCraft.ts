import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import type { ComponentRow, EstimateRow } from '../estimate/rows.ts';
import type { Craft } from '../job/records/craft.ts';
import { countsInBid, itemOfRow, listShownRows, pricingOfRow } from './estimateReport.ts';

type PlainRow = ComponentRow | Extract<EstimateRow, { type: 'line' }>;

/** Labor hours of one craft, those it works in crews among them. */
export interface CraftHours {
  readonly craft: Craft | undefined;
  readonly hours: number;
}

/** The hours of one line as far as one craft works them. */
export interface CraftShare {
  readonly row: PlainRow;
  readonly craftId: string;
  /** The crew it works in. */
  readonly crewId: string | undefined;
  readonly hours: number;
}

/** Every line's hours by craft; a crew's hours are shared out to its people. */
export function* craftShares(figures: Figures): Generator<CraftShare> {
  const { job } = figures;
  for (const row of listShownRows(figures)) {
    if (row.type !== 'line' && row.type !== 'component') continue;
    const node = lineNode(row.key, 'hours');
    const worked = figures.has(node) ? knownValue(figures.figure(node)) : undefined;
    if (worked === undefined || worked === 0 || !countsInBid(figures, row)) continue;
    const pricing = pricingOfRow(figures, row);
    const by = pricing.labor ?? itemOfRow(figures, row) ?? { craftId: null, crewId: pricing.crewId };
    const crew = by.crewId === undefined ? undefined : job.crew.get(by.crewId);
    if (crew === undefined) yield { row, craftId: by.craftId ?? '', crewId: undefined, hours: worked };
    else {
      const people = crew.members.reduce((sum, { count }) => sum + count, 0);
      for (const { craftId, count } of crew.members)
        yield { row, craftId, crewId: crew.id, hours: (worked * count) / people };
    }
  }
}

/** The labor hours of the bid by who works them, the most first. */
export function hoursByCraft(figures: Figures): readonly CraftHours[] {
  const hours = new Map<string, number>();
  for (const share of craftShares(figures))
    hours.set(share.craftId, (hours.get(share.craftId) ?? 0) + share.hours);
  return [...hours]
    .map(([id, worked]) => ({ craft: figures.job.craft.get(id as Craft['id']), hours: worked }))
    .sort((a, b) => b.hours - a.hours);
}
