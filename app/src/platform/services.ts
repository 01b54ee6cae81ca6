import { type Remote, wrap } from 'comlink';
import { createIdMaker, type MakeId } from '@zest/core/job/id';
import { openDatabase } from '../storage/database.ts';
import { type JobStorage, createJobStorage } from '../storage/jobStorage.ts';
import type { FirstKept } from '../storage/takeJobFile.ts';
import type { JobWorker } from '../workers/jobProtocol.ts';
import { createGuardedWorker } from './guardedWorker.ts';
import type { MarksWorker } from '../workers/marksProtocol.ts';
import type { OpenAnswer, SheetWorker } from '../workers/sheetProtocol.ts';
import { type CopyFolders, createBrowserCopyFolders } from './copyFolder.ts';
import { type JobNews, createBrowserNews } from './jobNews.ts';
import { type Keeping, createBrowserKeeping } from './keeping.ts';
import { type Locks, createBrowserLocks } from './locks.ts';
import { BUDGETS_MS } from '@zest/core/formats/limits';

/** The browser, as the app needs it; each part has a stand-in for tests. */
export interface Services {
  readonly storage: JobStorage;
  readonly now: () => number;
  readonly makeId: MakeId;
  readonly sheets: SheetWorker;
  /** Keeps a job file as a new job. Rejects with WorkerEnded where that takes too long or is stopped. */
  readonly takeJobFile: (file: Blob, at: FirstKept, stop?: AbortSignal) => ReturnType<JobWorker['take']>;
  readonly createMarksWorker: () => MarksWorker & { readonly end: () => void };
  readonly locks: Locks;
  readonly news: JobNews;
  readonly keeping: Keeping;
  readonly copyFolders: CopyFolders;
  readonly download: (name: string, blob: Blob) => void;
}

function downloadBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}

function createMarksWorker(): MarksWorker & { readonly end: () => void } {
  const worker = new Worker(new URL('../workers/marks.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<MarksWorker>(worker);
  return {
    load: (marks) => remote.load(marks as never),
    change: (put, removed) => remote.change(put as never, removed as never),
    style: (scopes) => remote.style(scopes as never),
    label: (labels) => remote.label(labels as never),
    draw: (view, quality, skip) => remote.draw(view, quality, skip as never),
    end: () => worker.terminate(),
  };
}

/** Longer than any drawing takes that can be worked with; after it the worker is ended. */

function createSheetWorker(): SheetWorker {
  const guarded = createGuardedWorker<SheetWorker>(
    () => new Worker(new URL('../workers/sheet.worker.ts', import.meta.url), { type: 'module' }),
  );
  const ask = <Value>(call: (remote: Remote<SheetWorker>) => Promise<Value>): Promise<Value> =>
    guarded.ask(call, BUDGETS_MS.page);
  return {
    open: (fileId, bytes, isNew) => ask<OpenAnswer>((remote) => remote.open(fileId, bytes, isNew)),
    close: (fileId) => ask((remote) => remote.close(fileId)),
    page: (fileId, index) => ask((remote) => remote.page(fileId, index) as Promise<never>),
    texts: (sheet) => ask((remote) => remote.texts(sheet as never) as Promise<never>),
    lineWork: (sheet) => ask((remote) => remote.lineWork(sheet as never) as Promise<never>),
    render: (sheet, tile) => ask((remote) => remote.render(sheet as never, tile) as Promise<ImageBitmap>),
  };
}

/** Takes a job file over in a worker of its own, which ends with it. */
async function takeJobFile(
  file: Blob,
  at: FirstKept,
  stop?: AbortSignal,
): ReturnType<Services['takeJobFile']> {
  const guarded = createGuardedWorker<JobWorker>(
    () => new Worker(new URL('../workers/job.worker.ts', import.meta.url), { type: 'module' }),
  );
  try {
    return await guarded.ask(
      (remote) => remote.take(file, at) as ReturnType<JobWorker['take']>,
      BUDGETS_MS.job,
      stop,
    );
  } finally {
    guarded.end();
  }
}

const random = (): number => (crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) / 2 ** 32;

/** What other tabs with another version of the program do to this one. */
export interface OtherVersions {
  /** One that is older keeps this one from opening the store. */
  readonly onBlocked: () => void;
  /** One that is newer has taken the store; nothing more can be written here. */
  readonly onReplaced: () => void;
}

export async function createServices(others: OtherVersions): Promise<Services> {
  const database = await openDatabase(others);
  return {
    storage: createJobStorage(database),
    now: () => Date.now(),
    makeId: createIdMaker(random),
    sheets: createSheetWorker(),
    takeJobFile,
    createMarksWorker,
    locks: createBrowserLocks(),
    news: createBrowserNews(),
    keeping: createBrowserKeeping(),
    copyFolders: createBrowserCopyFolders(),
    download: downloadBlob,
  };
}
