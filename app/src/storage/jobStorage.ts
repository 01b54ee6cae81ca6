import type { Diff, Job } from '@zest/core/job/job';
import { createJob, listRecords, settingsOf } from '@zest/core/job/job';
import type { JobRecord } from '@zest/core/job/record';
import { type Database, type JobSummary, type StoredSnapshot, rowsOf } from './database.ts';

/** What is kept of jobs, and how. Every write is one strict transaction: done means on the disk. */
export interface JobStorage {
  readonly listJobs: () => Promise<readonly JobSummary[]>;
  readonly getSummary: (jobId: string) => Promise<JobSummary | undefined>;
  readonly loadJob: (jobId: string) => Promise<Job | undefined>;
  readonly createJob: (
    summary: JobSummary,
    records: Iterable<JobRecord>,
    files: ReadonlyMap<string, Blob>,
  ) => Promise<void>;
  readonly saveDiff: (
    jobId: string,
    diff: Diff,
    summary: Partial<JobSummary>,
    files?: ReadonlyMap<string, Blob>,
  ) => Promise<void>;
  readonly saveSummary: (summary: JobSummary) => Promise<void>;
  readonly removeJob: (jobId: string) => Promise<void>;
  readonly readFile: (jobId: string, fileId: string) => Promise<Blob | undefined>;
  readonly readThumbnail: (jobId: string, sheetId: string) => Promise<Blob | undefined>;
  readonly saveThumbnail: (jobId: string, sheetId: string, image: Blob) => Promise<void>;
  readonly listSnapshots: (jobId: string) => Promise<readonly StoredSnapshot[]>;
  readonly saveSnapshot: (snapshot: StoredSnapshot) => Promise<void>;
  readonly removeSnapshot: (jobId: string, id: string) => Promise<void>;
  readonly readChoice: (key: string) => Promise<unknown>;
  readonly saveChoice: (key: string, value: unknown) => Promise<void>;
  /** Changes what stands there now in one transaction, whoever wrote it last; gives what is written. */
  readonly changeChoice: (key: string, change: (stored: unknown) => unknown) => Promise<unknown>;
}

const STRICT = { durability: 'strict' } as const;

export function createJobStorage(database: Database): JobStorage {
  return {
    listJobs: () => database.getAll('jobs'),
    getSummary: (jobId) => database.get('jobs', jobId),
    loadJob: async (jobId) => {
      const rows = await database.getAll('records', rowsOf(jobId));
      return rows.length === 0 ? undefined : createJob(rows.map(({ record }) => record));
    },
    createJob: async (summary, records, files) => {
      const transaction = database.transaction(['jobs', 'records', 'files'], 'readwrite', STRICT);
      const jobId = summary.id;
      void transaction.objectStore('jobs').put(summary);
      for (const record of records)
        void transaction.objectStore('records').put({ jobId, id: record.id, record });
      for (const [id, bytes] of files) void transaction.objectStore('files').put({ jobId, id, bytes });
      await transaction.done;
    },
    saveDiff: async (jobId, diff, changed, files = new Map()) => {
      const transaction = database.transaction(['jobs', 'records', 'files'], 'readwrite', STRICT);
      const records = transaction.objectStore('records');
      for (const { id } of diff.removed) void records.delete([jobId, id]);
      for (const record of [...diff.added, ...diff.updated.map(([, to]) => to)])
        void records.put({ jobId, id: record.id, record });
      for (const [id, bytes] of files) void transaction.objectStore('files').put({ jobId, id, bytes });
      const jobs = transaction.objectStore('jobs');
      const summary = await jobs.get(jobId);
      if (summary !== undefined) void jobs.put({ ...summary, ...changed });
      await transaction.done;
    },
    saveSummary: async (summary) => {
      await database.put('jobs', summary);
    },
    removeJob: async (jobId) => {
      const stores = ['jobs', 'records', 'files', 'thumbnails', 'snapshots'] as const;
      const transaction = database.transaction(stores, 'readwrite', STRICT);
      void transaction.objectStore('jobs').delete(jobId);
      for (const store of ['records', 'files', 'thumbnails', 'snapshots'] as const)
        void transaction.objectStore(store).delete(rowsOf(jobId));
      await transaction.done;
    },
    readFile: async (jobId, fileId) => (await database.get('files', [jobId, fileId]))?.bytes,
    readThumbnail: async (jobId, sheetId) => (await database.get('thumbnails', [jobId, sheetId]))?.image,
    saveThumbnail: async (jobId, id, image) => {
      await database.put('thumbnails', { jobId, id, image });
    },
    listSnapshots: async (jobId) => {
      const all = await database.getAll('snapshots', rowsOf(jobId));
      return all.sort((a, b) => b.at - a.at);
    },
    saveSnapshot: async (snapshot) => {
      const transaction = database.transaction('snapshots', 'readwrite', STRICT);
      void transaction.store.put(snapshot);
      await transaction.done;
    },
    removeSnapshot: async (jobId, id) => {
      await database.delete('snapshots', [jobId, id]);
    },
    readChoice: (key) => database.get('choices', key),
    saveChoice: async (key, value) => {
      await database.put('choices', value, key);
    },
    changeChoice: async (key, change) => {
      const transaction = database.transaction('choices', 'readwrite', STRICT);
      const next = change(await transaction.store.get(key));
      void transaction.store.put(next, key);
      await transaction.done;
      return next;
    },
  };
}

/** The summary of a job as it stands; times come from the caller. */
export function summarize(
  job: Job,
  at: { readonly id: string; readonly createdAt: number; readonly changedAt: number },
  totalMinor: number,
): JobSummary {
  const { name, client, currency, decimalMark, groupMark } = settingsOf(job);
  return {
    ...at,
    name,
    client,
    currency,
    decimalMark,
    groupMark,
    sheets: job.sheet.size,
    totalMinor,
    deletedAt: null,
  };
}

export const recordsOf = (job: Job): readonly JobRecord[] => [...listRecords(job)];
