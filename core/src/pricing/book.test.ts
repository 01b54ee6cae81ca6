import { describe, expect, it } from '@jest/globals';
import type { RecordOf } from '../job/record.ts';
import { componentLine } from '../job/lineKey.ts';
import { makeScope } from '../testing/job.ts';
import { createBench } from '../testing/priced.ts';
import { findByCode, isUnpriced, usedCodes } from './book.ts';

describe('the price book of a job', () => {
  it('finds an item however the letters of its code are written', () => {
    const bench = createBench();
    bench.change(bench.item({ code: 'FX-Stand', material: '46' }));
    const { item } = bench.job();
    expect(findByCode(item, ' fx-stand ')?.material).toBe('46');
    expect(findByCode(item, 'FX')).toBeUndefined();
  });

  it('has no price for an item while neither money nor hours are said; nothing is a price', () => {
    const bench = createBench();
    expect(isUnpriced(bench.item({ code: 'A' }))).toBe(true);
    expect(isUnpriced(bench.item({ code: 'A', material: '0' }))).toBe(false);
    expect(isUnpriced(bench.item({ code: 'A', laborHours: '0.5' }))).toBe(false);
    expect(isUnpriced(bench.item({ code: 'A', other: '12' }))).toBe(false);
  });

  it('knows which of its codes the job is priced by', () => {
    const bench = createBench();
    const inUse = (code: string): boolean => usedCodes(bench.job()).has(code);
    const line = bench.line({ itemCode: 'TYPED' });
    bench.change(line);
    expect([inUse('TYPED'), inUse('OTHER')]).toEqual([true, false]);

    // An assembly counts once it is applied, and what was chosen for one of its lines counts too.
    const slab = bench.assembly('Slab');
    const [first] = slab.components;
    if (first === undefined) throw new Error('slab: no components');
    expect(inUse(first.itemCode)).toBe(false);
    const scope = makeScope(bench.makeId, { key: 'deck', kind: 'area' });
    const use: RecordOf<'use'> = {
      type: 'use',
      id: bench.makeId('use'),
      scopeId: scope.id,
      assemblyId: slab.id,
      order: 1,
      answers: {},
    };
    bench.change(scope, use);
    expect(inUse(first.itemCode)).toBe(true);
    bench.change({
      type: 'override',
      id: bench.makeId('override'),
      line: componentLine(use.id, first.key),
      itemCode: 'CHOSEN',
    });
    expect(inUse('CHOSEN')).toBe(true);
  });
});
