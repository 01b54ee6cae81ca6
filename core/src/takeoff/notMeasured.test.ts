import { describe, expect, it } from '@jest/globals';
import { type Job, createJob, listRecords } from '../job/job.ts';
import type { JobRecord, RecordOf } from '../job/record.ts';
import { createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { findNotMeasured } from './notMeasured.ts';

const { job: started, makeId, sheet } = createTestJob();
const [ground, upper] = [
  { type: 'level', id: makeId('level'), name: 'Ground', order: 1, repeat: 1 },
  { type: 'level', id: makeId('level'), name: 'Upper', order: 2, repeat: 1 },
] as const satisfies readonly RecordOf<'level'>[];
const plan: RecordOf<'sheet'> = { ...sheet, levelId: ground.id };
const wall = makeScope(makeId, {
  key: 'p1',
  name: 'Partition P1',
  kind: 'run',
  dueOn: [ground.id, upper.id],
});
const slab = makeScope(makeId, { key: 'slab', name: 'Slab', kind: 'area', order: 2 });
const drawn = makeMark(makeId, wall, plan, [
  [0, 0],
  [10, 0],
]);
const doors: RecordOf<'schedule'> = {
  type: 'schedule',
  id: makeId('schedule'),
  sheetId: null,
  title: 'Doors',
  columns: ['Door', 'Width'],
  rows: [
    ['101A', `3'`],
    ['101B', `3'`],
    ['P1', ''],
    ['', 'a note'],
  ],
  order: 1,
};
const jobOf = (...more: readonly JobRecord[]): Job =>
  createJob([...listRecords(started), ground, upper, plan, wall, slab, drawn, ...more]);

describe('what was not measured', () => {
  it('is a scope with nothing anywhere, and one that is due on a level where it has nothing', () => {
    const found = findNotMeasured(jobOf());
    expect(found.scopes.map(({ key }) => key)).toEqual(['slab']);
    expect(found.levels.map(({ scope, level }) => `${scope.key} ${level.name}`)).toEqual(['p1 Upper']);
  });

  it('is not a scope that was typed, nor a count that sits in a wall', () => {
    const count = makeScope(makeId, { key: 'doors', kind: 'count', order: 3 });
    const opening: RecordOf<'opening'> = {
      type: 'opening',
      id: makeId('opening'),
      markId: drawn.id,
      scopeId: count.id,
      tag: '101A',
      widthM: 0.9,
      heightM: 2,
      seat: { on: 'run', stroke: 0, along: 0.5 },
    };
    const piece: RecordOf<'piece'> = {
      type: 'piece',
      id: makeId('piece'),
      scopeId: slab.id,
      text: '20',
      unit: 'm²',
      note: '',
      source: 'typed',
      order: 1,
    };
    expect(findNotMeasured(jobOf(count, opening, piece)).scopes).toEqual([]);
    // Its tag is used by the door in the wall, the other row by nobody, P1 by the scope's name.
    expect(findNotMeasured(jobOf(count, opening, doors)).rows.map(({ tags }) => tags)).toEqual([['101B']]);
  });

  it('takes a tag for used only where it stands as a word: P1 is not in P12', () => {
    const other = makeScope(makeId, { key: 'p12', name: 'Partition P12', kind: 'run', order: 4 });
    const bare = createJob([...listRecords(started), other, { ...doors, rows: [['P1']] }]);
    expect(findNotMeasured(bare).rows[0]?.tags).toEqual(['P1']);
  });

  it('takes a row for used whose scope is named by another column than the first', () => {
    const office = makeScope(makeId, {
      key: 'recessed',
      name: 'Recessed, 600 x 600',
      kind: 'count',
      order: 5,
    });
    const lights: RecordOf<'schedule'> = {
      ...doors,
      columns: ['Type', 'Description', 'Qty'],
      rows: [
        ['L1', 'Recessed, 600 x 600', '37'],
        ['L2', 'Surface', '8'],
      ],
    };
    const job = createJob([...listRecords(started), office, lights]);
    expect(findNotMeasured(job).rows.map(({ tags }) => tags)).toEqual([['L2']]);
  });
});
