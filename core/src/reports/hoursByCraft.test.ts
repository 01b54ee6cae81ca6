import { describe, expect, it } from '@jest/globals';
import { createPricedDesk } from '../testing/priced.ts';
import { hoursByCraft } from './hoursByCraft.ts';
import { makeAlternate, makeCrew } from '../testing/records.ts';

describe('hours by craft', () => {
  it('shares the hours of a crew among its crafts, and leaves out what does not count', () => {
    const desk = createPricedDesk();
    const [carpenter, laborer] = [desk.craft('Carpenter'), desk.craft('Laborer')];
    const crew = makeCrew(desk.makeId, {
      name: 'Crew',
      members: [
        { craftId: carpenter.id, count: 2 },
        { craftId: laborer.id, count: 1 },
      ],
    });
    const alternate = makeAlternate(desk.makeId, {
      name: 'A',
    });
    desk.change(crew, alternate, desk.item({ code: 'X', laborHours: '4', craftId: laborer.id }));
    desk.change(
      desk.line({ quantity: '3', unit: 'h', crewId: crew.id }),
      desk.line({ quantity: '5', itemCode: 'X' }),
      desk.line({ quantity: '50', itemCode: 'X', alternate: { id: alternate.id, as: 'adds' } }),
    );
    // Three hours of three people are nine: six and three; and 20 by the laborer alone.
    expect(hoursByCraft(desk.calculation.figures).map(({ craft, hours }) => [craft?.name, hours])).toEqual([
      ['Laborer', 23],
      ['Carpenter', 6],
    ]);
  });
});
