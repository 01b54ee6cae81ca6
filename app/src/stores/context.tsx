import {
  type ReactNode,
  createContext,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
} from 'react';
import { flushSync } from 'react-dom';
import { useStore } from 'zustand';
import type { Display } from '@zest/core/units/format';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import type { Settings } from '@zest/core/job/records/settings';
import { type Job, settingsOf } from '@zest/core/job/job';
import { remember } from '@zest/core/job/remember';
import type { MoneyFormat } from '@zest/core/pricing/money';
import type { Services } from '../platform/services.ts';
import type { JobActions, JobState, JobStore, OpenJob } from './jobStore.ts';
import type { SecondLook } from '@zest/core/doubts/secondLook';
import type { LookStore } from './lookStore.ts';
import type { ViewState, ViewStore } from './viewStore.ts';

export interface Stores {
  readonly services: Services;
  readonly jobs: JobStore;
  readonly view: ViewStore;
  readonly look: LookStore;
}

const StoresContext = createContext<Stores | undefined>(undefined);
export const StoresProvider = StoresContext.Provider;

export function useStores(): Stores {
  const stores = useContext(StoresContext);
  if (stores === undefined) throw new Error('useStores: no provider above');
  return stores;
}

export const useServices = (): Services => useStores().services;
export const useJobActions = (): JobActions => useStores().jobs.actions;
export const useJobState = <Value,>(select: (state: JobState) => Value): Value =>
  useStore(useStores().jobs, select);
export const useView = <Value,>(select: (state: ViewState) => Value): Value =>
  useStore(useStores().view, select);
/** The latest second look at the open job; undefined while it was not taken yet. */
export const useLook = (): SecondLook | undefined => useStore(useStores().look, (state) => state.look);
export const useSetView = (): ViewStore['setState'] => useStores().view.setState;

interface LaterJob {
  readonly shown: OpenJob;
  readonly catchUp: () => void;
}

/** The job as it was a moment ago, for what may come after the new total is on the screen. */
const LaterJobContext = createContext<LaterJob | undefined>(undefined);

/**
 * How a deed begins; before it, what follows the job catches up with it. Not at 'change': drawing
 * anew just then would put the old choice back into a list before it is read.
 */
const DEEDS = ['pointerdown', 'click', 'keydown'] as const;

/** What shows what it was switched to by itself, and would be seen to go back until its job is drawn. */
const isSwitch = (target: EventTarget | null): boolean =>
  target instanceof HTMLSelectElement ||
  (target instanceof HTMLInputElement && (target.type === 'checkbox' || target.type === 'radio'));

/**
 * What is inside follows the job right after the urgent things: a change paints the sheet and the
 * total first, then this. Give it children that do not change by themselves. A deed is always done
 * to the job as it is: nobody changes a record as it stood a moment ago.
 */
export function Later({ children }: { readonly children: ReactNode }) {
  const { jobs } = useStores();
  const open = useOpenJob();
  const [shown, setShown] = useState(open);
  const follows = useRef(shown);
  useEffect(() => startTransition(() => setShown(open)), [open]);
  useEffect(() => {
    follows.current = shown;
  }, [shown]);
  const catchUp = useCallback((): void => {
    const now = jobs.getState().open;
    if (now !== undefined && now !== follows.current) flushSync(() => setShown(now));
  }, [jobs]);
  useEffect(() => {
    // Before the page's own listeners, so that they see what was just drawn.
    for (const deed of DEEDS) window.addEventListener(deed, catchUp, true);
    // After the page's own listeners, so that the switch is drawn as it now stands.
    const followSwitch = ({ target }: Event): void => {
      if (isSwitch(target)) catchUp();
    };
    window.addEventListener('change', followSwitch);
    return () => {
      for (const deed of DEEDS) window.removeEventListener(deed, catchUp, true);
      window.removeEventListener('change', followSwitch);
    };
  }, [catchUp]);
  const later = useMemo(() => ({ shown, catchUp }), [shown, catchUp]);
  return <LaterJobContext value={later}>{children}</LaterJobContext>;
}

/** Draws what follows the job at once: for what was let go of by hand and must not be seen to go back. */
export function useCatchUp(): () => void {
  const later = useContext(LaterJobContext);
  return later?.catchUp ?? noCatchUp;
}

const noCatchUp = (): void => undefined;

/** The job as it is when it is asked for: what is done may come after a change that is not on the screen yet. */
export function useJobNow(): () => Job {
  const { jobs } = useStores();
  return () => {
    const { open } = jobs.getState();
    if (open === undefined) throw new Error('useJobNow: no job is open');
    return open.job;
  };
}

/** The open job; only for what is shown inside its frame. */
export function useOpenJob(): OpenJob {
  const later = useContext(LaterJobContext);
  const now = useJobState((state) => (later === undefined ? state.open : undefined));
  const open = later?.shown ?? now;
  if (open === undefined) throw new Error('useOpenJob: no job is open');
  return open;
}

const numbersOf = ({
  decimalMark,
  groupMark,
}: Pick<Settings, 'decimalMark' | 'groupMark'>): NumberFormat => ({
  decimal: decimalMark,
  group: groupMark,
});

export interface Formats {
  readonly display: Display;
  readonly money: MoneyFormat;
  readonly numbers: NumberFormat;
}

export function formatsOf(
  settings: Pick<Settings, 'decimalMark' | 'groupMark' | 'unitSystem' | 'currency'>,
): Formats {
  const numbers = numbersOf(settings);
  return {
    numbers,
    display: { system: settings.unitSystem, numbers },
    money: { currency: settings.currency, numbers },
  };
}

/** The same object for as long as the settings are, so that what is drawn by it need not be drawn anew. */
const formatsOfJob = remember((settings: Settings) => formatsOf(settings));

/** How the open job writes its figures. */
export const useFormats = (): Formats => formatsOfJob(settingsOf(useOpenJob().job));
