import type { Diff, Job } from '@zest/core/job/job';
import { listRecords, settingsOf } from '@zest/core/job/job';
import { JOB_VERSION } from '@zest/core/job/migrations/migrations';
import type { JobRecord } from '@zest/core/job/record';
import type { Result } from '@zest/core/problem/result';
import { type Rewrite, type StoredJobRead, type StoredProblem, readStored } from './storedJob.ts';
import type { HistoryRow, HistoryWrite } from './historyRows.ts';
import {
  type BulkPart,
  type Database,
  type JobSummary,
  type RecordRow,
  type StoredSnapshot,
  rowsOf,
} from './database.ts';

/** A job with all that is kept of it, to be written at once. */
export interface StoredJob {
  readonly id: string;
  /** Asked for once the records are on their way: the total is figured while they are being written. */
  readonly summary: () => JobSummary;
  readonly records: Iterable<JobRecord>;
  readonly files: ReadonlyMap<string, Blob>;
  readonly snapshots?: readonly StoredSnapshot[];
}

/** A write that the store itself refused: nothing of it was written. */
export class WriteRefused extends Error {
  /** Another tab took the job since, or it is not there any more. */
  readonly reason: 'taken' | 'gone';
  constructor(reason: 'taken' | 'gone') {
    super(`saveDiff: the job is ${reason}`);
    this.reason = reason;
  }
}

/** What goes to the disk in the same transaction as a change. */
export interface WrittenBeside {
  readonly files?: ReadonlyMap<string, Blob>;
  /** Must still be the last that claimed the job. */
  readonly generation?: number | undefined;
  readonly history?: HistoryWrite;
  /** Takes the place of all that is stored of the records; the change is among them. */
  readonly rewrite?: Rewrite | undefined;
}

/** What is kept of jobs, and how. Every write is one strict transaction: done means on the disk. */
export interface JobStorage {
  readonly listJobs: () => Promise<readonly JobSummary[]>;
  readonly getSummary: (jobId: string) => Promise<JobSummary | undefined>;
  /** A job as it is stored, brought to this version; undefined where there is none. */
  readonly readJob: (jobId: string) => Promise<Result<StoredJobRead, StoredProblem> | undefined>;
  /** The same for who only looks at it: undefined also where it cannot be read. */
  readonly loadJob: (jobId: string) => Promise<Job | undefined>;
  readonly createJob: (
    summary: JobSummary,
    records: Iterable<JobRecord>,
    files: ReadonlyMap<string, Blob>,
  ) => Promise<void>;
  /** Several jobs or none. With `once`, only where that was never done; says whether it was done now. */
  readonly createJobs: (jobs: readonly StoredJob[], once?: string) => Promise<boolean>;
  /** Makes the caller the only writer of a job; gives the generation its writes must bring. */
  readonly claim: (jobId: string) => Promise<number | undefined>;
  readonly saveDiff: (
    jobId: string,
    diff: Diff,
    summary: Partial<JobSummary>,
    beside?: WrittenBeside,
  ) => Promise<void>;
  /** The steps that were kept with a job, in no order. */
  readonly loadHistory: (jobId: string) => Promise<readonly HistoryRow[]>;
  /** Remembers that a job was saved as a file. */
  readonly noteExport: (jobId: string, at: number) => Promise<void>;
  /** Deletes a job so that it can be brought back, or brings it back with null. */
  readonly markDeleted: (jobId: string, at: number | null) => Promise<void>;
  /** Takes a job away for good, if it was deleted before this time and nobody brought it back. */
  readonly purge: (jobId: string, deletedBefore: number) => Promise<boolean>;
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
const OF_JOB = ['records', 'bulk', 'files', 'thumbnails', 'snapshots', 'history', 'aside'] as const;
/** Records in a part of the bulk: few enough to be read while others are still being read. */
const PART = 2000;
/** So many rows beside the bulk, and they are folded into it when the job is next opened to be written. */
const FOLD_FROM = 3000;

function* partsOf(jobId: string, records: Iterable<JobRecord>): Generator<BulkPart> {
  let part = 0;
  let some: JobRecord[] = [];
  for (const record of records) {
    some.push(record);
    if (some.length < PART) continue;
    yield { jobId, part, json: JSON.stringify(some) };
    part += 1;
    some = [];
  }
  if (some.length > 0) yield { jobId, part, json: JSON.stringify(some) };
}

const recordsIn = (part: BulkPart | undefined): readonly JobRecord[] => {
  if (part === undefined) return [];
  return 'json' in part ? (JSON.parse(part.json) as readonly JobRecord[]) : part.records;
};

/** The two stores of a transaction that hold a job's records. */
interface RecordStores {
  readonly records: { readonly getAll: (of: IDBKeyRange) => Promise<RecordRow[]> };
  readonly bulk: {
    readonly getAllKeys: (of: IDBKeyRange) => Promise<[string, number][]>;
    readonly get: (key: [string, number]) => Promise<BulkPart | undefined>;
  };
}

/** The bulk and what was written since, as one transaction sees them; parts are read while others still come. */
async function readFrom(
  { records: rows, bulk }: RecordStores,
  jobId: string,
): Promise<Map<string, JobRecord>> {
  const changes = rows.getAll(rowsOf(jobId));
  const keys = await bulk.getAllKeys(rowsOf(jobId));
  const records = new Map<string, JobRecord>();
  const parts = keys.map((key) => bulk.get(key));
  for (const part of parts) for (const record of recordsIn(await part)) records.set(record.id, record);
  for (const { id, record } of await changes) {
    if (record === null) records.delete(id);
    else records.set(id, record);
  }
  return records;
}

async function readRecords(database: Database, jobId: string): Promise<Map<string, JobRecord>> {
  // One transaction: what another tab writes meanwhile is seen whole or not at all.
  const transaction = database.transaction(['records', 'bulk']);
  return readFrom(
    { records: transaction.objectStore('records'), bulk: transaction.objectStore('bulk') },
    jobId,
  );
}

/** Folds what was written since into the bulk, so that the job opens as fast as when it was new. */
async function fold(database: Database, jobId: string): Promise<void> {
  const transaction = database.transaction(['records', 'bulk'], 'readwrite', STRICT);
  const records = await readFrom(
    { records: transaction.objectStore('records'), bulk: transaction.objectStore('bulk') },
    jobId,
  );
  void transaction.objectStore('records').delete(rowsOf(jobId));
  void transaction.objectStore('bulk').delete(rowsOf(jobId));
  for (const part of partsOf(jobId, records.values())) void transaction.objectStore('bulk').put(part);
  await transaction.done;
}

async function readJob(
  database: Database,
  jobId: string,
): Promise<Result<StoredJobRead, StoredProblem> | undefined> {
  const [summary, records] = await Promise.all([database.get('jobs', jobId), readRecords(database, jobId)]);
  return records.size === 0 ? undefined : readStored([...records.values()], summary?.version);
}

/** A state that was kept, in this version; records of it that cannot be read are told by their number. */
function readSnapshot(snapshot: StoredSnapshot): StoredSnapshot {
  const { version, records } = snapshot;
  if (version === JOB_VERSION) return snapshot;
  const read = readStored(records, version);
  if (!read.ok) return { ...snapshot, unread: records.length };
  const { job, aside } = read.value;
  return { ...snapshot, records: recordsOf(job), ...(aside.length === 0 ? {} : { unread: aside.length }) };
}

export function createJobStorage(database: Database): JobStorage {
  return { ...listedJobs(database), ...jobsIn(database), ...besides(database), ...choicesIn(database) };
}

type Listed =
  'listJobs' | 'getSummary' | 'readJob' | 'loadJob' | 'loadHistory' | 'noteExport' | 'markDeleted';

/** The jobs that are there, read and listed. */
const listedJobs = (database: Database): Pick<JobStorage, Listed> => ({
  listJobs: () => database.getAll('jobs'),
  getSummary: (jobId) => database.get('jobs', jobId),
  readJob: (jobId) => readJob(database, jobId),
  loadJob: async (jobId) => {
    const read = await readJob(database, jobId);
    return read?.ok === true ? read.value.job : undefined;
  },
  loadHistory: (jobId) => database.getAll('history', rowsOf(jobId)),
  noteExport: (jobId, exportedAt) => changeSummary(database, jobId, { exportedAt }),
  markDeleted: (jobId, deletedAt) => changeSummary(database, jobId, { deletedAt }),
});

type Written = 'createJob' | 'createJobs' | 'claim' | 'saveDiff' | 'purge' | 'removeJob';

/** What makes, changes and removes them. */
const jobsIn = (database: Database): Pick<JobStorage, Written> => ({
  createJob: async (summary, records, files) => {
    await createJobs(database, [{ id: summary.id, summary: () => summary, records, files }], undefined);
  },
  createJobs: (jobs, once) => createJobs(database, jobs, once),
  claim: async (jobId) => {
    if ((await database.count('records', rowsOf(jobId))) > FOLD_FROM) await fold(database, jobId);
    const transaction = database.transaction('jobs', 'readwrite', STRICT);
    const summary = await transaction.store.get(jobId);
    const generation = (summary?.generation ?? 0) + 1;
    if (summary !== undefined) void transaction.store.put({ ...summary, generation });
    await transaction.done;
    return summary === undefined ? undefined : generation;
  },
  saveDiff: (...asked) => saveDiff(database, ...asked),
  purge: async (jobId, deletedBefore) => {
    const transaction = database.transaction(['jobs', ...OF_JOB], 'readwrite', STRICT);
    const summary = await transaction.objectStore('jobs').get(jobId);
    const isDue = summary !== undefined && summary.deletedAt !== null && summary.deletedAt < deletedBefore;
    if (isDue) {
      void transaction.objectStore('jobs').delete(jobId);
      for (const store of OF_JOB) void transaction.objectStore(store).delete(rowsOf(jobId));
    }
    await transaction.done;
    return isDue;
  },
  removeJob: async (jobId) => {
    const transaction = database.transaction(['jobs', ...OF_JOB], 'readwrite', STRICT);
    void transaction.objectStore('jobs').delete(jobId);
    for (const store of OF_JOB) void transaction.objectStore(store).delete(rowsOf(jobId));
    await transaction.done;
  },
});

type Besides =
  'readFile' | 'readThumbnail' | 'saveThumbnail' | 'listSnapshots' | 'saveSnapshot' | 'removeSnapshot';

/** What is kept beside the records of a job. */
const besides = (database: Database): Pick<JobStorage, Besides> => ({
  readFile: async (jobId, fileId) => (await database.get('files', [jobId, fileId]))?.bytes,
  readThumbnail: async (jobId, sheetId) => (await database.get('thumbnails', [jobId, sheetId]))?.image,
  saveThumbnail: async (jobId, id, image) => {
    await database.put('thumbnails', { jobId, id, image });
  },
  listSnapshots: async (jobId) => {
    const all = await database.getAll('snapshots', rowsOf(jobId));
    return all.map(readSnapshot).sort((a, b) => b.at - a.at);
  },
  saveSnapshot: async (snapshot) => {
    const transaction = database.transaction('snapshots', 'readwrite', STRICT);
    void transaction.store.put({ ...snapshot, version: JOB_VERSION });
    await transaction.done;
  },
  removeSnapshot: async (jobId, id) => {
    await database.delete('snapshots', [jobId, id]);
  },
});

/** What was chosen on this machine. */
const choicesIn = (database: Database): Pick<JobStorage, 'readChoice' | 'saveChoice' | 'changeChoice'> => ({
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
});

/** All of them in one transaction or none; false where it was done once already. */
async function createJobs(
  database: Database,
  jobs: Parameters<JobStorage['createJobs']>[0],
  once: string | undefined,
): Promise<boolean> {
  const stores = ['jobs', 'bulk', 'files', 'snapshots', 'choices'] as const;
  const transaction = database.transaction(stores, 'readwrite', STRICT);
  if (once !== undefined && (await transaction.objectStore('choices').get(once)) === true) {
    await transaction.done;
    return false;
  }
  // A request that fails ends the transaction, which says so.
  const ask = (request: Promise<unknown>): void => void request.catch(() => undefined);
  try {
    for (const { id: jobId, summary, records, files, snapshots = [] } of jobs) {
      for (const part of partsOf(jobId, records)) ask(transaction.objectStore('bulk').put(part));
      for (const [id, bytes] of files) ask(transaction.objectStore('files').put({ jobId, id, bytes }));
      for (const snapshot of snapshots)
        ask(transaction.objectStore('snapshots').put({ ...snapshot, version: JOB_VERSION }));
      ask(transaction.objectStore('jobs').put(summary()));
    }
    if (once !== undefined) ask(transaction.objectStore('choices').put(true, once));
  } catch (error) {
    // What fails on the way must not leave the half of it.
    transaction.abort();
    await transaction.done.catch(() => undefined);
    throw error;
  }
  await transaction.done;
  return true;
}

async function changeSummary(database: Database, jobId: string, changed: Partial<JobSummary>): Promise<void> {
  const transaction = database.transaction('jobs', 'readwrite', STRICT);
  const summary = await transaction.store.get(jobId);
  if (summary !== undefined) void transaction.store.put({ ...summary, ...changed });
  await transaction.done;
}

/** A change, with its files and steps, in one transaction. */
async function saveDiff(
  database: Database,
  ...[jobId, diff, changed, how = {}]: Parameters<JobStorage['saveDiff']>
): Promise<void> {
  const { files = new Map(), generation, history, rewrite } = how;
  const transaction = database.transaction(
    ['jobs', 'records', 'bulk', 'files', 'history', 'aside'],
    'readwrite',
    STRICT,
  );
  const jobs = transaction.objectStore('jobs');
  const summary = await jobs.get(jobId);
  const isTaken = generation !== undefined && (summary?.generation ?? 0) !== generation;
  if (summary === undefined || isTaken) {
    transaction.abort();
    await transaction.done.catch(() => undefined);
    throw new WriteRefused(summary === undefined ? 'gone' : 'taken');
  }
  const records = transaction.objectStore('records');
  if (rewrite === undefined) {
    for (const { id } of diff.removed) void records.put({ jobId, id, record: null });
    for (const record of [...diff.added, ...diff.updated.map(([, to]) => to)])
      void records.put({ jobId, id: record.id, record });
  } else {
    void records.delete(rowsOf(jobId));
    void transaction.objectStore('bulk').delete(rowsOf(jobId));
    for (const part of partsOf(jobId, rewrite.records)) void transaction.objectStore('bulk').put(part);
    for (const { raw } of rewrite.aside)
      void transaction.objectStore('aside').put({ jobId, id: String(raw['id']), raw });
  }
  for (const [id, bytes] of files) void transaction.objectStore('files').put({ jobId, id, bytes });
  if (history !== undefined) {
    const steps = transaction.objectStore('history');
    for (const seq of history.remove) void steps.delete([jobId, seq]);
    for (const row of history.put) void steps.put({ jobId, ...row });
    void steps.put({ jobId, seq: 0, doneTo: history.doneTo });
  }
  void jobs.put({ ...summary, ...changed, ...(rewrite === undefined ? {} : { version: JOB_VERSION }) });
  await transaction.done;
}

/** The summary of a job as it stands; times come from the caller. */
export function summarize(
  job: Job,
  at: { readonly id: string; readonly createdAt: number; readonly changedAt: number },
  totalMinor: number,
): JobSummary {
  const { id: identity, name, client, currency, decimalMark, groupMark, ofCompany } = settingsOf(job);
  return {
    ...at,
    name,
    client,
    currency,
    decimalMark,
    groupMark,
    sheets: job.sheet.size,
    totalMinor,
    version: JOB_VERSION,
    deletedAt: null,
    identity,
    ...(ofCompany === undefined ? {} : { company: ofCompany }),
  };
}

export const recordsOf = (job: Job): readonly JobRecord[] => [...listRecords(job)];
