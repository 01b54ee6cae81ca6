import { Calculation } from '@zest/core/calculate/calculation';
import { readZestjob } from '@zest/core/formats/zestjob/read';
import { writeZestjob } from '@zest/core/formats/zestjob/write';
import { filesWith } from '@zest/core/formats/zestjob/snapshot';
import { ZESTJOB } from '@zest/core/formats/zestjob/descriptor';
import { type Job, createJob, settingsOf } from '@zest/core/job/job';
import { checkRecord } from '@zest/core/job/checkRecord';
import { type NewJob, startJob } from '@zest/core/library/startJob';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import type { Problem } from '../messages/describeProblem.ts';
import type { Services } from '../platform/services.ts';
import { totalOf } from '../stores/jobStore.ts';
import type { JobSummary } from './database.ts';
import { recordsOf, summarize } from './jobStorage.ts';

type Done<Value> = Promise<Result<Value, Problem>>;

/** A packed job this large would not fit beside the browser. */
export const FILE_LIMIT = 1024 ** 3;

const newJobId = (services: Services): string => services.makeId('settings').replace('settings:', 'job-');

/** Keeps a new job; with a folder, as a template that others are started from. */
export async function keepJob(
  services: Services,
  job: Job,
  files: ReadonlyMap<string, Blob>,
  template?: { readonly folder: string },
): Done<string> {
  const id = newJobId(services);
  const at = { id, createdAt: services.now(), changedAt: services.now() };
  try {
    await services.storage.createJob(
      {
        ...summarize(job, at, totalOf(new Calculation(job))),
        ...(template === undefined ? {} : { template }),
      },
      recordsOf(job),
      files,
    );
    return accept(id);
  } catch (error) {
    return refuse({
      kind:
        error instanceof DOMException && error.name === 'QuotaExceededError' ? 'disk-full' : 'storage-failed',
    });
  }
}

/** Starts a job with the shipped price book and assemblies. */
export async function createNewJob(services: Services, asked: NewJob): Done<string> {
  const records = startJob(asked, services.makeId);
  const [settings] = records;
  const checked = checkRecord('settings', settings);
  return checked.ok ? keepJob(services, createJob(records), new Map()) : checked;
}

/** Takes over a .zestjob file as a new job; what is there already stays as it is. */
export async function importJob(
  services: Services,
  file: Blob,
  template?: { readonly folder: string },
): Done<string> {
  if (file.size > FILE_LIMIT) return refuse({ kind: 'file-too-large', bytes: file.size, limit: FILE_LIMIT });
  const content = readZestjob(new Uint8Array(await file.arrayBuffer()));
  if (!content.ok) return content;
  const files = new Map([...content.value.files].map(([id, bytes]) => [id, new Blob([bytes as BlobPart])]));
  const kept = await keepJob(services, content.value.job, files, template);
  if (!kept.ok) return kept;
  for (const snapshot of content.value.snapshots)
    await services.storage.saveSnapshot({ ...snapshot, jobId: kept.value });
  return kept;
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
  const snapshots = kept.map(({ jobId: _of, ...snapshot }) => snapshot);
  const packed = writeZestjob(job, bytes, snapshots);
  return accept({
    name: fileName(settingsOf(job).name, ZESTJOB.extension),
    blob: new Blob([packed as BlobPart], { type: ZESTJOB.mediaType }),
  });
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
  const name = `${settings.name.slice(0, 190)} (copy)`;
  const copy = createJob([...recordsOf(job), { ...settings, name }]);
  const snapshots = await services.storage.listSnapshots(jobId);
  const kept = await keepJob(services, copy, await readFiles(services, jobId, filesWith(job, snapshots)));
  if (!kept.ok) return kept;
  for (const snapshot of snapshots) await services.storage.saveSnapshot({ ...snapshot, jobId: kept.value });
  return kept;
}

/** Renames a job that is not open. */
export async function renameJob(services: Services, summary: JobSummary, name: string): Done<string> {
  const job = await services.storage.loadJob(summary.id);
  if (job === undefined) return refuse({ kind: 'job-missing' });
  const from = settingsOf(job);
  const to = checkRecord('settings', { ...from, name });
  if (!to.ok) return to;
  const diff = { added: [], removed: [], updated: [[from, to.value]] as const };
  await services.storage.saveDiff(summary.id, diff, { name: to.value.name, changedAt: services.now() });
  return accept(summary.id);
}

const SEEDED = 'demo-seeded';
/** The one to begin with last, so that it stands first among the jobs. */
const DEMOS: readonly (readonly [path: string, template?: { readonly folder: string }])[] = [
  ['/demo/small-timber-building.zestjob', { folder: 'Timber' }],
  ['/demo/heron-slip-boat-store.zestjob'],
  ['/demo/orchard-row-pavilion.zestjob'],
  ['/demo/tern-island-boathouse.zestjob'],
];

/** On the very first start, the demo jobs are put in; deleted, they stay deleted. */
export async function seedDemo(services: Services): Promise<void> {
  if ((await services.storage.readChoice(SEEDED)) === true) return;
  const answers = await Promise.all(DEMOS.map(([path]) => fetch(path)));
  if (answers.some(({ ok }) => !ok)) return;
  for (const [at, answer] of answers.entries()) {
    const seeded = await importJob(services, await answer.blob(), DEMOS[at]?.[1]);
    if (!seeded.ok) return;
  }
  await services.storage.saveChoice(SEEDED, true);
}

/** Jobs whose deletion was not undone go for good at the next start. */
export async function purgeDeleted(services: Services): Promise<void> {
  for (const summary of await services.storage.listJobs())
    if (summary.deletedAt !== null) await services.storage.removeJob(summary.id);
}
