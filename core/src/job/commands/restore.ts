import { accept } from '../../problem/result.ts';
import type { Command } from '../change.ts';
import { type Diff, type Job, findRecord, listRecords } from '../job.ts';
import type { JobRecord } from '../record.ts';

/** What the list of jobs and what was shown in it stays as it is. */
const sameRecord = (a: JobRecord, b: JobRecord): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

/**
 * Back to an earlier state of the job. Files stay where they are: what was added since may be wanted
 * again by an undo.
 */
export const restoreJob =
  (to: Job): Command =>
  (job) => {
    const added: JobRecord[] = [];
    const updated: (readonly [JobRecord, JobRecord])[] = [];
    for (const record of listRecords(to)) {
      const now = findRecord(job, record.id);
      if (now === undefined) added.push(record);
      else if (!sameRecord(now, record)) updated.push([now, record]);
    }
    const removed = [...listRecords(job)].filter(
      (record) => record.type !== 'file' && findRecord(to, record.id) === undefined,
    );
    const diff: Diff = { added, updated, removed };
    return accept(diff);
  };
