import { describe, expect, it } from '@jest/globals';
import { settingsOf } from '../job/job.ts';
import { update } from '../job/change.ts';
import { makeMark, makeScope } from '../testing/job.ts';
import { createBench } from '../testing/priced.ts';
import { isUnderWay, whatNext } from './whatNext.ts';

describe('what comes next', () => {
  it('is done step by step: sheet, scale, scope, measure, price, check, bid', () => {
    const bench = createBench();
    const done = (doubts?: number): readonly string[] =>
      whatNext(bench.calculation.figures, doubts)
        .filter(({ isDone }) => isDone)
        .map(({ name }) => name);
    bench.change({ ...bench.sheet, scale: null });
    expect(done()).toEqual(['sheets']);
    bench.change(bench.sheet);
    expect(done()).toEqual(['sheets', 'scale']);
    const slab = makeScope(bench.makeId, { key: 'slab', kind: 'area' });
    bench.change(slab);
    expect(done()).toEqual(['sheets', 'scale', 'scopes']);
    bench.change(
      makeMark(bench.makeId, slab, bench.sheet, [
        [0, 0],
        [9, 0],
        [9, 9],
      ]),
    );
    expect(done()).toEqual(['sheets', 'scale', 'scopes', 'measure']);
    const line = bench.line({ quantity: 'total(slab, area)', unit: 'ft²' });
    bench.change(line);
    expect(whatNext(bench.calculation.figures, 0).find(({ name }) => name === 'price')).toEqual({
      name: 'price',
      isDone: false,
      count: 1,
    });
    bench.change({ ...line, costs: { material: '2' } });
    expect(done(2)).toEqual(['sheets', 'scale', 'scopes', 'measure', 'price']);
    expect(isUnderWay(bench.calculation.figures)).toBe(false);
    bench.change(update(settingsOf(bench.job()), (now) => ({ ...now, bidDate: '2026-11-28' })));
    expect(done(0)).toEqual(['sheets', 'scale', 'scopes', 'measure', 'price', 'check', 'bid']);
    expect(isUnderWay(bench.calculation.figures)).toBe(true);
  });

  it('is not measured for a job that is only typed, and its bid counts all the same', () => {
    const bench = createBench();
    bench.change(bench.line({ costs: { material: '2' } }));
    bench.change(update(settingsOf(bench.job()), (now) => ({ ...now, bidDate: '2026-11-28' })));
    expect(isUnderWay(bench.calculation.figures)).toBe(true);
  });
});
