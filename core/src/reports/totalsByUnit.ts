import type { Figures } from '../calculate/figures.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import type { EstimateRow } from '../estimate/rows.ts';
import { isPriced } from '../estimate/rows.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import { dimensionKey, isNumber } from '../units/dimension.ts';
import { pricingOfRow, workedOf } from './estimateReport.ts';

export interface UnitTotal {
  readonly unit: string;
  /** With waste and rounding, as it is bought. */
  readonly quantity: number;
  /** Before waste. */
  readonly worked: number;
}

/**
 * What chosen lines come to, unit by unit. Lengths are added to lengths in the unit of the first of them, whatever
 * each is written in; sheets are not added to bags.
 */
export function totalsByUnit(figures: Figures, rows: readonly EstimateRow[]): readonly UnitTotal[] {
  const totals = new Map<string, { unit: string; factor: number; quantity: number; worked: number }>();
  for (const row of rows) {
    if (!isPriced(row) || row.type === 'quote') continue;
    const quantity = knownValue(figures.figure(lineNode(row.key, 'quantity')));
    const { unit: text } = pricingOfRow(figures, row);
    const unit = unitOrLabel(text);
    const key = isNumber(unit.dimension) ? unit.symbol : dimensionKey(unit.dimension);
    if (quantity === undefined) continue;
    const there = totals.get(key) ?? { unit: unit.symbol, factor: unit.factor, quantity: 0, worked: 0 };
    const times = unit.factor / there.factor;
    there.quantity += quantity * times;
    there.worked += (workedOf(figures, row) ?? quantity) * times;
    totals.set(key, there);
  }
  return [...totals.values()].map(({ unit, quantity, worked }) => ({ unit, quantity, worked }));
}
