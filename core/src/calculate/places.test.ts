import { describe, expect, it } from '@jest/globals';
import { type Command, put, remove, sequence } from '../job/change.ts';
import { removeLevel, removeScope, removeSheet, removeZone } from '../job/commands/removeWith.ts';
import { checkJob } from '../job/integrity.ts';
import { type Job, applyDiff, createJob, listRecords } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { scaleOfRatio } from '../takeoff/scale.ts';
import { differences } from '../testing/differences.ts';
import { FOOT, createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { Calculation } from './calculation.ts';
import { knownValue } from './define.ts';
import { junctionsOnSheet } from './sources/junctions.ts';
import { measureNode } from './graph/nodes.ts';
import { figureOnSheets } from './explain/sheetFigures.ts';

const { job: started, makeId, sheet } = createTestJob();
const wall = makeScope(makeId, { key: 'wall', kind: 'run' });
const mark = makeMark(makeId, wall, sheet, [
  [10, 10],
  [30, 10],
]);
const zone: RecordOf<'zone'> = { type: 'zone', id: makeId('zone'), name: 'East wing', order: 1, repeat: 3 };
const job = createJob([...listRecords(started), wall, mark, zone]);

function afterwards(command: Command, from = job): { readonly job: Job; readonly feet: number } {
  const diff = command(from);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const live = new Calculation(from);
  const to = applyDiff(from, diff.value);
  live.apply(to, diff.value);
  const feet = (of: Calculation): number =>
    (knownValue(of.figure(measureNode(wall.id, 'length'))) ?? Number.NaN) / FOOT;
  // What was followed step by step is what is figured anew.
  expect(differences(live, new Calculation(to))).toEqual([]);
  expect(checkJob(to)).toBeUndefined();
  return { job: to, feet: feet(live) };
}

describe('zones', () => {
  it('count what is in them as often as they are built, times what the mark counts itself', () => {
    expect(afterwards(put({ ...mark, zoneId: zone.id })).feet).toBeCloseTo(60, 6);
    expect(afterwards(put({ ...mark, zoneId: zone.id, repeat: 2 })).feet).toBeCloseTo(120, 6);
    const inside = afterwards(put({ ...mark, zoneId: zone.id })).job;
    expect(afterwards(put({ ...zone, repeat: 5 }), inside).feet).toBeCloseTo(100, 6);
  });

  it('go without their marks, and cannot be named by a mark when they are not there', () => {
    const inside = afterwards(put({ ...mark, zoneId: zone.id })).job;
    const left = afterwards(removeZone(zone.id), inside);
    expect(left.feet).toBeCloseTo(20, 6);
    expect(left.job.mark.get(mark.id)).not.toHaveProperty('zoneId');
    expect(put({ ...mark, zoneId: makeId('zone') })(job)).toMatchObject({
      ok: false,
      problem: { kind: 'record-missing-reference' },
    });
  });
});

describe('a mark that is not in the work', () => {
  it('counts 0 times: it stays on the sheet and adds nothing', () => {
    expect(afterwards(put({ ...mark, repeat: 0 })).feet).toBe(0);
  });
});

describe('a part of a sheet with a scale of its own', () => {
  const detail = {
    name: 'Detail',
    x: 0,
    y: 0,
    width: 200,
    height: 200,
    scale: { ...scaleOfRatio(24), source: { by: 'ratio', text: `1/2" = 1'-0"` } },
  } as const;

  it('measures what begins in it by its own scale, wherever that ends', () => {
    // 1/2 in to the foot is 36 points a foot: 180 points are 5 ft.
    expect(afterwards(put({ ...sheet, scaleAreas: [detail] })).feet).toBeCloseTo(5, 6);
    expect(afterwards(put({ ...sheet, scaleAreas: [{ ...detail, x: 100 }] })).feet).toBeCloseTo(20, 6);
  });

  it('gives a figure on a sheet that has no scale as a whole, the smaller part first', () => {
    expect(afterwards(put({ ...sheet, scale: null, scaleAreas: [detail] })).feet).toBeCloseTo(5, 6);
    const wide = { ...detail, width: 2000, height: 1500, scale: { ...detail.scale, xMetersPerPoint: 1 } };
    expect(afterwards(put({ ...sheet, scaleAreas: [wide, detail] })).feet).toBeCloseTo(5, 6);
  });
});

describe('a scope on some sheets', () => {
  const other: RecordOf<'sheet'> = { ...sheet, id: makeId('sheet'), number: 'A-102', order: 2 };
  const above = {
    ...makeMark(makeId, wall, other, [
      [0, 0],
      [7, 0],
    ]),
    id: makeId('mark'),
  };
  const both = createJob([...listRecords(job), other, above]);

  it('is the part of its figure that is drawn there', () => {
    const calculation = new Calculation(both);
    expect((figureOnSheets(calculation.figures, wall, new Set([other.id])).value ?? 0) / FOOT).toBeCloseTo(
      7,
      6,
    );
    expect(
      (figureOnSheets(calculation.figures, wall, new Set([other.id, sheet.id])).value ?? 0) / FOOT,
    ).toBeCloseTo(27, 6);
    expect(figureOnSheets(calculation.figures, wall, new Set()).marks).toBe(0);
  });

  it('has no figure where one of its marks has none', () => {
    const bare = createJob([...listRecords(both), { ...other, scale: null }]);
    expect(figureOnSheets(new Calculation(bare).figures, wall, new Set([other.id]))).toMatchObject({
      value: undefined,
      marks: 1,
    });
  });
});

describe('junctions on a sheet', () => {
  it('are places, and only those of the sheet at hand', () => {
    const bent = makeMark(makeId, wall, sheet, [
      [0, 0],
      [10, 0],
      [10, 10],
    ]);
    const drawn = afterwards(put(bent), afterwards(remove(mark.id)).job).job;
    const [found] = junctionsOnSheet(drawn, wall.id, sheet.id);
    expect(found?.corners).toEqual([{ x: 90, y: 0 }]);
    expect(found?.ends).toHaveLength(2);
    expect(junctionsOnSheet(drawn, wall.id, 'sheet:other')).toEqual([]);
  });
});

describe('runs that meet those of another scope', () => {
  const outer = makeScope(makeId, { key: 'outer', kind: 'run', order: 2 });
  const around = makeMark(makeId, outer, sheet, [
    [0, 0],
    [40, 0],
    [40, 20],
    [0, 20],
    [0, 0],
  ]);
  // From the long side to the other: two ends on their own, two tees on the outer wall.
  const inner = makeMark(makeId, wall, sheet, [
    [20, 0],
    [20, 20],
  ]);
  const walls = createJob([...listRecords(started), outer, wall, around, inner]);
  const counts = (of: Job): readonly number[] => {
    const calculation = new Calculation(of);
    return (['ends', 'corners', 'tees'] as const).map(
      (measure) => knownValue(calculation.figure(measureNode(wall.id, measure))) ?? Number.NaN,
    );
  };

  it('end in tees where they are said to meet, and in ends where they are not', () => {
    expect(counts(walls)).toEqual([2, 0, 0]);
    const met = afterwards(put({ ...wall, meets: [outer.id] }), walls).job;
    // The outer wall's own four corners are not the inner wall's.
    expect(counts(met)).toEqual([0, 0, 2]);
  });

  it('follow when the other scope is moved or goes', () => {
    const met = afterwards(put({ ...wall, meets: [outer.id] }), walls).job;
    const live = new Calculation(met);
    const away = {
      ...around,
      strokes: around.strokes.map((stroke) => stroke.map(({ x, y }) => ({ x, y: y + 500 }))),
    };
    const diff = put(away)(met);
    if (!diff.ok) throw new Error(diff.problem.kind);
    live.apply(applyDiff(met, diff.value), diff.value);
    expect(knownValue(live.figure(measureNode(wall.id, 'ends')))).toBe(2);
    const gone = afterwards(removeScope(outer.id), met).job;
    expect(gone.scope.get(wall.id)?.meets).toEqual([]);
    expect(counts(gone)).toEqual([2, 0, 0]);
  });
});

describe('what goes with a sheet', () => {
  const level: RecordOf<'level'> = {
    type: 'level',
    id: makeId('level'),
    name: 'Ground',
    order: 1,
    repeat: 1,
  };
  const file: RecordOf<'file'> = {
    type: 'file',
    id: makeId('file'),
    name: 'east.pdf',
    mediaType: 'application/pdf',
    byteLength: 3,
    pageCount: 1,
  };
  const east: RecordOf<'sheet'> = {
    ...sheet,
    id: makeId('sheet'),
    fileId: file.id,
    number: 'C-102',
    order: 2,
  };
  const ring = [
    { x: 0, y: 0 },
    { x: 10, y: 0 },
    { x: 10, y: 10 },
  ];
  const joined: RecordOf<'sheet'> = {
    ...sheet,
    id: makeId('sheet'),
    number: 'C-101+C-102',
    order: 3,
    placings: [sheet, east].map(({ fileId }) => ({
      fileId,
      pageIndex: 0,
      widthPt: 10,
      heightPt: 10,
      matrix: [1, 0, 0, 1, 0, 0] as [number, number, number, number, number, number],
      clip: ring,
    })),
    join: {
      first: sheet.id,
      second: east.id,
      pairs: [
        [ring[0]!, ring[0]!],
        [ring[1]!, ring[1]!],
      ],
    },
  };
  const pair = createJob([...listRecords(job), level, file, east, joined]);

  it('is its file only when no joined sheet shows a page of it', () => {
    const without = afterwards(removeSheet(east.id), pair).job;
    expect(without.file.has(file.id)).toBe(true);
    expect(without.sheet.get(joined.id)).not.toHaveProperty('join');
    const none = afterwards(sequence(removeSheet(east.id), removeSheet(joined.id)), pair).job;
    expect(none.file.has(file.id)).toBe(false);
  });

  it('is, for a level, that no scope is due on it any more', () => {
    const due = afterwards(put({ ...wall, dueOn: [level.id] }), pair).job;
    expect(afterwards(removeLevel(level.id), due).job.scope.get(wall.id)?.dueOn).toEqual([]);
  });
});
