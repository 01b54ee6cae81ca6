import { describe, expect, it } from '@jest/globals';
import { remove } from '../job/change.ts';
import type { AskedRow } from '../job/records/request.ts';
import { createBench } from '../testing/priced.ts';
import { roundQuantity } from '../pricing/quantity.ts';
import { type BuyRow, buyList } from './buyList.ts';
import { changedNeeds } from './changedNeeds.ts';

/** What is asked for a material, as the dialog asks it. */
const askedOf = (
  { partNumber, item, description, unit, quantity, needed }: BuyRow,
  at: number,
): AskedRow => ({
  key: `r${at + 1}`,
  itemCode: item?.code ?? '',
  partNumber,
  description,
  unit,
  quantity: String(roundQuantity(quantity)),
  needed: String(roundQuantity(needed)),
  places: [],
});

describe('what was asked, held against the job of now', () => {
  const bench = createBench();
  const block = bench.line({
    description: 'Wall',
    quantity: '100',
    unit: 'ea',
    itemCode: 'BLK',
    wastePercent: '5',
  });
  const curb = bench.line({
    description: 'Curb',
    quantity: '33.333333',
    unit: 'ft',
    costs: { material: '12' },
  });
  bench.change(bench.item({ code: 'BLK', description: 'Block', unit: 'ea', material: '2' }), block, curb);
  const materials = () => buyList(bench.calculation.figures);
  const rows = materials().map(askedOf);
  const keyOf = (description: string) => rows.find((row) => row.description === description)?.key ?? '';
  const changed = () => Object.fromEntries(changedNeeds({ rows }, materials()));

  it('is the same right after it was asked, however its figures were rounded', () => {
    expect(rows).toHaveLength(2);
    expect(changed()).toEqual({});
  });

  it('tells what is needed now of what the work needs more or less of', () => {
    bench.change({ ...block, quantity: '140' });
    // What is needed, before waste.
    expect(changed()).toEqual({ [keyOf('Block')]: 140 });
    // Another line that needs it counts too.
    bench.change({ ...block, quantity: '60' }, bench.line({ quantity: '40', unit: 'ea', itemCode: 'BLK' }));
    expect(changed()).toEqual({});
  });

  it('says nothing where only waste, prices or names of lines are others', () => {
    bench.change({ ...curb, wastePercent: '20', costs: { material: '15' } });
    expect(changed()).toEqual({});
  });

  it('tells what the job has no more of', () => {
    bench.change(remove(curb.id));
    expect(changed()).toEqual({ [keyOf('Curb')]: 0 });
  });

  it('keeps apart what has a part number from the same item without one', () => {
    const [mixed] = materials();
    if (mixed === undefined) throw new Error('no material');
    const numbered: BuyRow = { ...mixed, partNumber: 'P-1', needed: 7 };
    const both = [mixed, numbered];
    expect(changedNeeds({ rows: both.map(askedOf) }, both).size).toBe(0);
    expect([...changedNeeds({ rows: both.map(askedOf) }, [mixed]).values()]).toEqual([0]);
  });
});
