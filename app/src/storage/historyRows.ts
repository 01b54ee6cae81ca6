import { EMPTY_HISTORY, type History, type Step } from '@zest/core/job/history';
import type { Diff } from '@zest/core/job/job';

/** A step that can be undone or redone, as it is kept with its job; row 0 says how many of them are done. */
export type HistoryRow = { readonly jobId: string; readonly seq: number } & (
  { readonly label: string; readonly json: string } | { readonly doneTo: number }
);

/** What is kept at most: the steps of a few days, and no more of them than can be read in a moment. */
export const STEPS_KEPT = 200;
export const STEP_BYTES = 8_000_000;
/** A step with more records is not written out: an import of thousands would push out all before it. */
const STEP_RECORDS = 5_000;

/** A step that is kept, by its place in the order of all steps. */
interface Kept {
  readonly seq: number;
  readonly json: string;
}

/** What is kept of a history now. */
export interface KeptHistory {
  readonly steps: ReadonlyMap<Step, Kept>;
  readonly next: number;
}

export const NOTHING_KEPT: KeptHistory = { steps: new Map(), next: 1 };

/** What to write so that a history is kept. */
export interface HistoryWrite {
  readonly put: readonly { readonly seq: number; readonly label: string; readonly json: string }[];
  readonly remove: readonly number[];
  /** The seq of the last step that is done; 0 for none. */
  readonly doneTo: number;
}

const sizeOf = ({ added, removed, updated }: Diff): number => added.length + removed.length + updated.length;

/** The latest steps that fit: as text, and none of them older than one that does not. */
function fitting({ done, undone }: History, steps: KeptHistory['steps']): readonly [Step, string][] {
  // In the order they were taken; those that were undone come last.
  const all = [...done, ...undone.toReversed()];
  const kept: [Step, string][] = [];
  let bytes = 0;
  for (const step of all.toReversed()) {
    if (kept.length >= STEPS_KEPT || sizeOf(step.diff) > STEP_RECORDS) break;
    const json = steps.get(step)?.json ?? JSON.stringify(step.diff);
    bytes += json.length;
    if (bytes > STEP_BYTES) break;
    kept.unshift([step, json]);
  }
  // A redo cannot jump over what is not there: then none of what was undone is kept.
  const redo = all.slice(done.length);
  return redo.every((step) => kept.some(([each]) => each === step)) ? kept : [];
}

/** What is to be written for a history, beside what is kept; and what is kept then. */
export function planHistory(
  before: KeptHistory,
  history: History,
): { readonly write: HistoryWrite; readonly kept: KeptHistory } {
  const put: HistoryWrite['put'][number][] = [];
  const steps = new Map<Step, Kept>();
  let { next } = before;
  let behind = 0;
  for (const [step, json] of fitting(history, before.steps)) {
    const known = before.steps.get(step);
    // Steps stand in their order: what comes after one that is new is written behind it.
    const stays = known !== undefined && known.seq > behind;
    const kept = stays ? known : { seq: next, json };
    behind = kept.seq;
    steps.set(step, kept);
    if (stays) continue;
    put.push({ seq: next, label: step.label, json });
    next += 1;
  }
  const remove = [...before.steps]
    .filter(([step, { seq }]) => steps.get(step)?.seq !== seq)
    .map(([, { seq }]) => seq);
  const last = history.done.at(-1);
  const doneTo = last === undefined ? 0 : (steps.get(last)?.seq ?? 0);
  return { write: { put, remove, doneTo }, kept: { steps, next } };
}

/** The history that rows hold, in whatever order they come. */
export function historyOf(rows: readonly HistoryRow[]): {
  readonly history: History;
  readonly kept: KeptHistory;
} {
  const doneTo = rows.flatMap((row) => ('doneTo' in row ? [row.doneTo] : []))[0] ?? 0;
  const steps = new Map<Step, Kept>();
  let history = EMPTY_HISTORY;
  let next = 1;
  for (const row of [...rows].sort((a, b) => a.seq - b.seq)) {
    next = Math.max(next, row.seq + 1);
    if ('doneTo' in row) continue;
    const { seq, label, json } = row;
    const step: Step = { label, diff: JSON.parse(json) as Diff };
    steps.set(step, { seq, json });
    history =
      seq <= doneTo
        ? { ...history, done: [...history.done, step] }
        : { ...history, undone: [step, ...history.undone] };
  }
  return { history, kept: { steps, next } };
}
