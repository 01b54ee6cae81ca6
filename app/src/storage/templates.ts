import { checkAnyRecord } from '@zest/core/job/checkRecord';
import { type Job, createJob, settingsOf } from '@zest/core/job/job';
import { type TemplateChoices, templateOf } from '@zest/core/library/template';
import type { NewJob } from '@zest/core/library/startJob';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import type { Problem } from '../messages/describeProblem.ts';
import type { Services } from '../platform/services.ts';
import type { JobSummary } from './database.ts';
import { keepJob } from './jobFiles.ts';

interface TemplateAsked {
  readonly name: string;
  readonly folder: string;
  readonly choices: TemplateChoices;
}

/** Keeps a job as a template beside the jobs; the job itself stays as it is. */
export async function saveTemplate(
  services: Services,
  job: Job,
  { name, folder, choices }: TemplateAsked,
): Promise<Result<string, Problem>> {
  const records = templateOf(job, name, choices);
  for (const record of records) {
    const checked = checkAnyRecord(record);
    if (!checked.ok) return checked;
  }
  return keepJob(services, createJob(records), new Map(), { folder });
}

/** Starts a job from a template; only its name and client are new, all else is as the template has it. */
export async function startFromTemplate(
  services: Services,
  template: JobSummary,
  { name, client }: Pick<NewJob, 'name' | 'client'>,
): Promise<Result<string, Problem>> {
  const job = await services.storage.loadJob(template.id);
  if (job === undefined) return refuse({ kind: 'job-missing' });
  const settings = checkAnyRecord({ ...settingsOf(job), id: services.makeId('settings'), name, client });
  if (!settings.ok) return settings;
  const started = { ...job, settings: new Map([[settings.value.id, settings.value]]) } as Job;
  const kept = await keepJob(services, started, new Map());
  return kept.ok ? accept(kept.value) : kept;
}
