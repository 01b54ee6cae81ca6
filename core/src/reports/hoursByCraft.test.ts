import { describe, expect, it } from '@jest/globals';
import { createBench } from '../testing/priced.ts';
import { hoursByCraft } from './hoursByCraft.ts';
import { makeAlternate, makeCrew } from '../testing/records.ts';

describe('hours by craft', () => {
  it('shares the hours of a crew among its crafts, and leaves out what does not count', () => {
    const bench = createBench();
    const [carpenter, laborer] = [bench.craft('Carpenter'), bench.craft('Laborer')];
    const crew = makeCrew(bench.makeId, {
      name: 'Crew',
      members: [
        { craftId: carpenter.id, count: 2 },
        { craftId: laborer.id, count: 1 },
      ],
    });
    const alternate = makeAlternate(bench.makeId, {
      name: 'A',
    });
    bench.change(crew, alternate, bench.item({ code: 'X', laborHours: '4', craftId: laborer.id }));
    bench.change(
      bench.line({ quantity: '3', unit: 'h', crewId: crew.id }),
      bench.line({ quantity: '5', itemCode: 'X' }),
      bench.line({ quantity: '50', itemCode: 'X', alternate: { id: alternate.id, as: 'adds' } }),
    );
    // Three hours of three people are nine: six and three; and 20 by the laborer alone.
    expect(hoursByCraft(bench.calculation.figures).map(({ craft, hours }) => [craft?.name, hours])).toEqual([
      ['Laborer', 23],
      ['Carpenter', 6],
    ]);
  });
});
