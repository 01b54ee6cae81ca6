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

export interface UnitPriceList {
  readonly rows: readonly UnitPriceRow[];
  /** Lines that have no unit price: no price, or none of it. */
  readonly without: readonly { readonly key: LineKey; readonly name: string }[];
  /** Chosen, and not in the bid any more. */
  readonly gone: number;
}

/** The unit prices of the lines chosen, in the order of the estimate; of all that count where none is. */
export function unitPriceList(
  figures: Figures,
  chosen: readonly string[],
  minorPerMajor: number,
): UnitPriceList {
  const wanted = new Set(chosen);
  const prices = linePrices(figures);
  const rows: UnitPriceRow[] = [];
  const without: UnitPriceList['without'][number][] = [];
  for (const line of figures.countedLines()) {
    const { key } = line;
    if (wanted.size > 0 && !wanted.has(key)) continue;
    const name = nameOfLine(line);
    const quantity = roundQuantity(knownValue(figures.figure(lineNode(key, 'quantity'))) ?? 0);
    const price = prices.ofLine(key);
    if (price === undefined || quantity === 0) without.push({ key, name });
    else rows.push({ key, name, unit: unitOfLine(line), unitPrice: price / minorPerMajor / quantity });
  }
  const gone = wanted.size === 0 ? 0 : wanted.size - rows.length - without.length;
  return { rows, without, gone };
}
