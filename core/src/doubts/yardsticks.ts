import { readYardsticks } from '../calculate/totals/readYardsticks.ts';
import { roundTo } from '../units/numberFormat.ts';
import type { Doubt } from './doubt.ts';
import type { DoubtContext } from './context.ts';

/** Figures outside of what the estimator knows to be usual. */
export const yardsticksOut = ({ figures }: DoubtContext): readonly Doubt[] =>
  readYardsticks(figures).flatMap(({ yardstick, each, state }): readonly Doubt[] => {
    if (each === undefined || (state !== 'below' && state !== 'above')) return [];
    const { id, name, low, high, of, unit } = yardstick;
    return [
      {
        key: `yardstick-out|${id}`,
        name,
        about: { rule: 'yardstick-out', each: roundTo(each, 2), low, high, of, unit },
        place: { at: 'yardstick', id },
      },
    ];
  });
