import { bidNode } from '@zest/core/calculate/graph/nodes';
import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, jest } from '@jest/globals';
import { Calculation } from '@zest/core/calculate/calculation';
import { put } from '@zest/core/job/change';
import { EMPTY_DIFF, settingsOf } from '@zest/core/job/job';
import type { RecordOf } from '@zest/core/job/record';
import { noNews } from '../testing/locks.ts';
import { startPlainJob, storeJob } from '../testing/plainJob.ts';
import type { Services } from '../platform/services.ts';
import { type JobStore, createJobStore } from './jobStore.ts';

const { job, makeId, lineCalled } = startPlainJob('Store', 3);
const line: RecordOf<'line'> = {
  ...lineCalled('Permit'),
  quantity: '2',
  typedCost: { kind: 'other', amount: '100' },
};
let databases = 0;
let store: JobStore;
let services: Services;
/** Set to have another tab hold the job. */
let held = false;

beforeEach(async () => {
  held = false;
  const storage = await storeJob(`store-${(databases += 1)}`, 'job-a', job);
  services = {
    storage,
    now: () => 42,
    makeId,
    locks: {
      take: async (_name: string, steal: boolean) => (held && !steal ? undefined : () => undefined),
      askToSettle: async () => undefined,
      onAsked: () => () => undefined,
    },
    news: noNews,
  } as unknown as Services;
  store = createJobStore(services);
  await store.actions.openJob('job-a');
});

describe('the one door through which a job changes', () => {
  it('figures, saves and remembers a change, and tells what it did to the bid', async () => {
    expect(store.actions.transact('add a line', put(line)).ok).toBe(true);
    const { open, lastChange, revision } = store.getState();
    // A new job has no markup that nobody chose.
    expect(lastChange).toEqual({ label: 'add a line', deltaMinor: 20_000 });
    expect(open?.history.done.map(({ label }) => label)).toEqual(['add a line']);
    expect(revision).toBe(1);
    await store.actions.settled();
    expect(store.getState().save).toEqual({ state: 'saved' });
    expect((await services.storage.loadJob('job-a'))?.line.size).toBe(1);
    const [summary] = await services.storage.listJobs();
    expect(summary).toMatchObject({ totalMinor: 20_000, changedAt: 42 });
  });

  it('undoes and redoes by name, on the disk too', async () => {
    store.actions.transact('add a line', put(line));
    store.actions.undo();
    expect(store.getState().lastChange).toEqual({ label: 'Undid ‘add a line’', deltaMinor: -20_000 });
    await store.actions.settled();
    expect((await services.storage.loadJob('job-a'))?.line.size).toBe(0);
    store.actions.redo();
    expect(store.getState().open?.job.line.size).toBe(1);
    store.actions.undo();
    store.actions.undo();
    expect(store.getState().open?.job.line.size).toBe(0);
  });

  it('takes in what comes from outside with the last step: undo is for what the person did', async () => {
    const [first, second] = [
      { ...line, id: makeId('line') },
      { ...line, id: makeId('line') },
    ];
    store.actions.transact('add a line', put(line));
    store.actions.transact('add another', put(first));
    store.actions.undo();
    expect(store.actions.receive('came in', put(second)).ok).toBe(true);
    expect(store.getState().open?.history.done.map(({ label }) => label)).toEqual(['add a line']);
    // What was undone before can still be redone, after a reload too.
    await store.actions.settled();
    await store.actions.closeJob();
    await store.actions.openJob('job-a');
    store.actions.redo();
    expect([...(store.getState().open?.job.line.keys() ?? [])].sort()).toEqual(
      [line.id, first.id, second.id].sort(),
    );
    store.actions.undo();
    // What came in goes with the step it came after, so that nothing is left that hangs on what is gone.
    store.actions.undo();
    expect(store.getState().open?.job.line.size).toBe(0);
    expect(store.getState().open?.history.done).toEqual([]);
  });

  it('takes in what comes first as a step of its own', () => {
    store.actions.receive('came in', put(line));
    store.actions.undo();
    expect(store.getState().lastChange?.label).toBe('Undid ‘came in’');
    expect(store.actions.receive('wrong', put({ ...line, description: '' }))).toMatchObject({ ok: false });
  });

  it('refuses a change with its reason and leaves everything as it was', () => {
    const before = store.getState();
    const done = store.actions.transact('bad line', put({ ...line, description: '' }));
    expect(done).toMatchObject({ ok: false, problem: { kind: 'record-invalid', field: 'description' } });
    expect(store.getState()).toBe(before);
  });

  it('takes a change that changes nothing for none', () => {
    expect(store.actions.transact('same', put(settingsOf(job))).ok).toBe(true);
    expect(store.getState().revision).toBe(0);
    expect(store.getState().open?.history.done).toEqual([]);
  });

  it('only reads a job that another tab holds, until it takes over', async () => {
    held = true;
    const second = createJobStore(services);
    await second.actions.openJob('job-a');
    expect(second.actions.transact('add', put(line))).toMatchObject({ problem: { kind: 'read-only' } });
    second.actions.undo();
    await second.actions.takeOver();
    expect(second.actions.transact('add', put(line)).ok).toBe(true);
  });

  it('changes nothing where the figures cannot follow, and goes on from there', () => {
    const total = (): unknown => store.getState().open?.figures.figure(bidNode('total'));
    const before = total();
    const { open } = store.getState();
    if (open === undefined) throw new Error('no job is open');
    jest.spyOn(Calculation.prototype, 'apply').mockImplementationOnce(() => {
      throw new Error('a mistake of the program');
    });
    expect(store.actions.transact('add a line', put(line))).toEqual({
      ok: false,
      problem: { kind: 'not-figured', label: 'add a line', reason: 'a mistake of the program' },
    });
    expect(store.getState().open).toMatchObject({ job: open.job, history: open.history });
    expect(total()).toEqual(before);
    expect(store.actions.transact('add a line', put(line)).ok).toBe(true);
    expect(total()).not.toEqual(before);
  });

  it('undoes after the job was closed and opened again, by name, what another tab did too', async () => {
    store.actions.transact('add a line', put(line));
    store.actions.transact('name the permit', put({ ...line, description: 'Permit fee' }));
    store.actions.undo();
    await store.actions.settled();
    const again = createJobStore(services);
    await again.actions.openJob('job-a');
    const labels = () => {
      const { done = [], undone = [] } = again.getState().open?.history ?? {};
      return [done.map(({ label }) => label), undone.map(({ label }) => label)];
    };
    expect(labels()).toEqual([['add a line'], ['name the permit']]);
    again.actions.redo();
    expect(again.getState().open?.job.line.get(line.id)?.description).toBe('Permit fee');
    again.actions.undo();
    again.actions.undo();
    expect(again.getState().open?.job.line.size).toBe(0);
    await again.actions.settled();
    const third = createJobStore(services);
    await third.actions.openJob('job-a');
    expect(third.getState().open?.history.undone).toHaveLength(2);
    expect(third.getState().open?.job.line.size).toBe(0);
  });

  it('says what the bid was when it was last saved, where it is another now', async () => {
    expect(store.getState().drift).toBeUndefined();
    store.actions.transact('add a line', put(line));
    await store.actions.settled();
    const again = createJobStore(services);
    await again.actions.openJob('job-a');
    expect(again.getState().drift).toBeUndefined();
    // As an earlier version of the program figured it.
    await services.storage.saveDiff('job-a', EMPTY_DIFF, { totalMinor: 12_345 });
    const later = createJobStore(services);
    await later.actions.openJob('job-a');
    expect(later.getState().drift).toEqual({ fromMinor: 12_345 });
    held = true;
    const reader = createJobStore(services);
    await reader.actions.openJob('job-a');
    expect(reader.getState().drift).toBeUndefined();
    held = false;
    later.actions.seeDrift();
    expect(later.getState().drift).toBeUndefined();
  });

  it('says that a job is missing, in place of opening an empty one', async () => {
    await store.actions.openJob('job-gone');
    expect(store.getState()).toMatchObject({ missing: true, open: undefined });
    expect(() => store.actions.transact('add', put(line))).toThrow('no job is open');
  });
});
