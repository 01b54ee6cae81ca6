import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import { linePrices } from '../calculate/totals/linePrices.ts';
import { nameOfLine, unitOfLine } from '../estimate/lineSources.ts';
import type { LineKey } from '../job/lineKey.ts';
import { roundQuantity } from '../pricing/quantity.ts';

/** What one of a line costs the client. */
export interface UnitPriceRow {
  readonly key: LineKey;
  readonly name: string;
  readonly unit: string;
  /** Major units, tax and markups shared in. */
  readonly unitPrice: number;
}

/** The unit prices of the lines chosen, in the order of the estimate; of all that count where none is. */
export function unitPriceList(
  figures: Figures,
  chosen: readonly string[],
  minorPerMajor: number,
): readonly UnitPriceRow[] {
  const wanted = new Set(chosen);
  const prices = linePrices(figures);
  return [...figures.countedLines()].flatMap((line) => {
    const { key } = line;
    if (wanted.size > 0 && !wanted.has(key)) return [];
    const quantity = roundQuantity(knownValue(figures.figure(lineNode(key, 'quantity'))) ?? 0);
    const price = prices.ofLine(key);
    if (price === undefined || quantity === 0) return [];
    return [
      { key, name: nameOfLine(line), unit: unitOfLine(line), unitPrice: price / minorPerMajor / quantity },
    ];
  });
}
