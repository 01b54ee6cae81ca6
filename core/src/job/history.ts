import { type Diff, invertDiff } from './job.ts';

export interface Step {
  readonly label: string;
  readonly diff: Diff;
}

/** What can be undone and redone, by name, the latest last. */
export interface History {
  readonly done: readonly Step[];
  readonly undone: readonly Step[];
}

export const EMPTY_HISTORY: History = { done: [], undone: [] };
/** Steps kept; a step holds only the records it changed. */
export const HISTORY_LIMIT = 500;

/** After a new step nothing that was undone can be redone. */
export const recordStep = (history: History, step: Step): History => ({
  done: [...history.done, step].slice(-HISTORY_LIMIT),
  undone: [],
});

export interface Turn {
  readonly history: History;
  readonly label: string;
  /** What to apply to the job. */
  readonly diff: Diff;
}

export function planUndo(history: History): Turn | undefined {
  const step = history.done.at(-1);
  if (step === undefined) return undefined;
  const next = { done: history.done.slice(0, -1), undone: [...history.undone, step] };
  return { history: next, label: step.label, diff: invertDiff(step.diff) };
}

export function planRedo(history: History): Turn | undefined {
  const step = history.undone.at(-1);
  if (step === undefined) return undefined;
  const next = { done: [...history.done, step], undone: history.undone.slice(0, -1) };
  return { history: next, label: step.label, diff: step.diff };
}
