import { describe, expect, it } from '@jest/globals';
import { Calculation } from '@zest/core/calculate/calculation';
import { point } from '@zest/core/geometry/point';
import { createJob, inOrder, listRecords } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { createTestJob, makeMark, makeScope } from '@zest/core/testing/job';
import { caughtBy } from './boxes.ts';
import { copyToSheet } from './clipboard.ts';
import { colorChoice } from './colorChoice.ts';
import { legendRows } from './legendRows.ts';

const { job: started, makeId, sheet } = createTestJob();
const wall = makeScope(makeId, { key: 'wall', name: 'Wall', kind: 'run', color: 4 });
const doors = makeScope(makeId, { key: 'doors', name: 'Doors', kind: 'count', order: 2 });
const run = makeMark(makeId, wall, sheet, [
  [10, 10],
  [30, 10],
]);
const opening: RecordOf<'opening'> = {
  type: 'opening',
  id: makeId('opening'),
  markId: run.id,
  scopeId: doors.id,
  tag: '101A',
  widthM: 0.9,
  heightM: 2,
  seat: { on: 'run', stroke: 0, along: 0.5 },
};
const job = createJob([...listRecords(started), wall, doors, run, opening]);

describe('what a box or a loop catches', () => {
  it('is what lies in it whole', () => {
    expect(caughtBy({ from: point(300, 120), to: point(60, 60) })(run)).toBe(true);
    expect(caughtBy({ from: point(60, 60), to: point(200, 120) })(run)).toBe(false);
    const loop = [point(60, 60), point(300, 60), point(300, 120), point(60, 120)];
    expect(caughtBy({ from: point(60, 60), to: point(60, 120), lasso: loop })(run)).toBe(true);
    expect(caughtBy({ from: point(60, 60), to: point(60, 120), lasso: loop.slice(0, 2) })(run)).toBe(false);
  });
});

describe('colors', () => {
  it('are the scope’s own, or follow its section, its level or its zone', () => {
    const sections = inOrder(job.section.values());
    const filed = { ...wall, sectionId: sections[2]?.id ?? null };
    const zone: RecordOf<'zone'> = { type: 'zone', id: makeId('zone'), name: 'East', order: 1, repeat: 1 };
    const zoned = createJob([...listRecords(job), zone]);
    expect(colorChoice(job, 'scope', undefined)(wall, undefined)).toBe(4);
    expect(colorChoice(job, 'section', undefined)(filed, undefined)).toBe(2);
    expect(colorChoice(zoned, 'zone', undefined)(wall, zone.id)).toBe(0);
    // What belongs nowhere is gray, whatever its own color.
    const gray = colorChoice(job, 'section', undefined)(wall, undefined);
    expect(colorChoice(zoned, 'zone', undefined)(wall, undefined)).toBe(gray);
    expect(colorChoice(job, 'level', undefined)(wall, undefined)).toBe(gray);
  });
});

describe('the legend of a sheet', () => {
  it('has what is on it with how much, openings in the count they are of, and nothing hidden', () => {
    const display = { system: 'us', numbers: { decimal: '.', group: ',' } } as Parameters<
      typeof legendRows
    >[2];
    const all = { hidden: new Set<string>(), alone: undefined, colorBy: 'scope' } as const;
    const rows = legendRows(new Calculation(job).figures, sheet, display, all);
    expect(rows.map(({ scope, figure }) => [scope.name, figure])).toEqual([
      ['Wall', '20′-0″'],
      ['Doors', '1 ea'],
    ]);
    const noWall = { ...all, hidden: new Set([wall.id]) };
    expect(legendRows(new Calculation(job).figures, sheet, display, noWall)).toHaveLength(1);
    // Told apart by zones, a scope in two of them shows both colors, as its marks do.
    const zones = ['East', 'West'].map((name, index): RecordOf<'zone'> => ({
      type: 'zone',
      id: makeId('zone'),
      name,
      order: index + 1,
      repeat: 1,
    }));
    const halves = zones.map(({ id }): RecordOf<'mark'> => ({ ...run, id: makeId('mark'), zoneId: id }));
    const zoned = new Calculation(createJob([...listRecords(job), ...zones, ...halves])).figures;
    const colorsOf = (view: Parameters<typeof legendRows>[3]) =>
      legendRows(zoned, sheet, display, view)[0]?.colors;
    expect(colorsOf(all)).toEqual([wall.color]);
    const gray = colorChoice(job, 'zone', undefined)(wall, undefined);
    expect(colorsOf({ ...all, colorBy: 'zone' })).toEqual([gray, 0, 1]);
    expect(colorsOf({ ...all, colorBy: 'zone', hidden: new Set([zones[1]?.id ?? '']) })).toEqual([gray, 0]);
  });
});

describe('marks copied to another sheet', () => {
  it('stand at the same place in the same scope, with their openings', () => {
    const above: RecordOf<'sheet'> = { ...sheet, id: makeId('sheet'), number: 'A-102', order: 2 };
    const copied = copyToSheet(createJob([...listRecords(job), above]), [run], above.id, makeId);
    const diff = copied.command(createJob([...listRecords(job), above]));
    expect(diff.ok && diff.value.added.map(({ type }) => type)).toEqual(['mark', 'opening']);
    expect(diff.ok && diff.value.added[0]).toMatchObject({
      strokes: run.strokes,
      sheetId: above.id,
      scopeId: wall.id,
    });
  });
});
