import { freeLocks, noNews } from '../testing/locks.ts';
import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { createStore } from 'zustand/vanilla';
import { createJob, listRecords, type Job } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import { createTestJob, makeMark, makeScope } from '@zest/core/testing/job';
import type { Services } from '../platform/services.ts';
import type { Stores } from '../stores/context.tsx';
import { createJobStore } from '../stores/jobStore.ts';
import { createViewStore } from '../stores/viewStore.ts';
import { storeJob } from '../testing/plainJob.ts';
import type { Viewport, ViewportState } from './viewport.ts';
import { feedMarks } from './marksFeed.ts';
import { type PointerKeys, type Session, createSession } from './session.ts';
import { createSnapper } from './snapper.ts';
import { createHitIndex } from './tools/hitIndex.ts';

const at = (x: number, y: number) => ({ x, y });

const { job: started, makeId, sheet } = createTestJob();
const other: Sheet = { ...sheet, id: makeId('sheet'), number: 'A-2', order: 2 };
const wall = makeScope(makeId, { key: 'wall', kind: 'run' });
const floor = makeScope(makeId, { key: 'deck', kind: 'area', order: 2 });
const slab = makeScope(makeId, { key: 'slab', kind: 'area', order: 3 });
const drawn: Mark = {
  ...makeMark(makeId, wall, sheet),
  strokes: [[at(100, 100), at(300, 100)]],
};
const job = createJob([...listRecords(started), other, wall, floor, slab, drawn]);

const FREE: PointerKeys = { button: 0, shiftKey: false, ctrlKey: false, metaKey: false, timeStamp: 0 };

let stores: Stores;
let session: Session;
let stop: () => void;
let clockMs = 0;
let databases = 0;

const jobNow = (): Job => {
  const open = stores.jobs.getState().open;
  if (open === undefined) throw new Error('no job is open');
  return open.job;
};
const marksOn = (of: Sheet): readonly Mark[] =>
  [...jobNow().mark.values()].filter(({ sheetId }) => sheetId === of.id);
const strokesOf = ({ id }: Mark): Mark['strokes'] | undefined => jobNow().mark.get(id)?.strokes;
const click = (x: number, y: number): void => {
  clockMs += 1000;
  const keys = { ...FREE, timeStamp: clockMs };
  session.onMove(at(x, y), keys);
  if (session.onDown(at(x, y), keys) === 'drag') session.onDrop();
  else session.onClick(at(x, y), keys);
};
const key = (name: string): boolean =>
  session.onKey({ key: name, type: 'keydown', shiftKey: false } as KeyboardEvent);

beforeEach(async () => {
  const storage = await storeJob(`session-${(databases += 1)}`, 'job-a', job);
  const services = { storage, now: () => 1, makeId, locks: freeLocks, news: noNews } as unknown as Services;
  const jobs = createJobStore(services);
  await jobs.actions.openJob('job-a');
  const view = createViewStore({ getItem: () => null, setItem: () => undefined });
  stores = { jobs, view, services } as Stores;
  const viewport = {
    store: createStore<ViewportState>(() => ({
      camera: { scale: 1, x: 0, y: 0 },
      screen: { width: 800, height: 600 },
      drawn: 'sharp',
    })),
    marks: { skip: () => undefined, load: () => undefined, change: () => undefined },
  } as unknown as Viewport;
  const hits = createHitIndex();
  const stopFeed = feedMarks(jobs, sheet.id, viewport, hits);
  const snapper = createSnapper(hits, () => undefined);
  snapper.choose({ on: true, marks: true });
  session = createSession({ stores, viewport, hits, snapper }, sheet.id);
  stop = () => {
    session.end();
    stopFeed();
  };
});
afterEach(() => stop());

describe('gestures that follow each other faster than the screen is drawn', () => {
  it('drag an end that was selected by the click before', () => {
    click(200, 100);
    expect(session.onDown(at(300, 100), FREE)).toBe('drag');
    session.onDragged(at(310, 140));
    session.onDragged(at(320, 160));
    session.onDrop();
    expect(strokesOf(drawn)).toEqual([[at(100, 100), at(320, 160)]]);
  });

  it('hit a mark where a change has just put it', () => {
    click(200, 100);
    session.onDown(at(200, 101), FREE);
    session.onDragged(at(200, 401));
    session.onDrop();
    key('Escape');
    click(200, 400);
    expect([...stores.view.getState().selectedMarks]).toEqual([drawn.id]);
  });

  it('change nothing where a mark is put back to its place', () => {
    const before = jobNow();
    click(200, 100);
    session.onDown(at(300, 100), FREE);
    session.onDragged(at(340, 100));
    session.onDragged(at(300, 100));
    session.onDrop();
    expect(jobNow()).toBe(before);
  });
});

describe('what is being drawn', () => {
  beforeEach(() => stores.view.setState({ tool: 'run', penScope: wall.id }));

  it('stays on its own sheet when the sheet is turned', () => {
    click(0, 300);
    click(50, 300);
    session.show(other.id);
    expect(marksOn(sheet)).toHaveLength(2);
    expect(marksOn(other)).toHaveLength(0);
    click(0, 20);
    click(90, 20);
    key('Enter');
    expect(marksOn(other).map(({ strokes }) => strokes)).toEqual([[[at(0, 20), at(90, 20)]]]);
  });

  it('goes to its own scope when another scope is chosen with its tool, which then draws that one', () => {
    click(0, 300);
    click(50, 300);
    stores.view.setState({ tool: 'area', penScope: floor.id });
    expect(marksOn(sheet).map(({ scopeId }) => scopeId)).toEqual([wall.id, wall.id]);
    expect(stores.view.getState()).toMatchObject({ tool: 'area', penScope: floor.id });
    click(0, 0);
    click(50, 0);
    click(50, 50);
    key('Enter');
    expect(marksOn(sheet).at(-1)?.scopeId).toBe(floor.id);
  });

  it('is kept when the page is left', () => {
    click(0, 300);
    click(50, 300);
    session.end();
    expect(marksOn(sheet)).toHaveLength(2);
  });

  it('takes letters of a unit as text, and as keys of its own only when nothing is typed', () => {
    click(0, 300);
    session.onMove(at(40, 300), FREE);
    for (const each of '6 in') key(each);
    expect(session.store.getState().draft.typed).toBe('6 in');
    key('Enter');
    key('n');
    expect(session.store.getState()).toMatchObject({ draft: { typed: '' }, snap: undefined });
  });

  it('is snapped to the end of a mark, goes on to the next place by Tab, and is free with N', () => {
    session.onMove(at(298, 102), FREE);
    const first = session.store.getState().pointer;
    expect(first).toEqual(at(300, 100));
    key('Tab');
    expect(session.store.getState().pointer).not.toEqual(first);
    key('n');
    session.onMove(at(298, 102), FREE);
    expect(session.store.getState().pointer).toEqual(at(298, 102));
  });
});

describe('a key', () => {
  it('leaves a tool by Escape, and lets go of the selection by the next', () => {
    click(200, 100);
    stores.view.setState({ tool: 'scale' });
    expect(key('Escape')).toBe(true);
    expect(stores.view.getState().tool).toBe('select');
    key('Escape');
    expect(stores.view.getState().selectedMarks.size).toBe(0);
  });

  it('that means nothing to the tool is left to others', () => {
    expect(key('l')).toBe(false);
    expect(key('Tab')).toBe(false);
  });

  it('takes back the last thing counted', () => {
    stores.view.setState({ tool: 'count' });
    click(10, 10);
    click(40, 10);
    expect(marksOn(sheet)).toHaveLength(3);
    expect(key('Backspace')).toBe(true);
    expect(marksOn(sheet)).toHaveLength(2);
  });
});

describe('two points', () => {
  it('are picked one after the other, and let go of with the tool', () => {
    stores.view.setState({ tool: 'check' });
    click(10, 500);
    click(60, 500);
    expect(session.store.getState().two).toMatchObject({ a: at(10, 500), b: at(60, 500) });
    key('Backspace');
    expect(session.store.getState().two.b).toBeUndefined();
    stores.view.setState({ tool: 'select' });
    expect(session.store.getState().two.a).toBeUndefined();
  });
});
