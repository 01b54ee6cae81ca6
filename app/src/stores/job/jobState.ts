import type { StoreApi } from 'zustand/vanilla';
import type { Selection } from '@zest/core/calculate/explain/throughLine';
import type { Figures } from '@zest/core/calculate/figures';
import type { Command } from '@zest/core/job/change';
import type { History } from '@zest/core/job/history';
import { type Diff, EMPTY_DIFF, type Job } from '@zest/core/job/job';
import type { FaultyRecord } from '@zest/core/job/readRecords';
import type { Result } from '@zest/core/problem/result';
import type { Problem } from '../../messages/describeProblem.ts';
import type { SaveState } from '../../storage/saver.ts';
import type { StoredProblem } from '../../storage/storedJob.ts';

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
  /** Takes in what comes from outside: it is no step of its own to undo. */
  readonly receive: (label: string, command: Command) => Result<Diff, Problem>;
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

export const CLOSED: JobState = {
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
