import { describe, expect, it } from '@jest/globals';
import { createIdMaker } from '../job/id.ts';
import type { RecordOf } from '../job/record.ts';
import { createChance } from '../testing/job.ts';
import { NO_FACTORS, factorsOfRegion, withAdjustments } from './factors.ts';
import { burdenedWage, crewRatesOf, ratesOfCrew, hoursPerUnit } from './labor.ts';
import { makeCrew, makeRegion } from '../testing/records.ts';

const makeId = createIdMaker(createChance());
const craft = (name: string, wage: string, burden?: string): RecordOf<'craft'> => ({
  type: 'craft',
  id: makeId('craft'),
  name,
  wage,
  ...(burden === undefined ? {} : { burden }),
});
const [carpenter, laborer, open] = [
  craft('Carpenter', '40', '35'),
  craft('Laborer', '28'),
  craft('Open', ''),
];
const crewOf = (content: Partial<RecordOf<'crew'>>) =>
  makeCrew(makeId, {
    name: 'Crew',
    members: [{ craftId: carpenter.id, count: 1 }],
    ...content,
  });
const workersOf = (...crews: readonly RecordOf<'crew'>[]) => ({
  craft: new Map([carpenter, laborer, open].map((each) => [each.id, each])),
  crew: new Map(crews.map((each) => [each.id, each])),
});

describe('who works', () => {
  it('costs the wage with its burden: 40.00 with 35 % is 54.00', () => {
    expect(burdenedWage(carpenter)).toBeCloseTo(54, 12);
    expect(burdenedWage(laborer)).toBe(28);
  });

  it('is a crew where one is named, else the craft', () => {
    const crew = crewOf({
      members: [
        { craftId: carpenter.id, count: 2 },
        { craftId: laborer.id, count: 0.5 },
      ],
      machines: [{ name: 'Lift', count: 2, hourly: '15' }],
    });
    const workers = workersOf(crew);
    expect(crewRatesOf({ craftId: laborer.id, crewId: crew.id }, workers)).toEqual({
      people: 2.5,
      wages: 122,
      machines: 30,
      dayHours: 8,
    });
    // A crew that is gone leaves the craft.
    expect(crewRatesOf({ craftId: laborer.id, crewId: makeId('crew') }, workers)).toMatchObject({
      people: 1,
      wages: 28,
    });
  });

  it('has a day of its own where that is said', () => {
    expect(ratesOfCrew(crewOf({ dayHours: '10' }), workersOf())).toMatchObject({ dayHours: 10 });
    expect(ratesOfCrew(crewOf({ dayHours: '0' }), workersOf())).toMatchObject({ dayHours: 8 });
  });

  it('without a wage is known but for what it costs, with the craft named', () => {
    const crew = crewOf({ members: [{ craftId: open.id, count: 1 }] });
    expect(ratesOfCrew(crew, workersOf())).toMatchObject({
      people: 1,
      noWage: { kind: 'no-wage', craft: 'Open' },
    });
    expect(crewRatesOf({ craftId: null }, workersOf())).toMatchObject({
      people: 1,
      noWage: { kind: 'no-wage', craft: '' },
    });
  });
});

describe('hours for one unit', () => {
  it('are the figure itself, or follow from an output', () => {
    expect(hoursPerUnit('hours', '0.25', { people: 3, dayHours: 8 })).toBe(0.25);
    // 60 an hour by three people: each unit has three in 1/60 of an hour.
    expect(hoursPerUnit('hourly', '60', { people: 3, dayHours: 8 })).toBeCloseTo(0.05, 12);
    expect(hoursPerUnit('daily', '400', { people: 3, dayHours: 8 })).toBeCloseTo(0.06, 12);
    expect(hoursPerUnit('daily', '400', { people: 3, dayHours: 10 })).toBeCloseTo(0.075, 12);
  });

  it('are not known without a figure, nor from an output of nothing', () => {
    expect(hoursPerUnit('hours', '', { people: 1, dayHours: 8 })).toBeUndefined();
    expect(hoursPerUnit('daily', '0', { people: 1, dayHours: 8 })).toBeUndefined();
    expect(hoursPerUnit('hours', '0', { people: 1, dayHours: 8 })).toBe(0);
  });
});

describe('what acts on costs', () => {
  const region = makeRegion(makeId, {
    name: 'Island',
    material: 1.12,
    labor: 0.95,
    equipment: 1.3,
  });
  const adjustment = (
    percent: string,
    ...kinds: RecordOf<'adjustment'>['kinds']
  ): RecordOf<'adjustment'> => ({
    type: 'adjustment',
    id: makeId('adjustment'),
    name: 'Change',
    kinds,
    percent,
    on: { what: 'all' },
    order: 1,
  });

  it('of a region leaves subcontracts and other cost', () => {
    expect(factorsOfRegion(region)).toEqual({
      material: 1.12,
      labor: 0.95,
      equipment: 1.3,
      subcontract: 1,
      other: 1,
    });
    expect(factorsOfRegion(undefined)).toEqual(NO_FACTORS);
  });

  it('of percent changes goes one after the other: 10 % and 10 % are 21 %', () => {
    const factors = withAdjustments(NO_FACTORS, [
      adjustment('10', 'material', 'labor'),
      adjustment('10', 'material'),
      adjustment('-5', 'labor'),
      adjustment('', 'other'),
    ]);
    expect(factors.material).toBeCloseTo(1.21, 12);
    expect(factors.labor).toBeCloseTo(1.045, 12);
    expect(factors.other).toBe(1);
    expect(NO_FACTORS.material).toBe(1);
  });

  it('of a region and a change multiply', () => {
    expect(withAdjustments(factorsOfRegion(region), [adjustment('50', 'material')]).material).toBeCloseTo(
      1.68,
      12,
    );
  });
});
