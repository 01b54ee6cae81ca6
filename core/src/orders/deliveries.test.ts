import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { RecordOf } from '../job/record.ts';
import { makeMark, makeScope } from '../testing/job.ts';
import { type Bench, createBench } from '../testing/priced.ts';
import { makeRail } from '../testing/rail.ts';
import { anyEdits, deskAfter } from '../testing/randomEdits.ts';
import { buyList, toOrder } from './buyList.ts';
import { DELIVERED_BY, type DeliveredBy } from './deliveries.ts';

/** A rail in a section inside a phase: 10 ft in the east wing, 20 ft in the west wing, 30 ft typed beside it. */
function benchWithRail(
  item: Partial<RecordOf<'item'>> = {},
  content: Partial<RecordOf<'assembly'>['components'][number]> = {},
): Bench {
  const bench = createBench();
  const named = (type: 'zone', name: string, order: number): RecordOf<'zone'> => ({
    type,
    id: bench.makeId(type),
    name,
    order,
    repeat: 1,
  });
  const [east, west] = [named('zone', 'East', 1), named('zone', 'West', 2)];
  const level: RecordOf<'level'> = {
    type: 'level',
    id: bench.makeId('level'),
    name: 'Ground',
    repeat: 1,
    order: 1,
  };
  const section = (code: string, name: string, parentId: RecordOf<'section'>['id'] | null, order: number) =>
    ({ type: 'section', id: bench.makeId('section'), code, name, parentId, order }) as const;
  const phase = section('', 'Phase one', null, 900);
  const rails = section('05', 'Rails', phase.id, 901);
  const scope = { ...makeScope(bench.makeId, { key: 'rail', kind: 'run' }), sectionId: rails.id };
  const run = (y: number, length: number, zoneId: RecordOf<'zone'>['id']) => ({
    ...makeMark(bench.makeId, scope, bench.sheet, [
      [0, y],
      [length, y],
    ]),
    zoneId,
  });
  const assembly = makeRail(bench, content);
  bench.change(
    bench.item({ code: 'RAIL', description: 'Rail', unit: 'ft', material: '1', ...item }),
    east,
    west,
    level,
    { ...bench.sheet, levelId: level.id },
    phase,
    rails,
    scope,
    assembly,
    run(0, 10, east.id),
    run(5, 20, west.id),
    {
      type: 'use',
      id: bench.makeId('use'),
      scopeId: scope.id,
      assemblyId: assembly.id,
      answers: {},
      order: 1,
    },
    bench.line({
      sectionId: bench.sectionId('09'),
      description: 'Rail by hand',
      quantity: '30',
      unit: 'ft',
      itemCode: 'RAIL',
    }),
  );
  return bench;
}

const placesBy = (bench: Bench, by: DeliveredBy): Readonly<Record<string, number>> => {
  const [row, ...others] = buyList(bench.calculation.figures, by);
  expect(others).toEqual([]);
  return Object.fromEntries((row?.places ?? []).map(({ name, quantity }) => [name, quantity]));
};

describe('deliveries', () => {
  const bench = benchWithRail();

  it('are for sections and for the outermost ones, as phases are', () => {
    const typed = Object.keys(placesBy(bench, 'section')).find((name) => name.startsWith('09')) ?? '';
    expect(placesBy(bench, 'section')).toEqual({ '05 Rails': 30, [typed]: 30 });
    expect(placesBy(bench, 'phase')).toEqual({ 'Phase one': 30, [typed]: 30 });
  });

  it('are for scopes, levels and zones, where what was typed has no place', () => {
    expect(Object.values(placesBy(bench, 'scope'))).toEqual([30, 30]);
    expect(placesBy(bench, 'scope')['']).toBe(30);
    expect(placesBy(bench, 'level')).toEqual({ Ground: 30, '': 30 });
    expect(placesBy(bench, 'zone')).toEqual({ East: 10, West: 20, '': 30 });
  });

  it('hold what rounding over the job adds under no place', () => {
    const rounded = benchWithRail({}, { roundUpTo: '16', roundAt: 'job' });
    // 30 ft and 30 ft: only what is drawn is rounded, to two sticks of 16 ft.
    expect(placesBy(rounded, 'zone')).toEqual({ East: 10, West: 20, '': 32 });
  });

  it('add up to what is bought, after whatever was done, by every kind of place', () => {
    fc.assert(
      fc.property(anyEdits, fc.constantFrom(...DELIVERED_BY), (edits, by) => {
        for (const { quantity, places } of buyList(deskAfter(edits).calculation.figures, by)) {
          const sum = places.reduce((all, place) => all + place.quantity, 0);
          // Each is written to a hundredth of what it is.
          expect(Math.abs(sum - quantity)).toBeLessThanOrEqual(0.0051 * (places.length + 1));
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('packs', () => {
  const packOf = (bench: Bench): number => buyList(bench.calculation.figures)[0]?.pack ?? Number.NaN;

  it('are as the price book sells it, in the unit of the row', () => {
    expect(packOf(benchWithRail({ packSize: '25' }))).toBe(25);
    expect(packOf(benchWithRail())).toBe(0);
    expect(packOf(benchWithRail({ packSize: '0' }))).toBe(0);
  });

  it('are as the lines round up where the price book says nothing', () => {
    expect(packOf(benchWithRail({}, { roundUpTo: '12' }))).toBe(12);
    expect(packOf(benchWithRail({}, { roundUpTo: '16', roundAt: 'job' }))).toBe(16);
    // Whole ones are no packs; what the price book says goes first.
    expect(packOf(benchWithRail({}, { roundUpTo: '1' }))).toBe(0);
    expect(packOf(benchWithRail({ packSize: '20' }, { roundUpTo: '12' }))).toBe(20);
  });

  it('are ordered whole, for what is not in stock', () => {
    const sold = { quantity: 60, pack: 25 };
    expect(toOrder(sold)).toEqual({ quantity: 75, packs: 3 });
    expect(toOrder(sold, 10)).toEqual({ quantity: 50, packs: 2 });
    expect(toOrder(sold, 60)).toEqual({ quantity: 0, packs: 0 });
    expect(toOrder(sold, 90)).toEqual({ quantity: 0, packs: 0 });
    expect(toOrder({ quantity: 60, pack: 0 }, 12.5)).toEqual({ quantity: 47.5, packs: 0 });
    // Three tenths added up are not quite three tenths, and still one pack.
    expect(toOrder({ quantity: 0.1 + 0.2, pack: 0.3 })).toEqual({ quantity: 0.3, packs: 1 });
  });
});
