import { createStore, type StoreApi } from 'zustand/vanilla';
import type { Schedule } from '@zest/core/job/records/schedule';
import type { MarkKind } from '@zest/core/takeoff/measures';

export type Tool = 'select' | MarkKind | 'opening' | 'schedule' | 'scale' | 'check';

export const LABEL_MODES = ['none', 'name', 'figure', 'both'] as const;
export type LabelMode = (typeof LABEL_MODES)[number];

/** What is shown and how; never part of the job. */
export interface ViewState {
  readonly theme: 'light' | 'dark';
  readonly tool: Tool;
  /** The scope the pen draws. */
  readonly penScope: string | undefined;
  readonly hidden: ReadonlySet<string>;
  readonly alone: string | undefined;
  readonly sheetShown: 'full' | 'dim' | 'hidden';
  /** What is written on marks. */
  readonly labels: LabelMode;
  readonly selectedMarks: ReadonlySet<string>;
  readonly finderOpen: boolean;
  readonly keysOpen: boolean;
  /** The schedule that is open to be corrected. */
  readonly schedule: Schedule | undefined;
}

export type ViewStore = StoreApi<ViewState>;

const THEME_KEY = 'zest-theme';

/** The theme is needed before the database is open, so it lies in local storage. */
export function createViewStore(storage: Pick<Storage, 'getItem' | 'setItem'>): ViewStore {
  const kept = storage.getItem(THEME_KEY);
  const store = createStore<ViewState>(() => ({
    theme: kept === 'dark' ? 'dark' : 'light',
    tool: 'select',
    penScope: undefined,
    hidden: new Set(),
    alone: undefined,
    sheetShown: 'full',
    labels: 'none',
    selectedMarks: new Set(),
    finderOpen: false,
    keysOpen: false,
    schedule: undefined,
  }));
  store.subscribe((state, before) => {
    if (state.theme !== before.theme) storage.setItem(THEME_KEY, state.theme);
  });
  return store;
}

/** True when a scope's marks are to be seen. */
export const isShown = ({ hidden, alone }: Pick<ViewState, 'hidden' | 'alone'>, scopeId: string): boolean =>
  alone === undefined ? !hidden.has(scopeId) : alone === scopeId;
