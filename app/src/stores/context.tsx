import { type ReactNode, createContext, useContext, useDeferredValue } from 'react';
import { useStore } from 'zustand';
import type { Display } from '@zest/core/units/format';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import type { Settings } from '@zest/core/job/records/settings';
import { settingsOf } from '@zest/core/job/job';
import type { MoneyFormat } from '@zest/core/pricing/money';
import type { Services } from '../platform/services.ts';
import type { JobActions, JobState, JobStore, OpenJob } from './jobStore.ts';
import type { ViewState, ViewStore } from './viewStore.ts';

export interface Stores {
  readonly services: Services;
  readonly jobs: JobStore;
  readonly view: ViewStore;
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
export const useSetView = (): ViewStore['setState'] => useStores().view.setState;

/** The job as it was a moment ago, for what may come after the new total is on the screen. */
const LaterJobContext = createContext<OpenJob | undefined>(undefined);

/**
 * What is inside follows the job right after the urgent things: a change paints the sheet and the
 * total first, then this. Give it children that do not change by themselves.
 */
export function Later({ children }: { readonly children: ReactNode }) {
  const open = useOpenJob();
  return <LaterJobContext value={useDeferredValue(open)}>{children}</LaterJobContext>;
}

/** The open job; only for what is shown inside its frame. */
export function useOpenJob(): OpenJob {
  const later = useContext(LaterJobContext);
  const now = useJobState((state) => (later === undefined ? state.open : undefined));
  const open = later ?? now;
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

/** How the open job writes its figures. */
export const useFormats = (): Formats => formatsOf(settingsOf(useOpenJob().job));
