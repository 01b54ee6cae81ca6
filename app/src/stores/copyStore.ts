import { type Result, accept } from '@zest/core/problem/result';
import { createStore, type StoreApi } from 'zustand/vanilla';
import { ZESTJOB } from '@zest/core/formats/zestjob/descriptor';
import { format } from 'date-fns';
import { type Problem, describeProblem } from '../messages/describeProblem.ts';
import type { CopyFolder } from '../platform/copyFolder.ts';
import type { Services } from '../platform/services.ts';
import { packJob } from '../storage/jobFiles.ts';
import type { JobStore } from './jobStore.ts';

export interface CopyState {
  /** The folder that copies go to; undefined where none is chosen. */
  readonly folder: string | undefined;
  /** `blocked`: the browser wants to be asked again, which takes a click. */
  readonly state: 'off' | 'ready' | 'writing' | 'blocked' | 'failed';
  /** When the last copy was written, in this tab. */
  readonly writtenAt: number | undefined;
  /** Why the last could not be written. */
  readonly reason: string;
}

export interface CopyActions {
  /** Finds the folder that was chosen before. */
  readonly start: () => Promise<void>;
  readonly choose: () => Promise<void>;
  /** Asks the browser to allow writing again; only after a click. */
  readonly allow: () => Promise<void>;
  readonly forget: () => Promise<void>;
  /** Writes what is waiting now. */
  readonly writeNow: () => Promise<void>;
}

export type CopyStore = StoreApi<CopyState> & { readonly actions: CopyActions };

/** A copy is written once nobody has changed the job for so long, and when it is closed. */
const REST_BEFORE_COPY_MS = 60_000;
export const COPIES_KEPT = 10;
const CHOICE = 'copy-folder';

const OFF: CopyState = { folder: undefined, state: 'off', writtenAt: undefined, reason: '' };

/** What tells a job's copies from another's of the same name. */
const markOf = (jobId: string): string => jobId.replace(/[^a-z0-9]/gi, '').slice(-8);

/** `tern-island-boathouse 1a2b3c4d 2026-11-27 14-05-03.zestjob`: by name, then job, then time. */
export const copyName = (fileName: string, jobId: string, at: number): string =>
  `${fileName.slice(0, -ZESTJOB.extension.length)} ${markOf(jobId)} ${format(at, 'yyyy-MM-dd HH-mm-ss')}${ZESTJOB.extension}`;

/** Copies of a job beyond those that are kept, the oldest first, whatever the job was called then. */
export function staleCopies(names: readonly string[], jobId: string): readonly string[] {
  const own = new RegExp(
    ` ${markOf(jobId)} (\\d{4}-\\d\\d-\\d\\d \\d\\d-\\d\\d-\\d\\d)\\${ZESTJOB.extension}$`,
  );
  const dated = names.flatMap((name) => {
    const at = own.exec(name)?.[1];
    return at === undefined ? [] : [{ name, at }];
  });
  dated.sort((a, b) => (a.at < b.at ? -1 : 1));
  return dated.slice(0, Math.max(0, dated.length - COPIES_KEPT)).map(({ name }) => name);
}

/** Writes copies of changed jobs to a folder of the person's, outside the browser's own store. */
export function createCopyStore(
  jobs: JobStore,
  services: Services,
  restMs: number = REST_BEFORE_COPY_MS,
): CopyStore {
  const store = createStore<CopyState>(() => OFF);
  const waiting = new Set<string>();
  let folder: CopyFolder | undefined;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let running: Promise<void> = Promise.resolve();

  const fail = (problem: Problem): void =>
    store.setState({ state: 'failed', reason: describeProblem(problem) });

  const copy = async (to: CopyFolder, jobId: string): Promise<void> => {
    const done = await writeCopy(services, to, jobId);
    if (!done.ok) return fail(done.problem);
    waiting.delete(jobId);
    if (done.value !== undefined) store.setState({ state: 'ready', writtenAt: done.value, reason: '' });
  };

  const writeAll = async (): Promise<void> => {
    clearTimeout(timer);
    if (folder === undefined || waiting.size === 0) return;
    if (!(await folder.mayWrite(false))) return store.setState({ state: 'blocked' });
    store.setState({ state: 'writing' });
    await jobs.actions.settled();
    for (const jobId of [...waiting])
      try {
        await copy(folder, jobId);
      } catch (error) {
        return fail({ kind: 'copy-failed', reason: error instanceof Error ? error.message : '' });
      }
    if (store.getState().state === 'writing') store.setState({ state: 'ready' });
  };
  /** One copy at a time. */
  const writeNow = (): Promise<void> => (running = running.then(writeAll, writeAll));

  jobs.subscribe(({ open, revision, readOnly }, before) => {
    const isChange = open !== undefined && open.jobId === before.open?.jobId && revision !== before.revision;
    if (isChange && !readOnly) {
      waiting.add(open.jobId);
      clearTimeout(timer);
      timer = setTimeout(() => void writeNow(), restMs);
    }
    if (before.open !== undefined && open?.jobId !== before.open.jobId && waiting.size > 0) void writeNow();
  });

  const folders: Folders = {
    current: () => folder,
    open: (handle) => (folder = services.copyFolders.open(handle)),
    wait: (jobId) => waiting.add(jobId),
    forget: () => {
      folder = undefined;
      waiting.clear();
      clearTimeout(timer);
    },
  };
  return Object.assign(store, { actions: copyActions({ jobs, services, store, folders, writeNow }) });
}

interface Folders {
  readonly current: () => CopyFolder | undefined;
  readonly open: (handle: unknown) => CopyFolder | undefined;
  /** A job whose copy is due. */
  readonly wait: (jobId: string) => unknown;
  readonly forget: () => void;
}

interface Copying {
  readonly jobs: JobStore;
  readonly services: Services;
  readonly store: StoreApi<CopyState>;
  readonly folders: Folders;
  readonly writeNow: () => Promise<void>;
}

function copyActions({ jobs, services, store, folders, writeNow }: Copying): CopyActions {
  const take = async (handle: unknown): Promise<void> => {
    const folder = folders.open(handle);
    if (folder === undefined) return store.setState(OFF);
    const may = await folder.mayWrite(false);
    store.setState({ ...OFF, folder: folder.name, state: may ? 'ready' : 'blocked' });
  };

  return {
    start: async () => take(await services.storage.readChoice(CHOICE)),
    choose: async () => {
      const handle = await services.copyFolders.choose();
      if (handle === undefined) return;
      await services.storage.saveChoice(CHOICE, handle);
      await take(handle);
      // The first copy shows at once that it works.
      const { open, readOnly } = jobs.getState();
      if (open !== undefined && !readOnly) folders.wait(open.jobId);
      await writeNow();
    },
    allow: async () => {
      if ((await folders.current()?.mayWrite(true)) !== true) return;
      store.setState({ state: 'ready', reason: '' });
      await writeNow();
    },
    forget: async () => {
      folders.forget();
      await services.storage.saveChoice(CHOICE, null);
      store.setState(OFF);
    },
    writeNow,
  };
}

/** Writes a job's copy and removes those beyond what is kept; undefined where the job is deleted and needs none. */
async function writeCopy(
  services: Services,
  to: CopyFolder,
  jobId: string,
): Promise<Result<number | undefined, Problem>> {
  const packed = await packJob(services, jobId);
  if (!packed.ok && packed.problem.kind === 'job-missing') return accept(undefined);
  if (!packed.ok) return packed;
  const at = services.now();
  await to.write(copyName(packed.value.name, jobId, at), packed.value.blob);
  for (const name of staleCopies(await to.list(), jobId)) await to.remove(name);
  return accept(at);
}
