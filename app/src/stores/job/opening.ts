import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { EMPTY_HISTORY, type History } from '@zest/core/job/history';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import type { Problem } from '../../messages/describeProblem.ts';
import { type KeptHistory, historyOf } from '../../storage/historyRows.ts';
import type { StoredJobRead } from '../../storage/storedJob.ts';
import { CLOSED } from './jobState.ts';
import { startHearing } from './otherTab.ts';
import { type Tab, lockOf, recalculate } from './tab.ts';
import { becomeWriter, loseLock } from './writing.ts';

export async function close(tab: Tab): Promise<void> {
  await tab.saver?.settled();
  tab.stopAnswering?.();
  tab.stopHearing?.();
  tab.release?.();
  tab.release = undefined;
  tab.saver = undefined;
  tab.stopAnswering = undefined;
  tab.stopHearing = undefined;
  tab.calculation = undefined;
  tab.store.setState(CLOSED);
}

export async function open(tab: Tab, jobId: string): Promise<void> {
  const { services, store } = tab;
  await close(tab);
  store.setState({ ...CLOSED, loading: true });
  tab.release = await services.locks.take(lockOf(jobId), false, () => loseLock(tab));
  // Heard from here on, or a change that is written while the job is read would be missed.
  const heardAll = tab.release === undefined ? startHearing(tab, jobId) : () => undefined;
  // The generation first: what is read after it cannot be changed by another tab any more.
  const generation = tab.release === undefined ? undefined : await services.storage.claim(jobId);
  const read = await services.storage.readJob(jobId);
  if (read?.ok !== true) {
    tab.release?.();
    tab.release = undefined;
    tab.stopHearing?.();
    store.setState({ ...CLOSED, missing: true, refused: read?.problem });
    return;
  }
  const { job, aside } = read.value;
  const { history, kept } = await readHistory(tab, jobId, read.value);
  if (tab.release !== undefined) becomeWriter(tab, jobId, generation, kept, read.value);
  const opened = { jobId, job, figures: recalculate(tab, job), history };
  const drift = await driftOf(tab, jobId, bidTotal(opened.figures));
  store.setState({ ...CLOSED, open: opened, readOnly: tab.release === undefined, drift, aside });
  heardAll();
}

/** The steps that were kept with a job. Those of another version tell of records as they were then: they go. */
async function readHistory(
  { services }: Tab,
  jobId: string,
  { mustRewrite }: StoredJobRead,
): Promise<{ readonly history: History; readonly kept: KeptHistory }> {
  const { history, kept } = historyOf(await services.storage.loadHistory(jobId));
  return { history: mustRewrite ? EMPTY_HISTORY : history, kept };
}

/** The bid as it was last saved, where it is another now. */
async function driftOf({ services, release }: Tab, jobId: string, totalMinor: number) {
  const fromMinor = (await services.storage.getSummary(jobId))?.totalMinor;
  // A tab that only reads may have another's newer total here, beside records of a moment before.
  const isOther = release !== undefined && fromMinor !== undefined && fromMinor !== totalMinor;
  return isOther ? { fromMinor } : undefined;
}

/** Takes the job from another tab once that has written what it has; `force` leaves behind what it could not. */
export async function takeOver(tab: Tab, force: boolean): Promise<Result<undefined, Problem>> {
  const { services, store } = tab;
  const jobId = store.getState().open?.jobId;
  if (jobId === undefined || !store.getState().readOnly) return accept(undefined);
  await tab.saver?.settled();
  const own = tab.saver?.unsaved() ?? 0;
  if (own > 0 && !force) return refuse({ kind: 'takeover-own', count: own });
  const theirs = (await services.locks.askToSettle(lockOf(jobId))) ?? 0;
  if (theirs > 0 && !force) return refuse({ kind: 'takeover-theirs', count: theirs });
  tab.release = await services.locks.take(lockOf(jobId), true, () => loseLock(tab));
  const generation = await services.storage.claim(jobId);
  // The other tab may have changed the job since it was opened here.
  const read = await services.storage.readJob(jobId);
  if (read?.ok !== true) {
    store.setState({ ...CLOSED, missing: true, refused: read?.problem });
    return refuse(read?.problem ?? { kind: 'job-missing' });
  }
  const { job } = read.value;
  const { history, kept } = await readHistory(tab, jobId, read.value);
  becomeWriter(tab, jobId, generation, kept, read.value);
  // Two steps on: whoever keeps in step by the last change must look at everything.
  store.setState({
    open: { jobId, job, figures: recalculate(tab, job), history },
    readOnly: false,
    save: { state: 'saved' },
    revision: store.getState().revision + 2,
  });
  return accept(undefined);
}
