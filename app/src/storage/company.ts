import { applyDiff, createJob, type Job, settingsOf } from '@zest/core/job/job';
import { checkAnyRecord } from '@zest/core/job/checkRecord';
import { handToCompany, startFromCompany } from '@zest/core/library/company';
import { type NewJob, startJob } from '@zest/core/library/startJob';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import type { Problem } from '../messages/describeProblem.ts';
import { sayLibrary } from '../messages/libraryText.ts';
import { t } from '../messages/t.ts';
import type { Services } from '../platform/services.ts';
import type { JobSummary } from './database.ts';
import { changeKept, keepJob } from './jobFiles.ts';

type Done<Value> = Promise<Result<Value, Problem>>;

/** The company of this browser: the one that was changed last, where a file brought another. */
export async function findCompany({ storage }: Services): Promise<JobSummary | undefined> {
  const all = await storage.listJobs();
  return all
    .filter(({ company, deletedAt }) => company === true && deletedAt === null)
    .sort((a, b) => b.changedAt - a.changedAt)[0];
}

/** Sets the company up with the sections, assemblies and prices a job would begin with. */
export async function createCompany(services: Services, asked: NewJob): Done<string> {
  const [settings, ...rest] = startJob(asked, services.makeId, sayLibrary());
  const checked = checkAnyRecord({ ...settings, company: asked.name, ofCompany: true });
  return checked.ok ? keepJob(services, createJob([checked.value, ...rest]), new Map()) : checked;
}

/** Starts a job with its own copy of what the company keeps. */
export async function startJobOfCompany(
  services: Services,
  company: JobSummary,
  asked: Pick<NewJob, 'name' | 'client'>,
): Done<string> {
  const job = await services.storage.loadJob(company.id);
  if (job === undefined) return refuse({ kind: 'job-missing' });
  const [settings, ...rest] = startFromCompany(job, asked, services.makeId('companyCopy'));
  const checked = checkAnyRecord({ ...settings, id: services.makeId('settings') });
  return checked.ok ? keepJob(services, createJob([checked.value, ...rest]), new Map()) : checked;
}

/** Gives records of a job to the company, as one step that can be undone there; gives the company as it is then. */
export async function giveToCompany(
  services: Services,
  companyId: string,
  job: Job,
  ids: readonly string[],
): Done<Job> {
  const label = t('settings.takeFromJob', { name: settingsOf(job).name });
  let after: Job | undefined;
  const done = await changeKept(services, companyId, label, (company) => {
    const diff = handToCompany(job, ids)(company);
    if (diff.ok) after = applyDiff(company, diff.value);
    return diff;
  });
  if (!done.ok) return done;
  return after === undefined ? refuse({ kind: 'job-missing' }) : accept(after);
}
