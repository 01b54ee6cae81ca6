import { createContext, useCallback, useContext, useDeferredValue } from 'react';
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
import type { CopyActions, CopyState, CopyStore } from './copyStore.ts';
import type { LookStore } from './lookStore.ts';
import type { ViewState, ViewStore } from './viewStore.ts';

export interface Stores {
  readonly services: Services;
  readonly jobs: JobStore;
  readonly view: ViewStore;
  readonly look: LookStore;
  readonly copies: CopyStore;
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
export const useCopies = <Value,>(select: (state: CopyState) => Value): Value =>
  useStore(useStores().copies, select);
export const useCopyActions = (): CopyActions => useStores().copies.actions;
export const useSetView = (): ViewStore['setState'] => useStores().view.setState;

/** The open job as it is when it is asked for: for what is done to it, not for what is shown. */
export function useOpenNow(): () => OpenJob {
  const { jobs } = useStores();
  return useCallback(() => {
    const { open } = jobs.getState();
    if (open === undefined) throw new Error('useOpenNow: no job is open');
    return open;
  }, [jobs]);
}

export function useJobNow(): () => Job {
  const openNow = useOpenNow();
  return useCallback(() => openNow().job, [openNow]);
}

/** The open job; only for what is shown inside its frame. */
export function useOpenJob(): OpenJob {
  const open = useJobState((state) => state.open);
  if (open === undefined) throw new Error('useOpenJob: no job is open');
  return open;
}

/**
 * The open job for what is only read, and takes its time to draw: what a person types into or chooses from, and the
 * total, are on the screen before it.
 */
export const useOpenJobLater = (): OpenJob => useDeferredValue(useOpenJob());

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
export const useFormats = (): Formats =>
  useJobState(({ open }) => {
    if (open === undefined) throw new Error('useFormats: no job is open');
    return formatsOfJob(settingsOf(open.job));
  });
