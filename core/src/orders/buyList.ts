import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import { findLine } from '../estimate/lineSources.ts';
import type { LineKey } from '../job/lineKey.ts';
import type { Id } from '../job/id.ts';
import type { Item } from '../job/records/item.ts';
import { roundQuantity } from '../pricing/quantity.ts';
import { type MaterialPart, materialList } from '../reports/materialList.ts';

/** One thing to buy, and where it goes. */
export interface BuyRow extends MaterialPart {
  /** The same for as long as it is the same part in the same unit. */
  readonly key: string;
  readonly item: Item | undefined;
  readonly places: readonly BuyPlace[];
}

/** So much of it for a section, in the unit of the row; what is rounded up over the job has the name ''. */
export interface BuyPlace {
  readonly name: string;
  readonly quantity: number;
}

/** The materials of the job: each part once, with what is bought, what is needed, and what goes where. */
export const buyList = (figures: Figures): readonly BuyRow[] =>
  materialList(figures)
    .filter(({ quantity }) => quantity > 0)
    .map((part) => ({
      ...part,
      key: [part.partNumber || part.code || part.description, part.unit].join('|'),
      item: figures.findItem(part.code),
      places: placesOf(figures, part),
    }));

/** Deliveries: what each section takes, and what only rounding adds. */
function placesOf(figures: Figures, { keys, quantity }: MaterialPart): readonly BuyPlace[] {
  const places = new Map<string, number>();
  for (const key of keys) {
    const line = findLine(figures.job, key as LineKey);
    const own = knownValue(figures.figure(lineNode(key as LineKey, 'quantity'))) ?? 0;
    const name = line === undefined || line.of.by === 'purchase' ? '' : nameOfPlace(figures, line.sectionId);
    places.set(name, (places.get(name) ?? 0) + own);
  }
  const rounding = quantity - [...places.values()].reduce((sum, each) => sum + each, 0);
  if (Math.abs(rounding) > 1e-6) places.set('', (places.get('') ?? 0) + rounding);
  return [...places]
    .map(([name, amount]) => ({ name, quantity: roundQuantity(amount) }))
    .filter((place) => place.quantity !== 0);
}

const nameOfPlace = ({ job }: Figures, sectionId: Id<'section'> | null): string => {
  const section = sectionId === null ? undefined : job.section.get(sectionId);
  return section === undefined ? '' : `${section.code} ${section.name}`.trim();
};
