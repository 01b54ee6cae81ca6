import 'fake-indexeddb/auto';
import { describe, expect, it } from '@jest/globals';
import { put } from '@zest/core/job/change';
import { createIdMaker } from '@zest/core/job/id';
import { type Job, listRecords, settingsOf } from '@zest/core/job/job';
import { USUAL_TEMPLATE } from '@zest/core/library/template';
import { createChance } from '@zest/core/testing/job';
import { createPricedJob } from '@zest/core/testing/pricedJob';
import type { Services } from '../platform/services.ts';
import { rememberItem } from '../stages/prices/recentItems.ts';
import { openDatabase } from './database.ts';
import { createJobStorage } from './jobStorage.ts';
import { saveTemplate, startFromTemplate } from './templates.ts';

let databases = 0;
async function createServices(): Promise<Services> {
  const storage = createJobStorage(await openDatabase({}, `templates-${(databases += 1)}`));
  return { storage, now: () => 5, makeId: createIdMaker(createChance(21)) } as unknown as Services;
}

const asked = { name: 'Small timber', folder: 'Timber', choices: USUAL_TEMPLATE };
const { job } = createPricedJob();

async function load(services: Services, id: string): Promise<Job> {
  const loaded = await services.storage.loadJob(id);
  if (loaded === undefined) throw new Error('no job');
  return loaded;
}

/** Saves the job as a template; gives it as the list of jobs shows it. */
async function keep(services: Services) {
  const saved = await saveTemplate(services, job, asked);
  if (!saved.ok) throw new Error(JSON.stringify(saved.problem));
  const summary = (await services.storage.listJobs()).find(({ id }) => id === saved.value);
  if (summary === undefined) throw new Error('no template');
  return summary;
}

describe('a template', () => {
  it('stands beside the jobs in its folder, with nothing measured and every price', async () => {
    const services = await createServices();
    const before = [...listRecords(job)];
    const summary = await keep(services);
    expect(summary).toMatchObject({ name: 'Small timber', template: { folder: 'Timber' } });
    const template = await load(services, summary.id);
    expect([template.mark.size, template.sheet.size]).toEqual([0, 0]);
    expect(template.scope.size).toBe(job.scope.size);
    expect(template.item.size).toBe(job.item.size);
    // The job that it was made of is not touched.
    expect([...listRecords(job)]).toEqual(before);
  });

  it('is refused with a name that does not fit, and nothing is kept', async () => {
    const services = await createServices();
    const refused = await saveTemplate(services, job, { ...asked, name: 'x'.repeat(5000) });
    expect(refused).toMatchObject({
      ok: false,
      problem: { kind: 'record-invalid', field: 'name', reason: { fault: 'too-long' } },
    });
    expect(await services.storage.listJobs()).toEqual([]);
  });
});

describe('a job from a template', () => {
  it('has the name and client that were asked for, and is a job of its own', async () => {
    const services = await createServices();
    const summary = await keep(services);
    const started = await startFromTemplate(services, summary, { name: 'Cobble shed', client: 'Cobble' });
    if (!started.ok) throw new Error(started.problem.kind);
    const made = await load(services, started.value);
    expect(settingsOf(made)).toMatchObject({ name: 'Cobble shed', client: 'Cobble', currency: 'USD' });
    const names = (await services.storage.listJobs()).map(({ name, template }) => [
      name,
      template !== undefined,
    ]);
    expect(names).toEqual(
      expect.arrayContaining([
        ['Cobble shed', false],
        ['Small timber', true],
      ]),
    );

    // What is changed in it leaves the template as it is.
    const diff = put({ ...settingsOf(made), taxOnMaterials: '9' })(made);
    if (!diff.ok) throw new Error(diff.problem.kind);
    await services.storage.saveDiff(started.value, diff.value, {});
    expect(settingsOf(await load(services, started.value)).taxOnMaterials).toBe('9');
    expect(settingsOf(await load(services, summary.id)).taxOnMaterials).toBe('7.25');
  });

  it('cannot be started once the template is gone, or without a name that fits', async () => {
    const services = await createServices();
    const summary = await keep(services);
    const none = await startFromTemplate(services, { ...summary, id: 'job-gone' }, { name: 'A', client: '' });
    expect(none).toMatchObject({ ok: false, problem: { kind: 'job-missing' } });
    const unnamed = await startFromTemplate(services, summary, { name: '', client: '' });
    expect(unnamed).toMatchObject({ ok: false, problem: { kind: 'record-invalid', field: 'name' } });
    expect(await services.storage.listJobs()).toHaveLength(1);
  });
});

describe('items that were chosen lately', () => {
  it('are kept on this machine, each once, the latest first and thirty at most', async () => {
    const { storage } = await createServices();
    for (const code of ['A', 'B', 'A', '']) await rememberItem(storage, code);
    expect(await storage.readChoice('recent-items')).toEqual(['A', 'B']);
    for (let i = 0; i < 40; i += 1) await rememberItem(storage, `C${i}`);
    const codes = (await storage.readChoice('recent-items')) as string[];
    expect(codes).toHaveLength(30);
    expect(codes[0]).toBe('C39');
  });
});
