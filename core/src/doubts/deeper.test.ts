import { describe, expect, it } from '@jest/globals';
import { settingsOf } from '../job/job.ts';
import { update } from '../job/change.ts';
import type { RecordOf } from '../job/record.ts';
import { FOOT, makeMark, makeScope } from '../testing/job.ts';
import { type Bench, createBench } from '../testing/priced.ts';
import { makeAlternate, makeOpening, makeRegion } from '../testing/records.ts';
import type { DoubtRule } from './doubt.ts';
import { takeSecondLook } from './secondLook.ts';

const TODAY = '2026-11-25';

const doubtsOf = <Rule extends DoubtRule>(bench: Bench, rule: Rule) =>
  takeSecondLook(bench.calculation.figures, TODAY).open.filter(({ about }) => about.rule === rule);
const asked = (bench: Bench, rule: DoubtRule): readonly string[] =>
  doubtsOf(bench, rule).map(({ name }) => name);

const typed = (cost: string) => ({ costs: { material: cost } });
const say = (bench: Bench, texts: Partial<RecordOf<'settings'>>): void =>
  bench.change(update(settingsOf(bench.job()), (now) => ({ ...now, ...texts })));

describe('marks', () => {
  it('of one count on one spot are asked about, not two beside each other', () => {
    const bench = createBench();
    const lights = makeScope(bench.makeId, { key: 'lights', kind: 'count' });
    const light = (x: number) => makeMark(bench.makeId, lights, bench.sheet, [[x, 5]]);
    bench.change(lights, light(10), light(11));
    expect(asked(bench, 'marks-on-spot')).toEqual([]);
    bench.change(light(10.1));
    expect(asked(bench, 'marks-on-spot')).toEqual(['lights']);
  });

  it('of one run drawn twice are asked about, not two that only begin together', () => {
    const bench = createBench();
    const wall = makeScope(bench.makeId, { key: 'wall', kind: 'run' });
    const run = (length: number) =>
      makeMark(bench.makeId, wall, bench.sheet, [
        [0, 0],
        [length, 0],
      ]);
    bench.change(wall, run(20), run(12));
    expect(asked(bench, 'marks-on-spot')).toEqual([]);
    bench.change(run(20));
    expect(asked(bench, 'marks-on-spot')).toEqual(['wall']);
  });

  it('that count a door beside the door in its wall are asked about', () => {
    const bench = createBench();
    const [wall, doors, taps] = [
      makeScope(bench.makeId, { key: 'wall', kind: 'run' }),
      makeScope(bench.makeId, { key: 'doors', name: 'Doors D1', kind: 'count' }),
      makeScope(bench.makeId, { key: 'taps', name: 'Taps', kind: 'count' }),
    ];
    const run = makeMark(bench.makeId, wall, bench.sheet, [
      [0, 0],
      [20, 0],
    ]);
    const door = makeOpening(bench.makeId, { markId: run.id, scopeId: doors.id });
    bench.change(wall, doors, taps, run, door, makeMark(bench.makeId, taps, bench.sheet, [[10, 0]]));
    expect(asked(bench, 'counted-and-placed')).toEqual([]);
    bench.change(makeMark(bench.makeId, doors, bench.sheet, [[10, 1]]));
    expect(asked(bench, 'counted-and-placed')).toEqual(['Doors D1']);
  });
});

describe('sizes', () => {
  it('a stud shorter than its wall is asked about; one shorter by its plates is not', () => {
    const bench = createBench();
    const wall = (feet: string) =>
      makeScope(bench.makeId, {
        key: `wall_${feet}`,
        name: `Wall ${feet}`,
        kind: 'run',
        properties: [{ key: 'height', name: 'Height', value: feet, unit: 'ft' }],
      });
    const stud = bench.item({ code: 'S-8', description: 'Stud 2x4, 92-5/8 in', material: '3' });
    const [component] = bench.assembly('Stud').components;
    if (component === undefined) throw new Error('no component');
    const { sizing: _sizing, ...plain } = component;
    const assembly: RecordOf<'assembly'> = {
      ...bench.assembly('Stud'),
      id: bench.makeId('assembly'),
      name: 'Own wall',
      inputs: [],
      inner: [],
      checks: [],
      note: '',
      section: [],
      components: [{ ...plain, name: 'Studs', kind: 'material', formula: '4', unit: 'ea', itemCode: 'S-8' }],
    };
    bench.change(stud, assembly);
    for (const [at, scope] of [wall('8'), wall('9')].entries())
      bench.change(
        scope,
        makeMark(bench.makeId, scope, bench.sheet, [
          [0, at * 10],
          [20, at * 10],
        ]),
        {
          type: 'use',
          id: bench.makeId('use'),
          scopeId: scope.id,
          assemblyId: assembly.id,
          order: 1,
          answers: {},
        },
      );
    expect(asked(bench, 'piece-too-short')).toEqual(['Studs, Wall 9']);
    const [doubt] = doubtsOf(bench, 'piece-too-short');
    if (doubt?.about.rule !== 'piece-too-short') throw new Error('no doubt');
    expect(doubt.about.wallM).toBeCloseTo(9 * FOOT, 9);
  });

  it('a typed length eight times what its sheet shows is asked about', () => {
    const bench = createBench();
    const pipe = makeScope(bench.makeId, { key: 'pipe', kind: 'run' });
    const piece = (text: string): RecordOf<'piece'> =>
      ({
        type: 'piece',
        source: 'typed',
        id: bench.makeId('piece'),
        scopeId: pipe.id,
        text,
        unit: 'ft',
        note: '',
        order: 1,
      }) as never;
    // The sheet is 288 ft by 192 ft.
    bench.change(pipe, piece('2000'));
    expect(asked(bench, 'length-far-off-sheet')).toEqual([]);
    bench.change(piece('30000'));
    expect(asked(bench, 'length-far-off-sheet')).toEqual(['pipe']);
  });

  it('an item of another size or another thing than its line says is asked about', () => {
    const bench = createBench();
    bench.change(
      bench.item({ code: 'P-4', description: 'Pipe 4 in', material: '3' }),
      bench.line({ description: 'Drain pipe 4 in', itemCode: 'P-4' }),
    );
    expect(asked(bench, 'item-unlike')).toEqual([]);
    bench.change(
      bench.line({ description: 'Drain pipe 6 in', itemCode: 'P-4' }),
      bench.line({ description: 'Paint', itemCode: 'P-4' }),
    );
    expect(asked(bench, 'item-unlike')).toEqual(['Drain pipe 6 in', 'Paint']);
  });

  it('one price for two sizes of the same thing is asked about, not for two things', () => {
    const bench = createBench();
    bench.change(
      bench.line({ description: 'Window 900 x 1200', ...typed('400') }),
      bench.line({ description: 'Door 900 x 1200', ...typed('400') }),
      bench.line({ description: 'Window 600 x 600', ...typed('260') }),
    );
    expect(asked(bench, 'one-price-for-sizes')).toEqual([]);
    bench.change(bench.line({ description: 'Window 1500 x 1200', ...typed('400') }));
    expect(asked(bench, 'one-price-for-sizes')).toEqual(['Window 900 x 1200']);
  });
});

describe('assemblies', () => {
  const pour = (bench: Bench, name: string, assembly: RecordOf<'assembly'>): RecordOf<'use'> => {
    const scope = makeScope(bench.makeId, {
      key: name.toLowerCase(),
      name,
      kind: assembly.measures,
      sectionId: bench.sectionId('03'),
    });
    const use: RecordOf<'use'> = {
      type: 'use',
      id: bench.makeId('use'),
      scopeId: scope.id,
      assemblyId: assembly.id,
      order: 1,
      answers: {},
    };
    bench.change(
      scope,
      makeMark(bench.makeId, scope, bench.sheet, [
        [0, 0],
        [24, 0],
        [24, 30],
        [0, 30],
      ]),
      use,
    );
    return use;
  };

  it('whose questions nobody answered are asked about, until one answer shows that they were read', () => {
    const bench = createBench();
    const slab = [...bench.job().assembly.values()].find(
      ({ measures, inputs }) => measures === 'area' && inputs.length > 1,
    );
    if (slab === undefined) throw new Error('no slab');
    const use = pour(bench, 'Slab', slab);
    expect(asked(bench, 'question-unanswered')).toEqual(['Slab']);
    const [input] = slab.inputs;
    bench.change({ ...use, answers: { [input?.key ?? '']: input?.value ?? '' } });
    expect(asked(bench, 'question-unanswered')).toEqual([]);
  });

  it('of concrete without bars are asked about where a neighbor has some', () => {
    const bench = createBench();
    const plain = bench.assembly('Slab on grade');
    const concrete = plain.components.filter(({ name }) => /concrete/i.test(name)).slice(0, 1);
    const make = (name: string, more: readonly RecordOf<'assembly'>['components'][number][]) => {
      const own: RecordOf<'assembly'> = {
        ...plain,
        id: bench.makeId('assembly'),
        name,
        inputs: [],
        inner: [],
        checks: [],
        note: '',
        section: [],
        components: [...concrete.map((each) => ({ ...each, formula: '3', wastePercent: '' })), ...more],
      };
      bench.change(own);
      return own;
    };
    const bars = { ...concrete[0], key: 'bars', name: 'Bars', unit: 'lb', formula: '90' } as never;
    pour(bench, 'Pad', make('Plain', []));
    expect(asked(bench, 'bars-missing')).toEqual([]);
    pour(bench, 'Ramp', make('Barred', [bars]));
    expect(asked(bench, 'bars-missing')).toEqual(['Pad']);
  });
});

describe('the bid', () => {
  it('an option with nothing in it, or with a line that has no price, is asked about', () => {
    const bench = createBench();
    const tile = makeAlternate(bench.makeId, { name: 'Tile' });
    bench.change(tile);
    expect(asked(bench, 'alternate-not-on-bid')).toEqual(['Tile']);
    const line = bench.line({ description: 'Tiles', alternate: { id: tile.id, as: 'adds' } });
    bench.change(line);
    expect(asked(bench, 'alternate-not-on-bid')).toEqual(['Tile']);
    bench.change({ ...line, ...typed('9') });
    expect(asked(bench, 'alternate-not-on-bid')).toEqual([]);
  });

  it('a region the job is in and that is not applied is asked about', () => {
    const bench = createBench();
    const bay = makeRegion(bench.makeId, { name: 'Reeve Bay', labor: 1.2 });
    bench.change(bay);
    expect(asked(bench, 'region-not-applied')).toEqual([]);
    say(bench, { location: '12 Quay, Reeve Bay' });
    expect(asked(bench, 'region-not-applied')).toEqual(['Reeve Bay']);
    say(bench, { regionId: bay.id });
    expect(asked(bench, 'region-not-applied')).toEqual([]);
  });

  it('an adjustment that changes nothing, or few of its lines, is asked about', () => {
    const bench = createBench();
    const [priced, bare, bare2] = [
      bench.line(typed('4')),
      bench.line({ costs: { other: '1' } }),
      bench.line({ costs: { other: '2' } }),
    ];
    bench.change(priced, bare, bare2);
    const adjustment = (on: RecordOf<'adjustment'>['on'], name: string): RecordOf<'adjustment'> => ({
      type: 'adjustment',
      id: bench.makeId('adjustment'),
      name,
      kinds: ['material'],
      percent: '8',
      on,
      order: 1,
    });
    bench.change(
      adjustment({ what: 'lines', lines: [priced.id] }, 'fits'),
      adjustment({ what: 'lines', lines: [priced.id, bare.id, bare2.id] }, 'few'),
      adjustment({ what: 'items', by: 'words', text: 'lumber' }, 'none'),
    );
    expect(asked(bench, 'adjustment-matches-few')).toEqual(['few', 'none']);
  });

  it('what is said to be included and stands only in an option is asked about', () => {
    const bench = createBench();
    const tile = makeAlternate(bench.makeId, { name: 'Quarry tile' });
    bench.change(
      tile,
      bench.line({ description: 'Quarry tiles', alternate: { id: tile.id, as: 'adds' }, ...typed('9') }),
      bench.line({ description: 'Painting', ...typed('2') }),
    );
    say(bench, { inclusions: 'Painting of all walls\nQuarry tile in the hall' });
    expect(asked(bench, 'inclusion-not-in')).toEqual(['Quarry tile in the hall']);
    bench.change({ ...tile, accepted: true });
    expect(asked(bench, 'inclusion-not-in')).toEqual([]);
  });

  it('a text that names a height which is another now is asked about', () => {
    const bench = createBench();
    const scope = makeScope(bench.makeId, {
      key: 'partition',
      name: 'Partition',
      kind: 'run',
      properties: [{ key: 'height', name: 'Height', value: '9', unit: 'ft' }],
    });
    bench.change(scope);
    say(bench, { inclusions: 'Partitions 9 ft high' });
    expect(asked(bench, 'text-outdated')).toEqual([]);
    bench.change({ ...scope, properties: [{ key: 'height', name: 'Height', value: '10', unit: 'ft' }] });
    expect(asked(bench, 'text-outdated')).toEqual(['Partitions 9 ft high']);
  });

  it('sections with nothing in them are asked about once, until the bid says they are left out', () => {
    const bench = createBench();
    for (const code of ['03', '06', '09'])
      bench.change(bench.line({ sectionId: bench.sectionId(code), ...typed('5') }));
    const [doubt, ...more] = doubtsOf(bench, 'sections-empty');
    if (doubt?.about.rule !== 'sections-empty') throw new Error('no doubt');
    expect(more).toEqual([]);
    expect(doubt.about.sections).toContain('Electrical');
    expect(doubt.about.sections).not.toContain('Concrete');
    say(bench, { exclusions: 'Electrical work' });
    const [less] = doubtsOf(bench, 'sections-empty');
    expect(less?.about.rule === 'sections-empty' && less.about.sections.includes('Electrical')).toBe(false);
  });

  it('rows of a schedule that nothing was measured for are asked about', () => {
    const bench = createBench();
    bench.change({
      type: 'schedule',
      id: bench.makeId('schedule'),
      sheetId: bench.sheet.id,
      title: 'Doors',
      columns: ['Mark', 'Size'],
      rows: [
        ['D1', '3 ft'],
        ['D2', '4 ft'],
      ],
      order: 1,
    });
    bench.change(makeScope(bench.makeId, { key: 'd1', name: 'Door D1', kind: 'count' }));
    const [doubt] = doubtsOf(bench, 'printed-not-measured');
    expect(doubt?.about).toEqual({ rule: 'printed-not-measured', tags: ['D2'] });
  });

  it('a subcontract and the same work by hand in one section are asked about', () => {
    const bench = createBench();
    const sectionId = bench.sectionId('09');
    bench.change(
      bench.line({ sectionId, description: 'Painting, subcontract', costs: { subcontract: '900' } }),
      bench.line({ sectionId, description: 'Tiling', costs: { material: '4', labor: '5' } }),
    );
    expect(asked(bench, 'subcontract-beside-own')).toEqual([]);
    bench.change(
      bench.line({ sectionId, description: 'Painting of doors', costs: { material: '4', labor: '5' } }),
    );
    expect(asked(bench, 'subcontract-beside-own')).toEqual(['Painting, subcontract']);
  });

  it('tells what there was nothing of, so that nothing was asked about it', () => {
    const bench = createBench();
    expect(takeSecondLook(bench.calculation.figures, TODAY).notThere).toContain('quotes');
    bench.change(bench.line(typed('1')), makeAlternate(bench.makeId, {}));
    const { notThere } = takeSecondLook(bench.calculation.figures, TODAY);
    expect(notThere).not.toContain('lines');
    expect(notThere).not.toContain('alternates');
  });
});
