import { describe, expect, it } from '@jest/globals';
import { remove } from '../job/change.ts';
import { createBench } from '../testing/priced.ts';
import { makeMarkup } from '../testing/records.ts';
import { unitPriceList } from './unitPriceList.ts';

describe('the list of unit prices', () => {
  const bench = createBench();
  const priced = bench.line({
    description: 'Curb',
    quantity: '40',
    unit: 'ft',
    costs: { material: '12.50' },
  });
  const lump = bench.line({ description: 'Survey', quantity: '1', unit: 'ea', costs: { other: '900' } });
  const none = bench.line({ description: 'Bollards', quantity: '0', unit: 'ea', costs: { material: '80' } });
  bench.change(makeMarkup(bench.makeId, { percent: '10' }), priced, lump, none);
  const listOf = (...keys: readonly string[]) => unitPriceList(bench.calculation.figures, keys, 100);

  it('says what one of each costs with the markups in it', () => {
    // 12.50 and a tenth; 900 and a tenth.
    expect(listOf().rows.map(({ name, unit, unitPrice }) => [name, unit, unitPrice])).toEqual([
      ['Curb', 'ft', 13.75],
      ['Survey', 'ea', 990],
    ]);
  });

  it('names what it has no unit price of, and nothing that was not asked for', () => {
    expect(listOf().without.map(({ name }) => name)).toEqual(['Bollards']);
    expect(listOf(priced.id)).toMatchObject({ rows: [{ name: 'Curb' }], without: [], gone: 0 });
    expect(listOf(priced.id, none.id)).toMatchObject({ rows: [{ name: 'Curb' }], gone: 0 });
    expect(listOf(none.id).without.map(({ key }) => key)).toEqual([none.id]);
  });

  it('counts what was chosen and is not in the bid any more', () => {
    bench.change(remove(lump.id));
    expect(listOf(priced.id, lump.id)).toMatchObject({ rows: [{ name: 'Curb' }], without: [], gone: 1 });
    expect(listOf().gone).toBe(0);
  });
});
