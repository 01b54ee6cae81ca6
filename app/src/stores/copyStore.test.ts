import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from '@jest/globals';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { put } from '@zest/core/job/change';
import type { CopyFolder } from '../platform/copyFolder.ts';
import type { Services } from '../platform/services.ts';
import { freeLocks, noNews } from '../testing/locks.ts';
import { startPlainJob, storeJob } from '../testing/plainJob.ts';
import { type CopyStore, COPIES_KEPT, copyName, createCopyStore, staleCopies } from './copyStore.ts';
import { type JobStore, createJobStore } from './jobStore.ts';

const { job, makeId, lineCalled } = startPlainJob('Copied', 8);

let databases = 0;
let files: Map<string, Blob>;
/** What the browser says of the folder, and what the disk does. */
let permission: 'granted' | 'prompt';
let broken: boolean;
let chosen: unknown;
let jobs: JobStore;
let copies: CopyStore;
let services: Services;

const folder: CopyFolder = {
  name: 'Bids',
  mayWrite: async (ask) => {
    if (ask) permission = 'granted';
    return permission === 'granted';
  },
  list: async () => [...files.keys()],
  write: async (name, content) => {
    if (broken) throw new Error('the disk is gone');
    files.set(name, content);
  },
  remove: async (name) => void files.delete(name),
};

beforeEach(async () => {
  files = new Map();
  permission = 'granted';
  broken = false;
  chosen = 'the folder';
  let now = Date.parse('2026-11-27T08:00:00');
  const storage = await storeJob(`copies-${(databases += 1)}`, 'job-a', job);
  services = {
    storage,
    now: () => (now += 61_000),
    makeId,
    locks: freeLocks,
    news: noNews,
    copyFolders: {
      supported: true,
      choose: async () => chosen,
      open: (handle: unknown) => (handle === 'the folder' ? folder : undefined),
    },
  } as unknown as Services;
  jobs = createJobStore(services);
  copies = createCopyStore(jobs, services, 0);
});

/** Until the copies stand as wanted. */
const until = (isSo: () => boolean): Promise<void> =>
  new Promise((resolve) => {
    const stop = copies.subscribe(() => {
      if (!isSo()) return;
      stop();
      resolve();
    });
  });

async function linesIn(name: string): Promise<readonly string[]> {
  const read = readZestjob(new Uint8Array((await files.get(name)?.arrayBuffer()) ?? new ArrayBuffer(0)));
  if (!read.ok) throw new Error(read.problem.kind);
  return [...read.value.job.line.values()].map(({ description }) => description);
}

describe('copies of jobs in a folder', () => {
  it('are written after a change, whole, and as they are by then', async () => {
    await jobs.actions.openJob('job-a');
    await copies.actions.choose();
    expect(copies.getState()).toMatchObject({ folder: 'Bids', state: 'ready' });
    expect(files.size).toBe(1);
    const written = until(() => files.size === 2 && copies.getState().state === 'ready');
    jobs.actions.transact('add', put(lineCalled('one')));
    jobs.actions.transact('add', put(lineCalled('two')));
    await written;
    const last = [...files.keys()].sort().at(-1) ?? '';
    expect(last).toMatch(/^copied joba 2026-11-27 \d\d-\d\d-\d\d\.zestjob$/);
    expect([...(await linesIn(last))].sort()).toEqual(['one', 'two']);
  });

  it('are written when the job is closed, and the folder is found again the next time', async () => {
    await copies.actions.choose();
    expect(files.size).toBe(0);
    await jobs.actions.openJob('job-a');
    const later = createCopyStore(jobs, services, 1e9);
    await later.actions.start();
    expect(later.getState()).toMatchObject({ folder: 'Bids', state: 'ready' });
    jobs.actions.transact('add', put(lineCalled('last')));
    await jobs.actions.closeJob();
    await later.actions.writeNow();
    expect(await linesIn([...files.keys()].at(-1) ?? '')).toEqual(['last']);
  });

  it('that fail are told with the reason, and go out with the next try', async () => {
    await copies.actions.choose();
    await jobs.actions.openJob('job-a');
    broken = true;
    const failed = until(() => copies.getState().state === 'failed');
    jobs.actions.transact('add', put(lineCalled('one')));
    await failed;
    expect(copies.getState().reason).toMatch(/could not be written to the folder \(the disk is gone\)/);
    broken = false;
    await copies.actions.writeNow();
    expect(copies.getState()).toMatchObject({ state: 'ready', reason: '' });
    expect(files.size).toBe(1);
  });

  it('wait where the browser wants to be asked again', async () => {
    await copies.actions.choose();
    await jobs.actions.openJob('job-a');
    permission = 'prompt';
    const blocked = until(() => copies.getState().state === 'blocked');
    jobs.actions.transact('add', put(lineCalled('one')));
    await blocked;
    expect(files.size).toBe(0);
    await copies.actions.allow();
    expect(files.size).toBe(1);
    expect(copies.getState().state).toBe('ready');
  });

  it('stay as they are where no folder is chosen, and end when they are stopped', async () => {
    chosen = undefined;
    await copies.actions.choose();
    expect(copies.getState()).toMatchObject({ folder: undefined, state: 'off' });
    chosen = 'the folder';
    await copies.actions.choose();
    await copies.actions.forget();
    await jobs.actions.openJob('job-a');
    jobs.actions.transact('add', put(lineCalled('one')));
    await jobs.actions.closeJob();
    await copies.actions.writeNow();
    expect(files.size).toBe(0);
    const next = createCopyStore(jobs, services, 0);
    await next.actions.start();
    expect(next.getState().state).toBe('off');
  });

  it('are kept ten a job: the oldest go, whatever the job was called, and no other file does', () => {
    const at = (minute: number): number => Date.parse('2026-11-27T10:00:00') + minute * 60_000;
    const own = Array.from({ length: 12 }, (_, i) =>
      copyName(i < 6 ? 'old-name.zestjob' : 'new-name.zestjob', 'job-a', at(i)),
    );
    const others = Array.from({ length: 12 }, (_, i) => copyName('old-name.zestjob', 'job-b', at(i)));
    const mine = ['old-name.zestjob', 'notes joba.txt', 'plans 2026-11-27 10-00-00.zestjob'];
    expect(staleCopies([...others, ...own, ...mine].reverse(), 'job-a')).toEqual(
      own.slice(0, 12 - COPIES_KEPT),
    );
    expect(staleCopies(own.slice(0, 10), 'job-a')).toEqual([]);
  });
});
