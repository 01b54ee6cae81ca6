import type { Command } from '../change.ts';
import { put } from '../change.ts';
import type { JobRecord } from '../record.ts';

/** Quantities that came along from another job are this job's from here on. */
export const confirmQuantities =
  (ids: ReadonlySet<string>): Command =>
  (job) => {
    const confirmed: JobRecord[] = [];
    for (const line of job.line.values()) {
      const { unconfirmed, ...kept } = line;
      if (unconfirmed === true && ids.has(line.id)) confirmed.push(kept);
    }
    for (const piece of job.piece.values()) {
      const { unconfirmed, ...kept } = piece;
      if (unconfirmed === true && (ids.has(piece.id) || ids.has(piece.scopeId))) confirmed.push(kept);
    }
    return put(...confirmed)(job);
  };
