import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { changeTable } from './table.ts';

const large = new Map(Array.from({ length: 600 }, (_, i) => [`k${i}`, i]));
const changes = fc.dictionary(
  fc.integer({ min: 0, max: 900 }).map((i) => `k${i}`),
  fc.option(fc.integer(), { nil: undefined }),
  { maxKeys: 40 },
);

describe('tables that share their bulk', () => {
  it('hold after any changes what a copied map holds, and leave the ones before alone', () => {
    fc.assert(
      fc.property(fc.array(changes, { maxLength: 20 }), (steps) => {
        let table: ReadonlyMap<string, number> = large;
        const plain = new Map(large);
        const kept: (readonly [ReadonlyMap<string, number>, Map<string, number>])[] = [];
        for (const step of steps) {
          kept.push([table, new Map(plain)]);
          table = changeTable(table, new Map(Object.entries(step)));
          for (const [key, value] of Object.entries(step))
            if (value === undefined) plain.delete(key);
            else plain.set(key, value);
        }
        for (const [shared, copied] of [...kept, [table, plain] as const]) {
          expect(shared.size).toBe(copied.size);
          expect(new Map(shared)).toEqual(copied);
          expect([...shared.keys()].every((key) => shared.get(key) === copied.get(key))).toBe(true);
          expect(shared.has('k0')).toBe(copied.has('k0'));
        }
      }),
      { numRuns: 40 },
    );
  });

  it('keeps a changed record in its place and puts a new one last', () => {
    const table = changeTable(
      large,
      new Map<string, number | undefined>([
        ['new', -1],
        ['k1', -2],
        ['k2', undefined],
      ]),
    );
    expect([...table].slice(0, 3)).toEqual([
      ['k0', 0],
      ['k1', -2],
      ['k3', 3],
    ]);
    expect([...table.values()].at(-1)).toBe(-1);
    const seen: string[] = [];
    table.forEach((_value, key) => seen.push(key));
    expect(seen).toHaveLength(600);
  });
});
