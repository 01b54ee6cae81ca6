import 'fake-indexeddb/auto';
import { describe, expect, it } from '@jest/globals';
import { put } from '@zest/core/job/change';
import { applyDiff, createJob, listRecords, settingsOf } from '@zest/core/job/job';
import { createIdMaker } from '@zest/core/job/id';
import { startJob } from '@zest/core/library/startJob';
import { openDatabase } from './database.ts';
import { type JobStorage, createJobStorage, summarize } from './jobStorage.ts';
import { type SaveState, createSaver } from './saver.ts';

let seed = 7;
const chance = (): number => {
  seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0;
  return seed / 2 ** 32;
};
const makeId = createIdMaker(chance);
const asked = {
  name: 'Kept',
  client: '',
  unitSystem: 'us',
  currency: 'USD',
  decimalMark: '.',
  groupMark: ',',
} as const;
let databases = 0;
const fresh = async (): Promise<JobStorage> =>
  createJobStorage(await openDatabase({}, `test-${(databases += 1)}`));
const sorted = (records: Iterable<{ readonly id: string }>): unknown[] =>
  [...records].sort((a, b) => (a.id < b.id ? -1 : 1));

describe('choices that are changed from where they stand', () => {
  it('lose neither of two changes made at once', async () => {
    const storage = await fresh();
    const add = (item: string) => (stored: unknown) => [...((stored ?? []) as string[]), item];
    await Promise.all(['a', 'b', 'c'].map((item) => storage.changeChoice('list', add(item))));
    expect([...((await storage.readChoice('list')) as string[])].sort()).toEqual(['a', 'b', 'c']);
  });

  it('stay as they are when the change is given up', async () => {
    const storage = await fresh();
    await storage.saveChoice('list', ['a']);
    const given = storage.changeChoice('list', () => {
      throw new Error('given up');
    });
    await expect(given).rejects.toThrow('given up');
    expect(await storage.readChoice('list')).toEqual(['a']);
  });
});

describe('keeping jobs', () => {
  it('gives back every record and file of a job, and none of another', async () => {
    const storage = await fresh();
    const job = createJob(startJob(asked, makeId));
    const at = { createdAt: 1, changedAt: 2 };
    await storage.createJob(
      summarize(job, { id: 'job-a', ...at }, 0),
      listRecords(job),
      new Map([['file:x', new Blob(['pdf'])]]),
    );
    await storage.createJob(summarize(job, { id: 'job-ab', ...at }, 0), [settingsOf(job)], new Map());
    const loaded = await storage.loadJob('job-a');
    expect(sorted(listRecords(loaded!))).toEqual(sorted(listRecords(job)));
    expect(await storage.readFile('job-a', 'file:x')).toBeDefined();
    await storage.removeJob('job-a');
    expect(await storage.loadJob('job-a')).toBeUndefined();
    expect(await storage.readFile('job-a', 'file:x')).toBeUndefined();
    expect(await storage.loadJob('job-ab')).toBeDefined();
  });

  it('saves a diff with its summary in one', async () => {
    const storage = await fresh();
    const job = createJob(startJob(asked, makeId));
    await storage.createJob(
      summarize(job, { id: 'job-a', createdAt: 1, changedAt: 1 }, 0),
      listRecords(job),
      new Map(),
    );
    const diff = put({ ...settingsOf(job), name: 'Renamed' })(job);
    if (!diff.ok) throw new Error('must be accepted');
    await storage.saveDiff('job-a', diff.value, { name: 'Renamed', changedAt: 9, totalMinor: 4 });
    expect(settingsOf((await storage.loadJob('job-a'))!).name).toBe('Renamed');
    expect(await storage.getSummary('job-a')).toMatchObject({
      name: 'Renamed',
      changedAt: 9,
      totalMinor: 4,
      createdAt: 1,
    });
    expect(settingsOf(applyDiff(job, diff.value)).name).toBe('Renamed');
  });
});

describe('the saver', () => {
  const job = createJob(startJob(asked, makeId));
  const rename = (name: string) => ({
    added: [],
    removed: [],
    updated: [[settingsOf(job), { ...settingsOf(job), name }]] as const,
  });

  it('says saved only when all is written, and writes what came meanwhile together', async () => {
    const written: string[] = [];
    const told: SaveState[] = [];
    const saver = createSaver(
      async (diff) => {
        await Promise.resolve();
        written.push(...diff.updated.map(([, to]) => (to.type === 'settings' ? to.name : '')));
      },
      (state) => told.push(state),
    );
    saver.save(rename('one'));
    saver.save(rename('two'));
    saver.save(rename('three'));
    expect(told).toEqual([{ state: 'saving' }]);
    await saver.settled();
    expect(written).toEqual(['one', 'three']);
    expect(told.at(-1)).toEqual({ state: 'saved' });
  });

  it('keeps what a full disk refused, and writes it at the next try', async () => {
    const written: string[] = [];
    const told: SaveState[] = [];
    let full = true;
    const saver = createSaver(
      async (diff) => {
        if (full) throw new DOMException('full', 'QuotaExceededError');
        written.push(...diff.updated.map(([, to]) => (to.type === 'settings' ? to.name : '')));
        await Promise.resolve();
      },
      (state) => told.push(state),
    );
    saver.save(rename('one'));
    await saver.settled();
    expect(told.at(-1)).toEqual({ state: 'failed', full: true });
    full = false;
    saver.retry();
    await saver.settled();
    expect(written).toEqual(['one']);
    expect(told.at(-1)).toEqual({ state: 'saved' });
  });
});
