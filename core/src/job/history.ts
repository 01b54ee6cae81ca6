import { joinDiffs } from './change.ts';
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

/**
 * What came in from outside is no step of the person's: it goes with the last one, so that undo takes back what the person
 * did, and what was undone can still be redone.
 */
export function receiveInto({ done, undone }: History, { label, diff }: Step): History {
  const last = done.at(-1);
  const step = last === undefined ? { label, diff } : { label: last.label, diff: joinDiffs(last.diff, diff) };
  return { done: [...done.slice(0, -1), step], undone };
}

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
