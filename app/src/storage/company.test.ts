import 'fake-indexeddb/auto';
import { describe, expect, it } from '@jest/globals';
import { createIdMaker } from '@zest/core/job/id';
import { update } from '@zest/core/job/change';
import { type Job, applyDiff, settingsOf } from '@zest/core/job/job';
import { compareWithCompany } from '@zest/core/library/company';
import { createChance } from '@zest/core/testing/job';
import type { Services } from '../platform/services.ts';
import { createCompany, findCompany, giveToCompany, startJobOfCompany } from './company.ts';
import { openDatabase } from './database.ts';
import { duplicateJob } from './jobFiles.ts';
import { placeImported, settleImported } from './imported.ts';
import { createJobStorage } from './jobStorage.ts';

const ASKED = {
  name: 'Alder Works',
  client: '',
  unitSystem: 'metric',
  currency: 'EUR',
  decimalMark: ',',
  groupMark: '.',
} as const;

let databases = 0;
async function withCompany() {
  const storage = createJobStorage(await openDatabase({}, `company-${(databases += 1)}`));
  const makeId = createIdMaker(createChance(33));
  let time = 5;
  const locks = { take: () => Promise.resolve(() => undefined) };
  const services = { storage, now: () => (time += 1), makeId, locks } as unknown as Services;
  const made = await createCompany(services, ASKED);
  if (!made.ok) throw new Error(JSON.stringify(made.problem));
  const company = await findCompany(services);
  if (company === undefined) throw new Error('no company');
  return { services, company };
}

async function load({ storage }: Services, id: string): Promise<Job> {
  const job = await storage.loadJob(id);
  if (job === undefined) throw new Error('no job');
  return job;
}

async function startIn({ services, company }: Awaited<ReturnType<typeof withCompany>>, name: string) {
  const started = await startJobOfCompany(services, company, { name, client: 'Ms Reed' });
  if (!started.ok) throw new Error(JSON.stringify(started.problem));
  return started.value;
}

describe('the company', () => {
  it('is kept beside the jobs, and a new job has its own copy of it', async () => {
    const kept = await withCompany();
    const { services, company } = kept;
    expect(company).toMatchObject({ name: 'Alder Works', company: true });
    const job = await load(services, await startIn(kept, 'Barn'));
    expect(settingsOf(job)).toMatchObject({ name: 'Barn', company: 'Alder Works', currency: 'EUR' });
    const [of, its] = [await load(services, company.id), job];
    expect(compareWithCompany(its, of)).toEqual({ fromCompany: [], fromJob: [] });
    // It is known as the job it is, not as its company.
    expect(settingsOf(job).id).not.toBe(settingsOf(of).id);
    expect((await findCompany(services))?.id).toBe(company.id);
  });

  it('takes what a job hands it, as a step that can be undone there', async () => {
    const kept = await withCompany();
    const { services, company } = kept;
    const job = await load(services, await startIn(kept, 'Barn'));
    const [section] = job.section.values();
    if (section === undefined) throw new Error('no section');
    const diff = update(section, (now) => ({ ...now, name: 'Groundworks' }))(job);
    if (!diff.ok) throw new Error('refused');
    const given = await giveToCompany(services, company.id, applyDiff(job, diff.value), [section.id]);
    expect(given.ok).toBe(true);
    expect((await load(services, company.id)).section.get(section.id)?.name).toBe('Groundworks');
    const steps = await services.storage.loadHistory(company.id);
    expect(steps.flatMap((step) => ('label' in step ? [step.label] : []))).toEqual([
      'take from the job Barn',
    ]);
  });
});

it('a company that is open in another tab is named, and nothing is given', async () => {
  const kept = await withCompany();
  const job = await load(kept.services, await startIn(kept, 'Barn'));
  const [section] = job.section.keys();
  const busy = { ...kept.services, locks: { take: () => Promise.resolve(undefined) } } as unknown as Services;
  expect(await giveToCompany(busy, kept.company.id, job, [section ?? ''])).toEqual({
    ok: false,
    problem: { kind: 'open-elsewhere', name: 'Alder Works' },
  });
});

describe('a job of a file', () => {
  const listed = async ({ storage }: Services) =>
    (await storage.listJobs())
      .filter(({ deletedAt, company }) => deletedAt === null && company === undefined)
      .map(({ name }) => name)
      .sort();

  /** Two summaries of the same job, as an import of a job that is here leaves them. */
  async function twice() {
    const kept = await withCompany();
    const { services } = kept;
    const here = await startIn(kept, 'Barn');
    const job = await load(services, here);
    const { id: identity, name } = settingsOf(job);
    const summary = await services.storage.getSummary(here);
    if (summary === undefined) throw new Error('no summary');
    await services.storage.createJob({ ...summary, id: 'job-file' }, [...job.settings.values()], new Map());
    expect([identity, name]).toEqual([summary.identity, 'Barn']);
    return { services, here };
  }

  it('that is here already is told, and both are kept under names that tell', async () => {
    const { services, here } = await twice();
    const same = await placeImported(services, 'job-file');
    expect([same?.here.id, same?.imported.id]).toEqual([here, 'job-file']);
    if (same === undefined) throw new Error('not told');
    expect((await settleImported(services, same, 'both')).ok).toBe(true);
    expect(await listed(services)).toEqual(['Barn', 'Barn (from file)']);
  });

  it('replaces the other when asked, which can be brought back', async () => {
    const { services, here } = await twice();
    const same = await placeImported(services, 'job-file');
    if (same === undefined) throw new Error('not told');
    await settleImported(services, same, 'replace');
    expect((await services.storage.getSummary(here))?.deletedAt).not.toBeNull();
    await services.storage.markDeleted(here, null);
    expect(await listed(services)).toEqual(['Barn', 'Barn']);
  });

  it('that is a copy made here is a job of its own', async () => {
    const kept = await withCompany();
    const here = await startIn(kept, 'Barn');
    const copy = await duplicateJob(kept.services, here);
    if (!copy.ok) throw new Error('refused');
    expect(await placeImported(kept.services, copy.value)).toBeUndefined();
  });
});
