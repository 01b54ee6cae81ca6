import { describe, expect, it } from '@jest/globals';
import { listRows } from '../estimate/rows.ts';
import { createBench } from '../testing/priced.ts';
import { totalsByUnit } from './totalsByUnit.ts';

describe('totals of chosen lines', () => {
  it('add lengths to lengths whatever they are written in, with and before waste, and pieces to their like', () => {
    const bench = createBench();
    bench.change(
      bench.line({ quantity: '100', unit: 'ft', wastePercent: '10' }),
      bench.line({ quantity: '20', unit: 'yd' }),
      bench.line({ quantity: '4', unit: 'ea' }),
      bench.line({ quantity: '3', unit: 'bag' }),
      bench.line({ quantity: '2', unit: 'ea' }),
    );
    const totals = totalsByUnit(bench.calculation.figures, listRows(bench.job()));
    const [length, ...rest] = totals;
    expect(length?.unit).toBe('ft');
    expect(length?.quantity).toBeCloseTo(170, 9);
    expect(length?.worked).toBeCloseTo(160, 9);
    expect(rest.map(({ unit, quantity }) => [unit, quantity])).toEqual([
      ['ea', 6],
      ['bag', 3],
    ]);
  });
});
