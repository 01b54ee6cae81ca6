import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from '@jest/globals';
import { put } from '@zest/core/job/change';
import { listRecords } from '@zest/core/job/job';
import { createChance } from '@zest/core/testing/job';
import type { RecordOf } from '@zest/core/job/record';
import { bidNode } from '@zest/core/calculate/graph/nodes';
import type { Diff } from '@zest/core/job/job';
import type { JobNews } from '../platform/jobNews.ts';
import type { Locks } from '../platform/locks.ts';
import { startPlainJob, storeJob } from '../testing/plainJob.ts';
import type { Services } from '../platform/services.ts';
import { type JobStore, createJobStore } from '../stores/jobStore.ts';
import { openDatabase } from './database.ts';
import { purgeDeleted, UNDO_DELETE_MS } from './jobFiles.ts';
import { type JobStorage, WriteRefused, createJobStorage, summarize } from './jobStorage.ts';

const { job, makeId, lineCalled } = startPlainJob('Shared', 5);

/** Locks as a browser has them between its tabs. */
function sharedLocks(): Locks {
  const held = new Map<string, () => void>();
  const asked = new Map<string, () => Promise<number>>();
  return {
    take: async (name, steal, onLost) => {
      const lose = held.get(name);
      if (lose !== undefined && !steal) return undefined;
      held.set(name, onLost);
      lose?.();
      return () => {
        if (held.get(name) === onLost) held.delete(name);
      };
    },
    askToSettle: async (name) => await asked.get(name)?.(),
    onAsked: (name, settle) => {
      asked.set(name, settle);
      return () => {
        if (asked.get(name) === settle) asked.delete(name);
      };
    },
  };
}

/** News as they go between the tabs of a browser: copied, and a moment later. */
function sharedNews(): { readonly ofTab: () => JobNews } {
  const tabs = new Set<{ readonly jobId: string; readonly heard: (diff: Diff) => void }>();
  return {
    ofTab: () => {
      let own: (typeof tabs extends Set<infer Tab> ? Tab : never) | undefined;
      return {
        tell: (jobId, diff) => {
          const others = [...tabs].filter((tab) => tab !== own && tab.jobId === jobId);
          const copy = structuredClone(diff);
          queueMicrotask(() => {
            for (const { heard } of others) heard(copy);
          });
        },
        hear: (jobId, heard) => {
          const tab = (own = { jobId, heard });
          tabs.add(tab);
          return () => void tabs.delete(tab);
        },
      };
    },
  };
}

let databases = 0;
let news: ReturnType<typeof sharedNews>;
let storage: JobStorage;
let locks: Locks;
let now = 1_000_000;
/** The disk of one tab can be made to refuse. */
const refusing = new Set<string>();

function tab(name: string): JobStore {
  const own: JobStorage = {
    ...storage,
    saveDiff: async (...asked) => {
      if (refusing.has(name)) throw new DOMException('full', 'QuotaExceededError');
      await storage.saveDiff(...asked);
    },
  };
  return createJobStore({
    storage: own,
    now: () => now,
    makeId,
    locks,
    news: news.ofTab(),
  } as unknown as Services);
}

const names = async (): Promise<readonly string[]> =>
  [...((await storage.loadJob('job-a'))?.line.values() ?? [])].map(({ description }) => description).sort();

beforeEach(async () => {
  refusing.clear();
  now = 1_000_000;
  locks = sharedLocks();
  news = sharedNews();
  storage = await storeJob(`tabs-${(databases += 1)}`, 'job-a', job);
});

describe('two tabs on one job', () => {
  it('hand over only what is on the disk: the take-over waits for the queue of the other', async () => {
    const [a, b] = [tab('a'), tab('b')];
    await a.actions.openJob('job-a');
    await b.actions.openJob('job-a');
    expect(b.getState().readOnly).toBe(true);
    a.actions.transact('add', put(lineCalled('by a')));
    expect(await b.actions.takeOver()).toMatchObject({ ok: true });
    expect([...(b.getState().open?.job.line.values() ?? [])].map(({ description }) => description)).toEqual([
      'by a',
    ]);
    expect(a.getState().readOnly).toBe(true);
    expect(a.actions.transact('add', put(lineCalled('too late')))).toMatchObject({
      problem: { kind: 'read-only' },
    });
    b.actions.transact('add', put(lineCalled('by b')));
    await b.actions.settled();
    expect(await names()).toEqual(['by a', 'by b']);
  });

  it('say what a take-over would leave behind, and the store refuses it ever after', async () => {
    const [a, b] = [tab('a'), tab('b')];
    await a.actions.openJob('job-a');
    await b.actions.openJob('job-a');
    refusing.add('a');
    a.actions.transact('add', put(lineCalled('never saved')));
    await a.actions.settled();
    expect(await b.actions.takeOver()).toEqual({ ok: false, problem: { kind: 'takeover-theirs', count: 1 } });
    // The first tab may go on meanwhile.
    expect(a.getState().readOnly).toBe(false);
    expect(await b.actions.takeOver(true)).toMatchObject({ ok: true });
    expect(a.getState()).toMatchObject({ readOnly: true, save: { state: 'failed', lost: 'taken' } });
    b.actions.transact('add', put(lineCalled('newer')));
    await b.actions.settled();
    refusing.clear();
    a.actions.retrySave();
    await a.actions.settled();
    expect(a.getState().save).toMatchObject({ state: 'failed', lost: 'taken' });
    expect(a.actions.unsaved()).toBe(1);
    expect(await names()).toEqual(['newer']);
    // To come back, the first tab must first let go of what it has.
    expect(await a.actions.takeOver()).toEqual({ ok: false, problem: { kind: 'takeover-own', count: 1 } });
    expect(await a.actions.takeOver(true)).toMatchObject({ ok: true });
    expect([...(a.getState().open?.job.line.values() ?? [])].map(({ description }) => description)).toEqual([
      'newer',
    ]);
  });

  it('cannot write by an old generation, whatever the locks say', async () => {
    const first = await storage.claim('job-a');
    const second = await storage.claim('job-a');
    expect([first, second]).toEqual([1, 2]);
    const diff = put(lineCalled('old'))(job);
    if (!diff.ok) throw new Error('must be accepted');
    await expect(storage.saveDiff('job-a', diff.value, {}, { generation: first })).rejects.toThrow(
      WriteRefused,
    );
    expect(await names()).toEqual([]);
    await storage.saveDiff('job-a', diff.value, {}, { generation: second });
    expect(await names()).toEqual(['old']);
  });

  it('never mix up what each of them wrote, however they take turns', async () => {
    const tabs = [tab('a'), tab('b'), tab('c')] as const;
    for (const each of tabs) await each.actions.openJob('job-a');
    const chance = createChance(11);
    const kept: string[] = [];
    for (let round = 0; round < 40; round += 1) {
      const each = tabs[Math.floor(chance() * 3)] ?? tabs[0];
      expect(await each.actions.takeOver()).toMatchObject({ ok: true });
      const name = `line ${round}`;
      expect(each.actions.transact('add', put(lineCalled(name))).ok).toBe(true);
      kept.push(name);
      if (chance() < 0.5) await each.actions.settled();
    }
    for (const each of tabs) await each.actions.settled();
    expect(await names()).toEqual([...kept].sort());
  });
});

describe('a job that was deleted', () => {
  it('can be brought back for a day, and is never purged while a tab has it', async () => {
    const services = { storage, now: () => now, locks } as unknown as Services;
    await storage.markDeleted('job-a', now);
    await purgeDeleted(services);
    await storage.markDeleted('job-a', null);
    expect((await storage.loadJob('job-a'))?.settings.size).toBe(1);
    const open = tab('a');
    await open.actions.openJob('job-a');
    await storage.markDeleted('job-a', now);
    now += UNDO_DELETE_MS + 1;
    await purgeDeleted(services);
    open.actions.transact('add', put(lineCalled('still here')));
    await open.actions.settled();
    expect(await names()).toEqual(['still here']);
    await open.actions.closeJob();
    await purgeDeleted(services);
    expect(await storage.getSummary('job-a')).toBeUndefined();
    expect(await storage.loadJob('job-a')).toBeUndefined();
  });

  it('that is gone says so to whoever still changes it, in place of Saved', async () => {
    const open = tab('a');
    await open.actions.openJob('job-a');
    await storage.removeJob('job-a');
    open.actions.transact('add', put(lineCalled('where to?')));
    await open.actions.settled();
    expect(open.getState().save).toMatchObject({ state: 'failed', lost: 'gone' });
    expect(open.actions.unsaved()).toBe(1);
  });
});

describe('jobs that are put in together', () => {
  const stored = (id: string) => ({
    id,
    summary: () => summarize(job, { id, createdAt: 1, changedAt: 1 }, 0),
    records: [...listRecords(job)],
    files: new Map<string, Blob>(),
  });

  it('are put in once, by whichever tab comes first', async () => {
    const done = await Promise.all([1, 2, 3].map((n) => storage.createJobs([stored(`demo-${n}`)], 'demo')));
    expect(done.filter(Boolean)).toHaveLength(1);
    expect((await storage.listJobs()).filter(({ id }) => id.startsWith('demo'))).toHaveLength(1);
  });

  it('are all there or none: what fails on the way leaves nothing', async () => {
    const broken = {
      ...stored('demo-2'),
      summary: () => ({ ...stored('demo-2').summary(), id: undefined as never }),
    };
    await expect(storage.createJobs([stored('demo-1'), broken], 'demo')).rejects.toBeDefined();
    expect(await storage.listJobs()).toHaveLength(1);
    expect(await storage.readChoice('demo')).toBeUndefined();
  });
});

describe('a job of many changes', () => {
  it('is folded together when it is next opened to be written, and is the same job', async () => {
    const many = Array.from({ length: 3200 }, (_, i) => lineCalled(`line ${i}`));
    const diff = put(...many)(job);
    if (!diff.ok) throw new Error('must be accepted');
    await storage.saveDiff('job-a', diff.value, {});
    const [first] = many;
    if (first === undefined) throw new Error('no line');
    await storage.saveDiff('job-a', { added: [], updated: [], removed: [first] }, {});
    await storage.claim('job-a');
    const loaded = await storage.loadJob('job-a');
    expect(loaded?.line.size).toBe(3199);
    expect(loaded?.line.has(first.id)).toBe(false);
    expect(loaded?.item.size).toBe(job.item.size);
  });

  it('is read as it was kept before its records were kept as JSON', async () => {
    const name = 'kept-before';
    const database = await openDatabase({}, name);
    const before = createJobStorage(database);
    const line = lineCalled('Crane');
    await database.put('bulk', { jobId: 'job-b', part: 0, records: [...listRecords(job), line] });
    const loaded = await before.loadJob('job-b');
    expect(loaded?.line.get(line.id)).toEqual(line);
    expect(loaded?.item.size).toBe(job.item.size);
    database.close();
  });
});

const shownIn = (store: JobStore): readonly string[] =>
  [...(store.getState().open?.job.line.values() ?? [])].map(({ description }) => description).sort();
const totalIn = (store: JobStore): unknown => store.getState().open?.figures.figure(bidNode('total'));
const priced = (description: string): RecordOf<'line'> => ({
  ...lineCalled(description),
  typedCost: { kind: 'other', amount: '100' },
});
/** Until the tab shows what is wanted; the test ends by its time where it never does. */
const until = (store: JobStore, isSo: () => boolean): Promise<void> =>
  new Promise((resolve) => {
    const look = (): void => {
      if (!isSo()) return;
      stop();
      resolve();
    };
    const stop = store.subscribe(look);
    look();
  });

describe('a tab that only reads', () => {
  it('follows what the other writes, to the bid, and still takes over all of it', async () => {
    const [a, b] = [tab('a'), tab('b')];
    await a.actions.openJob('job-a');
    await b.actions.openJob('job-a');
    const line = priced('first');
    a.actions.transact('add', put(line));
    await until(b, () => shownIn(b).includes('first'));
    expect(totalIn(b)).toEqual(totalIn(a));
    a.actions.transact('change', put({ ...line, description: 'renamed', quantity: '3' }));
    a.actions.transact('add', put(priced('second')));
    await until(b, () => shownIn(b).length === 2);
    expect(shownIn(b)).toEqual(['renamed', 'second']);
    expect(totalIn(b)).toEqual(totalIn(a));
    expect(b.getState().readOnly).toBe(true);
    expect(await b.actions.takeOver()).toMatchObject({ ok: true });
    b.actions.transact('add', put(priced('third')));
    await b.actions.settled();
    expect(await names()).toEqual(['renamed', 'second', 'third']);
    // Now it is the first that follows.
    await until(a, () => shownIn(a).length === 3);
    expect(totalIn(a)).toEqual(totalIn(b));
  });

  it('reads the job again where a change does not follow on what it shows', async () => {
    const [a, b] = [tab('a'), tab('b')];
    await a.actions.openJob('job-a');
    await b.actions.openJob('job-a');
    a.actions.transact('add', put(priced('missed')));
    await until(b, () => shownIn(b).length === 1);
    // A change that this tab never heard of.
    const line = priced('unheard');
    const diff = { added: [line], removed: [], updated: [] };
    await storage.saveDiff('job-a', diff, {});
    news.ofTab().tell('job-a', { added: [], removed: [], updated: [[line, { ...line, quantity: '7' }]] });
    await until(b, () => shownIn(b).length === 2);
    expect(shownIn(b)).toEqual(['missed', 'unheard']);
  });
});

describe('a job that is opened while another still is', () => {
  beforeEach(async () => {
    await storage.createJob(
      summarize(job, { id: 'job-b', createdAt: 1, changedAt: 1 }, 0),
      listRecords(job),
      new Map(),
    );
  });

  it('is the one that is open in the end, whichever comes first, and the other is free', async () => {
    const a = tab('a');
    const asked = [a.actions.openJob('job-a'), a.actions.closeJob(), a.actions.openJob('job-b')];
    await Promise.all(asked);
    expect(a.getState()).toMatchObject({ open: { jobId: 'job-b' }, readOnly: false, loading: false });
    a.actions.transact('add', put(lineCalled('in b')));
    await a.actions.settled();
    expect(await names()).toEqual([]);
    const b = tab('b');
    await b.actions.openJob('job-a');
    expect(b.getState().readOnly).toBe(false);
  });

  it('is closed where the last that was asked is to close', async () => {
    const a = tab('a');
    await Promise.all([a.actions.openJob('job-a'), a.actions.openJob('job-b'), a.actions.closeJob()]);
    expect(a.getState()).toMatchObject({ open: undefined, loading: false });
    const b = tab('b');
    await b.actions.openJob('job-b');
    expect(b.getState().readOnly).toBe(false);
  });
});
