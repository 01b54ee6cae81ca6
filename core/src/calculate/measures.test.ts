import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { put, sequence } from '../job/change.ts';
import { removeLevel, removeMarks, removeScope } from '../job/commands/removeWith.ts';
import { EMPTY_DIFF, type Job, applyDiff } from '../job/job.ts';
import { accept } from '../problem/result.ts';
import type { Command } from '../job/change.ts';
import type { RecordOf } from '../job/record.ts';
import { differences } from '../testing/differences.ts';
import { FOOT, createTestJob, makeMark, makeScope } from '../testing/job.ts';
import type { Measure } from '../job/measures.ts';
import { Calculation } from './calculation.ts';
import { knownValue } from './define.ts';
import { tapeOf } from './explain/tape.ts';
import { measureNode } from './graph/nodes.ts';

const { job: started, makeId, sheet } = createTestJob();
const inFeet = { key: 'height', name: 'Height', value: '9', unit: 'ft' };
const thick = { key: 'thickness', name: 'Thickness', value: '1', unit: 'ft' };
const wall = makeScope(makeId, { key: 'wall', kind: 'run', properties: [inFeet, thick] });
const doors = makeScope(makeId, { key: 'doors', kind: 'count' });
const floor = makeScope(makeId, {
  key: 'slab',
  kind: 'area',
  properties: [{ key: 'depth', name: 'Depth', value: '0.5', unit: 'ft' }],
});
const roof = makeScope(makeId, { key: 'roof', kind: 'slope' });
/** An L of 20 and 10 ft, turning right as one walks it. */
const run = makeMark(makeId, wall, sheet, [
  [0, 0],
  [20, 0],
  [20, 10],
]);
const opening = (changed: Partial<RecordOf<'opening'>> = {}): RecordOf<'opening'> => ({
  type: 'opening',
  id: makeId('opening'),
  markId: run.id,
  scopeId: doors.id,
  tag: '101A',
  widthM: 3 * FOOT,
  heightM: 7 * FOOT,
  seat: { on: 'run', stroke: 0, along: 0.3 },
  ...changed,
});

/** The calculation after commands, changed step by step and checked against one made anew. */
function after(...commands: readonly Command[]): Calculation {
  let job: Job = started;
  const stepped = new Calculation(job);
  for (const command of [put(wall, doors, floor, roof), ...commands]) {
    const diff = command(job);
    if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
    job = applyDiff(job, diff.value);
    stepped.apply(job, diff.value);
  }
  expect(differences(stepped, new Calculation(job))).toEqual([]);
  return stepped;
}

const feet = (calculation: Calculation, scope: { readonly id: string }, measure: Measure): number =>
  (knownValue(calculation.figure(measureNode(scope.id, measure))) ?? Number.NaN) / FOOT;
const squareFeet = (calculation: Calculation, scope: { readonly id: string }, measure: Measure): number =>
  feet(calculation, scope, measure) / FOOT;

describe('openings in a wall', () => {
  it('keep gross, openings and net apart, and are counted where they belong', () => {
    const figures = after(
      put(run),
      put(opening(), opening({ widthM: 2 * FOOT, heightM: FOOT, scopeId: null })),
    );
    expect(feet(figures, wall, 'length')).toBeCloseTo(30, 9);
    expect(squareFeet(figures, wall, 'wall_area')).toBeCloseTo(270, 9);
    expect(squareFeet(figures, wall, 'openings_area')).toBeCloseTo(23, 9);
    expect(squareFeet(figures, wall, 'net_wall_area')).toBeCloseTo(247, 9);
    expect(feet(figures, wall, 'net_length')).toBeCloseTo(25, 9);
    expect(knownValue(figures.figure(measureNode(wall.id, 'openings')))).toBe(2);
    expect(knownValue(figures.figure(measureNode(doors.id, 'count')))).toBe(1);
  });

  it('are refused where they are wider than their wall', () => {
    const job = after(put(run)).job;
    expect(put(opening({ widthM: 31 * FOOT }))(job)).toMatchObject({
      ok: false,
      problem: { kind: 'opening-too-wide' },
    });
    expect(put(opening({ widthM: 29 * FOOT }))(job)).toMatchObject({ ok: true });
  });

  it('are deducted by the rule of the scope', () => {
    const small = opening({ widthM: 0.5, heightM: 0.9 });
    const openings = put(opening(), small);
    const rule = (deduct: NonNullable<RecordOf<'scope'>['deduct']>) => put({ ...wall, deduct });
    const above = after(put(run), openings, rule({ rule: 'above', areaM2: 0.5 }));
    expect(squareFeet(above, wall, 'deducted_area')).toBeCloseTo(21, 9);
    const none = after(put(run), openings, rule({ rule: 'none' }));
    expect(squareFeet(none, wall, 'net_wall_area')).toBeCloseTo(270, 9);
    expect(squareFeet(none, wall, 'openings_area')).toBeCloseTo(21 + 0.45 / FOOT ** 2, 9);
  });

  it('go with the wall they sit in, and stay when only their count goes', () => {
    const gone = after(put(run), put(opening()), removeMarks([run.id]));
    expect(gone.job.opening.size).toBe(0);
    expect(knownValue(gone.figure(measureNode(doors.id, 'count')))).toBe(0);
    const uncounted = after(put(run), put(opening()), removeScope(doors.id));
    expect([...uncounted.job.opening.values()].map(({ scopeId }) => scopeId)).toEqual([null]);
    expect(feet(uncounted, wall, 'net_length')).toBeCloseTo(27, 9);
  });
});

describe('faces of a wall', () => {
  it('are all known whichever was traced: an L of 20 and 10 ft, 1 ft thick', () => {
    const center = after(put(run));
    // The right face is the inner one of a right turn: half a foot less on each leg.
    expect(feet(center, wall, 'right_length')).toBeCloseTo(29, 9);
    expect(feet(center, wall, 'left_length')).toBeCloseTo(31, 9);
    const outer = after(put(run), put({ ...wall, face: 'left' }));
    expect(feet(outer, wall, 'left_length')).toBeCloseTo(30, 9);
    expect(feet(outer, wall, 'center_length')).toBeCloseTo(29, 9);
    expect(feet(outer, wall, 'right_length')).toBeCloseTo(28, 9);
  });

  it('close a wall that comes back to its start with four corners', () => {
    const around = makeMark(makeId, wall, sheet, [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
      [0, 0],
    ]);
    expect(feet(after(put(around)), wall, 'right_length')).toBeCloseTo(36, 9);
  });
});

describe('what counts more than once', () => {
  const level: RecordOf<'level'> = {
    type: 'level',
    id: makeId('level'),
    name: 'Typical',
    order: 1,
    repeat: 4,
  };
  it('is a mark times N, on a level times M', () => {
    const twice = put({ ...run, repeat: 2 });
    expect(feet(after(twice, put(opening())), wall, 'length')).toBeCloseTo(60, 9);
    const floors = after(twice, put(opening()), put(level), put({ ...sheet, levelId: level.id }));
    expect(feet(floors, wall, 'length')).toBeCloseTo(240, 9);
    expect(knownValue(floors.figure(measureNode(doors.id, 'count')))).toBe(8);
    expect(knownValue(floors.figure(measureNode(wall.id, 'corners')))).toBe(8);
    const fewer = after(
      put(run),
      put(level),
      put({ ...sheet, levelId: level.id }),
      put({ ...level, repeat: 3 }),
    );
    expect(feet(fewer, wall, 'length')).toBeCloseTo(90, 9);
  });

  it('counts once again when the level goes; its sheets stay', () => {
    const none = after(
      put(run),
      sequence(put(level), put({ ...sheet, levelId: level.id })),
      removeLevel(level.id),
    );
    expect(feet(none, wall, 'length')).toBeCloseTo(30, 9);
    expect(none.job.sheet.get(sheet.id)?.levelId).toBeUndefined();
  });
});

describe('pieces without a sheet', () => {
  const piece = (text: string): RecordOf<'piece'> => ({
    type: 'piece',
    id: makeId('piece'),
    scopeId: wall.id,
    text,
    unit: 'ft',
    note: 'Walked on site',
    source: 'typed',
    order: 1,
  });
  it('add to what is drawn, as arithmetic or as a bare figure in the unit', () => {
    expect(feet(after(put(run), put(piece('96 ft + 2 * 8 ft'), piece('4'))), wall, 'length')).toBeCloseTo(
      146,
      9,
    );
  });

  it('that are no length fail with their reason', () => {
    const { failure } = after(put(piece('96 sq ft'))).figure(measureNode(wall.id, 'length'));
    expect(failure).toMatchObject({ kind: 'formula', problem: { kind: 'formula-dimension-result' } });
  });
});

describe('runs with rises and tails', () => {
  it('come and go beside runs that are flat: every sum follows, and the tape says nothing rises', () => {
    const [from, ...further] = run.strokes[0] ?? [];
    if (from === undefined) throw new Error('no corner');
    const risen = { ...run, strokes: [[{ ...from, riseM: 8 * FOOT }, ...further]] };
    const flat = { ...run, id: makeId('mark') };
    const sums = (calculation: Calculation) =>
      (['length', 'plan_length', 'rises'] as const).map((measure) => feet(calculation, wall, measure));
    const rounded = (figures: readonly number[]) => figures.map((value) => Number(value.toFixed(6)));
    expect(rounded(sums(after(put(run, flat))))).toEqual([60, 60, 0]);
    expect(rounded(sums(after(put(run, flat), put(risen))))).toEqual([68, 60, 8]);
    const tailed = { ...flat, tailsM: [2 * FOOT, 0] as const };
    const both = after(put(run, flat), put(risen), put(tailed));
    expect(rounded(sums(both))).toEqual([70, 60, 8]);
    const back = after(put(run, flat), put(risen), put(run));
    expect(rounded(sums(back))).toEqual([60, 60, 0]);
    for (const [measure, values] of [
      ['rises', [0, 0]],
      ['plan_length', [30, 30]],
    ] as const)
      expect(
        tapeOf(back.figures, wall.id, measure).map(({ figure }) => (knownValue(figure) ?? Number.NaN) / FOOT),
      ).toEqual(values.map((value) => expect.closeTo(value, 6)));
  });

  it('are as long as what is bought: plan, rises both ways, tails', () => {
    const [from, middle, to] = run.strokes[0] ?? [];
    if (from === undefined || middle === undefined || to === undefined) throw new Error('no run');
    const strokes = [[{ ...from, riseM: 8 * FOOT }, middle, { ...to, riseM: -4 * FOOT }]];
    const figures = after(put({ ...run, strokes, tailsM: [FOOT, 2 * FOOT] }));
    expect(feet(figures, wall, 'length')).toBeCloseTo(45, 9);
    expect(feet(figures, wall, 'plan_length')).toBeCloseTo(30, 9);
    expect(feet(figures, wall, 'rises')).toBeCloseTo(12, 9);
  });
});

describe('areas with holes, and volumes', () => {
  it('take a later ring inside as a hole; depth gives the volume', () => {
    const slab = makeMark(
      makeId,
      floor,
      sheet,
      [
        [0, 0],
        [30, 0],
        [30, 20],
        [0, 20],
      ],
      [
        [5, 5],
        [10, 5],
        [10, 9],
        [5, 9],
      ],
    );
    const figures = after(put(slab));
    expect(squareFeet(figures, floor, 'area')).toBeCloseTo(580, 9);
    expect(squareFeet(figures, floor, 'volume') / FOOT).toBeCloseTo(290, 9);
    const bare = after(put({ ...floor, properties: [] }), put(slab));
    expect(knownValue(bare.figure(measureNode(floor.id, 'volume')))).toBeUndefined();
  });
});

describe('a roof slope', () => {
  const slope = (pitch: string): RecordOf<'mark'> => ({
    ...makeMark(makeId, roof, sheet, [
      [0, 0],
      [24, 0],
      [12, 12],
    ]),
    slope: { pitch, edges: ['eave', 'hip', 'hip'] },
  });
  it.each(['6/12', '50 %', '26.565°'])('has its true area and edges by the pitch %s', (pitch) => {
    const figures = after(put(slope(pitch)));
    // Published: factor 1.118 for 6/12, hip 1.5 for each unit of run.
    expect(squareFeet(figures, roof, 'slope_area')).toBeCloseTo(144 * Math.sqrt(1.25), 3);
    expect(feet(figures, roof, 'hip')).toBeCloseTo(2 * 12 * 1.5, 3);
    expect(feet(figures, roof, 'eave')).toBeCloseTo(24, 9);
    expect(squareFeet(figures, roof, 'area')).toBeCloseTo(144, 9);
  });

  it('without a pitch has no slope area, and says so', () => {
    expect(after(put(slope('steep'))).figure(measureNode(roof.id, 'slope_area')).failure).toEqual({
      kind: 'no-pitch',
      pitch: 'steep',
    });
  });
});

describe('any sequence of changes', () => {
  const level: RecordOf<'level'> = { type: 'level', id: makeId('level'), name: 'Upper', order: 1, repeat: 2 };
  const door = opening();
  const piece: RecordOf<'piece'> = {
    type: 'piece',
    id: makeId('piece'),
    scopeId: wall.id,
    text: '10',
    unit: 'ft',
    note: '',
    source: 'typed',
    order: 1,
  };
  const steps: readonly Command[] = [
    put(run),
    put({ ...run, repeat: 3 }),
    put({ ...run, strokes: [[...(run.strokes[0] ?? []), { x: 90, y: 180 }]] }),
    put(door),
    put({ ...door, widthM: 2 }),
    put(piece),
    put({ ...piece, text: '4 m' }),
    put(level),
    put({ ...level, repeat: 5 }),
    put({ ...sheet, levelId: level.id }),
    put(sheet),
    put({ ...sheet, scale: null }),
    put({ ...wall, face: 'left' }),
    put({ ...wall, deduct: { rule: 'none' } }),
    put({ ...wall, properties: [] }),
    put(wall),
    removeMarks([run.id]),
  ];

  it('leaves the figures that the job has when it is opened anew', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...steps), { maxLength: 14 }), (sequenceOfSteps) => {
        // A step that is refused (a door without its wall) changes nothing.
        after(
          ...sequenceOfSteps.map((step): Command => (job) => {
            const diff = step(job);
            return diff.ok ? diff : accept(EMPTY_DIFF);
          }),
        );
      }),
      { numRuns: 60 },
    );
  });
});
