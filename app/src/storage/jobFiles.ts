import { rewriteOf } from './storedJob.ts';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { writeZestjob } from '@zest/core/formats/zestjob/write';
import { type Snapshot, filesWith } from '@zest/core/formats/zestjob/snapshot';
import { ZESTJOB } from '@zest/core/formats/zestjob/descriptor';
import { type Command, put } from '@zest/core/job/change';
import { EMPTY_HISTORY, recordStep } from '@zest/core/job/history';
import { applyDiff, type Job, createJob, settingsOf } from '@zest/core/job/job';
import { checkRecord } from '@zest/core/job/checkRecord';
import { type NewJob, startJob } from '@zest/core/library/startJob';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import { WorkerEnded } from '../platform/guardedWorker.ts';
import type { Problem } from '../messages/describeProblem.ts';
import type { Services } from '../platform/services.ts';
import type { JobSummary } from './database.ts';
import { historyOf, planHistory } from './historyRows.ts';
import { type StoredJob, recordsOf } from './jobStorage.ts';
import { firstStored, storageProblem } from './takeJobFile.ts';
import { LIMITS } from '@zest/core/formats/limits';
import { t } from '../messages/t.ts';
import { sayLibrary } from '../messages/libraryText.ts';

type Done<Value> = Promise<Result<Value, Problem>>;

const newJobId = (services: Services): string => services.makeId('settings').replace('settings:', 'job-');

/** A job as it is kept for the first time, under an id of its own. */
const storedJob = (
  services: Services,
  job: Job,
  files: ReadonlyMap<string, Blob>,
  template: { readonly folder: string } | undefined,
  snapshots: readonly Snapshot[],
): StoredJob => firstStored({ id: newJobId(services), now: services.now() }, job, files, template, snapshots);

/** Keeps a new job; with a folder, as a template that others are started from. */
export async function keepJob(
  services: Services,
  job: Job,
  files: ReadonlyMap<string, Blob>,
  template?: { readonly folder: string },
  snapshots: readonly Snapshot[] = [],
): Done<string> {
  const stored = storedJob(services, job, files, template, snapshots);
  try {
    await services.storage.createJobs([stored]);
    return accept(stored.id);
  } catch (error) {
    return refuse(storageProblem(error));
  }
}

/** Starts a job with the shipped price book and assemblies. */
export async function createNewJob(services: Services, asked: NewJob): Done<string> {
  const records = startJob(asked, services.makeId, sayLibrary());
  const [settings] = records;
  const checked = checkRecord('settings', settings);
  return checked.ok ? keepJob(services, createJob(records), new Map()) : checked;
}

/** Takes over a .zestjob file as a new job; what is there already stays as it is. */
export async function importJob(services: Services, file: Blob, stop?: AbortSignal): Done<string> {
  if (file.size > LIMITS.jobFile.bytes)
    return refuse({ kind: 'file-too-large', bytes: file.size, limit: LIMITS.jobFile.bytes });
  const at = { id: newJobId(services), now: services.now() };
  try {
    return await services.takeJobFile(file, at, stop);
  } catch (error) {
    if (!(error instanceof WorkerEnded)) throw error;
    // It may have been ended between its last write and its answer.
    await services.storage.removeJob(at.id);
    return refuse({ kind: 'reading-ended', why: error.reason });
  }
}

async function readFiles(
  services: Services,
  jobId: string,
  of: ReadonlyMap<string, unknown>,
): Promise<ReadonlyMap<string, Blob>> {
  const files = new Map<string, Blob>();
  for (const id of of.keys()) {
    const blob = await services.storage.readFile(jobId, id);
    if (blob !== undefined) files.set(id, blob);
  }
  return files;
}

/** A job with all its files in one zip. */
export async function packJob(
  services: Services,
  jobId: string,
  opened?: Job,
): Done<{ readonly name: string; readonly blob: Blob }> {
  const job = opened ?? (await services.storage.loadJob(jobId));
  if (job === undefined) return refuse({ kind: 'job-missing' });
  const kept = await services.storage.listSnapshots(jobId);
  const blobs = await readFiles(services, jobId, filesWith(job, kept));
  const lost = [...job.file.values()].find(({ id }) => !blobs.has(id));
  if (lost !== undefined) return refuse({ kind: 'drawings-lost', name: lost.name });
  const bytes = new Map<string, Uint8Array>();
  for (const [id, blob] of blobs) bytes.set(id, new Uint8Array(await blob.arrayBuffer()));
  const snapshots = kept.map(({ jobId: _of, version: _is, unread: _left, ...snapshot }) => snapshot);
  const packed = writeZestjob(job, bytes, snapshots);
  return accept({
    name: fileName(settingsOf(job).name, ZESTJOB.extension),
    blob: new Blob([packed as BlobPart], { type: ZESTJOB.mediaType }),
  });
}

/** Saves a job as a file of the person's, and remembers when. */
export async function exportJob(services: Services, jobId: string, opened?: Job): Done<undefined> {
  const packed = await packJob(services, jobId, opened);
  if (!packed.ok) return packed;
  services.download(packed.value.name, packed.value.blob);
  // The file is what counts; a full disk keeps no note of it.
  await services.storage.noteExport(jobId, services.now()).catch(() => undefined);
  return accept(undefined);
}

/** A file name that every system takes: `tern-island-boathouse.zestjob`. */
export function fileName(name: string, extension: string): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);
  return `${plain === '' ? 'job' : plain}${extension}`;
}

export async function duplicateJob(services: Services, jobId: string): Done<string> {
  const job = await services.storage.loadJob(jobId);
  if (job === undefined) return refuse({ kind: 'job-missing' });
  const settings = settingsOf(job);
  const name = t('jobs.copyOf', { name: settings.name.slice(0, 190) });
  const copy = createJob([
    ...recordsOf(job).filter(({ type }) => type !== 'settings'),
    { ...settings, id: services.makeId('settings'), name },
  ]);
  const snapshots = await services.storage.listSnapshots(jobId);
  const files = await readFiles(services, jobId, filesWith(job, snapshots));
  return keepJob(services, copy, files, undefined, snapshots);
}

/** Renames a job that is not open, here or in another tab: there it is renamed by whoever has it open. */
export function renameJob(services: Services, { id }: JobSummary, name: string): Done<string> {
  const rename: Command = (job) => put({ ...settingsOf(job), name })(job);
  return changeKept(services, id, t('jobs.renameTheJobTo', { name: name.trim() }), rename);
}

/** Carries out a change of a job that is kept and not open in any tab, as one step that can be undone there. */
export async function changeKept(
  services: Services,
  jobId: string,
  label: string,
  command: Command,
): Done<string> {
  const release = await services.locks.take(`job ${jobId}`, false, () => undefined);
  if (release === undefined) {
    const summary = await services.storage.getSummary(jobId);
    return refuse({ kind: 'open-elsewhere', name: summary?.name ?? '' });
  }
  try {
    const generation = await services.storage.claim(jobId);
    const read = await services.storage.readJob(jobId);
    if (read?.ok !== true) return refuse(read?.problem ?? { kind: 'job-missing' });
    const { job, aside, mustRewrite } = read.value;
    const diff = command(job);
    if (!diff.ok) return diff;
    const after = applyDiff(job, diff.value);
    const changed = { name: settingsOf(after).name, changedAt: services.now() };
    const { kept, history } = historyOf(await services.storage.loadHistory(jobId));
    const step = { label, diff: diff.value };
    const { write } = planHistory(kept, recordStep(mustRewrite ? EMPTY_HISTORY : history, step));
    const rewrite = mustRewrite ? rewriteOf(after, aside) : undefined;
    await services.storage.saveDiff(jobId, diff.value, changed, { generation, history: write, rewrite });
    return accept(jobId);
  } finally {
    release();
  }
}

const SEEDED = 'demo-seeded';
/** The one to begin with last, so that it stands first among the jobs. */
const DEMOS: readonly (readonly [path: string, template?: { readonly folder: string }])[] = [
  ['/demo/small-timber-building.zestjob', { folder: 'Timber' }],
  ['/demo/heron-slip-boat-store.zestjob'],
  ['/demo/orchard-row-pavilion.zestjob'],
  ['/demo/tern-island-boathouse.zestjob'],
];

/** On the very first start, the demo jobs are put in, all or none; deleted, they stay deleted. */
export async function seedDemo(services: Services): Promise<void> {
  if ((await services.storage.readChoice(SEEDED)) === true) return;
  const answers = await Promise.all(DEMOS.map(([path]) => fetch(path)));
  if (answers.some(({ ok }) => !ok)) return;
  const jobs: StoredJob[] = [];
  for (const [at, answer] of answers.entries()) {
    const content = readZestjob(new Uint8Array(await answer.arrayBuffer()));
    if (!content.ok) return;
    const { job, files, snapshots } = content.value;
    const blobs = new Map([...files].map(([id, bytes]) => [id, new Blob([bytes as BlobPart])]));
    jobs.push(storedJob(services, job, blobs, DEMOS[at]?.[1], snapshots));
  }
  await services.storage.createJobs(jobs, SEEDED);
}

/** How long a deletion can be undone, whatever else is done in the browser meanwhile. */
export const UNDO_DELETE_MS = 24 * 3600 * 1000;

/** Jobs that were deleted a day ago go for good, unless a tab still has them open. */
export async function purgeDeleted(services: Services): Promise<void> {
  const due = services.now() - UNDO_DELETE_MS;
  for (const { id, deletedAt } of await services.storage.listJobs()) {
    if (deletedAt === null || deletedAt >= due) continue;
    const release = await services.locks.take(`job ${id}`, false, () => undefined);
    if (release === undefined) continue;
    await services.storage.purge(id, due);
    release();
  }
}
