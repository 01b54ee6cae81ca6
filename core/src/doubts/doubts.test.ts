import { describe, expect, it } from '@jest/globals';
import type { RecordOf } from '../job/record.ts';
import { put, remove } from '../job/change.ts';
import { makeMark, makeScope } from '../testing/job.ts';
import { type Bench, createBench } from '../testing/priced.ts';
import { type DoubtRule, factsOfDoubt } from './doubt.ts';
import { daysBetween } from './context.ts';
import { takeSecondLook } from './secondLook.ts';
import { makeAlternate, makePackage, makeQuote } from '../testing/records.ts';

const TODAY = '2026-11-25';
const BOX = (x: number, y: number, width: number, height: number) =>
  [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ] as const;

/** What is asked about, apart from the untidiness of a desk without sections. */
const asked = (bench: Bench, rule: DoubtRule): readonly string[] =>
  takeSecondLook(bench.calculation.figures, TODAY)
    .open.filter(({ about }) => about.rule === rule)
    .map(({ name }) => name);

const pack = (bench: Bench, content: Partial<RecordOf<'package'>> = {}) =>
  makePackage(bench.makeId, {
    name: 'Roofing',
    ...content,
  });
const quote = (bench: Bench, packageId: RecordOf<'package'>['id'], validUntil: string) =>
  makeQuote(bench.makeId, {
    packageId,
    company: 'Quoter',
    amount: '100',
    validUntil,
  });

describe('the second look asks about', () => {
  it('a sheet that is measured on and has no scale', () => {
    const bench = createBench();
    expect(asked(bench, 'sheet-without-scale')).toEqual([]);
    const slab = makeScope(bench.makeId, { key: 'slab', kind: 'area' });
    bench.change(
      { ...bench.sheet, scale: null },
      slab,
      makeMark(bench.makeId, slab, bench.sheet, BOX(0, 0, 9, 9)),
    );
    expect(asked(bench, 'sheet-without-scale')).toEqual(['A-101 Plan']);
  });

  it('a scope without marks, and a measured one that nothing is made of', () => {
    const bench = createBench();
    const [empty, idle, read] = ['empty', 'idle', 'read'].map((key) =>
      makeScope(bench.makeId, { key, kind: 'area' }),
    );
    if (!empty || !idle || !read) throw new Error('no scopes');
    bench.change(empty, idle, read);
    for (const scope of [idle, read])
      bench.change(makeMark(bench.makeId, scope, bench.sheet, BOX(0, 0, 9, 9)));
    bench.change(bench.line({ quantity: 'total(read, area)', unit: 'ft²', costs: { other: '1' } }));
    expect(asked(bench, 'scope-without-marks')).toEqual(['empty']);
    expect(asked(bench, 'scope-priced-nowhere')).toEqual(['idle']);
  });

  it('fewer or more counted than the schedule says, and nothing where it fits', () => {
    const bench = createBench();
    const lights = makeScope(bench.makeId, { key: 'lights', kind: 'count', expected: 3 });
    bench.change(lights);
    const add = (x: number): void => void bench.change(makeMark(bench.makeId, lights, bench.sheet, [[x, 5]]));
    expect(asked(bench, 'count-unexpected')).toEqual([]);
    add(10);
    add(20);
    expect(asked(bench, 'count-unexpected')).toEqual(['lights']);
    add(30);
    expect(asked(bench, 'count-unexpected')).toEqual([]);
    add(40);
    expect(asked(bench, 'count-unexpected')).toEqual(['lights']);
  });

  it('the same area measured twice, not two rooms that touch', () => {
    const bench = createBench();
    const tiles = makeScope(bench.makeId, { key: 'tiles', kind: 'area' });
    const mark = (x: number) => makeMark(bench.makeId, tiles, bench.sheet, BOX(x, 0, 10, 10));
    bench.change(tiles, mark(0), mark(10));
    expect(asked(bench, 'marks-overlap')).toEqual([]);
    bench.change(mark(15));
    const [doubt] = takeSecondLook(bench.calculation.figures, TODAY).open.filter(
      ({ about }) => about.rule === 'marks-overlap',
    );
    // 5 ft by 10 ft in common, in square meters.
    if (doubt?.about.rule !== 'marks-overlap') throw new Error('no overlap');
    expect(doubt.about.areaM2).toBeCloseTo(50 * 0.09290304, 3);
  });

  it('an opening that is higher than its wall', () => {
    const bench = createBench();
    const wall = makeScope(bench.makeId, {
      key: 'wall',
      kind: 'run',
      properties: [{ key: 'height', name: 'Height', value: '8', unit: 'ft' }],
    });
    const run = makeMark(bench.makeId, wall, bench.sheet, [
      [0, 0],
      [20, 0],
    ]);
    const opening = (heightFt: number): RecordOf<'opening'> =>
      ({
        type: 'opening',
        id: bench.makeId('opening'),
        markId: run.id,
        scopeId: null,
        widthM: 0.9,
        heightM: heightFt * 0.3048,
        tag: '',
        seat: { on: 'run', stroke: 0, along: 0.5 },
      }) as unknown as RecordOf<'opening'>;
    bench.change(wall, run, opening(7));
    expect(asked(bench, 'opening-beyond-wall')).toEqual([]);
    bench.change(opening(9));
    expect(asked(bench, 'opening-beyond-wall')).toEqual(['wall']);
  });

  it('a wrong formula, of a line and of a named figure', () => {
    const bench = createBench();
    bench.change(
      bench.line({
        description: 'Bad',
        quantity: 'total(nothing, area)',
        unit: 'ft²',
        costs: { other: '1' },
      }),
    );
    bench.change({
      type: 'quantity',
      id: bench.makeId('quantity'),
      key: 'crews',
      name: 'Crews',
      formula: '1 / 0',
      unit: '',
      order: 1,
    });
    expect(asked(bench, 'formula-wrong')).toEqual(['Bad', 'Crews']);
  });

  it('a line without price, and one whose units do not convert', () => {
    const bench = createBench();
    bench.change(bench.item({ code: 'C', unit: 'yd³', material: '100' }));
    bench.change(
      bench.line({ description: 'No price' }),
      bench.line({ description: 'By the foot', unit: 'ft', itemCode: 'C' }),
    );
    expect(asked(bench, 'line-without-price')).toEqual(['No price']);
    expect(asked(bench, 'units-differ')).toEqual(['By the foot']);
  });

  it('a line without section, and one without code', () => {
    const bench = createBench();
    const bare: RecordOf<'section'> = {
      type: 'section',
      id: bench.makeId('section'),
      code: '',
      name: 'Bare',
      parentId: null,
      order: 20,
    };
    bench.change(
      bare,
      bench.line({ description: 'Loose', costs: { other: '1' } }),
      bench.line({ description: 'Uncoded', sectionId: bare.id, costs: { other: '1' } }),
    );
    bench.change(
      bench.line({ description: 'Fine', sectionId: bench.sectionId('03'), costs: { other: '1' } }),
      bench.line({ description: 'Own code', sectionId: bare.id, costCode: '9', costs: { other: '1' } }),
    );
    expect(asked(bench, 'line-without-section')).toEqual(['Loose']);
    expect(asked(bench, 'line-without-code')).toEqual(['Uncoded']);
  });

  it('a scope in no section once, however many lines it makes', () => {
    const bench = createBench();
    const slab = makeScope(bench.makeId, { key: 'slab', kind: 'area', name: 'Slab' });
    const assembly = bench.assembly('Slab on grade');
    bench.change(slab, {
      type: 'use',
      id: bench.makeId('use'),
      scopeId: slab.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
    });
    bench.change(makeMark(bench.makeId, slab, bench.sheet, BOX(0, 0, 9, 9)));
    expect(asked(bench, 'line-without-section')).toEqual(['Slab']);
  });

  it('a quantity of nothing, and one that came along from another job', () => {
    const bench = createBench();
    bench.change(
      bench.line({ description: 'None', quantity: '0', costs: { other: '1' } }),
      bench.line({
        description: 'Last job',
        quantity: '12',
        costs: { other: '1' },
        unconfirmed: true,
        source: 'Old job',
      }),
    );
    expect(asked(bench, 'zero-quantity')).toEqual(['None']);
    expect(asked(bench, 'unconfirmed')).toEqual(['Last job']);
  });

  it('a pinned quantity far from the flowing one, not one that is near', () => {
    const bench = createBench();
    const line = bench.line({ description: 'Pinned', quantity: '100', costs: { other: '1' } });
    bench.change({ ...line, pinned: '105' });
    expect(asked(bench, 'pinned-far')).toEqual([]);
    bench.change({ ...line, pinned: '150' });
    expect(asked(bench, 'pinned-far')).toEqual(['Pinned']);
  });

  it('an old price once, however many lines it prices; as old as the job says', () => {
    const bench = createBench();
    bench.change(bench.item({ code: 'OLD', material: '1', date: '2026-01-01' }));
    bench.change(bench.line({ itemCode: 'OLD' }), bench.line({ itemCode: 'OLD' }));
    expect(asked(bench, 'price-old')).toEqual(['OLD OLD']);
    const [settings] = bench.job().settings.values();
    bench.change({ ...(settings as RecordOf<'settings'>), priceDays: 365 });
    expect(asked(bench, 'price-old')).toEqual([]);
  });

  it('a taken quote that does not hold to the day of the bid', () => {
    const bench = createBench();
    const roofing = pack(bench);
    const held = quote(bench, roofing.id, '2026-11-30');
    bench.change(roofing, held, { ...roofing, takenId: held.id });
    expect(asked(bench, 'quote-expired')).toEqual([]);
    const [settings] = bench.job().settings.values();
    bench.change({ ...(settings as RecordOf<'settings'>), bidDate: '2026-12-05' });
    expect(asked(bench, 'quote-expired')).toEqual(['Roofing']);
  });

  it('a yardstick out of its range', () => {
    const bench = createBench();
    bench.change(bench.line({ costs: { other: '1000' } }));
    const yardstick: RecordOf<'yardstick'> = {
      type: 'yardstick',
      id: bench.makeId('yardstick'),
      name: 'Per seat',
      of: 'price',
      on: { what: 'bid' },
      driver: '50',
      unit: 'seat',
      low: '15',
      high: '25',
      order: 1,
    };
    bench.change(yardstick);
    expect(asked(bench, 'yardstick-out')).toEqual([]);
    bench.change({ ...yardstick, low: '21' });
    expect(asked(bench, 'yardstick-out')).toEqual(['Per seat']);
  });

  it('an alternate that adds what the base holds already, not one that drops it there', () => {
    const bench = createBench();
    const alternate = makeAlternate(bench.makeId, {
      name: 'Better',
    });
    const base = bench.line({ description: 'Paint', costs: { other: '1' } });
    const more = bench.line({
      description: 'Paint',
      costs: { other: '2' },
      alternate: { id: alternate.id, as: 'adds' },
    });
    bench.change(alternate, base, more);
    expect(asked(bench, 'alternate-doubles')).toEqual(['Paint']);
    bench.change({ ...base, alternate: { id: alternate.id, as: 'drops' } });
    expect(asked(bench, 'alternate-doubles')).toEqual([]);
  });
});

describe('a doubt that was accepted', () => {
  const acceptance = (bench: Bench): RecordOf<'acceptance'> => {
    const [doubt] = takeSecondLook(bench.calculation.figures, TODAY).open.filter(
      ({ about }) => about.rule === 'pinned-far',
    );
    if (doubt === undefined) throw new Error('nothing is doubted');
    return {
      type: 'acceptance',
      id: bench.makeId('acceptance'),
      doubt: doubt.key,
      subject: doubt.name,
      facts: factsOfDoubt(doubt),
      reason: 'Counted on site',
      date: TODAY,
    };
  };

  it('is quiet until its figures change', () => {
    const bench = createBench();
    const line = bench.line({ quantity: '100', costs: { other: '1' }, pinned: '150' });
    bench.change(line);
    const accepted = acceptance(bench);
    bench.change(accepted);
    expect(asked(bench, 'pinned-far')).toEqual([]);
    expect(takeSecondLook(bench.calculation.figures, TODAY).accepted).toMatchObject([
      { acceptance: { reason: 'Counted on site' } },
    ]);
    bench.change({ ...line, pinned: '170' });
    expect(asked(bench, 'pinned-far')).toEqual(['Line']);
    bench.change(put({ ...line, pinned: '150' }), remove(accepted.id));
    expect(asked(bench, 'pinned-far')).toEqual(['Line']);
  });
});

describe('days between dates', () => {
  it('counts leap days, and nothing where there is no date', () => {
    expect(daysBetween('2024-02-28', '2024-03-01')).toBe(2);
    expect(daysBetween('2025-11-25', '2026-11-25')).toBe(365);
    expect(daysBetween('', '2026-11-25')).toBeUndefined();
  });
});
