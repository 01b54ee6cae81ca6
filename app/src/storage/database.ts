import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { Snapshot } from '@zest/core/formats/zestjob/snapshot';
import type { JobRecord } from '@zest/core/job/record';
import type { HistoryRow } from './historyRows.ts';

/** What the list of jobs shows, without opening any. */
export interface JobSummary {
  readonly id: string;
  readonly name: string;
  readonly client: string;
  readonly currency: string;
  readonly decimalMark: '.' | ',';
  readonly groupMark: ',' | '.' | ' ' | '';
  readonly sheets: number;
  /** Bid total in whole minor units when it was last figured. */
  readonly totalMinor: number;
  readonly createdAt: number;
  readonly changedAt: number;
  /** When it was last saved as a file by the person. */
  readonly exportedAt?: number;
  /** A job that others are started from, in a folder: `Timber/Small`. */
  readonly template?: { readonly folder: string };
  /** What the company keeps for all its jobs: no job of its own. */
  readonly company?: true;
  /** The id of its settings, by which the same job is known in a file; none on jobs of before it was kept. */
  readonly identity?: string;
  /** Set while a deletion can still be undone. */
  readonly deletedAt: number | null;
  /** The version of the records, as files say it; none on jobs that were last written before it was kept. */
  readonly version?: number;
  /** Counted up by every tab that takes the job to write it; only the last may. None before the first. */
  readonly generation?: number;
}

/** A named state of a job: all its records; files are the job's own. */
export interface StoredSnapshot extends Snapshot {
  readonly jobId: string;
  readonly version?: number;
  /** How many records of it could not be read; only where there are any. */
  readonly unread?: number;
}

/**
 * Some thousand records of a job, as JSON: the browser reads its own form of objects at half the speed.
 * Parts of before that have the records themselves.
 */
export type BulkPart = { readonly jobId: string; readonly part: number } & (
  { readonly json: string } | { readonly records: readonly JobRecord[] }
);

/** A record that was written after the bulk of its job; null where it was removed. */
export interface RecordRow {
  readonly jobId: string;
  readonly id: string;
  readonly record: JobRecord | null;
}

/** A record that could not be read as part of its job, as it was found. */
export interface AsideRow {
  readonly jobId: string;
  readonly id: string;
  readonly raw: unknown;
}

interface ZestSchema extends DBSchema {
  jobs: { key: string; value: JobSummary };
  records: {
    key: [string, string];
    value: RecordRow;
  };
  /** Records by the thousand: a row each would cost seconds with a large job. */
  bulk: {
    key: [string, number];
    value: BulkPart;
  };
  files: {
    key: [string, string];
    value: { readonly jobId: string; readonly id: string; readonly bytes: Blob };
  };
  thumbnails: {
    key: [string, string];
    value: { readonly jobId: string; readonly id: string; readonly image: Blob };
  };
  snapshots: { key: [string, string]; value: StoredSnapshot };
  history: { key: [string, number]; value: HistoryRow };
  aside: { key: [string, string]; value: AsideRow };
  choices: { key: string; value: unknown };
}

export type Database = IDBPDatabase<ZestSchema>;

const NAME = 'zest-line';
const VERSION = 5;

interface Told {
  /** Another tab holds an older version open, and this one waits for it. */
  readonly onBlocked?: () => void;
  /** Another tab has opened a newer version: this one is closed and cannot be written any more. */
  readonly onReplaced?: () => void;
}

/** Opens the one database. */
export function openDatabase({ onBlocked, onReplaced }: Told = {}, name = NAME): Promise<Database> {
  return openDB<ZestSchema>(name, VERSION, {
    upgrade(database, from) {
      if (from < 1) {
        database.createObjectStore('jobs', { keyPath: 'id' });
        database.createObjectStore('records', { keyPath: ['jobId', 'id'] });
        database.createObjectStore('files', { keyPath: ['jobId', 'id'] });
        database.createObjectStore('thumbnails', { keyPath: ['jobId', 'id'] });
        database.createObjectStore('choices');
      }
      if (from < 2) database.createObjectStore('snapshots', { keyPath: ['jobId', 'id'] });
      if (from < 3) database.createObjectStore('bulk', { keyPath: ['jobId', 'part'] });
      if (from < 4) database.createObjectStore('history', { keyPath: ['jobId', 'seq'] });
      if (from < 5) database.createObjectStore('aside', { keyPath: ['jobId', 'id'] });
    },
    blocked: () => onBlocked?.(),
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      onReplaced?.();
    },
  });
}

/** All rows of a job: an empty array sorts after every string. */
export const rowsOf = (jobId: string): IDBKeyRange => IDBKeyRange.bound([jobId], [jobId, []]);
