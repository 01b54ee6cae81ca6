import 'fake-indexeddb/auto';
import { describe, expect, it } from '@jest/globals';
import { removeSheet } from '@zest/core/job/commands/removeWith';
import { restoreJob } from '@zest/core/job/commands/restore';
import { createIdMaker } from '@zest/core/job/id';
import { type Job, applyDiff, createJob, listRecords } from '@zest/core/job/job';
import { createChance, createTestJob } from '@zest/core/testing/job';
import type { Services } from '../platform/services.ts';
import { openDatabase } from './database.ts';
import { duplicateJob, importJob, keepJob, packJob } from './jobFiles.ts';
import { createJobStorage } from './jobStorage.ts';
import { type FirstKept, takeJobFile } from './takeJobFile.ts';

const { job, sheet } = createTestJob();
const [file] = job.file.values();
const drawings = new Map([[file!.id as string, new Blob(['%PD'])]]);

function value<Value>(
  result: { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly problem: unknown },
): Value {
  if (!result.ok) throw new Error(JSON.stringify(result.problem));
  return result.value;
}

let databases = 0;
/** A job of which a state was kept, and whose only sheet was removed since. */
async function createSheetless(): Promise<{ services: Services; jobId: string }> {
  const storage = createJobStorage(await openDatabase({}, `files-${(databases += 1)}`));
  const services = {
    storage,
    now: () => 5,
    makeId: createIdMaker(createChance(31)),
    // What the worker does, on the spot.
    takeJobFile: (file: Blob, at: FirstKept) => takeJobFile(storage, file, at),
  } as unknown as Services;
  const jobId = value(await keepJob(services, job, drawings));
  const records = [...listRecords(job)];
  await storage.saveSnapshot({ jobId, id: 'snapshot-1', name: 'Monday', at: 1, totalMinor: 0, records });
  const gone = value(removeSheet(sheet.id)(job));
  await storage.saveDiff(jobId, gone, {});
  return { services, jobId };
}

/** The job as it is after going back to the state that was kept. */
async function goBack({ storage }: Services, jobId: string): Promise<Job> {
  const now = await storage.loadJob(jobId);
  const [snapshot] = await storage.listSnapshots(jobId);
  if (now === undefined || snapshot === undefined) throw new Error('no job or no snapshot');
  const diff = value(restoreJob(createJob(snapshot.records))(now));
  await storage.saveDiff(jobId, diff, {});
  return applyDiff(now, diff);
}

describe('the drawings of a state that was kept', () => {
  it('go with the job into its file, and are there when the state is gone back to', async () => {
    const { services, jobId } = await createSheetless();
    expect((await services.storage.loadJob(jobId))?.file.size).toBe(0);
    const packed = value(await packJob(services, jobId)).blob;
    const taken = value(await importJob(services, packed));
    expect((await goBack(services, taken)).sheet.size).toBe(1);
    expect(await services.storage.readFile(taken, file!.id)).toBeDefined();
    expect(await packJob(services, taken)).toMatchObject({ ok: true });
  });

  it('go with the job when it is duplicated', async () => {
    const { services, jobId } = await createSheetless();
    const copy = value(await duplicateJob(services, jobId));
    expect((await goBack(services, copy)).sheet.size).toBe(1);
    expect(await packJob(services, copy)).toMatchObject({ ok: true });
  });
});

describe('a job whose drawings are not in the browser', () => {
  it('is not packed without them: they are named', async () => {
    const { services } = await createSheetless();
    const bare = value(await keepJob(services, job, new Map()));
    expect(await packJob(services, bare)).toEqual({
      ok: false,
      problem: { kind: 'drawings-lost', name: file!.name },
    });
  });
});
