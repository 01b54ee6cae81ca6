import { Calculation } from '@zest/core/calculate/calculation';
import type { Figures } from '@zest/core/calculate/figures';
import type { Job } from '@zest/core/job/job';
import type { StoreApi } from 'zustand/vanilla';
import type { Services } from '../../platform/services.ts';
import type { Saver } from '../../storage/saver.ts';
import type { JobState } from './jobState.ts';

/** What this tab has of the job it shows, besides what is on the screen. */
export interface Tab {
  readonly services: Services;
  readonly store: StoreApi<JobState>;
  /** Follows the open job; whoever reads has the figures of a moment. */
  calculation: Calculation | undefined;
  /** Writes the job; undefined while this tab only reads it. */
  saver: Saver | undefined;
  /** Lets go of the lock. */
  release: (() => void) | undefined;
  stopAnswering: (() => void) | undefined;
  stopHearing: (() => void) | undefined;
  /** Opening, closing and following go one after the other, however fast they are asked for. */
  readonly inTurn: (work: () => Promise<void>) => Promise<void>;
}

export function createTab(services: Services, store: StoreApi<JobState>): Tab {
  let turns: Promise<unknown> = Promise.resolve();
  return {
    services,
    store,
    calculation: undefined,
    saver: undefined,
    release: undefined,
    stopAnswering: undefined,
    stopHearing: undefined,
    inTurn: (work) => {
      const done = turns.then(work);
      turns = done.catch(() => undefined);
      return done;
    },
  };
}

export const lockOf = (jobId: string): string => `job ${jobId}`;

/** The figures of a job from its records alone. */
export const recalculate = (tab: Tab, job: Job): Figures => {
  tab.calculation = new Calculation(job);
  return tab.calculation.figures;
};
