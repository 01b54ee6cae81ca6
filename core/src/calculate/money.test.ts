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
import { anyEdits, deskAfter, markup } from '../testing/randomEdits.ts';
import { differences } from '../testing/differences.ts';
import { type Bench, createBench } from '../testing/priced.ts';
import { Calculation } from './calculation.ts';
import { knownValue } from './define.ts';
import { linePrices } from './totals/linePrices.ts';
import { bidNode, lineNode, markupNode, sectionNode } from './graph/nodes.ts';
import { componentLine } from '../job/lineKey.ts';
import { makeAlternate, makeCrew, makePackage, makeQuote, makeRegion } from '../testing/records.ts';

/** Of 100.00 material and 50.00 labor, in lines of their own. */
function desk150() {
  const bench = createBench();
  const material = bench.line({ costs: { material: '100' }, sectionId: bench.sectionId('03') });
  const labor = bench.line({ costs: { labor: '50' }, sectionId: bench.sectionId('06') });
  bench.change(material, labor);
  return { bench, material, labor };
}

describe('prices worked by hand', () => {
  it('prices a slab measured in square feet by the cubic yard, with its pump', () => {
    const bench = createBench();
    const slab = makeScope(bench.makeId, { key: 'slab', kind: 'area' });
    const concrete = bench.item({ code: 'MIX', unit: 'yd³', material: '165' });
    const pump = bench.item({ code: 'PUMP', unit: 'yd³', equipment: '12.50' });
    const cubic = 'total(slab, area) * 6 in';
    const mix = bench.line({ quantity: cubic, unit: 'yd³', itemCode: 'MIX' });
    const pumped = bench.line({ quantity: cubic, unit: 'ft³', itemCode: 'PUMP' });
    bench.change(
      slab,
      makeMark(bench.makeId, slab, bench.sheet, [
        [0, 0],
        [24, 0],
        [24, 30],
        [0, 30],
      ]),
    );
    bench.change(concrete, pump, mix, pumped);
    // 24 x 30 ft, 6 in: 720 ft² and 360 ft³ = 13.33 yd³ (computed).
    expect(bench.figure(mix.id, 'quantity')).toBe(13.33);
    expect(bench.figure(mix.id, 'material')).toBe(2199_45);
    // 360 ft³ / 27 x 12.50 = 166.67, though the line counts cubic feet.
    expect(bench.figure(pumped.id, 'quantity')).toBe(360);
    expect(bench.figure(pumped.id, 'equipment')).toBe(166_67);
  });

  it('prices by the hundred, with hours that are by the ten', () => {
    const bench = createBench();
    const { id: craftId } = bench.craft('Carpenter');
    const pipe = bench.item({
      code: 'PIPE',
      unit: 'ft',
      basis: 100,
      material: '84',
      laborHours: '0.5',
      laborBasis: 10,
      craftId,
    });
    const line = bench.line({ quantity: '250', unit: 'ft', itemCode: 'PIPE' });
    bench.change(pipe, line);
    expect(bench.figure(line.id, 'material')).toBe(210_00);
    expect(bench.figure(line.id, 'hours')).toBe(12.5);
    expect(bench.figure(line.id, 'labor')).toBe(12.5 * 54_00);
  });

  it('moves every line of a craft with its wage, and none of another', () => {
    const bench = createBench();
    const [carpenter, mason] = [bench.craft('Carpenter'), bench.craft('Mason')];
    const items = [carpenter, mason].map(({ id, name }) =>
      bench.item({ code: name, laborHours: '2', craftId: id }),
    );
    const lines = ['Carpenter', 'Carpenter', 'Mason'].map((itemCode) =>
      bench.line({ itemCode, quantity: '3' }),
    );
    bench.change(...items, ...lines);
    const labor = () => lines.map(({ id }) => bench.figure(id, 'labor'));
    expect(labor()).toEqual([324_00, 324_00, 349_50]);
    bench.change({ ...carpenter, wage: '60' });
    expect(labor()).toEqual([360_00, 360_00, 349_50]);
    // A burden of 25 % on 60.00 is 75.00 an hour.
    bench.change({ ...carpenter, wage: '60', burden: '25' });
    expect(labor()).toEqual([450_00, 450_00, 349_50]);
  });

  it('figures a crew of crafts and a machine by daily output, and by its days', () => {
    const bench = createBench();
    const [carpenter, laborer] = [bench.craft('Carpenter'), bench.craft('Laborer')];
    const crew = makeCrew(bench.makeId, {
      name: 'Form crew',
      members: [
        { craftId: carpenter.id, count: 2 },
        { craftId: laborer.id, count: 1 },
      ],
      machines: [{ name: 'Crane', count: 1, hourly: '90' }],
    });
    const forms = bench.item({
      code: 'FORM',
      unit: 'ft²',
      laborHours: '400',
      laborBy: 'daily',
      crewId: crew.id,
    });
    const line = bench.line({ quantity: '1000', unit: 'ft²', itemCode: 'FORM' });
    const days = bench.line({ quantity: '2.5', unit: 'day', crewId: crew.id });
    bench.change(crew, forms, line, days);
    // 1000 / 400 a day = 2.5 days of 8 h by three: 60 labor hours, 20 crew hours.
    // Wages 2 x 54.00 + 41.50 = 149.50 an hour, the crane 90.00.
    for (const { id } of [line, days]) {
      expect(bench.figure(id, 'hours')).toBe(60);
      expect(bench.figure(id, 'labor')).toBe(20 * 149_50);
      expect(bench.figure(id, 'equipment')).toBe(20 * 90_00);
    }
    bench.change({ ...laborer, wage: '50' });
    expect(bench.figure(days.id, 'labor')).toBe(20 * 158_00);
  });

  it('takes a lump-sum subcontract of 1 from the quote that is taken, leveled', () => {
    const bench = createBench();
    const pack = makePackage(bench.makeId, {
      name: 'Roof membrane',
      asks: [{ key: 'flashing', text: 'Flashing' }],
    });
    const quote = (company: string, content: Partial<RecordOf<'quote'>>) =>
      makeQuote(bench.makeId, {
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
    bench.change(pack, low, high);
    expect(bench.calculation.figure(lineNode(pack.id, 'extension')).failure).toEqual({
      kind: 'no-quote',
      package: 'Roof membrane',
    });
    bench.change({ ...pack, takenId: low.id });
    // 9,800 + 1,400 it leaves out - 150 = 11,050: the low one is not the lower one.
    expect(bench.figure(pack.id, 'subcontract')).toBe(11_050_00);
    bench.change({ ...pack, takenId: high.id });
    expect(bench.known(bidNode('total'))).toBe(10_900_00);
    expect(bench.figure(pack.id, 'quantity')).toBe(1);
  });

  it('prices lines by the quote that was taken for them, line by line', () => {
    const bench = createBench();
    const line = bench.line({ quantity: '12', costs: { material: '99' } });
    const pack = makePackage(bench.makeId, {
      name: 'Doors',
      kind: 'material',
      by: 'lines',
      lines: [line.id],
    });
    const quote = makeQuote(bench.makeId, {
      packageId: pack.id,
      company: 'Supplier',
      prices: { [line.id]: '80.25' },
    });
    bench.change(line, pack, quote);
    expect(bench.figure(line.id, 'material')).toBe(1188_00);
    bench.change({ ...pack, takenId: quote.id });
    expect(bench.figure(line.id, 'material')).toBe(963_00);
  });

  it('takes the next larger size where none is the one, and says when none is big enough', () => {
    const bench = createBench();
    const sizes = [
      ['20 in', '30 in', '40'],
      ['24 in', '36 in', '55'],
      ['36 in', '36 in', '80'],
    ] as const;
    const items = sizes.map(([width, depth, material]) =>
      bench.item({
        code: `F-${width}-${depth}`,
        family: 'Footing',
        sizes: { width, depth },
        unit: 'ft',
        material,
      }),
    );
    const line = (width: string, depth: string) =>
      bench.line({ quantity: '10', unit: 'ft', sizing: { family: 'Footing', by: { width, depth } } });
    const [exact, next, wide, none] = [
      line('20 in', '30 in'),
      line('22 in', '28 in'),
      line('0.7 m', '20 in'),
      line('40 in', '10 in'),
    ];
    bench.change(...items, exact, next, wide, none);
    expect([exact, next, wide].map(({ id }) => bench.figure(id, 'material'))).toEqual([
      400_00, 550_00, 800_00,
    ]);
    expect(bench.calculation.figure(lineNode(none.id, 'extension')).failure).toMatchObject({
      kind: 'no-size',
      family: 'Footing',
    });
    // A price of the family that changes moves the line that took it.
    bench.change({ ...(items[1] as RecordOf<'item'>), material: '60' });
    expect(bench.figure(next.id, 'material')).toBe(600_00);
  });

  it('adjusts material, labor and equipment where the job is built, not what was typed', () => {
    const bench = createBench();
    const item = bench.item({
      code: 'A',
      material: '10',
      laborHours: '1',
      craftId: bench.craft('Carpenter').id,
      subcontract: '7',
    });
    const [booked, typed] = [
      bench.line({ itemCode: 'A', quantity: '10' }),
      bench.line({ costs: { material: '10' }, quantity: '10' }),
    ];
    const region = makeRegion(bench.makeId, {
      name: 'Coast',
      material: 1.1,
      labor: 1.25,
      equipment: 1,
    });
    bench.change(item, booked, typed, region);
    const [settings] = bench.job().settings.values();
    bench.change({ ...(settings as RecordOf<'settings'>), regionId: region.id });
    expect(bench.figure(booked.id, 'material')).toBe(110_00);
    expect(bench.figure(booked.id, 'labor')).toBe(675_00);
    expect(bench.figure(booked.id, 'hours')).toBe(10);
    expect(bench.figure(booked.id, 'subcontract')).toBe(70_00);
    expect(bench.figure(typed.id, 'material')).toBe(100_00);
  });
});

describe('what is not measured yet', () => {
  it('needs nothing, not even the least that its assembly asks for', () => {
    const bench = createBench();
    const wall = makeScope(bench.makeId, { key: 'wall', kind: 'run' });
    const assembly: RecordOf<'assembly'> = {
      type: 'assembly',
      id: bench.makeId('assembly'),
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
    const useId = bench.makeId('use');
    bench.change(wall, assembly, {
      type: 'use',
      id: useId,
      scopeId: wall.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
    });
    const posts = () => bench.figure(componentLine(useId, 'posts'), 'quantity');
    expect(posts()).toBe(0);
    const run = makeMark(bench.makeId, wall, bench.sheet, [
      [0, 0],
      [4, 0],
    ]);
    bench.change(run);
    expect(posts()).toBe(2);
    bench.change(remove(run.id));
    expect(posts()).toBe(0);
  });
});

describe('adjustments', () => {
  it('change a kind of cost on a section with those inside it, and come off without a trace', () => {
    const { bench, material, labor } = desk150();
    const inner: RecordOf<'section'> = {
      type: 'section',
      id: bench.makeId('section'),
      code: '03.9',
      name: 'Inner',
      parentId: bench.sectionId('03'),
      order: 9,
    };
    const deep = bench.line({ sectionId: inner.id, costs: { material: '10', labor: '10' } });
    bench.change(inner, deep);
    const more: RecordOf<'adjustment'> = {
      type: 'adjustment',
      id: bench.makeId('adjustment'),
      name: 'Steel is up',
      kinds: ['material'],
      percent: '10',
      on: { what: 'section', sectionId: bench.sectionId('03') },
      order: 1,
    };
    bench.change(more);
    expect(bench.figure(material.id, 'material')).toBe(110_00);
    expect(bench.figure(deep.id, 'material')).toBe(11_00);
    expect(bench.figure(deep.id, 'labor')).toBe(10_00);
    expect(bench.figure(labor.id, 'labor')).toBe(50_00);
    bench.change({
      ...more,
      id: bench.makeId('adjustment'),
      on: { what: 'lines', lines: [material.id] },
      order: 2,
    });
    expect(bench.figure(material.id, 'material')).toBe(121_00);
    bench.change(remove(...bench.job().adjustment.keys()));
    expect(bench.known(bidNode('cost'))).toBe(170_00);
  });
});

describe('pinned quantities', () => {
  it('stand over the flowing one, which goes on beside them, and let go again', () => {
    const bench = createBench();
    const wall = makeScope(bench.makeId, { key: 'wall', kind: 'run' });
    const run = makeMark(bench.makeId, wall, bench.sheet, [
      [0, 0],
      [100, 0],
    ]);
    const line = bench.line({ quantity: 'total(wall, length)', unit: 'ft', costs: { material: '2' } });
    bench.change(wall, run, line);
    bench.change({ ...line, pinned: '120' });
    expect(bench.figure(line.id, 'quantity')).toBe(120);
    expect(bench.figure(line.id, 'material')).toBe(240_00);
    bench.change(
      makeMark(bench.makeId, wall, bench.sheet, [
        [0, 0],
        [10, 0],
      ]),
    );
    expect(bench.figure(line.id, 'flowing')).toBe(110);
    expect(bench.figure(line.id, 'quantity')).toBe(120);
    bench.change(line);
    expect(bench.figure(line.id, 'quantity')).toBe(110);
    expect(bench.calculation.figures.has(lineNode(line.id, 'flowing'))).toBe(false);
  });
});

describe('from cost to bid', () => {
  it('taxes materials only, each line at its own rate', () => {
    const { bench, material } = desk150();
    const [settings] = bench.job().settings.values();
    bench.change({ ...(settings as RecordOf<'settings'>), taxOnMaterials: '8.25' });
    expect(bench.known(bidNode('tax'))).toBe(8_25);
    expect(bench.known(bidNode('total'))).toBe(158_25);
    bench.change(bench.line({ costs: { material: '200' }, taxPercent: '0' }));
    expect(bench.known(bidNode('tax'))).toBe(8_25);
    bench.change({ ...material, taxPercent: '4' });
    expect(bench.known(bidNode('tax'))).toBe(4_00);
  });

  it('takes one markup on the other: 10 % on 150 and 10 % of that sum', () => {
    const { bench } = desk150();
    const [overhead, profit] = [markup(bench, {}), markup(bench, { base: 'running', order: 2 })];
    bench.change(overhead, profit);
    expect(bench.known(markupNode(overhead.id))).toBe(15_00);
    expect(bench.known(markupNode(profit.id))).toBe(16_50);
    expect(bench.known(bidNode('total'))).toBe(181_50);
  });

  it('takes 20 % margin as 25 % markup', () => {
    const { bench } = desk150();
    bench.change(markup(bench, { as: 'margin', percent: '20' }));
    expect(bench.known(bidNode('total'))).toBe(187_50);
  });

  it('rates a bond by slices: 2.5 % to 100, 1.5 % to 140, 1 % beyond', () => {
    const { bench } = desk150();
    const bond = markup(bench, {
      as: 'graded',
      percent: '',
      grades: [
        { upTo: '', percent: '1' },
        { upTo: '100', percent: '2.5' },
        { upTo: '140', percent: '1.5' },
      ],
    });
    bench.change(bond);
    // 2.50 + 0.60 + 0.10
    expect(bench.known(markupNode(bond.id))).toBe(3_20);
  });

  it('gives a section and a line rates of their own, the nearest one', () => {
    const { bench, labor } = desk150();
    const extra = bench.line({ sectionId: bench.sectionId('03'), costs: { other: '10' } });
    bench.change(extra);
    const overhead = markup(bench, {
      rates: [
        { on: bench.sectionId('03'), percent: '5' },
        { on: extra.id, percent: '0' },
      ],
    });
    bench.change(overhead);
    // 5 % of 100 + 0 % of 10 + 10 % of 50.
    expect(bench.known(markupNode(overhead.id))).toBe(10_00);
    const prices = linePrices(bench.calculation.figures);
    expect(prices.ofLine(labor.id)).toBe(55_00);
    expect(prices.ofSection(bench.sectionId('03'))).toBe(115_00);
  });

  it('keeps a rate of a section for what comes into it later', () => {
    const { bench, material } = desk150();
    const overhead = markup(bench, { rates: [{ on: bench.sectionId('09'), percent: '4' }] });
    bench.change(overhead);
    expect(bench.known(markupNode(overhead.id))).toBe(15_00);
    const late = bench.line({ sectionId: bench.sectionId('09'), costs: { material: '200' } });
    bench.change(late);
    // 10 % of 150 + 4 % of 200.
    expect(bench.known(markupNode(overhead.id))).toBe(23_00);
    // 10 % of 50 + 4 % of 300.
    bench.change({ ...material, sectionId: bench.sectionId('09') });
    expect(bench.known(markupNode(overhead.id))).toBe(17_00);
    bench.change(remove(late.id), { ...material, sectionId: bench.sectionId('03') });
    expect(bench.known(markupNode(overhead.id))).toBe(15_00);
  });

  it.each([
    ['nearest', 200_00],
    ['up', 200_00],
    ['down', 100_00],
  ] as const)('rounds the bid to hundreds, %s', (bidRounding, total) => {
    const { bench } = desk150();
    const [settings] = bench.job().settings.values();
    bench.change({ ...(settings as RecordOf<'settings'>), bidStep: '100', bidRounding });
    expect(bench.known(bidNode('total'))).toBe(total);
    expect(bench.known(bidNode('rounding'))).toBe(total - 150_00);
  });

  it('adds a sum as it is', () => {
    const { bench } = desk150();
    bench.change(markup(bench, { as: 'sum', percent: '1250.50' }));
    expect(bench.known(bidNode('total'))).toBe(1400_50);
  });
});

describe('labor of a line', () => {
  /** Three units of an item of two hours each, by a carpenter at 40. */
  function deskOfHours(costs: RecordOf<'line'>['costs']) {
    const bench = createBench();
    const carpenter = { ...bench.craft('Carpenter'), wage: '40', burden: '0' };
    const item = bench.item({ code: 'TRUSS', laborHours: '2', basis: 1, craftId: carpenter.id });
    const line = bench.line({ quantity: '3', itemCode: 'TRUSS', costs });
    bench.change(carpenter, item, line);
    return { labor: bench.figure(line.id, 'labor'), extension: bench.figure(line.id, 'extension') };
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
    const bench = createBench();
    const carpenter = { ...bench.craft('Carpenter'), wage: '40', burden: '0' };
    const crew = makeCrew(bench.makeId, {
      name: 'One carpenter',
      members: [{ craftId: carpenter.id, count: 1 }],
    });
    const line = bench.line({
      crewId: crew.id,
      typedCost: { kind: 'labor', amount: '500' },
      costs: { hours: '2' },
    });
    bench.change(carpenter, crew, line);
    expect(bench.figure(line.id, 'labor')).toBe(80_00);
    expect(bench.figure(line.id, 'extension')).toBe(80_00);
  });
});

describe('alternates', () => {
  it('count what they add once accepted, and what they drop until then', () => {
    const { bench, material } = desk150();
    const tile = makeAlternate(bench.makeId, {
      name: 'Tile',
    });
    bench.change(tile);
    const added = bench.line({
      costs: { material: '130' },
      sectionId: bench.sectionId('03'),
      alternate: { id: tile.id, as: 'adds' },
    });
    bench.change(added, { ...material, alternate: { id: tile.id, as: 'drops' } });
    expect(bench.known(bidNode('total'))).toBe(150_00);
    bench.change({ ...tile, accepted: true });
    expect(bench.known(bidNode('total'))).toBe(180_00);
    expect(bench.known(sectionNode(bench.sectionId('03'), 'cost'))).toBe(130_00);
    bench.change(removeAlternate(tile.id));
    expect(bench.known(bidNode('total'))).toBe(280_00);
  });
});

describe('after any sequence of edits', () => {
  it('figures that followed are those that are figured anew', () => {
    fc.assert(
      fc.property(anyEdits, (list) => {
        const bench = deskAfter(list);
        expect(differences(bench.calculation, new Calculation(bench.job()))).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  it('undo brings back every figure and record, and redo makes them again', () => {
    const records = (bench: Bench): readonly string[] =>
      [...listRecords(bench.job())].map((record) => JSON.stringify(record)).sort();
    fc.assert(
      fc.property(anyEdits, (list) => {
        const bench = deskAfter(list);
        const after = { records: records(bench), anew: new Calculation(bench.job()) };
        bench.undoAll();
        const start = createBench();
        expect(records(bench)).toEqual(records(start));
        expect(differences(bench.calculation, start.calculation)).toEqual([]);
        bench.redoAll();
        expect(records(bench)).toEqual(after.records);
        expect(differences(bench.calculation, after.anew)).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });

  it('totals are the sums of their parts, to the cent', () => {
    fc.assert(
      fc.property(anyEdits, (list) => {
        const bench = deskAfter(list);
        const { calculation } = bench;
        const known = (node: NodeId): number => knownValue(calculation.figure(node)) ?? 0;
        const sum = (amounts: Iterable<number>): number => [...amounts].reduce((all, each) => all + each, 0);
        const counted = [...calculation.figures.countedLines()].map(({ key }) => key);
        const cost = sum(counted.map((key) => known(lineNode(key, 'extension'))));
        expect(known(bidNode('cost'))).toBe(cost);
        expect(sum(COST_KINDS.map((kind) => known(bidNode(kind))))).toBe(cost);
        const markups = sum(inOrder(bench.job().markup.values()).map(({ id }) => known(markupNode(id))));
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
          const bench = createBench();
          bench.change(bench.line({ costs: { other: new Decimal(minor).div(100).toFixed(2) } }));
          bench.change(markup(bench, { percent: percent.toFixed(3), as: 'margin' }));
          const exact = new Decimal(minor).mul(percent).div(new Decimal(100).sub(percent));
          const rounded = exact.toDecimalPlaces(0, Decimal.ROUND_HALF_UP).toNumber();
          expect(bench.known(bidNode('total'))).toBe(minor + rounded);
        },
      ),
      { numRuns: 100 },
    );
  });
});
