import { describe, expect, it } from '@jest/globals';
import { createJob, listRecords } from '../job/job.ts';
import type { RecordOf } from '../job/record.ts';
import { createTestJob, makeMark, makeScope } from '../testing/job.ts';
import { POINT_FORMAT } from '../units/numberFormat.ts';
import { listOpeningRows as list, nextOpeningRow as next } from './openingRows.ts';

const { job: started, makeId, sheet } = createTestJob();
const wall = makeScope(makeId, { key: 'wall', kind: 'run' });
const run = makeMark(makeId, wall, sheet, [
  [10, 10],
  [30, 10],
]);
const opening: RecordOf<'opening'> = {
  type: 'opening',
  id: makeId('opening'),
  markId: run.id,
  scopeId: null,
  tag: '101A',
  widthM: 0.9,
  heightM: 2,
  seat: { on: 'run', stroke: 0, along: 0.5 },
};
const schedule: RecordOf<'schedule'> = {
  type: 'schedule',
  id: makeId('schedule'),
  sheetId: null,
  title: 'Doors',
  columns: ['Door', 'Width', 'Height'],
  rows: [
    ['101A', `3'-0"`, `7'-0"`],
    ['101B', `6'`, `7'`],
    ['102A', 'see plan', `7'`],
    ['103A', '900 mm', '2100 mm'],
  ],
  order: 1,
};
const job = createJob([...listRecords(started), wall, run, opening, schedule]);
const listOpeningRows = (of: typeof job) => list(of, POINT_FORMAT, 'us');
const nextOpeningRow = (of: typeof job, row: ReturnType<typeof list>[number]) =>
  next(of, listOpeningRows(of), row);

describe('rows of schedules that openings are placed from', () => {
  it('are those with a tag, a width and a height that can be read, in any unit', () => {
    const rows = listOpeningRows(job);
    expect(rows.map(({ tag }) => tag)).toEqual(['101A', '101B', '103A']);
    expect(rows[0]?.widthM).toBeCloseTo(0.9144, 6);
    expect(rows[2]?.heightM).toBeCloseTo(2.1, 6);
  });

  it('are gone through one after the other, past the tags that sit in a wall, and around', () => {
    const [first, second, last] = listOpeningRows(job);
    expect(nextOpeningRow(job, first!)?.tag).toBe('101B');
    expect(nextOpeningRow(job, second!)?.tag).toBe('103A');
    expect(nextOpeningRow(job, last!)?.tag).toBe('101B');
    const all = ['101B', '103A'].map((tag) => ({ ...opening, id: makeId('opening'), tag }));
    expect(nextOpeningRow(createJob([...listRecords(job), ...all]), last!)).toBeUndefined();
  });
});
