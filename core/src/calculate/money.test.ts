import type { NodeId } from '../job/nodeId.ts';
import { describe, expect, it } from '@jest/globals';
import Decimal from 'decimal.js';
import fc from 'fast-check';
import { COST_KINDS } from '../job/records/assembly.ts';
import type { RecordOf } from '../job/record.ts';
import { inOrder, listRecords } from '../job/job.ts';
import { remove } from '../job/change.ts';
import { removeAlternate } from '../job/commands/removeWith.ts';
import { makeMark, makeScope } from '../testing/job.ts';
import { anyDeeds, deskAfter, markup } from '../testing/deeds.ts';
import { differences } from '../testing/differences.ts';
import { type Desk, createPricedDesk } from '../testing/priced.ts';
import { Calculation } from './calculation.ts';
import { knownValue } from './define.ts';
import { linePrices } from './totals/linePrices.ts';
import { bidNode, lineNode, markupNode, sectionNode } from './graph/nodes.ts';
import { componentLine } from '../job/lineKey.ts';
import { makeAlternate, makeCrew, makePackage, makeQuote, makeRegion } from '../testing/records.ts';

/** Of 100.00 material and 50.00 labor, in lines of their own. */
function desk150() {
  const desk = createPricedDesk();
  const material = desk.line({ costs: { material: '100' }, sectionId: desk.sectionId('03') });
  const labor = desk.line({ costs: { labor: '50' }, sectionId: desk.sectionId('06') });
  desk.change(material, labor);
  return { desk, material, labor };
}

describe('prices worked by hand', () => {
  it('prices a slab measured in square feet by the cubic yard, with its pump', () => {
    const desk = createPricedDesk();
    const slab = makeScope(desk.makeId, { key: 'slab', kind: 'area' });
    const concrete = desk.item({ code: 'MIX', unit: 'yd³', material: '165' });
    const pump = desk.item({ code: 'PUMP', unit: 'yd³', equipment: '12.50' });
    const cubic = 'total(slab, area) * 6 in';
    const mix = desk.line({ quantity: cubic, unit: 'yd³', itemCode: 'MIX' });
    const pumped = desk.line({ quantity: cubic, unit: 'ft³', itemCode: 'PUMP' });
    desk.change(
      slab,
      makeMark(desk.makeId, slab, desk.sheet, [
        [0, 0],
        [24, 0],
        [24, 30],
        [0, 30],
      ]),
    );
    desk.change(concrete, pump, mix, pumped);
    // 24 x 30 ft, 6 in: 720 ft² and 360 ft³ = 13.33 yd³ (computed).
    expect(desk.figure(mix.id, 'quantity')).toBe(13.33);
    expect(desk.figure(mix.id, 'material')).toBe(2199_45);
    // 360 ft³ / 27 x 12.50 = 166.67, though the line counts cubic feet.
    expect(desk.figure(pumped.id, 'quantity')).toBe(360);
    expect(desk.figure(pumped.id, 'equipment')).toBe(166_67);
  });

  it('prices by the hundred, with hours that are by the ten', () => {
    const desk = createPricedDesk();
    const { id: craftId } = desk.craft('Carpenter');
    const pipe = desk.item({
      code: 'PIPE',
      unit: 'ft',
      basis: 100,
      material: '84',
      laborHours: '0.5',
      laborBasis: 10,
      craftId,
    });
    const line = desk.line({ quantity: '250', unit: 'ft', itemCode: 'PIPE' });
    desk.change(pipe, line);
    expect(desk.figure(line.id, 'material')).toBe(210_00);
    expect(desk.figure(line.id, 'hours')).toBe(12.5);
    expect(desk.figure(line.id, 'labor')).toBe(12.5 * 54_00);
  });

  it('moves every line of a craft with its wage, and none of another', () => {
    const desk = createPricedDesk();
    const [carpenter, mason] = [desk.craft('Carpenter'), desk.craft('Mason')];
    const items = [carpenter, mason].map(({ id, name }) =>
      desk.item({ code: name, laborHours: '2', craftId: id }),
    );
    const lines = ['Carpenter', 'Carpenter', 'Mason'].map((itemCode) =>
      desk.line({ itemCode, quantity: '3' }),
    );
    desk.change(...items, ...lines);
    const labor = () => lines.map(({ id }) => desk.figure(id, 'labor'));
    expect(labor()).toEqual([324_00, 324_00, 349_50]);
    desk.change({ ...carpenter, wage: '60' });
    expect(labor()).toEqual([360_00, 360_00, 349_50]);
    // A burden of 25 % on 60.00 is 75.00 an hour.
    desk.change({ ...carpenter, wage: '60', burden: '25' });
    expect(labor()).toEqual([450_00, 450_00, 349_50]);
  });

  it('figures a crew of crafts and a machine by daily output, and by its days', () => {
    const desk = createPricedDesk();
    const [carpenter, laborer] = [desk.craft('Carpenter'), desk.craft('Laborer')];
    const crew = makeCrew(desk.makeId, {
      name: 'Form crew',
      members: [
        { craftId: carpenter.id, count: 2 },
        { craftId: laborer.id, count: 1 },
      ],
      machines: [{ name: 'Crane', count: 1, hourly: '90' }],
    });
    const forms = desk.item({
      code: 'FORM',
      unit: 'ft²',
      laborHours: '400',
      laborBy: 'daily',
      crewId: crew.id,
    });
    const line = desk.line({ quantity: '1000', unit: 'ft²', itemCode: 'FORM' });
    const days = desk.line({ quantity: '2.5', unit: 'day', crewId: crew.id });
    desk.change(crew, forms, line, days);
    // 1000 / 400 a day = 2.5 days of 8 h by three: 60 labor hours, 20 crew hours.
    // Wages 2 x 54.00 + 41.50 = 149.50 an hour, the crane 90.00.
    for (const { id } of [line, days]) {
      expect(desk.figure(id, 'hours')).toBe(60);
      expect(desk.figure(id, 'labor')).toBe(20 * 149_50);
      expect(desk.figure(id, 'equipment')).toBe(20 * 90_00);
    }
    desk.change({ ...laborer, wage: '50' });
    expect(desk.figure(days.id, 'labor')).toBe(20 * 158_00);
  });

  it('takes a lump-sum subcontract of 1 from the quote that is taken, leveled', () => {
    const desk = createPricedDesk();
    const pack = makePackage(desk.makeId, {
      name: 'Roof membrane',
      asks: [{ key: 'flashing', text: 'Flashing' }],
    });
    const quote = (company: string, content: Partial<RecordOf<'quote'>>) =>
      makeQuote(desk.makeId, {
        packageId: pack.id,
        company,
        amount: '0',
        ...content,
      });
    const low = quote('Low', {
      amount: '9800',
      leftOut: { flashing: '1400' },
      adjustments: [{ text: 'Hoist', amount: '-150' }],
    });
    const high = quote('High', { amount: '10900' });
    desk.change(pack, low, high);
    expect(desk.calculation.figure(lineNode(pack.id, 'extension')).failure).toEqual({
      kind: 'no-quote',
      package: 'Roof membrane',
    });
    desk.change({ ...pack, takenId: low.id });
    // 9,800 + 1,400 it leaves out - 150 = 11,050: the low one is not the lower one.
    expect(desk.figure(pack.id, 'subcontract')).toBe(11_050_00);
    desk.change({ ...pack, takenId: high.id });
    expect(desk.known(bidNode('total'))).toBe(10_900_00);
    expect(desk.figure(pack.id, 'quantity')).toBe(1);
  });

  it('prices lines by the quote that was taken for them, line by line', () => {
    const desk = createPricedDesk();
    const line = desk.line({ quantity: '12', costs: { material: '99' } });
    const pack = makePackage(desk.makeId, {
      name: 'Doors',
      kind: 'material',
      by: 'lines',
      lines: [line.id],
    });
    const quote = makeQuote(desk.makeId, {
      packageId: pack.id,
      company: 'Supplier',
      prices: { [line.id]: '80.25' },
    });
    desk.change(line, pack, quote);
    expect(desk.figure(line.id, 'material')).toBe(1188_00);
    desk.change({ ...pack, takenId: quote.id });
    expect(desk.figure(line.id, 'material')).toBe(963_00);
  });

  it('takes the next larger size where none is the one, and says when none is big enough', () => {
    const desk = createPricedDesk();
    const sizes = [
      ['20 in', '30 in', '40'],
      ['24 in', '36 in', '55'],
      ['36 in', '36 in', '80'],
    ] as const;
    const items = sizes.map(([width, depth, material]) =>
      desk.item({
        code: `F-${width}-${depth}`,
        family: 'Footing',
        sizes: { width, depth },
        unit: 'ft',
        material,
      }),
    );
    const line = (width: string, depth: string) =>
      desk.line({ quantity: '10', unit: 'ft', sizing: { family: 'Footing', by: { width, depth } } });
    const [exact, next, wide, none] = [
      line('20 in', '30 in'),
      line('22 in', '28 in'),
      line('0.7 m', '20 in'),
      line('40 in', '10 in'),
    ];
    desk.change(...items, exact, next, wide, none);
    expect([exact, next, wide].map(({ id }) => desk.figure(id, 'material'))).toEqual([
      400_00, 550_00, 800_00,
    ]);
    expect(desk.calculation.figure(lineNode(none.id, 'extension')).failure).toMatchObject({
      kind: 'no-size',
      family: 'Footing',
    });
    // A price of the family that changes moves the line that took it.
    desk.change({ ...(items[1] as RecordOf<'item'>), material: '60' });
    expect(desk.figure(next.id, 'material')).toBe(600_00);
  });

  it('adjusts material, labor and equipment where the job is built, not what was typed', () => {
    const desk = createPricedDesk();
    const item = desk.item({
      code: 'A',
      material: '10',
      laborHours: '1',
      craftId: desk.craft('Carpenter').id,
      subcontract: '7',
    });
    const [booked, typed] = [
      desk.line({ itemCode: 'A', quantity: '10' }),
      desk.line({ costs: { material: '10' }, quantity: '10' }),
    ];
    const region = makeRegion(desk.makeId, {
      name: 'Coast',
      material: 1.1,
      labor: 1.25,
      equipment: 1,
    });
    desk.change(item, booked, typed, region);
    const [settings] = desk.job().settings.values();
    desk.change({ ...(settings as RecordOf<'settings'>), regionId: region.id });
    expect(desk.figure(booked.id, 'material')).toBe(110_00);
    expect(desk.figure(booked.id, 'labor')).toBe(675_00);
    expect(desk.figure(booked.id, 'hours')).toBe(10);
    expect(desk.figure(booked.id, 'subcontract')).toBe(70_00);
    expect(desk.figure(typed.id, 'material')).toBe(100_00);
  });
});

describe('what is not measured yet', () => {
  it('needs nothing, not even the least that its assembly asks for', () => {
    const desk = createPricedDesk();
    const wall = makeScope(desk.makeId, { key: 'wall', kind: 'run' });
    const assembly: RecordOf<'assembly'> = {
      type: 'assembly',
      id: desk.makeId('assembly'),
      name: 'Posts',
      description: '',
      measures: 'run',
      order: 99,
      inputs: [],
      components: [
        {
          key: 'posts',
          name: 'Posts',
          kind: 'material',
          unit: 'ea',
          formula: 'max(2, ceil(length / 10 ft))',
          wastePercent: '0',
          roundUpTo: '',
          itemCode: '',
        },
      ],
    };
    const useId = desk.makeId('use');
    desk.change(wall, assembly, {
      type: 'use',
      id: useId,
      scopeId: wall.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
    });
    const posts = () => desk.figure(componentLine(useId, 'posts'), 'quantity');
    expect(posts()).toBe(0);
    const run = makeMark(desk.makeId, wall, desk.sheet, [
      [0, 0],
      [4, 0],
    ]);
    desk.change(run);
    expect(posts()).toBe(2);
    desk.change(remove(run.id));
    expect(posts()).toBe(0);
  });
});

describe('adjustments', () => {
  it('change a kind of cost on a section with those inside it, and come off without a trace', () => {
    const { desk, material, labor } = desk150();
    const inner: RecordOf<'section'> = {
      type: 'section',
      id: desk.makeId('section'),
      code: '03.9',
      name: 'Inner',
      parentId: desk.sectionId('03'),
      order: 9,
    };
    const deep = desk.line({ sectionId: inner.id, costs: { material: '10', labor: '10' } });
    desk.change(inner, deep);
    const more: RecordOf<'adjustment'> = {
      type: 'adjustment',
      id: desk.makeId('adjustment'),
      name: 'Steel is up',
      kinds: ['material'],
      percent: '10',
      on: { what: 'section', sectionId: desk.sectionId('03') },
      order: 1,
    };
    desk.change(more);
    expect(desk.figure(material.id, 'material')).toBe(110_00);
    expect(desk.figure(deep.id, 'material')).toBe(11_00);
    expect(desk.figure(deep.id, 'labor')).toBe(10_00);
    expect(desk.figure(labor.id, 'labor')).toBe(50_00);
    desk.change({
      ...more,
      id: desk.makeId('adjustment'),
      on: { what: 'lines', lines: [material.id] },
      order: 2,
    });
    expect(desk.figure(material.id, 'material')).toBe(121_00);
    desk.change(remove(...desk.job().adjustment.keys()));
    expect(desk.known(bidNode('cost'))).toBe(170_00);
  });
});

describe('pinned quantities', () => {
  it('stand over the flowing one, which goes on beside them, and let go again', () => {
    const desk = createPricedDesk();
    const wall = makeScope(desk.makeId, { key: 'wall', kind: 'run' });
    const run = makeMark(desk.makeId, wall, desk.sheet, [
      [0, 0],
      [100, 0],
    ]);
    const line = desk.line({ quantity: 'total(wall, length)', unit: 'ft', costs: { material: '2' } });
    desk.change(wall, run, line);
    desk.change({ ...line, pinned: '120' });
    expect(desk.figure(line.id, 'quantity')).toBe(120);
    expect(desk.figure(line.id, 'material')).toBe(240_00);
    desk.change(
      makeMark(desk.makeId, wall, desk.sheet, [
        [0, 0],
        [10, 0],
      ]),
    );
    expect(desk.figure(line.id, 'flowing')).toBe(110);
    expect(desk.figure(line.id, 'quantity')).toBe(120);
    desk.change(line);
    expect(desk.figure(line.id, 'quantity')).toBe(110);
    expect(desk.calculation.figures.has(lineNode(line.id, 'flowing'))).toBe(false);
  });
});

describe('from cost to bid', () => {
  it('taxes materials only, each line at its own rate', () => {
    const { desk, material } = desk150();
    const [settings] = desk.job().settings.values();
    desk.change({ ...(settings as RecordOf<'settings'>), taxOnMaterials: '8.25' });
    expect(desk.known(bidNode('tax'))).toBe(8_25);
    expect(desk.known(bidNode('total'))).toBe(158_25);
    desk.change(desk.line({ costs: { material: '200' }, taxPercent: '0' }));
    expect(desk.known(bidNode('tax'))).toBe(8_25);
    desk.change({ ...material, taxPercent: '4' });
    expect(desk.known(bidNode('tax'))).toBe(4_00);
  });

  it('takes one markup on the other: 10 % on 150 and 10 % of that sum', () => {
    const { desk } = desk150();
    const [overhead, profit] = [markup(desk, {}), markup(desk, { base: 'running', order: 2 })];
    desk.change(overhead, profit);
    expect(desk.known(markupNode(overhead.id))).toBe(15_00);
    expect(desk.known(markupNode(profit.id))).toBe(16_50);
    expect(desk.known(bidNode('total'))).toBe(181_50);
  });

  it('takes 20 % margin as 25 % markup', () => {
    const { desk } = desk150();
    desk.change(markup(desk, { as: 'margin', percent: '20' }));
    expect(desk.known(bidNode('total'))).toBe(187_50);
  });

  it('rates a bond by slices: 2.5 % to 100, 1.5 % to 140, 1 % beyond', () => {
    const { desk } = desk150();
    const bond = markup(desk, {
      as: 'graded',
      percent: '',
      grades: [
        { upTo: '', percent: '1' },
        { upTo: '100', percent: '2.5' },
        { upTo: '140', percent: '1.5' },
      ],
    });
    desk.change(bond);
    // 2.50 + 0.60 + 0.10
    expect(desk.known(markupNode(bond.id))).toBe(3_20);
  });

  it('gives a section and a line rates of their own, the nearest one', () => {
    const { desk, labor } = desk150();
    const extra = desk.line({ sectionId: desk.sectionId('03'), costs: { other: '10' } });
    desk.change(extra);
    const overhead = markup(desk, {
      rates: [
        { on: desk.sectionId('03'), percent: '5' },
        { on: extra.id, percent: '0' },
      ],
    });
    desk.change(overhead);
    // 5 % of 100 + 0 % of 10 + 10 % of 50.
    expect(desk.known(markupNode(overhead.id))).toBe(10_00);
    const prices = linePrices(desk.calculation.figures);
    expect(prices.ofLine(labor.id)).toBe(55_00);
    expect(prices.ofSection(desk.sectionId('03'))).toBe(115_00);
  });

  it('keeps a rate of a section for what comes into it later', () => {
    const { desk, material } = desk150();
    const overhead = markup(desk, { rates: [{ on: desk.sectionId('09'), percent: '4' }] });
    desk.change(overhead);
    expect(desk.known(markupNode(overhead.id))).toBe(15_00);
    const late = desk.line({ sectionId: desk.sectionId('09'), costs: { material: '200' } });
    desk.change(late);
    // 10 % of 150 + 4 % of 200.
    expect(desk.known(markupNode(overhead.id))).toBe(23_00);
    // 10 % of 50 + 4 % of 300.
    desk.change({ ...material, sectionId: desk.sectionId('09') });
    expect(desk.known(markupNode(overhead.id))).toBe(17_00);
    desk.change(remove(late.id), { ...material, sectionId: desk.sectionId('03') });
    expect(desk.known(markupNode(overhead.id))).toBe(15_00);
  });

  it.each([
    ['nearest', 200_00],
    ['up', 200_00],
    ['down', 100_00],
  ] as const)('rounds the bid to hundreds, %s', (bidRounding, total) => {
    const { desk } = desk150();
    const [settings] = desk.job().settings.values();
    desk.change({ ...(settings as RecordOf<'settings'>), bidStep: '100', bidRounding });
    expect(desk.known(bidNode('total'))).toBe(total);
    expect(desk.known(bidNode('rounding'))).toBe(total - 150_00);
  });

  it('adds a sum as it is', () => {
    const { desk } = desk150();
    desk.change(markup(desk, { as: 'sum', percent: '1250.50' }));
    expect(desk.known(bidNode('total'))).toBe(1400_50);
  });
});

describe('labor of a line', () => {
  /** Three units of an item of two hours each, by a carpenter at 40. */
  function deskOfHours(costs: RecordOf<'line'>['costs']) {
    const desk = createPricedDesk();
    const carpenter = { ...desk.craft('Carpenter'), wage: '40', burden: '0' };
    const item = desk.item({ code: 'TRUSS', laborHours: '2', basis: 1, craftId: carpenter.id });
    const line = desk.line({ quantity: '3', itemCode: 'TRUSS', costs });
    desk.change(carpenter, item, line);
    return { labor: desk.figure(line.id, 'labor'), extension: desk.figure(line.id, 'extension') };
  }

  it.each([
    ['hours of the price book', undefined, 240_00],
    ['hours that were typed', { hours: '1.5' }, 180_00],
    ['money that was typed', { labor: '50' }, 150_00],
    ['money where both are there, counted once', { labor: '50', hours: '1.5' }, 150_00],
  ])('is by %s', (_, costs, minor) => {
    expect(deskOfHours(costs)).toEqual({ labor: minor, extension: minor });
  });

  it('takes the place of money that was the whole price once hours are typed', () => {
    const desk = createPricedDesk();
    const carpenter = { ...desk.craft('Carpenter'), wage: '40', burden: '0' };
    const crew = makeCrew(desk.makeId, {
      name: 'One carpenter',
      members: [{ craftId: carpenter.id, count: 1 }],
    });
    const line = desk.line({
      crewId: crew.id,
      typedCost: { kind: 'labor', amount: '500' },
      costs: { hours: '2' },
    });
    desk.change(carpenter, crew, line);
    expect(desk.figure(line.id, 'labor')).toBe(80_00);
    expect(desk.figure(line.id, 'extension')).toBe(80_00);
  });
});

describe('alternates', () => {
  it('count what they add once accepted, and what they drop until then', () => {
    const { desk, material } = desk150();
    const tile = makeAlternate(desk.makeId, {
      name: 'Tile',
    });
    desk.change(tile);
    const added = desk.line({
      costs: { material: '130' },
      sectionId: desk.sectionId('03'),
      alternate: { id: tile.id, as: 'adds' },
    });
    desk.change(added, { ...material, alternate: { id: tile.id, as: 'drops' } });
    expect(desk.known(bidNode('total'))).toBe(150_00);
    desk.change({ ...tile, accepted: true });
    expect(desk.known(bidNode('total'))).toBe(180_00);
    expect(desk.known(sectionNode(desk.sectionId('03'), 'cost'))).toBe(130_00);
    desk.change(removeAlternate(tile.id));
    expect(desk.known(bidNode('total'))).toBe(280_00);
  });
});

describe('after any sequence of edits', () => {
  it('figures that followed are those that are figured anew', () => {
    fc.assert(
      fc.property(anyDeeds, (list) => {
        const desk = deskAfter(list);
        expect(differences(desk.calculation, new Calculation(desk.job()))).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it('undo brings back every figure and record, and redo makes them again', () => {
    const records = (desk: Desk): readonly string[] =>
      [...listRecords(desk.job())].map((record) => JSON.stringify(record)).sort();
    fc.assert(
      fc.property(anyDeeds, (list) => {
        const desk = deskAfter(list);
        const after = { records: records(desk), anew: new Calculation(desk.job()) };
        desk.undoAll();
        const start = createPricedDesk();
        expect(records(desk)).toEqual(records(start));
        expect(differences(desk.calculation, start.calculation)).toEqual([]);
        desk.redoAll();
        expect(records(desk)).toEqual(after.records);
        expect(differences(desk.calculation, after.anew)).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });

  it('totals are the sums of their parts, to the cent', () => {
    fc.assert(
      fc.property(anyDeeds, (list) => {
        const desk = deskAfter(list);
        const { calculation } = desk;
        const known = (node: NodeId): number => knownValue(calculation.figure(node)) ?? 0;
        const sum = (amounts: Iterable<number>): number => [...amounts].reduce((all, each) => all + each, 0);
        const counted = [...calculation.figures.countedLines()].map(({ key }) => key);
        const cost = sum(counted.map((key) => known(lineNode(key, 'extension'))));
        expect(known(bidNode('cost'))).toBe(cost);
        expect(sum(COST_KINDS.map((kind) => known(bidNode(kind))))).toBe(cost);
        const markups = sum(inOrder(desk.job().markup.values()).map(({ id }) => known(markupNode(id))));
        expect(known(bidNode('total'))).toBe(
          cost + known(bidNode('tax')) + markups + known(bidNode('rounding')),
        );
        // Spread over the lines it is still the bid.
        const prices = linePrices(calculation.figures);
        expect(prices.total).toBe(known(bidNode('total')));
        if (counted.some((key) => known(lineNode(key, 'extension')) !== 0))
          expect(sum(counted.map((key) => prices.ofLine(key) ?? 0))).toBe(known(bidNode('total')));
      }),
      { numRuns: 60 },
    );
  });

  it('one percentage over one group is what decimal arithmetic says', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 10 ** 10 }),
        fc.integer({ min: 0, max: 99_999 }),
        (minor, thousandths) => {
          const percent = new Decimal(thousandths).div(1000);
          const desk = createPricedDesk();
          desk.change(desk.line({ costs: { other: new Decimal(minor).div(100).toFixed(2) } }));
          desk.change(markup(desk, { percent: percent.toFixed(3), as: 'margin' }));
          const exact = new Decimal(minor).mul(percent).div(new Decimal(100).sub(percent));
          const rounded = exact.toDecimalPlaces(0, Decimal.ROUND_HALF_UP).toNumber();
          expect(desk.known(bidNode('total'))).toBe(minor + rounded);
        },
      ),
      { numRuns: 100 },
    );
  });
});
