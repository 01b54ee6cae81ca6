import { readYardsticks } from '../../calculate/totals/readYardsticks.ts';
import { roundTo } from '../../units/numberFormat.ts';
import { defineRule } from '../rule.ts';

/** Figures outside of what the estimator knows to be usual. */
export const yardstickOut = defineRule('yardstick-out', 'yardsticks', ({ figures }) =>
  readYardsticks(figures).flatMap(({ yardstick, each, state }) => {
    if (each === undefined || (state !== 'below' && state !== 'above')) return [];
    const { id, name, low, high, of, unit } = yardstick;
    const facts = { each: roundTo(each, 2), low, high, of, unit };
    return [{ of: id, name, place: { at: 'yardstick' as const, id }, facts }];
  }),
);
