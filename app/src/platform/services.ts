import { wrap } from 'comlink';
import { createIdMaker, type MakeId } from '@zest/core/job/id';
import { openDatabase } from '../storage/database.ts';
import { type JobStorage, createJobStorage } from '../storage/jobStorage.ts';
import type { MarksWorker } from '../workers/marksProtocol.ts';
import type { SheetWorker } from '../workers/sheetProtocol.ts';
import { type Locks, createBrowserLocks } from './locks.ts';

/** The browser, as the app needs it; each part has a stand-in for tests. */
export interface Services {
  readonly storage: JobStorage;
  readonly now: () => number;
  readonly makeId: MakeId;
  readonly sheets: SheetWorker;
  readonly createMarksWorker: () => MarksWorker & { readonly end: () => void };
  readonly locks: Locks;
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

function createSheetWorker(): SheetWorker {
  const worker = new Worker(new URL('../workers/sheet.worker.ts', import.meta.url), { type: 'module' });
  const remote = wrap<SheetWorker>(worker);
  return {
    open: (fileId, bytes) => remote.open(fileId, bytes),
    close: (fileId) => remote.close(fileId),
    page: (fileId, index) => remote.page(fileId, index) as Promise<never>,
    texts: (sheet) => remote.texts(sheet as never) as Promise<never>,
    lineWork: (sheet) => remote.lineWork(sheet as never) as Promise<never>,
    render: (sheet, tile) => remote.render(sheet as never, tile) as Promise<ImageBitmap>,
  };
}

const random = (): number => (crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) / 2 ** 32;

export async function createServices(): Promise<Services> {
  const database = await openDatabase();
  return {
    storage: createJobStorage(database),
    now: () => Date.now(),
    makeId: createIdMaker(random),
    sheets: createSheetWorker(),
    createMarksWorker,
    locks: createBrowserLocks(),
    download: downloadBlob,
  };
}
