import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { knownValue } from '../calculate/define.ts';
import { bidNode } from '../calculate/graph/nodes.ts';
import type { RecordOf } from '../job/record.ts';
import { makeMark, makeScope } from '../testing/job.ts';
import { createBench } from '../testing/priced.ts';
import { makeRail } from '../testing/rail.ts';
import { anyEdits, deskAfter } from '../testing/randomEdits.ts';
import { makeMarkup } from '../testing/records.ts';
import { SPLITS, splitBid } from './splitBid.ts';

describe('the bid by places', () => {
  it('shares what one scope costs out as it lies in the zones, a zone that is built twice counting twice', () => {
    const bench = createBench();
    const zone = (name: string, repeat: number, order: number): RecordOf<'zone'> => ({
      type: 'zone',
      id: bench.makeId('zone'),
      name,
      order,
      repeat,
    });
    const [east, west] = [zone('East', 1, 1), zone('West', 2, 2)];
    const wall = makeScope(bench.makeId, { key: 'wall', kind: 'run' });
    const run = (y: number, zoneId?: RecordOf<'zone'>['id']) => ({
      ...makeMark(bench.makeId, wall, bench.sheet, [
        [0, y],
        [10, y],
      ]),
      ...(zoneId === undefined ? {} : { zoneId }),
    });
    const assembly = makeRail(bench);
    bench.change(
      makeMarkup(bench.makeId, { percent: '10' }),
      bench.item({ code: 'RAIL', unit: 'ft', material: '1' }),
      east,
      west,
      wall,
      assembly,
      run(0, east.id),
      run(5, west.id),
      run(9),
      {
        type: 'use',
        id: bench.makeId('use'),
        scopeId: wall.id,
        assemblyId: assembly.id,
        order: 1,
        answers: {},
      },
      bench.line({ costs: { other: '5' } }),
    );
    // 40 ft in all: 10 in the east, 20 in the west, 10 in neither; the typed line is in neither too.
    expect(
      splitBid(bench.calculation.figures, 'zone').map(({ name, cost, price }) => [name, cost, price]),
    ).toEqual([
      ['East', 1000, 1100],
      ['West', 2000, 2200],
      ['', 1500, 1650],
    ]);
  });

  it('adds up to the bid by zones and by levels, whatever is done to the job', () => {
    fc.assert(
      fc.property(anyEdits, (edits) => {
        const { figures } = deskAfter(edits).calculation;
        const figure = (of: 'total' | 'cost'): number => knownValue(figures.figure(bidNode(of))) ?? 0;
        for (const by of SPLITS) {
          const parts = splitBid(figures, by);
          const sum = (of: 'price' | 'cost'): number => parts.reduce((all, part) => all + part[of], 0);
          expect([sum('price'), sum('cost')]).toEqual([figure('total'), figure('cost')]);
        }
      }),
      { numRuns: 50 },
    );
  });
});
