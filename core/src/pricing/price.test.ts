import { describe, expect, it } from '@jest/globals';
import type { RecordOf } from '../job/record.ts';
import { createIdMaker } from '../job/id.ts';
import { createChance } from '../testing/job.ts';
import { BLANK_ITEM } from './blankItem.ts';
import { type CrewRates, type Workers, crewRatesOf } from './labor.ts';
import {
  type UnitPrice,
  costOfOne,
  priceByCrew,
  priceByHand,
  priceByItem,
  priceWithLabor,
  priceWithTyped,
  unitFactor,
} from './price.ts';
import { makeCrew } from '../testing/records.ts';

const makeId = createIdMaker(createChance());
const mason: RecordOf<'craft'> = {
  type: 'craft',
  id: makeId('craft'),
  name: 'Mason',
  wage: '40',
  burden: '35',
};
const helper: RecordOf<'craft'> = { type: 'craft', id: makeId('craft'), name: 'Helper', wage: '30' };
const unpaid: RecordOf<'craft'> = { type: 'craft', id: makeId('craft'), name: 'Diver', wage: '' };
const crew = makeCrew(makeId, {
  name: 'Block crew',
  members: [
    { craftId: mason.id, count: 2 },
    { craftId: helper.id, count: 1 },
  ],
  machines: [{ name: 'Mixer', count: 1, hourly: '12' }],
});
const workers: Workers = {
  craft: new Map([mason, helper, unpaid].map((each) => [each.id, each])),
  crew: new Map([[crew.id, crew]]),
};
const item = (content: Partial<RecordOf<'item'>>): RecordOf<'item'> => ({
  ...BLANK_ITEM,
  id: makeId('item'),
  code: 'CODE',
  description: 'Thing',
  ...content,
});

/** What a price comes to for a quantity: money of its costs, and hours. */
function comesTo(
  { costs, hours }: UnitPrice,
  quantity: number,
): { readonly money: number; readonly hours: number } {
  const money = costs.reduce(
    (sum, { amount, factor, basis }) => sum + (quantity * factor * amount) / basis,
    0,
  );
  return { money, hours: hours * quantity };
}

function priced(result: ReturnType<typeof priceByItem>): UnitPrice {
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  return result.value;
}

/** No craft and no crew was named. */
const nobody = crewRatesOf({}, { craft: new Map(), crew: new Map() });

describe('the price of a line by an item', () => {
  it('converts measures of one dimension, and pieces only to the same pieces', () => {
    // 27 ft³ are a yd³, 9 ft² a yd²; a square of roofing is 100 ft².
    expect(unitFactor('ft³', 'yd³')).toBeCloseTo(1 / 27, 12);
    expect(unitFactor('yd²', 'ft²')).toBeCloseTo(9, 12);
    expect(unitFactor('ft', 'm')).toBeCloseTo(0.3048, 12);
    expect(unitFactor('ft', 'ft²')).toBeUndefined();
    expect(unitFactor('sheet', 'sheet')).toBe(1);
    expect(unitFactor('sheet', 'box')).toBeUndefined();
  });

  it('says which units do not convert, and of which item', () => {
    const result = priceByItem(item({ unit: 'lb', material: '2' }), 'ft', workers);
    expect(result).toMatchObject({
      ok: false,
      problem: { kind: 'units-do-not-convert', measuredUnit: 'ft', priced: 'lb', code: 'CODE' },
    });
  });

  it('is for as many units as the basis says', () => {
    // 84.00 for a hundred feet: 250 ft are 210.00.
    const price = priced(priceByItem(item({ unit: 'ft', basis: 100, material: '84' }), 'ft', workers));
    expect(comesTo(price, 250).money).toBeCloseTo(210, 10);
  });

  it('takes hours by their own basis, else by that of the costs', () => {
    const by = (laborBasis: number | undefined): number =>
      priced(
        priceByItem(
          item({
            unit: 'ft',
            basis: 100,
            laborHours: '5',
            craftId: mason.id,
            ...(laborBasis === undefined ? {} : { laborBasis }),
          }),
          'ft',
          workers,
        ),
      ).hours;
    expect(by(undefined)).toBeCloseTo(0.05, 12);
    expect(by(10)).toBeCloseTo(0.5, 12);
  });

  it('turns an output into hours of everyone who works', () => {
    // 120 blocks a day of 8 h by three: 24 labor hours for 120, 0.2 for one.
    const daily = item({ laborHours: '120', laborBy: 'daily', crewId: crew.id });
    expect(priced(priceByItem(daily, 'ea', workers)).hours).toBeCloseTo(0.2, 12);
    // 15 an hour by one: 1/15 h.
    const hourly = item({ laborHours: '15', laborBy: 'hourly', craftId: mason.id });
    expect(priced(priceByItem(hourly, 'ea', workers)).hours).toBeCloseTo(1 / 15, 12);
  });

  it('is none without any cost, and names the craft whose wage is missing', () => {
    expect(priceByItem(item({}), 'ea', workers)).toMatchObject({ problem: { kind: 'no-price' } });
    expect(priceByItem(item({ laborHours: '1', craftId: unpaid.id }), 'ea', workers)).toMatchObject({
      value: { hours: 1, crewRates: { noWage: { kind: 'no-wage', craft: 'Diver' } } },
    });
  });

  it('of nothing is a price: an item that is given costs nothing', () => {
    expect(comesTo(priced(priceByItem(item({ material: '0' }), 'ea', workers)), 12).money).toBe(0);
  });
});

describe('what one unit of an item costs', () => {
  it('holds wages with burden and the machines of a crew', () => {
    const result = costOfOne(
      item({ basis: 100, material: '184', laborHours: '120', laborBy: 'daily', crewId: crew.id }),
      workers,
    );
    if (!result.ok) throw new Error(result.problem.kind);
    expect(result.value.direct).toBeCloseTo(1.84, 12);
    expect(result.value.hours).toBeCloseTo(0.2, 12);
    // An hour of the crew: 2 x 40.00 x 1.35 + 30.00 + 12.00 = 150.00; a block takes 8/120 of it.
    expect(result.value.labor).toBeCloseTo(10, 10);
  });

  it('of hours alone has no direct cost', () => {
    const result = costOfOne(item({ laborHours: '2', craftId: helper.id }), workers);
    expect(result).toEqual({ ok: true, value: { direct: 0, hours: 2, labor: 60 } });
  });
});

describe('a price with hours of its own', () => {
  const labor = { by: 'hours', figure: '0.5', craftId: mason.id } as const;

  it('keeps the costs of the item and takes the hours', () => {
    const under = priceByItem(item({ material: '3', laborHours: '9', craftId: helper.id }), 'ea', workers);
    const price = priced(priceWithLabor(under, labor, workers));
    expect(comesTo(price, 10)).toEqual({ money: 30, hours: 5 });
  });

  it('is the hours alone where the item has no price, and stays wrong where its units are', () => {
    expect(priced(priceWithLabor(priceByItem(item({}), 'ea', workers), labor, workers)).costs).toEqual([]);
    const wrong = priceByItem(item({ unit: 'lb', material: '1' }), 'ft', workers);
    expect(priceWithLabor(wrong, labor, workers)).toMatchObject({
      problem: { kind: 'units-do-not-convert' },
    });
  });

  it('is none while the hours are not set', () => {
    const under = priceByItem(item({ material: '3' }), 'ea', workers);
    expect(priceWithLabor(under, { ...labor, figure: '' }, workers)).toMatchObject({
      problem: { kind: 'no-price' },
    });
  });
});

describe('costs typed over a price', () => {
  const under = priceByItem(
    item({ material: '10', equipment: '4', laborHours: '2', craftId: mason.id }),
    'ea',
    workers,
  );

  it('take the place of their kind and leave the others', () => {
    const price = priced(priceWithTyped(under, { material: '7.5' }, nobody));
    expect(price.costs.map(({ kind, amount }) => [kind, amount])).toEqual([
      ['equipment', 4],
      ['material', 7.5],
    ]);
    expect(price.hours).toBe(2);
  });

  it('of hours are worked by those who would have done it', () => {
    const price = priced(priceWithTyped(under, { hours: '3' }, nobody));
    expect(price.hours).toBe(3);
    expect(price.crewRates?.wages).toBeCloseTo(54, 10);
  });

  it('of labor as money have no hours, even where both are typed', () => {
    expect(priced(priceWithTyped(under, { labor: '99' }, nobody)).hours).toBe(0);
    const both = priced(priceWithTyped(under, { labor: '99', hours: '3' }, nobody));
    expect(both.hours).toBe(0);
    expect(both.costs.filter(({ kind }) => kind === 'labor')).toHaveLength(1);
  });

  it('of hours on nothing ask who works', () => {
    const nothing = priceByItem(item({}), 'ea', workers);
    expect(priceWithTyped(nothing, { hours: '1' }, nobody)).toMatchObject({
      value: { hours: 1, crewRates: { noWage: { kind: 'no-wage' } } },
    });
    const crewRates: CrewRates = { people: 1, wages: 30, machines: 0, dayHours: 8 };
    expect(priced(priceWithTyped(nothing, { hours: '1' }, crewRates)).hours).toBe(1);
  });

  it('change nothing where nothing is typed', () => {
    expect(priceWithTyped(under, { material: '' }, nobody)).toBe(under);
  });
});

describe('a price without an item', () => {
  it('is what was typed for one, or none', () => {
    expect(priced(priceByHand('subcontract', '1250')).costs).toEqual([
      { kind: 'subcontract', amount: 1250, factor: 1, basis: 1 },
    ]);
    expect(priceByHand('subcontract', '')).toMatchObject({ problem: { kind: 'no-price' } });
  });

  it('of a crew is by its days or its hours, and by nothing else', () => {
    const crewRates: CrewRates = { people: 3, wages: 138, machines: 12, dayHours: 10 };
    expect(priced(priceByCrew(crewRates, 'day')).hours).toBe(30);
    expect(priced(priceByCrew(crewRates, 'h')).hours).toBe(3);
    expect(priceByCrew(crewRates, 'ft')).toMatchObject({ problem: { kind: 'no-price' } });
  });
});
