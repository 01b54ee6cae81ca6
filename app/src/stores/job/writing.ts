import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { settingsOf } from '@zest/core/job/job';
import { type KeptHistory, planHistory } from '../../storage/historyRows.ts';
import { type Saver, createSaver } from '../../storage/saver.ts';
import { type StoredJobRead, rewriteOf } from '../../storage/storedJob.ts';
import type { OpenJob } from './jobState.ts';
import { startHearing } from './otherTab.ts';
import { type Tab, lockOf } from './tab.ts';

/** From now on this tab writes the job, and every write brings the generation it got. */
export function becomeWriter(
  tab: Tab,
  jobId: string,
  generation: number | undefined,
  stored: KeptHistory,
  read: StoredJobRead,
): void {
  const { services, store } = tab;
  tab.saver = saverOf(tab, jobId, generation, stored, read);
  tab.stopHearing?.();
  tab.stopHearing = undefined;
  tab.stopAnswering?.();
  tab.stopAnswering = services.locks.onAsked(lockOf(jobId), async () => {
    // Nothing more is changed here while the other tab waits for what is left to be written.
    store.setState({ readOnly: true });
    await tab.saver?.settled();
    const unsaved = tab.saver?.unsaved() ?? 0;
    if (unsaved > 0) store.setState({ readOnly: false });
    return unsaved;
  });
}

function saverOf(
  { services, store }: Tab,
  jobId: string,
  generation: number | undefined,
  stored: KeptHistory,
  read: StoredJobRead,
): Saver {
  let kept = stored;
  // What is stored stays as it was found until a change is written, and then all of it at once.
  let mustRewrite = read.mustRewrite;
  return createSaver(
    async (diff, files, history) => {
      const steps = history === undefined ? undefined : planHistory(kept, history);
      const open = store.getState().open;
      await services.storage.saveDiff(jobId, diff, summaryOf(open, services.now()), {
        files,
        generation,
        ...(steps === undefined ? {} : { history: steps.write }),
        rewrite: mustRewrite && open !== undefined ? rewriteOf(open.job, read.aside) : undefined,
      });
      services.news.tell(jobId, diff);
      mustRewrite = false;
      kept = steps?.kept ?? kept;
    },
    (save) =>
      store.setState(
        save.state === 'failed' && save.lost !== undefined ? { save, readOnly: true } : { save },
      ),
  );
}

/** What the list of jobs shows of it. */
function summaryOf(open: OpenJob | undefined, changedAt: number) {
  if (open === undefined) return { changedAt };
  const { name, client } = settingsOf(open.job);
  return { changedAt, totalMinor: bidTotal(open.figures), sheets: open.job.sheet.size, name, client };
}

/** Another tab took the lock. */
export function loseLock(tab: Tab): void {
  const { store } = tab;
  tab.release = undefined;
  store.setState({ readOnly: true });
  // What was not written by now never will be from here: say so, and offer it as a file.
  if (tab.saver !== undefined && tab.saver.unsaved() > 0)
    return store.setState({ save: { state: 'failed', full: false, lost: 'taken' } });
  const jobId = store.getState().open?.jobId;
  if (jobId !== undefined) startHearing(tab, jobId)();
}
