import { describe, expect, it } from '@jest/globals';
import { createBench } from '../testing/priced.ts';
import type { RecordOf } from '../job/record.ts';

const adjust = (
  bench: ReturnType<typeof createBench>,
  on: RecordOf<'adjustment'>['on'],
): RecordOf<'adjustment'> => ({
  type: 'adjustment',
  id: bench.makeId('adjustment'),
  name: 'Up',
  kinds: ['material'],
  percent: '8',
  on,
  order: 1,
});

describe('an adjustment of what is in the price book', () => {
  const start = () => {
    const bench = createBench();
    const joist = bench.item({
      code: 'L-1',
      description: 'Joist',
      group: 'Timber',
      tags: 'lumber',
      material: '10',
    });
    const nail = bench.item({ code: 'N-1', description: 'Nails', group: 'Fixings', material: '10' });
    const lines = [
      bench.line({ itemCode: 'L-1' }),
      bench.line({ itemCode: 'N-1' }),
      bench.line({ itemCode: 'L-1', typedCost: { kind: 'material', amount: '10' } }),
    ];
    bench.change(joist, nail, ...lines);
    return { bench, joist, costs: () => lines.map(({ id }) => bench.figure(id, 'extension')) };
  };

  it.each([
    ['group', 'Timber'],
    ['tag', 'lumber'],
    ['words', 'joi'],
  ] as const)('by %s changes what those items price, and not what has a price of its own', (by, text) => {
    const { bench, costs } = start();
    expect(costs()).toEqual([1000, 1000, 1000]);
    bench.change(adjust(bench, { what: 'items', by, text }));
    expect(costs()).toEqual([1080, 1000, 1000]);
    bench.undoAll();
    bench.redoAll();
    expect(costs()).toEqual([1080, 1000, 1000]);
  });

  it('follows an item that gets the tag later, and a line that comes later', () => {
    const { bench, joist, costs } = start();
    bench.change(adjust(bench, { what: 'items', by: 'tag', text: 'cedar' }));
    expect(costs()).toEqual([1000, 1000, 1000]);
    bench.change({ ...joist, tags: 'lumber cedar' });
    expect(costs()).toEqual([1080, 1000, 1000]);
    const late = bench.line({ itemCode: 'L-1', quantity: '2' });
    bench.change(late);
    expect(bench.figure(late.id, 'extension')).toBe(2160);
  });
});
