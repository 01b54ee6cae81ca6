import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Cell } from './cell.ts';
import { type Sums, addSums, sumCells, totalOf } from './total.ts';

const money = (minor: number): Cell => ({ kind: 'money', minor });
const quantity = (value: number, unit: string): Cell => ({ kind: 'quantity', value, unit });
const sums = (cells: readonly Cell[], weights?: readonly Cell[]): Sums =>
  sumCells(cells.length, (at) => cells[at], weights === undefined ? undefined : (at) => weights[at]);

const anyCell: fc.Arbitrary<Cell> = fc.oneof(
  fc.integer({ min: -1e9, max: 1e9 }).map(money),
  fc.constant(undefined),
  fc.constant<Cell>({ kind: 'failure', failure: 'does-not-fit' }),
);

describe('totals', () => {
  it('are the same over groups as over all rows at once, money to the cent', () => {
    fc.assert(
      fc.property(fc.array(fc.array(anyCell, { maxLength: 12 }), { maxLength: 6 }), (groups) => {
        const whole = sums(groups.flat());
        const together = addSums(groups.map((cells) => sums(cells)));
        expect(together).toEqual(whole);
      }),
    );
  });

  it('weigh a mean the same over groups as over all rows', () => {
    const pair = fc.tuple(fc.integer({ min: 0, max: 100 }), fc.integer({ min: 1, max: 1000 }));
    fc.assert(
      fc.property(fc.array(fc.array(pair, { minLength: 1 }), { minLength: 1, maxLength: 5 }), (groups) => {
        const of = (pairs: readonly (readonly [number, number])[]): Sums =>
          sums(
            pairs.map(([value]) => ({ kind: 'percent', value })),
            pairs.map(([, weight]) => money(weight)),
          );
        const all = groups.flat();
        const byHand =
          all.reduce((sum, [value, weight]) => sum + value * weight, 0) /
          all.reduce((sum, [, weight]) => sum + weight, 0);
        const total = totalOf(addSums(groups.map(of)), 'weighted');
        expect(total?.kind === 'percent' ? total.value : NaN).toBeCloseTo(byHand, 9);
      }),
    );
  });

  it('of quantities are in the unit of the first of them', () => {
    // NIST SP 811: 1 yd is 0.9144 m, 1 ft is 0.3048 m.
    const total = totalOf(sums([quantity(1, 'm'), quantity(1, 'yd'), quantity(1, 'ft')]), 'sum');
    expect(total).toEqual({ kind: 'quantity', value: 2.2192, unit: 'm' });
  });

  it('find the least and the most across units, as they are written', () => {
    const of = sums([quantity(3, 'ft'), quantity(0.5, 'm'), quantity(2, 'yd')]);
    expect(totalOf(of, 'least')).toEqual(quantity(0.5, 'm'));
    expect(totalOf(of, 'most')).toEqual(quantity(2, 'yd'));
    const grouped = addSums([sums([quantity(3, 'ft')]), sums([quantity(0.5, 'm'), quantity(2, 'yd')])]);
    expect([totalOf(grouped, 'least'), totalOf(grouped, 'most')]).toEqual([
      quantity(0.5, 'm'),
      quantity(2, 'yd'),
    ]);
  });

  it('do not add sheets to bags, nor hours to money', () => {
    expect(totalOf(sums([quantity(2, 'sheet'), quantity(3, 'bag')]), 'sum')).toEqual({
      kind: 'mixed',
      units: ['sheet', 'bag'],
    });
    expect(totalOf(sums([money(100), quantity(3, 'h')]), 'sum')?.kind).toBe('mixed');
  });

  it('count what says something, take the first, and leave out what has no figure', () => {
    const of = sums([
      undefined,
      { kind: 'text', text: 'A' },
      { kind: 'failure', failure: 'does-not-fit' },
      { kind: 'text', text: 'B' },
    ]);
    expect(totalOf(of, 'count')).toEqual({ kind: 'number', value: 2 });
    expect(totalOf(of, 'first')).toEqual({ kind: 'text', text: 'A' });
    expect(totalOf(of, 'sum')).toBeUndefined();
    expect(of.failures).toBe(1);
  });

  it('are nothing where nothing weighs anything', () => {
    expect(totalOf(sums([{ kind: 'percent', value: 5 }], [money(0)]), 'weighted')).toBeUndefined();
  });

  it('round a mean of money to the cent', () => {
    expect(totalOf(sums([money(100), money(101)]), 'mean')).toEqual(money(101));
    expect(totalOf(sums([money(-100), money(-101)]), 'mean')).toEqual(money(-101));
  });
});
