import { bars } from '../library/trades/concrete.ts';
import { strokes } from '../testing/applied.ts';
import type { UnitSystem } from '../units/format.ts';
import { type Check, type Checks, component } from './check.ts';

/** A run of a hundred feet; it is 30.48 m in a metric job. */
const HUNDRED_FEET = strokes([
  [0, 0],
  [100, 0],
]);

/** One bar along a grade beam without lap, chosen in the interface by its name. */
const weight = (system: UnitSystem, label: string, expected: number, source: string): Check => {
  const [unit, length] = system === 'us' ? (['lb', 100] as const) : (['kg', 30.48] as const);
  return {
    figure: `${label.replace('No.', 'No. ')} bar, a ${system === 'us' ? 'foot' : 'meter'} of it`,
    expected,
    unit,
    source,
    within: system === 'us' ? 0.0005 : 0.005,
    got: () => {
      const bar_weight = bars(system).find((choice) => choice.label === label)?.value ?? '';
      return (
        component('Grade beam', HUNDRED_FEET, { bars: '1', lap: '0', bar_weight }, 'steel', unit, system) /
        length
      );
    },
  };
};

const A615 = 'ASTM A615, table 1 (from memory)';
const EN = 'BS 4449, EN 10080 (from memory)';

export const STEEL_CHECKS: Checks = {
  subject: 'Reinforcing bars',
  checks: [
    weight('us', 'No.3', 0.376, A615),
    weight('us', 'No.4', 0.668, A615),
    weight('us', 'No.5', 1.043, A615),
    weight('us', 'No.6', 1.502, A615),
    weight('us', 'No.7', 2.044, A615),
    weight('us', 'No.8', 2.67, A615),
    weight('us', 'No.9', 3.4, A615),
    weight('us', 'No.10', 4.303, A615),
    weight('us', 'No.11', 5.313, A615),
    weight('metric', '8 mm', 0.395, EN),
    weight('metric', '10 mm', 0.617, EN),
    weight('metric', '12 mm', 0.888, EN),
    weight('metric', '16 mm', 1.58, EN),
    weight('metric', '20 mm', 2.47, EN),
    weight('metric', '25 mm', 3.85, EN),
    weight('metric', '32 mm', 6.31, EN),
  ],
};
