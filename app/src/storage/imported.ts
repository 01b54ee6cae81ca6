import { type Result, accept } from '@zest/core/problem/result';
import type { Problem } from '../messages/describeProblem.ts';
import { t } from '../messages/t.ts';
import type { Services } from '../platform/services.ts';
import type { JobSummary } from './database.ts';
import { renameJob } from './jobFiles.ts';

interface SameTwice {
  readonly imported: JobSummary;
  readonly here: JobSummary;
}

/** Templates are not among them: jobs that were started from one may have its id from earlier versions. */
const isSame = (a: JobSummary, b: JobSummary): boolean =>
  a.template === undefined && (a.identity === undefined ? a.name === b.name : a.identity === b.identity);

/**
 * Finds out what a job that was just read from a file is: a company takes the place of the one before, which can be
 * brought back; a job that is here already is given with the other, for somebody to choose.
 */
export async function placeImported(services: Services, id: string): Promise<SameTwice | undefined> {
  const all = (await services.storage.listJobs()).filter(({ deletedAt }) => deletedAt === null);
  const imported = all.find((each) => each.id === id);
  if (imported === undefined) return undefined;
  if (imported.company === true) {
    const before = all.filter((each) => each.company === true && each.id !== id);
    for (const each of before) await services.storage.markDeleted(each.id, services.now());
    return undefined;
  }
  const here = all.find((each) => each.id !== id && each.company !== true && isSame(each, imported));
  return here === undefined ? undefined : { imported, here };
}

/** Does what somebody chose; what is given up can be brought back for a day. */
export async function settleImported(
  services: Services,
  { imported, here }: SameTwice,
  choice: 'replace' | 'both' | 'neither',
): Promise<Result<unknown, Problem>> {
  if (choice === 'both') return renameJob(services, imported, t('jobs.fromFile', { name: imported.name }));
  const [gone] = choice === 'replace' ? [here.id] : [imported.id];
  await services.storage.markDeleted(gone, services.now());
  return accept(undefined);
}
