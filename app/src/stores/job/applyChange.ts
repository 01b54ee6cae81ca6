import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import type { History } from '@zest/core/job/history';
import { type Diff, applyDiff } from '@zest/core/job/job';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import type { Problem } from '../../messages/describeProblem.ts';
import { type Tab, recalculate } from './tab.ts';

/** Applies a diff to the job and its figures; all of it or nothing. */
export function follow(tab: Tab, label: string, diff: Diff, history: History): Result<Diff, Problem> {
  const { store, calculation } = tab;
  const { open, revision } = store.getState();
  if (open === undefined || calculation === undefined) throw new Error('follow: no job is open');
  const before = bidTotal(open.figures);
  const job = applyDiff(open.job, diff);
  try {
    calculation.apply(job, diff);
  } catch (error) {
    // Half of the figures may have followed: they are made again, of the job as it was.
    store.setState({ open: { ...open, figures: recalculate(tab, open.job) }, revision: revision + 2 });
    return refuse({ kind: 'not-figured', label, reason: error instanceof Error ? error.message : '' });
  }
  const { figures } = calculation;
  const deltaMinor = bidTotal(figures) - before;
  store.setState({
    open: { ...open, job, figures, history },
    revision: revision + 1,
    lastChange: { label, deltaMinor },
    lastDiff: diff,
  });
  return accept(diff);
}

/** Applies a change and hands it to be saved. */
export function applyChange(
  tab: Tab,
  label: string,
  diff: Diff,
  history: History,
  files?: ReadonlyMap<string, Blob>,
): Result<Diff, Problem> {
  const done = follow(tab, label, diff, history);
  if (done.ok) tab.saver?.save(diff, files, history);
  return done;
}
