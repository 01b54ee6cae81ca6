import { createStore, type StoreApi } from 'zustand/vanilla';
import { type SecondLook, takeSecondLook } from '@zest/core/doubts/secondLook';
import type { JobStore } from './jobStore.ts';
import { dayOf } from '../platform/days.ts';

export interface LookState {
  /** The latest second look; undefined until a job was looked at. */
  readonly look: SecondLook | undefined;
}

export type LookStore = StoreApi<LookState>;

/** How long the hands must rest before it looks again. */
const REST_MS = 250;

/** When to do what can wait; the browser's idle time where it has one. */
export type WhenIdle = (work: () => void) => void;

/**
 * Takes the second look while the person rests, so that it costs no keystroke any time. It looks at
 * the job as it is then, not as it was when the change was made.
 */
export function createLookStore(jobs: JobStore, now: () => number, whenIdle: WhenIdle): LookStore {
  const store = createStore<LookState>(() => ({ look: undefined }));
  let waiting: ReturnType<typeof setTimeout> | undefined;
  const take = (): void => {
    waiting = undefined;
    const { open } = jobs.getState();
    store.setState({ look: open === undefined ? undefined : takeSecondLook(open.figures, dayOf(now())) });
  };
  const soon = (): void => {
    clearTimeout(waiting);
    waiting = setTimeout(() => whenIdle(take), REST_MS);
  };
  jobs.subscribe((state, before) => {
    if (state.open === before.open) return;
    if (state.open?.jobId !== before.open?.jobId) store.setState({ look: undefined });
    if (state.open !== undefined) soon();
  });
  return store;
}

export const browserIdle: WhenIdle = (work) => {
  if (typeof requestIdleCallback === 'function') requestIdleCallback(work, { timeout: 2000 });
  else setTimeout(work, 0);
};
