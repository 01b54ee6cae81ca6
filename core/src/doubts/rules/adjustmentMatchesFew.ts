import { lineNode } from '../../calculate/graph/nodes.ts';
import { pricedItem } from '../../calculate/lines/pricing.ts';
import { pricingOf } from '../../calculate/samples.ts';
import { adjustmentsOn } from '../../estimate/adjusted.ts';
import { defineRule } from '../rule.ts';

/** Adjustments that change little of what they name: nothing at all, or less than half of their lines. */
export const adjustmentMatchesFew = defineRule(
  'adjustment-matches-few',
  'adjustments',
  ({ job, lines, known, figures }) => {
    if (job.adjustment.size === 0) return [];
    const changed = new Map<string, number>();
    for (const { key, sectionId, of } of lines) {
      const item = pricedItem(pricingOf(figures, of));
      for (const { id, kinds } of adjustmentsOn(job, { key, sectionId, item }))
        if (kinds.some((kind) => (known(lineNode(key, kind)) ?? 0) !== 0))
          changed.set(id, (changed.get(id) ?? 0) + 1);
    }
    return [...job.adjustment.values()].flatMap(({ id, name, on }) => {
      const does = changed.get(id) ?? 0;
      const named = on.what === 'lines' ? on.lines.length : does;
      if (does > 0 && does * 2 >= named) return [];
      return [{ of: id, name, place: { at: 'summary' as const }, facts: { changed: does, named } }];
    });
  },
);
