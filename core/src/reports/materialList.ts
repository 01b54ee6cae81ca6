import type { Figures } from '../calculate/figures.ts';
import { isPriced } from '../estimate/rows.ts';
import { roundTo } from '../units/numberFormat.ts';
import { estimateReport, itemOfRow } from './estimateReport.ts';

/** One part that is bought, from wherever in the job it is needed. */
export interface MaterialPart {
  /** Empty where no component names one; parts are then told apart by their item. */
  readonly partNumber: string;
  readonly code: string;
  readonly description: string;
  readonly supplier: string;
  /** What is bought, in `unit`: with waste, spares and rounding. */
  readonly quantity: number;
  readonly unit: string;
  /** What the work needs of it, before waste, spares and rounding. */
  readonly needed: number;
  /** Whole minor units. */
  readonly material: number;
  readonly lines: number;
  /** The lines it comes from. */
  readonly keys: readonly string[];
}

/**
 * The materials of the lines that are in the bid, the same part of the same unit added up: by its part
 * number, else by its item, else by what it is called. Ordered by part number, item and name.
 */
export function materialList(figures: Figures): readonly MaterialPart[] {
  const parts = new Map<string, MaterialPart>();
  for (const line of estimateReport(figures)) {
    const { row, partNumber, code, description, unit, quantity } = line;
    const material = line.amounts.material ?? 0;
    if (!isPriced(row) || row.type === 'quote' || quantity === undefined) continue;
    if (material === 0 && partNumber === '') continue;
    const key = JSON.stringify([partNumber || code || description, unit]);
    const known = parts.get(key);
    const item = itemOfRow(figures, row);
    parts.set(key, {
      partNumber,
      code,
      description: known?.description ?? item?.description ?? description,
      supplier: known?.supplier ?? item?.supplier ?? '',
      quantity: roundTo((known?.quantity ?? 0) + quantity, 8),
      unit,
      // What is rounded up over the job is needed by nobody.
      needed: roundTo((known?.needed ?? 0) + (row.type === 'purchase' ? 0 : (line.worked ?? quantity)), 8),
      material: (known?.material ?? 0) + material,
      lines: (known?.lines ?? 0) + 1,
      keys: [...(known?.keys ?? []), row.key],
    });
  }
  const order = ({ partNumber, code, description }: MaterialPart): string =>
    [partNumber, code, description].join('\n');
  return [...parts.values()].sort((a, b) => (order(a) < order(b) ? -1 : 1));
}
