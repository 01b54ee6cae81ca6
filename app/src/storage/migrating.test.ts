import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { strFromU8, unzipSync } from 'fflate';
import { Calculation } from '@zest/core/calculate/calculation';
import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { put } from '@zest/core/job/change';
import { createIdMaker } from '@zest/core/job/id';
import { settingsOf } from '@zest/core/job/job';
import { JOB_VERSION } from '@zest/core/job/migrations/migrations';
import type { JobRecord } from '@zest/core/job/record';
import { createChance } from '@zest/core/testing/job';
import { freeLocks, noNews } from '../testing/locks.ts';
import type { Services } from '../platform/services.ts';
import { createJobStore } from '../stores/jobStore.ts';
import { type Database, openDatabase, rowsOf } from './database.ts';
import { createJobStorage } from './jobStorage.ts';
import { nameOfRaw } from './storedJob.ts';

type Raw = JobRecord & Readonly<Record<string, unknown>>;

/** The records of a job as version 1 of the program kept them. */
const recordsOfV1 = (): readonly Raw[] => {
  const zip = unzipSync(new Uint8Array(readFileSync('core/src/formats/zestjob/fixtures/v1.zestjob')));
  const job = JSON.parse(strFromU8(zip['job.json'] ?? new Uint8Array())) as {
    readonly records: readonly Raw[];
  };
  return job.records;
};

let databases = 0;

/** A browser in which an earlier version left a job, and a store that opens it. */
async function browserWith(records: readonly Raw[], version: number | undefined) {
  const database: Database = await openDatabase({}, `migrating-${(databases += 1)}`);
  const summary = {
    id: 'job-a',
    name: 'Boathouse',
    client: '',
    currency: 'USD',
    decimalMark: '.',
    groupMark: ',',
    sheets: 1,
    totalMinor: 27_116_422,
    createdAt: 1,
    changedAt: 1,
    deletedAt: null,
    ...(version === undefined ? {} : { version }),
  } as const;
  await database.put('jobs', summary);
  await database.put('bulk', { jobId: 'job-a', part: 0, json: JSON.stringify(records) });
  await database.put('history', { jobId: 'job-a', seq: 0, doneTo: 1 });
  await database.put('history', {
    jobId: 'job-a',
    seq: 1,
    label: 'of long ago',
    json: JSON.stringify({ added: [], updated: [], removed: [] }),
  });
  const services = {
    storage: createJobStorage(database),
    now: () => 42,
    makeId: createIdMaker(createChance(3)),
    locks: freeLocks,
    news: noNews,
  } as unknown as Services;
  const store = createJobStore(services);
  const stored = async (): Promise<string | undefined> => {
    const part = await database.get('bulk', ['job-a', 0]);
    return part !== undefined && 'json' in part ? part.json : undefined;
  };
  return { database, services, store, stored };
}

describe('a job that an earlier version stored', () => {
  it('opens as this version means it, to the cent, and lies there as it was until it is changed', async () => {
    const records = recordsOfV1();
    const { store, stored, database, services } = await browserWith(records, 1);
    const before = await stored();
    await store.actions.openJob('job-a');
    const { open, drift, aside } = store.getState();
    expect(open === undefined ? 0 : bidTotal(open.figures)).toBe(27_116_422);
    expect([drift, aside, open?.history.done]).toEqual([undefined, [], []]);
    expect(await stored()).toBe(before);
    if (open === undefined) throw new Error('no job is open');
    expect(store.actions.transact('rename', put({ ...settingsOf(open.job), client: 'New' })).ok).toBe(true);
    await store.actions.settled();
    expect(store.getState().save).toEqual({ state: 'saved' });
    expect((await database.get('jobs', 'job-a'))?.version).toBe(JOB_VERSION);
    expect((await database.getAllKeys('records', rowsOf('job-a'))).length).toBe(0);
    const again = await services.storage.readJob('job-a');
    if (again?.ok !== true) throw new Error('the job is gone');
    expect(again.value.mustRewrite).toBe(false);
    expect(settingsOf(again.value.job).client).toBe('New');
    expect(bidTotal(new Calculation(again.value.job).figures)).toBe(27_116_422);
    // A change after that is a row beside, as ever; the step of long ago is gone with what it told of.
    expect(store.actions.undo().ok).toBe(true);
    await store.actions.settled();
    expect((await database.getAllKeys('records', rowsOf('job-a'))).length).toBe(1);
    const labels = (await services.storage.loadHistory('job-a')).flatMap((row) =>
      'label' in row ? [row.label] : [],
    );
    expect(labels).toEqual(['rename']);
  });

  it('opens without a record that cannot be read, tells which, and keeps it', async () => {
    const records = recordsOfV1();
    const mark = records.find(({ type }) => type === 'mark');
    const bad = { ...mark, strokes: 'torn', name: 'Torn' } as unknown as Raw;
    const { store, database, services } = await browserWith(
      records.map((each) => (each === mark ? bad : each)),
      1,
    );
    await store.actions.openJob('job-a');
    const { open, aside, drift } = store.getState();
    expect(aside.map(({ raw }) => nameOfRaw(raw))).toEqual(['Torn']);
    expect(drift).toEqual({ fromMinor: 27_116_422 });
    if (open === undefined) throw new Error('no job is open');
    store.actions.transact('rename', put({ ...settingsOf(open.job), client: 'New' }));
    await store.actions.settled();
    expect((await database.getAll('aside', rowsOf('job-a'))).map(({ raw }) => raw)).toEqual([bad]);
    store.actions.seeAside();
    expect(store.getState().aside).toEqual([]);
    await store.actions.closeJob();
    await store.actions.openJob('job-a');
    expect(store.getState().aside).toEqual([]);
    await services.storage.removeJob('job-a');
    expect(await database.count('aside', rowsOf('job-a'))).toBe(0);
  });

  it('by a newer version is not opened, and left as it is', async () => {
    const records = recordsOfV1();
    const { store, stored } = await browserWith(records, JOB_VERSION + 1);
    const before = await stored();
    await store.actions.openJob('job-a');
    expect(store.getState()).toMatchObject({
      missing: true,
      refused: { kind: 'records-newer', version: JOB_VERSION + 1 },
    });
    expect(await stored()).toBe(before);
  });

  it('without settings is not opened either, and says so', async () => {
    const records = recordsOfV1().filter(({ type }) => type !== 'settings');
    const { store } = await browserWith(records, undefined);
    await store.actions.openJob('job-a');
    expect(store.getState().refused).toEqual({ kind: 'job-unreadable', settings: 0 });
  });
});
