import { type Result, accept, refuse } from '../problem/result.ts';
import { checkAnyRecord } from './checkRecord.ts';
import type { Id, RecordType } from './id.ts';
import { forgetKeys } from './forgetKeys.ts';
import { checkPlace, referencesOf } from './integrity.ts';
import { type Diff, EMPTY_DIFF, type Job, applyDiff, findRecord, listRecords } from './job.ts';
import type { JobProblem } from './problem.ts';
import type { JobRecord, RecordOf } from './record.ts';
import { sameValue } from './sameValue.ts';

/** A change is a value: from a job to what would differ, or why it may not. */
export type Command = (job: Job) => Result<Diff, JobProblem>;

/** Puts records into the job, new or in place of those with the same id. Unchanged ones drop out. */
export const put =
  (...records: readonly JobRecord[]): Command =>
  (job) => {
    const added: JobRecord[] = [];
    const updated: (readonly [JobRecord, JobRecord])[] = [];
    for (const record of records) {
      const checked = checkAnyRecord(record);
      if (!checked.ok) return checked;
      const from = findRecord(job, record.id as Id);
      if (from === undefined) added.push(checked.value);
      else if (!sameValue(from, checked.value)) updated.push([from, checked.value]);
    }
    if (added.length === 0 && updated.length === 0) return accept(EMPTY_DIFF);
    const diff: Diff = { added, updated, removed: [] };
    const after = applyDiff(job, diff);
    for (const record of [...added, ...updated.map(([, to]) => to)]) {
      const problem = checkPlace(after, record);
      if (problem !== undefined) return refuse(problem);
    }
    return accept(diff);
  };

/**
 * Changes a record as it is by then, which may be another than when somebody looked at it: a change made a moment ago
 * is not taken back by the next one.
 */
export const update =
  <Type extends RecordType>(
    { id }: { readonly id: Id<Type> },
    change: (now: RecordOf<Type>) => RecordOf<Type>,
  ): Command =>
  (job) => {
    const now = findRecord(job, id);
    return now === undefined ? refuse({ kind: 'record-gone', id }) : put(change(now) as JobRecord)(job);
  };

/** Takes records out; refused while others would be left pointing at them. */
export const remove =
  (...ids: readonly Id[]): Command =>
  (job) => {
    const gone = new Set<string>(ids);
    const removed: JobRecord[] = [];
    for (const id of gone) {
      const record = findRecord(job, id as Id);
      if (record === undefined) return refuse({ kind: 'record-gone', id });
      removed.push(record);
    }
    // What was changed on the lines of a use goes with it.
    if (job.override.size > 0)
      for (const override of job.override.values()) {
        if (gone.has(override.id) || !gone.has(override.line.split('/')[0] ?? '')) continue;
        gone.add(override.id);
        removed.push(override);
      }
    // Marks, the many, are pointed at by openings only; looking through all records would cost more.
    const onlyMarks = removed.every(({ type }) => type === 'mark' || type === 'opening');
    for (const record of onlyMarks ? job.opening.values() : listRecords(job)) {
      if (gone.has(record.id)) continue;
      const missing = referencesOf(record).find((id) => gone.has(id));
      if (missing !== undefined)
        return refuse({ kind: 'record-missing-reference', type: record.type, id: record.id, missing });
    }
    // Marks have no lines of their own.
    const forgotten = onlyMarks ? EMPTY_DIFF : forgetKeys(job, gone);
    return accept({ added: [], updated: forgotten.updated, removed: [...removed, ...forgotten.removed] });
  };

/** Several commands as one: each sees the job as the ones before it left it. */
export const sequence =
  (...commands: readonly Command[]): Command =>
  (job) => {
    let diff = EMPTY_DIFF;
    let current = job;
    for (const command of commands) {
      const next = command(current);
      if (!next.ok) return next;
      diff = joinDiffs(diff, next.value);
      current = applyDiff(current, next.value);
    }
    return accept(diff);
  };

/** Two diffs, one after the other, as one. */
export function joinDiffs(first: Diff, second: Diff): Diff {
  const before = new Map<string, JobRecord | undefined>();
  const after = new Map<string, JobRecord | undefined>();
  const step = (id: string, from: JobRecord | undefined, to: JobRecord | undefined): void => {
    if (!before.has(id)) before.set(id, from);
    after.set(id, to);
  };
  for (const diff of [first, second]) {
    for (const record of diff.removed) step(record.id, record, undefined);
    for (const [from, to] of diff.updated) step(to.id, from, to);
    for (const record of diff.added) step(record.id, undefined, record);
  }
  const added: JobRecord[] = [];
  const updated: (readonly [JobRecord, JobRecord])[] = [];
  const removed: JobRecord[] = [];
  for (const [id, to] of after) {
    const from = before.get(id);
    if (from === undefined && to !== undefined) added.push(to);
    else if (from !== undefined && to === undefined) removed.push(from);
    else if (from !== undefined && to !== undefined && from !== to) updated.push([from, to]);
  }
  return { added, updated, removed };
}
