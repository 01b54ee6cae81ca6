import { freeLocks, noNews } from '../testing/locks.ts';
import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from '@jest/globals';
import { put } from '@zest/core/job/change';
import { type Job, createJob, listRecords } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import { createTestJob, makeMark, makeScope } from '@zest/core/testing/job';
import { storeJob } from '../testing/plainJob.ts';
import type { Services } from '../platform/services.ts';
import type { Stores } from '../stores/context.tsx';
import { createJobStore } from '../stores/jobStore.ts';
import { createViewStore } from '../stores/viewStore.ts';
import { type MarkSelection, createMarkSelection } from './markSelection.ts';

const { job: started, makeId, sheet } = createTestJob();
const wall = makeScope(makeId, { key: 'wall', kind: 'run' });
const other = makeScope(makeId, { key: 'other', kind: 'run', order: 2 });
const ofWall = makeMark(makeId, wall, sheet, [
  [0, 0],
  [10, 0],
]);
const fixed: Mark = {
  ...makeMark(makeId, wall, sheet, [
    [5, 5],
    [9, 9],
  ]),
  locked: true,
};
const ofOther = makeMark(makeId, other, sheet, [
  [0, 20],
  [10, 20],
]);
const job = createJob([...listRecords(started), wall, other, ofWall, fixed, ofOther]);

let stores: Stores;
let hand: MarkSelection;
let databases = 0;
const jobNow = (): Job => {
  const open = stores.jobs.getState().open;
  if (open === undefined) throw new Error('no job is open');
  return open.job;
};
const selected = (): string[] => [...stores.view.getState().selectedMarks];
const press = (key: string): boolean => hand.command({ key } as KeyboardEvent);

beforeEach(async () => {
  const storage = await storeJob(`hand-${(databases += 1)}`, 'job-a', job);
  const services = {
    storage,
    now: () => 1,
    makeId,
    locks: freeLocks,
    news: noNews,
  } as unknown as Services;
  const jobs = createJobStore(services);
  await jobs.actions.openJob('job-a');
  const view = createViewStore({ getItem: () => null, setItem: () => undefined });
  stores = { jobs, view, services } as Stores;
  hand = createMarkSelection(
    stores,
    () => ({ job: jobNow(), sheet, selectedIds: view.getState().selectedMarks, vertex: undefined }),
    () => undefined,
  );
});

describe('the selected marks', () => {
  it('are all of the scope in hand with one key, all of the sheet without one, and only what is shown', () => {
    stores.view.setState({ penScope: wall.id });
    expect(press('a')).toBe(true);
    expect(selected().sort()).toEqual([ofWall.id, fixed.id].sort());
    stores.view.setState({ penScope: undefined, hidden: new Set([wall.id]) });
    press('a');
    expect(selected()).toEqual([ofOther.id]);
  });

  it('are nudged together as one step, save those locked in place', () => {
    stores.view.setState({ selectedMarks: new Set([ofWall.id, fixed.id]) });
    expect(hand.nudge(3, -2)).toBe(true);
    expect(jobNow().mark.get(ofWall.id)?.strokes[0]?.[0]).toEqual({ x: 3, y: -2 });
    expect(jobNow().mark.get(fixed.id)).toEqual(fixed);
    expect(stores.jobs.getState().open?.history.done).toHaveLength(1);
    stores.view.setState({ selectedMarks: new Set([fixed.id]) });
    expect(hand.nudge(1, 1)).toBe(false);
  });

  it('are cut and pasted, and the pasted ones are in hand', () => {
    stores.view.setState({ selectedMarks: new Set([ofWall.id]) });
    press('x');
    expect(jobNow().mark.has(ofWall.id)).toBe(false);
    expect(press('v')).toBe(true);
    const [id] = selected();
    expect(jobNow().mark.get(id as Mark['id'])).toMatchObject({ scopeId: wall.id, sheetId: sheet.id });
    stores.jobs.actions.undo();
    stores.jobs.actions.undo();
    expect(jobNow().mark.get(ofWall.id)).toEqual(ofWall);
  });

  it('are deleted by name; nothing in hand deletes nothing', () => {
    hand.removeSelected();
    expect(stores.jobs.getState().open?.history.done).toEqual([]);
    stores.view.setState({ selectedMarks: new Set([ofWall.id, ofOther.id, fixed.id]) });
    hand.removeSelected();
    expect([...jobNow().mark.keys()]).toEqual([fixed.id]);
    expect(stores.jobs.getState().open?.history.done.at(-1)?.label).toBe('delete 2 marks');
  });

  it('leave other keys alone', () => {
    expect(press('s')).toBe(false);
    expect(press('c')).toBe(false);
    expect(stores.jobs.actions.transact('rename', put({ ...wall, name: 'Wall' })).ok).toBe(true);
  });
});
