import { type Diff, type Job, findRecord } from '@zest/core/job/job';
import { sameValue } from '@zest/core/job/sameValue';
import { t } from '../../messages/t.ts';
import { follow } from './applyChange.ts';
import { type Tab, recalculate } from './tab.ts';

/** Hears what another tab writes, and follows it once the function that is given is called. */
export function startHearing(tab: Tab, jobId: string): () => void {
  let early: Diff[] | undefined = [];
  // One after the other: a change may only be followed when the one before it was.
  const follows = (diff: Diff): void => void tab.inTurn(() => hearOf(tab, jobId, diff));
  tab.stopHearing?.();
  tab.stopHearing = tab.services.news.hear(jobId, (diff) =>
    early === undefined ? follows(diff) : early.push(diff),
  );
  return () => {
    early?.forEach(follows);
    early = undefined;
  };
}

/** Follows what another tab wrote; where it does not fit what is shown here, the job is read again. */
async function hearOf(tab: Tab, jobId: string, diff: Diff): Promise<void> {
  const { store, services } = tab;
  const { open, readOnly } = store.getState();
  if (open?.jobId !== jobId || !readOnly) return;
  if (fits(open.job, diff) && follow(tab, t('common.changedInAnotherTab'), diff, open.history).ok) return;
  const read = await services.storage.readJob(jobId);
  const now = store.getState();
  if (read?.ok !== true || now.open?.jobId !== jobId || !now.readOnly) return;
  const { job } = read.value;
  store.setState({ open: { ...now.open, job, figures: recalculate(tab, job) }, revision: now.revision + 2 });
}

/** Whether a change can follow what is here: it finds what it takes the place of, and nothing that it brings. */
const fits = (job: Job, { added, removed, updated }: Diff): boolean =>
  added.every(({ id }) => findRecord(job, id) === undefined) &&
  removed.every((record) => sameValue(findRecord(job, record.id), record)) &&
  updated.every(([from]) => sameValue(findRecord(job, from.id), from));
