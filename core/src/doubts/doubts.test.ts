import { describe, expect, it } from '@jest/globals';
import type { RecordOf } from '../job/record.ts';
import { put, remove } from '../job/change.ts';
import { makeMark, makeScope } from '../testing/job.ts';
import { type Desk, createPricedDesk } from '../testing/priced.ts';
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
const asked = (desk: Desk, rule: DoubtRule): readonly string[] =>
  takeSecondLook(desk.calculation.figures, TODAY)
    .open.filter(({ about }) => about.rule === rule)
    .map(({ name }) => name);

const pack = (desk: Desk, content: Partial<RecordOf<'package'>> = {}) =>
  makePackage(desk.makeId, {
    name: 'Roofing',
    ...content,
  });
const quote = (desk: Desk, packageId: RecordOf<'package'>['id'], validUntil: string) =>
  makeQuote(desk.makeId, {
    packageId,
    company: 'Quoter',
    amount: '100',
    validUntil,
  });

describe('the second look asks about', () => {
  it('a sheet that is measured on and has no scale', () => {
    const desk = createPricedDesk();
    expect(asked(desk, 'sheet-without-scale')).toEqual([]);
    const slab = makeScope(desk.makeId, { key: 'slab', kind: 'area' });
    desk.change(
      { ...desk.sheet, scale: null },
      slab,
      makeMark(desk.makeId, slab, desk.sheet, BOX(0, 0, 9, 9)),
    );
    expect(asked(desk, 'sheet-without-scale')).toEqual(['A-101 Plan']);
  });

  it('a scope without marks, and a measured one that nothing is made of', () => {
    const desk = createPricedDesk();
    const [empty, idle, read] = ['empty', 'idle', 'read'].map((key) =>
      makeScope(desk.makeId, { key, kind: 'area' }),
    );
    if (!empty || !idle || !read) throw new Error('no scopes');
    desk.change(empty, idle, read);
    for (const scope of [idle, read]) desk.change(makeMark(desk.makeId, scope, desk.sheet, BOX(0, 0, 9, 9)));
    desk.change(desk.line({ quantity: 'total(read, area)', unit: 'ft²', costs: { other: '1' } }));
    expect(asked(desk, 'scope-without-marks')).toEqual(['empty']);
    expect(asked(desk, 'scope-priced-nowhere')).toEqual(['idle']);
  });

  it('the same area measured twice, not two rooms that touch', () => {
    const desk = createPricedDesk();
    const tiles = makeScope(desk.makeId, { key: 'tiles', kind: 'area' });
    const mark = (x: number) => makeMark(desk.makeId, tiles, desk.sheet, BOX(x, 0, 10, 10));
    desk.change(tiles, mark(0), mark(10));
    expect(asked(desk, 'marks-overlap')).toEqual([]);
    desk.change(mark(15));
    const [doubt] = takeSecondLook(desk.calculation.figures, TODAY).open.filter(
      ({ about }) => about.rule === 'marks-overlap',
    );
    // 5 ft by 10 ft in common, in square meters.
    if (doubt?.about.rule !== 'marks-overlap') throw new Error('no overlap');
    expect(doubt.about.areaM2).toBeCloseTo(50 * 0.09290304, 3);
  });

  it('an opening that is higher than its wall', () => {
    const desk = createPricedDesk();
    const wall = makeScope(desk.makeId, {
      key: 'wall',
      kind: 'run',
      properties: [{ key: 'height', name: 'Height', value: '8', unit: 'ft' }],
    });
    const run = makeMark(desk.makeId, wall, desk.sheet, [
      [0, 0],
      [20, 0],
    ]);
    const opening = (heightFt: number): RecordOf<'opening'> =>
      ({
        type: 'opening',
        id: desk.makeId('opening'),
        markId: run.id,
        scopeId: null,
        widthM: 0.9,
        heightM: heightFt * 0.3048,
        tag: '',
        seat: { on: 'run', stroke: 0, along: 0.5 },
      }) as unknown as RecordOf<'opening'>;
    desk.change(wall, run, opening(7));
    expect(asked(desk, 'opening-beyond-wall')).toEqual([]);
    desk.change(opening(9));
    expect(asked(desk, 'opening-beyond-wall')).toEqual(['wall']);
  });

  it('a wrong formula, of a line and of a named figure', () => {
    const desk = createPricedDesk();
    desk.change(
      desk.line({ description: 'Bad', quantity: 'total(nothing, area)', unit: 'ft²', costs: { other: '1' } }),
    );
    desk.change({
      type: 'quantity',
      id: desk.makeId('quantity'),
      key: 'crews',
      name: 'Crews',
      formula: '1 / 0',
      unit: '',
      order: 1,
    });
    expect(asked(desk, 'formula-wrong')).toEqual(['Bad', 'Crews']);
  });

  it('a line without price, and one whose units do not convert', () => {
    const desk = createPricedDesk();
    desk.change(desk.item({ code: 'C', unit: 'yd³', material: '100' }));
    desk.change(
      desk.line({ description: 'No price' }),
      desk.line({ description: 'By the foot', unit: 'ft', itemCode: 'C' }),
    );
    expect(asked(desk, 'line-without-price')).toEqual(['No price']);
    expect(asked(desk, 'units-differ')).toEqual(['By the foot']);
  });

  it('a line without section, and one without code', () => {
    const desk = createPricedDesk();
    const bare: RecordOf<'section'> = {
      type: 'section',
      id: desk.makeId('section'),
      code: '',
      name: 'Bare',
      parentId: null,
      order: 20,
    };
    desk.change(
      bare,
      desk.line({ description: 'Loose', costs: { other: '1' } }),
      desk.line({ description: 'Uncoded', sectionId: bare.id, costs: { other: '1' } }),
    );
    desk.change(
      desk.line({ description: 'Fine', sectionId: desk.sectionId('03'), costs: { other: '1' } }),
      desk.line({ description: 'Own code', sectionId: bare.id, costCode: '9', costs: { other: '1' } }),
    );
    expect(asked(desk, 'line-without-section')).toEqual(['Loose']);
    expect(asked(desk, 'line-without-code')).toEqual(['Uncoded']);
  });

  it('a scope in no section once, however many lines it makes', () => {
    const desk = createPricedDesk();
    const slab = makeScope(desk.makeId, { key: 'slab', kind: 'area', name: 'Slab' });
    const assembly = desk.assembly('Slab on grade');
    desk.change(slab, {
      type: 'use',
      id: desk.makeId('use'),
      scopeId: slab.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
    });
    desk.change(makeMark(desk.makeId, slab, desk.sheet, BOX(0, 0, 9, 9)));
    expect(asked(desk, 'line-without-section')).toEqual(['Slab']);
  });

  it('a quantity of nothing, and one that came along from another job', () => {
    const desk = createPricedDesk();
    desk.change(
      desk.line({ description: 'None', quantity: '0', costs: { other: '1' } }),
      desk.line({
        description: 'Last job',
        quantity: '12',
        costs: { other: '1' },
        unconfirmed: true,
        source: 'Old job',
      }),
    );
    expect(asked(desk, 'zero-quantity')).toEqual(['None']);
    expect(asked(desk, 'unconfirmed')).toEqual(['Last job']);
  });

  it('a pinned quantity far from the flowing one, not one that is near', () => {
    const desk = createPricedDesk();
    const line = desk.line({ description: 'Pinned', quantity: '100', costs: { other: '1' } });
    desk.change({ ...line, pinned: '105' });
    expect(asked(desk, 'pinned-far')).toEqual([]);
    desk.change({ ...line, pinned: '150' });
    expect(asked(desk, 'pinned-far')).toEqual(['Pinned']);
  });

  it('an old price once, however many lines it prices; as old as the job says', () => {
    const desk = createPricedDesk();
    desk.change(desk.item({ code: 'OLD', material: '1', date: '2026-01-01' }));
    desk.change(desk.line({ itemCode: 'OLD' }), desk.line({ itemCode: 'OLD' }));
    expect(asked(desk, 'price-old')).toEqual(['OLD OLD']);
    const [settings] = desk.job().settings.values();
    desk.change({ ...(settings as RecordOf<'settings'>), priceDays: 365 });
    expect(asked(desk, 'price-old')).toEqual([]);
  });

  it('a taken quote that does not hold to the day of the bid', () => {
    const desk = createPricedDesk();
    const roofing = pack(desk);
    const held = quote(desk, roofing.id, '2026-11-30');
    desk.change(roofing, held, { ...roofing, takenId: held.id });
    expect(asked(desk, 'quote-expired')).toEqual([]);
    const [settings] = desk.job().settings.values();
    desk.change({ ...(settings as RecordOf<'settings'>), bidDate: '2026-12-05' });
    expect(asked(desk, 'quote-expired')).toEqual(['Roofing']);
  });

  it('a yardstick out of its range', () => {
    const desk = createPricedDesk();
    desk.change(desk.line({ costs: { other: '1000' } }));
    const yardstick: RecordOf<'yardstick'> = {
      type: 'yardstick',
      id: desk.makeId('yardstick'),
      name: 'Per seat',
      of: 'price',
      on: { what: 'bid' },
      driver: '50',
      unit: 'seat',
      low: '15',
      high: '25',
      order: 1,
    };
    desk.change(yardstick);
    expect(asked(desk, 'yardstick-out')).toEqual([]);
    desk.change({ ...yardstick, low: '21' });
    expect(asked(desk, 'yardstick-out')).toEqual(['Per seat']);
  });

  it('an alternate that adds what the base holds already, not one that drops it there', () => {
    const desk = createPricedDesk();
    const alternate = makeAlternate(desk.makeId, {
      name: 'Better',
    });
    const base = desk.line({ description: 'Paint', costs: { other: '1' } });
    const more = desk.line({
      description: 'Paint',
      costs: { other: '2' },
      alternate: { id: alternate.id, as: 'adds' },
    });
    desk.change(alternate, base, more);
    expect(asked(desk, 'alternate-doubles')).toEqual(['Paint']);
    desk.change({ ...base, alternate: { id: alternate.id, as: 'drops' } });
    expect(asked(desk, 'alternate-doubles')).toEqual([]);
  });
});

describe('a doubt that was accepted', () => {
  const acceptance = (desk: Desk): RecordOf<'acceptance'> => {
    const [doubt] = takeSecondLook(desk.calculation.figures, TODAY).open.filter(
      ({ about }) => about.rule === 'pinned-far',
    );
    if (doubt === undefined) throw new Error('nothing is doubted');
    return {
      type: 'acceptance',
      id: desk.makeId('acceptance'),
      doubt: doubt.key,
      subject: doubt.name,
      facts: factsOfDoubt(doubt),
      reason: 'Counted on site',
      date: TODAY,
    };
  };

  it('is quiet until its figures change', () => {
    const desk = createPricedDesk();
    const line = desk.line({ quantity: '100', costs: { other: '1' }, pinned: '150' });
    desk.change(line);
    const accepted = acceptance(desk);
    desk.change(accepted);
    expect(asked(desk, 'pinned-far')).toEqual([]);
    expect(takeSecondLook(desk.calculation.figures, TODAY).accepted).toMatchObject([
      { acceptance: { reason: 'Counted on site' } },
    ]);
    desk.change({ ...line, pinned: '170' });
    expect(asked(desk, 'pinned-far')).toEqual(['Line']);
    desk.change(put({ ...line, pinned: '150' }), remove(accepted.id));
    expect(asked(desk, 'pinned-far')).toEqual(['Line']);
  });
});

describe('days between dates', () => {
  it('counts leap days, and nothing where there is no date', () => {
    expect(daysBetween('2024-02-28', '2024-03-01')).toBe(2);
    expect(daysBetween('2025-11-25', '2026-11-25')).toBe(365);
    expect(daysBetween('', '2026-11-25')).toBeUndefined();
  });
});
