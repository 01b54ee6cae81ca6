import { describe, expect, it } from '@jest/globals';
import { componentLine } from '../lineKey.ts';
import { createTestJob, makeMark, makeScope } from '../../testing/job.ts';
import { makeOpening } from '../../testing/records.ts';
import { type Command, remove } from '../change.ts';
import { checkJob } from '../integrity.ts';
import { type Job, applyDiff, createJob, invertDiff, listRecords } from '../job.ts';
import type { RecordOf } from '../record.ts';
import {
  removeAlternate,
  removeAssembly,
  removeCraft,
  removeCrew,
  removeLevel,
  removeMarks,
  removePackage,
  removeQuote,
  removeRegion,
  removeScope,
  removeSection,
  removeSheet,
} from './removeWith.ts';
import {
  makeAlternate,
  makeCrew,
  makeMarkup,
  makePackage,
  makeQuote,
  makeRegion,
} from '../../testing/records.ts';

const { job: started, makeId, sheet, sectionId, assembly } = createTestJob();
const wall = makeScope(makeId, { key: 'wall', kind: 'run', sectionId: sectionId('06') });
const doors = makeScope(makeId, { key: 'doors', kind: 'count', order: 2 });
const run = makeMark(makeId, wall, sheet, [
  [0, 0],
  [20, 0],
]);
const point = makeMark(makeId, doors, sheet, [[3, 3]]);
const opening = makeOpening(makeId, { markId: run.id, scopeId: doors.id });
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
const [carpenter] = started.craft.values();
if (carpenter === undefined) throw new Error('removeWith: no craft');
const crew = makeCrew(makeId, {
  name: 'Framers',
  members: [{ craftId: carpenter.id, count: 2 }],
});
const region = makeRegion(makeId, {
  name: 'Island',
  material: 1.1,
  labor: 1,
  equipment: 1,
});
const alternate = makeAlternate(makeId, {
  name: 'Cedar fence',
});
const pack = makePackage(makeId, {
  name: 'Roofing',
  sectionId: sectionId('06'),
  alternate: { id: alternate.id, as: 'adds' },
});
const quote = makeQuote(makeId, {
  packageId: pack.id,
  company: 'Roofer',
  amount: '900',
});
const crewLine: RecordOf<'line'> = {
  type: 'line',
  id: makeId('line'),
  sectionId: sectionId('06'),
  order: 1,
  description: 'Framing days',
  quantity: '3',
  unit: 'day',
  itemCode: '',
  typedCost: null,
  crewId: crew.id,
  alternate: { id: alternate.id, as: 'drops' },
};
const overridden: RecordOf<'override'> = {
  type: 'override',
  id: makeId('override'),
  line: componentLine(use.id, assembly('Stud').components[0]?.key ?? ''),
  pinned: '12',
  sectionId: sectionId('06'),
};
const onSection: RecordOf<'adjustment'> = {
  type: 'adjustment',
  id: makeId('adjustment'),
  name: 'Tight site',
  kinds: ['labor'],
  percent: '8',
  on: { what: 'section', sectionId: sectionId('06') },
  order: 1,
};
const yardstick: RecordOf<'yardstick'> = {
  type: 'yardstick',
  id: makeId('yardstick'),
  name: 'Framing per foot',
  of: 'hours',
  on: { what: 'section', sectionId: sectionId('06') },
  driver: '100',
  unit: 'ft',
  low: '',
  high: '2',
  order: 1,
};
const job = createJob([
  ...[...listRecords(started)].map((record) =>
    record.type === 'settings' ? { ...record, regionId: region.id } : record,
  ),
  crew,
  region,
  alternate,
  { ...pack, takenId: quote.id },
  quote,
  crewLine,
  overridden,
  onSection,
  yardstick,
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
function without(command: Command, from: Job = job): Job {
  const diff = command(from);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const after = applyDiff(from, diff.value);
  expect(checkJob(after)).toBeUndefined();
  const back = applyDiff(after, invertDiff(diff.value));
  const sorted = (of: Job): unknown[] => [...listRecords(of)].sort((a, b) => (a.id < b.id ? -1 : 1));
  expect(sorted(back)).toEqual(sorted(from));
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

  it('a section moves what is in it up, and takes what was said of it alone', () => {
    const after = without(removeSection(sectionId('06')));
    expect(after.scope.get(wall.id)?.sectionId).toBeNull();
    expect(after.line.get(crewLine.id)?.sectionId).toBeNull();
    expect(after.package.get(pack.id)?.sectionId).toBeNull();
    // A line that was moved there goes back under what was measured, with its pinned quantity.
    expect(after.override.get(overridden.id)).toMatchObject({ pinned: '12' });
    expect(after.override.get(overridden.id)).not.toHaveProperty('sectionId');
    expect([after.adjustment.size, after.yardstick.size]).toEqual([0, 0]);
  });

  it('an alternate leaves what stood in it in the base', () => {
    const after = without(removeAlternate(alternate.id));
    expect(after.line.get(crewLine.id)).not.toHaveProperty('alternate');
    expect(after.package.get(pack.id)).not.toHaveProperty('alternate');
  });

  it('a package takes its quotes; a taken quote leaves its package without one', () => {
    const after = without(removePackage(pack.id));
    expect([after.package.size, after.quote.size]).toEqual([0, 0]);
    expect(without(removeQuote(quote.id)).package.get(pack.id)?.takenId).toBeNull();
  });

  it('a region leaves the job in none', () => {
    const [settings] = without(removeRegion(region.id)).settings.values();
    expect(settings).not.toHaveProperty('regionId');
  });

  it('a line is forgotten by all that speaks of it', () => {
    const other: RecordOf<'line'> = { ...crewLine, id: makeId('line') };
    const rated = makeMarkup(makeId, {
      name: 'Profit',
      order: 9,
      rates: [
        { on: crewLine.id, percent: '4' },
        { on: sectionId('06'), percent: '5' },
      ],
    });
    const adjusted = (...lines: readonly string[]): RecordOf<'adjustment'> => ({
      ...onSection,
      id: makeId('adjustment'),
      on: { what: 'lines', lines: [...lines] },
    });
    const [both, one] = [adjusted(crewLine.id, other.id), adjusted(crewLine.id)];
    const measured: RecordOf<'yardstick'> = {
      ...yardstick,
      id: makeId('yardstick'),
      on: { what: 'line', line: crewLine.id },
    };
    const asked: RecordOf<'package'> = {
      ...pack,
      id: makeId('package'),
      by: 'lines',
      lines: [crewLine.id, overridden.line],
    };
    const busy = createJob([...listRecords(job), other, rated, both, one, measured, asked]);
    const after = without(remove(crewLine.id), busy);
    expect(after.markup.get(rated.id)?.rates).toEqual([{ on: sectionId('06'), percent: '5' }]);
    expect(after.adjustment.get(both.id)?.on).toEqual({ what: 'lines', lines: [other.id] });
    expect(after.package.get(asked.id)?.lines).toEqual([overridden.line]);
    // About nothing any more.
    expect([after.adjustment.has(one.id), after.yardstick.has(measured.id)]).toEqual([false, false]);

    // A section's rate goes with the section, and the lines of an assembly with what it was on.
    expect(without(removeSection(sectionId('06')), busy).markup.get(rated.id)?.rates).toEqual([
      { on: crewLine.id, percent: '4' },
    ]);
    expect(without(removeScope(wall.id), busy).package.get(asked.id)?.lines).toEqual([crewLine.id]);
  });

  it('an assembly that is taken off takes what was said of its lines', () => {
    const after = without(removeScope(wall.id));
    expect(after.override.size).toBe(0);
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

  it('is a crew that lines work by, and a craft of a crew', () => {
    expect(removeCrew(crew.id)(job)).toMatchObject({
      problem: { kind: 'crew-in-use', name: 'Framers', count: 1 },
    });
    const free = createJob([...listRecords(job)].filter(({ id }) => id !== crewLine.id));
    expect(removeCrew(crew.id)(free)).toMatchObject({ ok: true });
    expect(removeCraft(carpenter.id)(job)).toMatchObject({ problem: { kind: 'craft-in-use' } });
  });

  it('is nothing that is gone already', () => {
    expect(removeMarks([makeId('mark')])(job)).toMatchObject({ problem: { kind: 'record-gone' } });
    expect(removeSheet(makeId('sheet'))(job)).toMatchObject({ problem: { kind: 'record-gone' } });
  });
});
