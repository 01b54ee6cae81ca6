import { describe, expect, it } from '@jest/globals';
import { applyDiff, createJob, listRecords } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { createTestJob, makeMark, makeScope } from '@zest/core/testing/job';
import { copiedMarks, copyMarks, pasteMarks } from './clipboard.ts';

const { job: started, makeId, sheet } = createTestJob();
const wall = makeScope(makeId, { key: 'wall', kind: 'run', name: 'Wall' });
const doors = makeScope(makeId, { key: 'doors', kind: 'count', name: 'Doors', order: 2 });
const mark = makeMark(makeId, wall, sheet, [
  [0, 0],
  [10, 0],
]);
const opening: RecordOf<'opening'> = {
  type: 'opening',
  id: makeId('opening'),
  markId: mark.id,
  scopeId: doors.id,
  tag: '101',
  widthM: 0.9,
  heightM: 2.1,
  seat: { on: 'run', stroke: 0, along: 0.5 },
};
const other = { ...sheet, id: makeId('sheet'), order: 2 };
const job = createJob([...listRecords(started), other, wall, doors, mark, opening]);

function pasted(into: typeof job, sheetId: RecordOf<'sheet'>['id']) {
  const copied = copiedMarks();
  if (copied === undefined) throw new Error('nothing was copied');
  const { command, ids } = pasteMarks(into, copied, sheetId, makeId);
  const diff = command(into);
  if (!diff.ok) throw new Error(JSON.stringify(diff.problem));
  const after = applyDiff(into, diff.value);
  const [id] = ids;
  return { after, mark: id === undefined ? undefined : after.mark.get(id), diff: diff.value };
}

describe('copied marks', () => {
  it('come to the same place on another sheet, with the openings that sit in them', () => {
    copyMarks(job, [mark]);
    const { after, mark: copy } = pasted(job, other.id);
    expect(copy).toMatchObject({ sheetId: other.id, scopeId: wall.id, strokes: mark.strokes });
    const openings = [...after.opening.values()].filter(({ markId }) => markId === copy?.id);
    expect(openings).toMatchObject([{ tag: '101', scopeId: doors.id }]);
    expect(openings[0]?.id).not.toBe(opening.id);
  });

  it('lie beside themselves on their own sheet, so that they are seen', () => {
    copyMarks(job, [mark]);
    expect(pasted(job, sheet.id).mark?.strokes[0]?.[0]).toEqual({ x: 18, y: 18 });
  });

  it('leave their zone and the levels they are due on behind, which another job does not have', () => {
    const zone: RecordOf<'zone'> = { type: 'zone', id: makeId('zone'), name: 'East', order: 1, repeat: 2 };
    const level: RecordOf<'level'> = { type: 'level', id: makeId('level'), name: 'Up', order: 1, repeat: 1 };
    const inZone = { ...mark, zoneId: zone.id };
    const due = { ...wall, dueOn: [level.id] };
    const here = createJob([...listRecords(job), zone, level, due, inZone]);
    copyMarks(here, [inZone]);
    expect(pasted(here, other.id).mark?.zoneId).toBe(zone.id);
    const { after, mark: copy } = pasted(createJob(listRecords(started)), sheet.id);
    expect(copy).not.toHaveProperty('zoneId');
    expect([...after.scope.values()].every(({ dueOn }) => dueOn === undefined)).toBe(true);
  });

  it('bring what another job lacks, and take its scope of the same name in formulas where it has one', () => {
    copyMarks(job, [mark]);
    const own = makeScope(makeId, { key: 'wall', kind: 'run', name: 'Wall here' });
    const elsewhere = createJob([...listRecords(started), own]);
    const { after, mark: copy } = pasted(elsewhere, sheet.id);
    expect(copy?.scopeId).toBe(own.id);
    expect([...after.scope.values()].map(({ name }) => name)).toEqual(['Wall here', 'Doors']);
  });
});
