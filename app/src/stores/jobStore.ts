import { createStore } from 'zustand/vanilla';
import type { Command } from '@zest/core/job/change';
import { planRedo, planUndo, receiveInto, recordStep } from '@zest/core/job/history';
import { type Diff, isEmptyDiff } from '@zest/core/job/job';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import type { Problem } from '../messages/describeProblem.ts';
import { t } from '../messages/t.ts';
import type { Services } from '../platform/services.ts';
import { applyChange } from './job/applyChange.ts';
import { CLOSED, type JobActions, type JobState, type JobStore } from './job/jobState.ts';
import { close, open, takeOver } from './job/opening.ts';
import { type Tab, createTab } from './job/tab.ts';

export type { JobActions, JobState, JobStore, OpenJob } from './job/jobState.ts';

/** The open job: the one door through which it changes, is undone, calculated and saved. */
export function createJobStore(services: Services): JobStore {
  const store = createStore<JobState>(() => CLOSED);
  const tab = createTab(services, store);
  return Object.assign(store, { actions: { ...openingActions(tab), ...changingActions(tab) } });
}

type Opening = 'openJob' | 'closeJob' | 'takeOver';

function openingActions(tab: Tab): Pick<JobActions, Opening> {
  /** The job that is asked for last. */
  let wanted: string | undefined;
  const current = (): string | undefined => tab.store.getState().open?.jobId;
  return {
    openJob: (jobId) => {
      wanted = jobId;
      return tab.inTurn(async () => {
        if (wanted === jobId && current() !== jobId) await open(tab, jobId);
      });
    },
    closeJob: () => {
      wanted = undefined;
      return tab.inTurn(async () => {
        if (wanted === undefined || wanted !== current()) await close(tab);
      });
    },
    takeOver: (force = false) => takeOver(tab, force),
  };
}

function changingActions(tab: Tab): Omit<JobActions, Opening> {
  const { store } = tab;
  const step = (plan: typeof planUndo, verb: string): Result<unknown, Problem> => {
    const { open: now, readOnly } = store.getState();
    const planned = now === undefined || readOnly ? undefined : plan(now.history);
    if (planned === undefined) return accept(undefined);
    return applyChange(tab, `${verb} ‘${planned.label}’`, planned.diff, planned.history);
  };
  const change = (
    label: string,
    command: Command,
    record: typeof recordStep,
    files?: ReadonlyMap<string, Blob>,
  ): Result<Diff, Problem> => {
    const { open: now, readOnly } = store.getState();
    if (now === undefined) throw new Error(`transact: no job is open for ${label}`);
    if (readOnly) return refuse({ kind: 'read-only' });
    const diff = command(now.job);
    if (!diff.ok) return diff;
    if (isEmptyDiff(diff.value)) return accept(diff.value);
    const history = record(now.history, { label, diff: diff.value });
    return applyChange(tab, label, diff.value, history, files);
  };
  return {
    transact: (label, command, files) => change(label, command, recordStep, files),
    receive: (label, command) => change(label, command, receiveInto),
    undo: () => step(planUndo, t('common.undid')),
    redo: () => step(planRedo, t('common.redid')),
    select: (selection) => store.setState({ selection }),
    seeDrift: () => store.setState({ drift: undefined }),
    seeAside: () => store.setState({ aside: [] }),
    unsaved: () => tab.saver?.unsaved() ?? 0,
    retrySave: () => tab.saver?.retry(),
    settled: async () => tab.saver?.settled(),
  };
}
