import { isAdjustedItem } from '../estimate/adjusted.ts';
import type { Adjustment } from '../job/records/adjustment.ts';
import type { Figures } from './figures.ts';
import { pricedLine, pricingItem } from './samples.ts';

/** How many lines of the bid an adjustment of items would act on as they are priced now. */
export function countAdjusted(figures: Figures, on: Adjustment['on']): number {
  let count = 0;
  for (const line of figures.countedLines()) {
    const item = pricingItem(pricedLine(figures, line));
    if (item !== undefined && isAdjustedItem(on, item)) count += 1;
  }
  return count;
}
