import 'fake-indexeddb/auto';
import { describe, expect, it } from '@jest/globals';
import { createStore } from 'zustand/vanilla';
import { Calculation } from '@zest/core/calculate/calculation';
import { createTestJob } from '@zest/core/testing/job';
import type { JobState, JobStore } from './jobStore.ts';
import { createLookStore } from './lookStore.ts';

/** Only what the second look reads of the open job. */
function createJobs(): JobStore {
  const store = createStore<JobState>(() => ({ open: undefined, revision: 0 }) as unknown as JobState);
  return store as unknown as JobStore;
}

describe('the second look while one works', () => {
  it('looks once the hands rest, at the job as it is by then', async () => {
    const jobs = createJobs();
    let looks = 0;
    const store = createLookStore(
      jobs,
      () => Date.parse('2026-11-25'),
      (work) => {
        looks += 1;
        work();
      },
    );
    const { job } = createTestJob();
    const open = {
      jobId: 'a',
      job,
      figures: new Calculation(job).figures,
      history: { done: [], undone: [] },
    };
    const looked = new Promise<void>((resolve) =>
      store.subscribe(({ look }) => look !== undefined && resolve()),
    );
    for (let i = 0; i < 5; i += 1) jobs.setState({ open: { ...open } });
    expect(store.getState().look).toBeUndefined();
    await looked;
    expect(looks).toBe(1);
    expect(store.getState().look?.open).toEqual([]);
  });

  it('forgets a job that is closed', () => {
    const jobs = createJobs();
    const store = createLookStore(
      jobs,
      () => 0,
      (work) => work(),
    );
    store.setState({ look: { open: [], accepted: [], notThere: [] } });
    const { job } = createTestJob();
    jobs.setState({
      open: { jobId: 'a', job, figures: new Calculation(job).figures, history: { done: [], undone: [] } },
    });
    expect(store.getState().look).toBeUndefined();
    jobs.setState({ open: undefined });
  });
});
