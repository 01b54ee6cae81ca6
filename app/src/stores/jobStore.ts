import { createStore, type StoreApi } from 'zustand/vanilla';
import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import { Calculation } from '@zest/core/calculate/calculation';
import type { Figures } from '@zest/core/calculate/figures';
import type { Selection } from '@zest/core/calculate/explain/throughLine';
import type { Command } from '@zest/core/job/change';
import { EMPTY_HISTORY, type History, planRedo, planUndo, recordStep } from '@zest/core/job/history';
import {
  type Diff,
  EMPTY_DIFF,
  type Job,
  applyDiff,
  findRecord,
  isEmptyDiff,
  settingsOf,
} from '@zest/core/job/job';
import { sameValue } from '@zest/core/job/sameValue';
import type { FaultyRecord } from '@zest/core/job/readRecords';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import type { Problem } from '../messages/describeProblem.ts';
import type { Services } from '../platform/services.ts';
import { type KeptHistory, historyOf, planHistory } from '../storage/historyRows.ts';
import { type StoredJobRead, type StoredProblem, rewriteOf } from '../storage/storedJob.ts';
import { type SaveState, type Saver, createSaver } from '../storage/saver.ts';
import { t } from '../messages/t.ts';

export interface OpenJob {
  readonly jobId: string;
  readonly job: Job;
  /** The figures of this very job: they stay as they are when it goes on. */
  readonly figures: Figures;
  readonly history: History;
}

export interface JobState {
  readonly open: OpenJob | undefined;
  readonly loading: boolean;
  readonly missing: boolean;
  /** Counts changes: what reads figures looks at them again when it moves. */
  readonly revision: number;
  readonly save: SaveState;
  readonly readOnly: boolean;
  readonly lastChange: { readonly label: string; readonly deltaMinor: number } | undefined;
  /** What the step to this revision changed; for what keeps in step without looking through the job. */
  readonly lastDiff: Diff;
  readonly selection: Selection | undefined;
  /** The bid as it was when the job was last saved, where this version of the program figures another. */
  readonly drift: { readonly fromMinor: number } | undefined;
  /** Why the job cannot be opened, where it is there and cannot be read. */
  readonly refused: StoredProblem | undefined;
  /** Records that could not be read when the job was opened; they are kept beside it. */
  readonly aside: readonly FaultyRecord[];
}

export interface JobActions {
  readonly openJob: (jobId: string) => Promise<void>;
  readonly closeJob: () => Promise<void>;
  readonly transact: (
    label: string,
    command: Command,
    files?: ReadonlyMap<string, Blob>,
  ) => Result<Diff, Problem>;
  /** Undo the last step, or do it again; nothing where there is none. */
  readonly undo: () => Result<unknown, Problem>;
  readonly redo: () => Result<unknown, Problem>;
  readonly select: (selection: Selection | undefined) => void;
  /** The person has read that the bid is another than when it was last saved. */
  readonly seeDrift: () => void;
  /** The person has read what could not be read of the job. */
  readonly seeAside: () => void;
  /** Takes the job from another tab once that has written what it has; `force` leaves behind what it could not. */
  readonly takeOver: (force?: boolean) => Promise<Result<undefined, Problem>>;
  /** How many changes are not on the disk. */
  readonly unsaved: () => number;
  readonly retrySave: () => void;
  readonly settled: () => Promise<void>;
}

export type JobStore = StoreApi<JobState> & { readonly actions: JobActions };

const CLOSED: JobState = {
  open: undefined,
  loading: false,
  missing: false,
  revision: 0,
  save: { state: 'saved' },
  readOnly: false,
  lastChange: undefined,
  lastDiff: EMPTY_DIFF,
  selection: undefined,
  drift: undefined,
  refused: undefined,
  aside: [],
};

/** The open job: the one door through which it changes, is undone, figured and saved. */
export function createJobStore(services: Services): JobStore {
  const store = createStore<JobState>(() => CLOSED);
  /** Follows the open job; whoever reads has the figures of a moment. */
  let calculation: Calculation | undefined;
  const figureAnew = (job: Job): Figures => (calculation = new Calculation(job)).figures;
  let saver: Saver | undefined;
  let release: (() => void) | undefined;
  let stopAnswering: (() => void) | undefined;
  let stopHearing: (() => void) | undefined;
  /** The job that is asked for last. Opening and closing go one after the other, however fast they are asked for. */
  let wanted: string | undefined;
  let turns: Promise<unknown> = Promise.resolve();
  const inTurn = (work: () => Promise<void>): Promise<void> => {
    const done = turns.then(work);
    turns = done.catch(() => undefined);
    return done;
  };

  /** Applies a diff to the job and its figures; all of it or nothing. */
  const follow = (label: string, diff: Diff, history: History): Result<Diff, Problem> => {
    const { open, revision } = store.getState();
    if (open === undefined || calculation === undefined) throw new Error('apply: no job is open');
    const before = bidTotal(open.figures);
    const job = applyDiff(open.job, diff);
    try {
      calculation.apply(job, diff);
    } catch (error) {
      // Half of the figures may have followed: they are made anew, of the job as it was.
      store.setState({ open: { ...open, figures: figureAnew(open.job) }, revision: revision + 2 });
      return refuse({ kind: 'not-figured', label, reason: error instanceof Error ? error.message : '' });
    }
    const { figures } = calculation;
    const deltaMinor = bidTotal(figures) - before;
    store.setState({
      open: { ...open, job, figures, history },
      revision: revision + 1,
      lastChange: { label, deltaMinor },
      lastDiff: diff,
    });
    return accept(diff);
  };

  /** Applies a change and hands it to be saved. */
  const apply = (
    label: string,
    diff: Diff,
    history: History,
    files?: ReadonlyMap<string, Blob>,
  ): Result<Diff, Problem> => {
    const done = follow(label, diff, history);
    if (done.ok) saver?.save(diff, files, history);
    return done;
  };

  /** Follows what another tab wrote; where it does not fit what is shown here, the job is read again. */
  const hearOf = async (jobId: string, diff: Diff): Promise<void> => {
    const { open, readOnly } = store.getState();
    if (open?.jobId !== jobId || !readOnly) return;
    if (fits(open.job, diff) && follow(t('common.changedInAnotherTab'), diff, open.history).ok) return;
    const read = await services.storage.readJob(jobId);
    const now = store.getState();
    if (read?.ok !== true || now.open?.jobId !== jobId || !now.readOnly) return;
    const { job } = read.value;
    store.setState({ open: { ...now.open, job, figures: figureAnew(job) }, revision: now.revision + 2 });
  };

  /** Hears what another tab writes, and follows it once the function that is given is called. */
  const startHearing = (jobId: string): (() => void) => {
    let early: Diff[] | undefined = [];
    // One after the other: a change may only be followed when the one before it was.
    const follows = (diff: Diff): void => void inTurn(() => hearOf(jobId, diff));
    stopHearing?.();
    stopHearing = services.news.hear(jobId, (diff) =>
      early === undefined ? follows(diff) : early.push(diff),
    );
    return () => {
      early?.forEach(follows);
      early = undefined;
    };
  };

  /** The steps that were kept with a job. Those of another version tell of records as they were then: they go. */
  const readHistory = async (
    jobId: string,
    { mustRewrite }: StoredJobRead,
  ): Promise<{ readonly history: History; readonly kept: KeptHistory }> => {
    const { history, kept } = historyOf(await services.storage.loadHistory(jobId));
    return { history: mustRewrite ? EMPTY_HISTORY : history, kept };
  };

  const lockOf = (jobId: string): string => `job ${jobId}`;

  const onLost = (): void => {
    release = undefined;
    store.setState({ readOnly: true });
    // What was not written by now never will be from here: say so, and offer it as a file.
    if (saver !== undefined && saver.unsaved() > 0)
      return store.setState({ save: { state: 'failed', full: false, lost: 'taken' } });
    const jobId = store.getState().open?.jobId;
    if (jobId !== undefined) startHearing(jobId)();
  };

  /** From now on this tab writes the job, and every write brings the generation it got. */
  const becomeWriter = (
    jobId: string,
    generation: number | undefined,
    stored: KeptHistory,
    read: StoredJobRead,
  ): void => {
    let kept = stored;
    // What is stored stays as it was found until a change is written, and then all of it at once.
    let mustRewrite = read.mustRewrite;
    saver = createSaver(
      async (diff, files, history) => {
        const steps = history === undefined ? undefined : planHistory(kept, history);
        const open = store.getState().open;
        const settings = open === undefined ? undefined : settingsOf(open.job);
        const summary = {
          changedAt: services.now(),
          ...(open === undefined ? {} : { totalMinor: bidTotal(open.figures), sheets: open.job.sheet.size }),
          ...(settings === undefined ? {} : { name: settings.name, client: settings.client }),
        };
        await services.storage.saveDiff(jobId, diff, summary, {
          files,
          generation,
          ...(steps === undefined ? {} : { history: steps.write }),
          rewrite: mustRewrite && open !== undefined ? rewriteOf(open.job, read.aside) : undefined,
        });
        services.news.tell(jobId, diff);
        mustRewrite = false;
        kept = steps?.kept ?? kept;
      },
      (save) =>
        store.setState(
          save.state === 'failed' && save.lost !== undefined ? { save, readOnly: true } : { save },
        ),
    );
    stopHearing?.();
    stopHearing = undefined;
    stopAnswering?.();
    stopAnswering = services.locks.onAsked(lockOf(jobId), async () => {
      // Nothing more is changed here while the other tab waits for what is left to be written.
      store.setState({ readOnly: true });
      await saver?.settled();
      const unsaved = saver?.unsaved() ?? 0;
      if (unsaved > 0) store.setState({ readOnly: false });
      return unsaved;
    });
  };

  const close = async (): Promise<void> => {
    await saver?.settled();
    stopAnswering?.();
    stopHearing?.();
    release?.();
    release = undefined;
    saver = undefined;
    stopAnswering = undefined;
    stopHearing = undefined;
    calculation = undefined;
    store.setState(CLOSED);
  };

  const open = async (jobId: string): Promise<void> => {
    await close();
    store.setState({ ...CLOSED, loading: true });
    release = await services.locks.take(lockOf(jobId), false, onLost);
    // Heard from here on, or a change that is written while the job is read would be missed.
    const heardAll = release === undefined ? startHearing(jobId) : () => undefined;
    // The generation first: what is read after it cannot be changed by another tab any more.
    const generation = release === undefined ? undefined : await services.storage.claim(jobId);
    const read = await services.storage.readJob(jobId);
    if (read?.ok !== true) {
      release?.();
      release = undefined;
      stopHearing?.();
      store.setState({ ...CLOSED, missing: true, refused: read?.problem });
      return;
    }
    const { job, aside } = read.value;
    const { history, kept } = await readHistory(jobId, read.value);
    if (release !== undefined) becomeWriter(jobId, generation, kept, read.value);
    const opened = { jobId, job, figures: figureAnew(job), history };
    const fromMinor = (await services.storage.getSummary(jobId))?.totalMinor;
    // A tab that only reads may have another's newer total here, beside records of a moment before.
    const isOther =
      release !== undefined && fromMinor !== undefined && fromMinor !== bidTotal(opened.figures);
    const drift = isOther ? { fromMinor } : undefined;
    store.setState({ ...CLOSED, open: opened, readOnly: release === undefined, drift, aside });
    heardAll();
  };

  const actions: JobActions = {
    openJob: (jobId) => {
      wanted = jobId;
      return inTurn(async () => {
        if (wanted === jobId && store.getState().open?.jobId !== jobId) await open(jobId);
      });
    },
    closeJob: () => {
      wanted = undefined;
      return inTurn(async () => {
        if (wanted === undefined || wanted !== store.getState().open?.jobId) await close();
      });
    },
    unsaved: () => saver?.unsaved() ?? 0,
    transact: (label, command, files) => {
      const { open, readOnly } = store.getState();
      if (open === undefined) throw new Error(`transact: no job is open for ${label}`);
      if (readOnly) return refuse({ kind: 'read-only' });
      const diff = command(open.job);
      if (!diff.ok) return diff;
      if (isEmptyDiff(diff.value)) return accept(diff.value);
      return apply(label, diff.value, recordStep(open.history, { label, diff: diff.value }), files);
    },
    undo: () => turn(planUndo, t('common.undid')),
    redo: () => turn(planRedo, t('common.redid')),
    select: (selection) => store.setState({ selection }),
    seeDrift: () => store.setState({ drift: undefined }),
    seeAside: () => store.setState({ aside: [] }),
    takeOver: async (force = false) => {
      const jobId = store.getState().open?.jobId;
      if (jobId === undefined || !store.getState().readOnly) return accept(undefined);
      await saver?.settled();
      const own = saver?.unsaved() ?? 0;
      if (own > 0 && !force) return refuse({ kind: 'takeover-own', count: own });
      const theirs = (await services.locks.askToSettle(lockOf(jobId))) ?? 0;
      if (theirs > 0 && !force) return refuse({ kind: 'takeover-theirs', count: theirs });
      release = await services.locks.take(lockOf(jobId), true, onLost);
      const generation = await services.storage.claim(jobId);
      // The other tab may have changed the job since it was opened here.
      const read = await services.storage.readJob(jobId);
      if (read?.ok !== true) {
        store.setState({ ...CLOSED, missing: true, refused: read?.problem });
        return refuse(read?.problem ?? { kind: 'job-missing' });
      }
      const { job } = read.value;
      const { history, kept } = await readHistory(jobId, read.value);
      becomeWriter(jobId, generation, kept, read.value);
      const open = { jobId, job, figures: figureAnew(job), history };
      // Two steps on: whoever keeps in step by the last change must look at everything.
      store.setState({
        open,
        readOnly: false,
        save: { state: 'saved' },
        revision: store.getState().revision + 2,
      });
      return accept(undefined);
    },
    retrySave: () => saver?.retry(),
    settled: async () => saver?.settled(),
  };

  const turn = (plan: typeof planUndo, verb: string): Result<unknown, Problem> => {
    const { open, readOnly } = store.getState();
    const planned = open === undefined || readOnly ? undefined : plan(open.history);
    if (planned === undefined) return accept(undefined);
    return apply(`${verb} ‘${planned.label}’`, planned.diff, planned.history);
  };

  return Object.assign(store, { actions });
}

/** Whether a change can follow what is here: it finds what it takes the place of, and nothing that it brings. */
const fits = (job: Job, { added, removed, updated }: Diff): boolean =>
  added.every(({ id }) => findRecord(job, id) === undefined) &&
  removed.every((record) => sameValue(findRecord(job, record.id), record)) &&
  updated.every(([from]) => sameValue(findRecord(job, from.id), from));
