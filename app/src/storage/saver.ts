import { joinDiffs } from '@zest/core/job/change';
import type { History } from '@zest/core/job/history';
import { type Diff, EMPTY_DIFF, isEmptyDiff } from '@zest/core/job/job';

import { WriteRefused } from './jobStorage.ts';

export type SaveState =
  | { readonly state: 'saved' }
  | { readonly state: 'saving' }
  | {
      readonly state: 'failed';
      readonly full: boolean;
      /** Trying again cannot help: another tab has the job, or it is gone from this browser. */
      readonly lost?: 'taken' | 'gone';
    };

export interface Saver {
  /** Queues a change; changes made while one is being written go out together after it. */
  readonly save: (diff: Diff, files?: ReadonlyMap<string, Blob>, history?: History) => void;
  /** Tries again what could not be written. */
  readonly retry: () => void;
  /** Settles when nothing is waiting, or writing failed. */
  readonly settled: () => Promise<void>;
  /** How many records are changed and not written. */
  readonly unsaved: () => number;
}

/** `history` is that of the job after just this change; undefined where it was not told. */
type Write = (diff: Diff, files: ReadonlyMap<string, Blob>, history: History | undefined) => Promise<void>;

/**
 * Writes changes one after the other and tells the true state: 'saved' only when all that was
 * changed lies on the disk. After a failure what is waiting is kept, and goes out with the next try.
 */
export function createSaver(write: Write, tell: (state: SaveState) => void): Saver {
  let waiting: Diff = EMPTY_DIFF;
  let files = new Map<string, Blob>();
  let history: History | undefined;
  let running: Promise<void> | undefined;
  /** What is being written at this moment: not on the disk yet either. */
  let writing = 0;
  const sizeOf = (diff: Diff, of: ReadonlyMap<string, Blob>): number =>
    diff.added.length + diff.updated.length + diff.removed.length + of.size;

  // A change that was taken back leaves no difference, and still another step to be redone.
  const isWaiting = (): boolean => !isEmptyDiff(waiting) || files.size > 0 || history !== undefined;

  const drain = async (): Promise<boolean> => {
    while (isWaiting()) {
      const [diff, taken, steps] = [waiting, files, history];
      [waiting, files, history] = [EMPTY_DIFF, new Map(), undefined];
      writing = sizeOf(diff, taken);
      try {
        await write(diff, taken, steps);
        writing = 0;
      } catch (error) {
        writing = 0;
        waiting = joinDiffs(diff, waiting);
        files = new Map([...taken, ...files]);
        history ??= steps;
        const full = error instanceof DOMException && error.name === 'QuotaExceededError';
        tell({
          state: 'failed',
          full,
          ...(error instanceof WriteRefused ? { lost: error.reason } : {}),
        });
        return false;
      }
    }
    tell({ state: 'saved' });
    return true;
  };

  const start = (): void => {
    if (running !== undefined) return;
    tell({ state: 'saving' });
    running = drain().then((written) => {
      running = undefined;
      // A change can come in while the last 'saved' is being told.
      if (written && isWaiting()) start();
    });
  };

  return {
    save: (diff, added = new Map(), steps) => {
      waiting = joinDiffs(waiting, diff);
      history = steps ?? history;
      for (const [id, bytes] of added) files.set(id, bytes);
      start();
    },
    retry: start,
    settled: async () => {
      while (running !== undefined) await running;
    },
    unsaved: () => writing + sizeOf(waiting, files),
  };
}
