import { describe, expect, it } from '@jest/globals';
import { createTestJob, makeMark, makeScope } from '../../testing/job.ts';
import type { Command } from '../change.ts';
import { checkJob } from '../integrity.ts';
import { type Job, applyDiff, createJob, invertDiff, listRecords } from '../job.ts';
import type { RecordOf } from '../record.ts';
import {
  removeAssembly,
  removeCraft,
  removeLevel,
  removeMarks,
  removeScope,
  removeSection,
  removeSheet,
} from './removeWith.ts';

const { job: started, makeId, sheet, sectionId, assembly } = createTestJob();
const wall = makeScope(makeId, { key: 'wall', kind: 'run', sectionId: sectionId('06') });
const doors = makeScope(makeId, { key: 'doors', kind: 'count', order: 2 });
const run = makeMark(makeId, wall, sheet, [
  [0, 0],
  [20, 0],
]);
const point = makeMark(makeId, doors, sheet, [[3, 3]]);
const opening: RecordOf<'opening'> = {
  type: 'opening',
  id: makeId('opening'),
  markId: run.id,
  scopeId: doors.id,
  tag: '',
  widthM: 0.9,
  heightM: 2,
  seat: { on: 'run', stroke: 0, along: 0.5 },
};
const use: RecordOf<'use'> = {
  type: 'use',
  id: makeId('use'),
  scopeId: wall.id,
  assemblyId: assembly('Stud').id,
  order: 1,
  answers: {},
};
const level: RecordOf<'level'> = { type: 'level', id: makeId('level'), name: 'Upper', order: 1, repeat: 2 };
const schedule: RecordOf<'schedule'> = {
  type: 'schedule',
  id: makeId('schedule'),
  sheetId: sheet.id,
  title: 'Doors',
  columns: ['Tag'],
  rows: [['101']],
  order: 1,
};
const piece: RecordOf<'piece'> = {
  type: 'piece',
  id: makeId('piece'),
  scopeId: wall.id,
  text: '4',
  unit: 'ft',
  note: '',
  source: 'typed',
  order: 1,
};
const job = createJob([
  ...listRecords(started),
  { ...sheet, levelId: level.id },
  wall,
  doors,
  run,
  point,
  opening,
  use,
  level,
  schedule,
  piece,
]);

/** Carries a removal out; what is left must be sound, and undo must bring all of it back. */
function without(command: Command): Job {
  const diff = command(job);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const after = applyDiff(job, diff.value);
  expect(checkJob(after)).toBeUndefined();
  const back = applyDiff(after, invertDiff(diff.value));
  const sorted = (of: Job): unknown[] => [...listRecords(of)].sort((a, b) => (a.id < b.id ? -1 : 1));
  expect(sorted(back)).toEqual(sorted(job));
  return after;
}

describe('what goes with what', () => {
  it('a mark takes the openings in it', () => {
    const after = without(removeMarks([run.id]));
    expect([after.mark.size, after.opening.size]).toEqual([1, 0]);
  });

  it('a scope takes its marks, their openings, its uses and its typed pieces', () => {
    const after = without(removeScope(wall.id));
    expect([after.mark.size, after.opening.size, after.use.size, after.piece.size]).toEqual([1, 0, 0, 0]);
  });

  it('a count leaves its openings in their walls, counted nowhere', () => {
    const after = without(removeScope(doors.id));
    expect(after.opening.get(opening.id)).toEqual({ ...opening, scopeId: null });
    expect(after.mark.has(run.id)).toBe(true);
  });

  it('a sheet takes its marks and its file; what was read off it stays as data', () => {
    const after = without(removeSheet(sheet.id));
    expect([after.sheet.size, after.file.size, after.mark.size, after.opening.size]).toEqual([0, 0, 0, 0]);
    expect(after.schedule.get(schedule.id)).toEqual({ ...schedule, sheetId: null });
  });

  it('a level leaves its sheets, on no level', () => {
    expect(without(removeLevel(level.id)).sheet.get(sheet.id)).not.toHaveProperty('levelId');
  });

  it('a section moves what is in it up', () => {
    expect(without(removeSection(sectionId('06'))).scope.get(wall.id)?.sectionId).toBeNull();
  });
});

describe('what stays while it is needed, and says by whom', () => {
  it('is an assembly on a scope, and a craft of an item', () => {
    expect(removeAssembly(use.assemblyId)(job)).toMatchObject({
      problem: { kind: 'assembly-in-use', scopes: ['wall'] },
    });
    const [craft] = job.craft.values();
    expect(craft && removeCraft(craft.id)(job)).toMatchObject({ problem: { kind: 'craft-in-use' } });
  });

  it('is nothing that is gone already', () => {
    expect(removeMarks([makeId('mark')])(job)).toMatchObject({ problem: { kind: 'record-gone' } });
    expect(removeSheet(makeId('sheet'))(job)).toMatchObject({ problem: { kind: 'record-gone' } });
  });
});
