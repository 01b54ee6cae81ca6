import type { Diff, Job } from '../job/job.ts';
import type { JobRecord } from '../job/record.ts';
import type { Item } from '../job/records/item.ts';
import type { Mark } from '../job/records/mark.ts';
import type { Opening } from '../job/records/opening.ts';
import type { PieceRecord } from '../job/records/piece.ts';
import { Groups } from './groups.ts';

/** A job's records by what they belong to, kept true through every change. */
export class RecordIndex {
  readonly marksOfScope = new Groups<Mark>();
  readonly openingsOfMark = new Groups<Opening>();
  /** Openings by the count they are one of. */
  readonly openingsOfScope = new Groups<Opening>();
  readonly piecesOfScope = new Groups<PieceRecord>();
  readonly items = new Map<string, Item>();

  takeAll(job: Job): void {
    for (const table of [job.item, job.mark, job.opening, job.piece])
      for (const record of table.values()) this.#take(record);
  }

  follow(diff: Diff): void {
    // All that goes, goes first: two items may have swapped their codes.
    for (const record of diff.removed) this.#drop(record);
    for (const [from, to] of diff.updated)
      if (from.type !== 'mark' || to.type !== 'mark' || from.scopeId !== to.scopeId) this.#drop(from);
    for (const [, to] of diff.updated) this.#take(to);
    for (const record of diff.added) this.#take(record);
  }

  /** Files a record under what it belongs to. */
  #take(record: JobRecord): void {
    if (record.type === 'mark') this.marksOfScope.put(record.scopeId, record);
    if (record.type === 'piece') this.piecesOfScope.put(record.scopeId, record);
    if (record.type === 'item') this.items.set(record.code, record);
    if (record.type !== 'opening') return;
    this.openingsOfMark.put(record.markId, record);
    if (record.scopeId !== null) this.openingsOfScope.put(record.scopeId, record);
  }

  #drop(record: JobRecord): void {
    if (record.type === 'mark') this.marksOfScope.remove(record.scopeId, record.id);
    if (record.type === 'piece') this.piecesOfScope.remove(record.scopeId, record.id);
    if (record.type === 'item') this.items.delete(record.code);
    if (record.type !== 'opening') return;
    this.openingsOfMark.remove(record.markId, record.id);
    if (record.scopeId !== null) this.openingsOfScope.remove(record.scopeId, record.id);
  }
}
