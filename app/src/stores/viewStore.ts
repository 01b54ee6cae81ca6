import { createStore, type StoreApi } from 'zustand/vanilla';
import * as z from 'zod';
import type { Schedule } from '@zest/core/job/records/schedule';
import type { DeliveredBy } from '@zest/core/orders/deliveries';
import type { Bounds } from '@zest/core/geometry/bounds';
import type { OpeningRow } from '@zest/core/takeoff/openingRows';
import type { MarkKind } from '@zest/core/job/markKinds';

export type Tool =
  | 'select'
  | MarkKind
  | 'opening'
  | 'schedule'
  | 'scale'
  | 'check'
  | 'straighten'
  | 'level'
  | 'crop'
  /** The box of a part of the sheet with a scale of its own. */
  | 'part';

export const COLOR_MODES = ['scope', 'section', 'level', 'zone'] as const;
export type ColorMode = (typeof COLOR_MODES)[number];
/** What the tally counts: the whole job, or only what is on the level or the sheet at hand. */
export const WITHIN_MODES = ['job', 'level', 'sheet'] as const;
export type WithinMode = (typeof WITHIN_MODES)[number];

/** What the pictures of the sheets are grouped by. */
export const SHEET_GROUPS = ['nothing', 'discipline', 'level'] as const;
export type SheetGroup = (typeof SHEET_GROUPS)[number];

/** What the split view shows. */
export type Beside =
  | { readonly is: 'sheet'; readonly id: string }
  | { readonly is: 'schedule'; readonly id: string }
  | { readonly is: 'report'; readonly id: string }
  | { readonly is: 'estimate' };

export type EstimateSide = 'bid' | 'line' | 'alternates' | 'yardsticks';

export const LABEL_MODES = ['none', 'name', 'figure', 'both'] as const;
export type LabelMode = (typeof LABEL_MODES)[number];

/** What is shown and how; never part of the job. */
export interface ViewState {
  readonly theme: 'light' | 'dark';
  readonly tool: Tool;
  /** The scope the pen draws. */
  readonly penScope: string | undefined;
  /** The kind of scope a pen has begun without: it is asked for. */
  readonly scopeAsked: MarkKind | undefined;
  /** Ids of scopes, sections and zones that are not shown. */
  readonly hidden: ReadonlySet<string>;
  readonly alone: string | undefined;
  readonly sheetShown: 'full' | 'dim' | 'hidden';
  /** What is written on marks. */
  readonly labels: LabelMode;
  readonly colorBy: ColorMode;
  readonly within: WithinMode;
  /** Dots where the runs of the scope in hand end and meet. */
  readonly junctionsShown: boolean;
  /** The zone that new marks go to. */
  readonly penZone: string | undefined;
  /** The row of a schedule the next opening is of. */
  readonly openingRow: OpeningRow | undefined;
  /** The box of a part of the sheet whose scale is being asked for. */
  readonly part: Bounds | undefined;
  /** Words looked for on the sheet. */
  readonly soughtText: string;
  readonly beside: Beside | undefined;
  readonly sheetsBy: SheetGroup;
  /** What deliveries of materials are for. */
  readonly deliveredBy: DeliveredBy;
  /** What stands beside the lines of the estimate. */
  readonly estimateSide: EstimateSide;
  /** A row of the estimate that was just added, and the column of it that is typed into at once. */
  readonly typing: { readonly key: string; readonly column: string } | undefined;
  readonly selectedMarks: ReadonlySet<string>;
  /** A newer version of the program is open in another tab, and this one can save no more. */
  readonly replaced: boolean;
  /** Keys chosen for actions by their ids; an empty text is no key. */
  readonly keys: Readonly<Record<string, string>>;
  /** Widths of what stands at the side, as shares of the whole, by the name of the panes. */
  readonly paneWidths: Readonly<Record<string, string>>;
  readonly finderOpen: boolean;
  readonly keysOpen: boolean;
  /** The schedule that is open to be corrected. */
  readonly schedule: Schedule | undefined;
}

export type ViewStore = StoreApi<ViewState>;

const THEME_KEY = 'zest-theme';
const KEYS_KEY = 'zest-keys';
const PANES_KEY = 'zest-panes';
const KEPT = z.record(z.string(), z.string().max(40));

/** What was kept by another version and does not fit any more is left for what is usual. */
function readKept(kept: string | null): Readonly<Record<string, string>> {
  try {
    const read = KEPT.safeParse(JSON.parse(kept ?? '{}'));
    return read.success ? read.data : {};
  } catch {
    return {};
  }
}

/** The theme is needed before the database is open, so it lies in local storage. */
export function createViewStore(storage: Pick<Storage, 'getItem' | 'setItem'>): ViewStore {
  const kept = storage.getItem(THEME_KEY);
  const store = createStore<ViewState>(() => ({
    theme: kept === 'dark' ? 'dark' : 'light',
    tool: 'select',
    penScope: undefined,
    scopeAsked: undefined,
    hidden: new Set(),
    alone: undefined,
    sheetShown: 'full',
    labels: 'none',
    colorBy: 'scope',
    within: 'job',
    junctionsShown: false,
    penZone: undefined,
    openingRow: undefined,
    part: undefined,
    soughtText: '',
    beside: undefined,
    sheetsBy: 'nothing',
    deliveredBy: 'section',
    estimateSide: 'bid',
    typing: undefined,
    selectedMarks: new Set(),
    replaced: false,
    keys: readKept(storage.getItem(KEYS_KEY)),
    paneWidths: readKept(storage.getItem(PANES_KEY)),
    finderOpen: false,
    keysOpen: false,
    schedule: undefined,
  }));
  store.subscribe((state, before) => {
    if (state.theme !== before.theme) storage.setItem(THEME_KEY, state.theme);
    if (state.keys !== before.keys) storage.setItem(KEYS_KEY, JSON.stringify(state.keys));
  });
  return store;
}

/** True when marks of a scope in a section are to be seen, as far as zones do not hide them. */
export const isScopeShown = (
  { hidden, alone }: Pick<ViewState, 'hidden' | 'alone'>,
  scope: { readonly id: string; readonly sectionId: string | null },
): boolean =>
  isShown({ hidden, alone }, scope.id) && !(alone === undefined && hidden.has(scope.sectionId ?? ''));

/** True when a mark of a scope is to be seen: neither it nor its zone is hidden. */
export const isMarkShown = (
  view: Pick<ViewState, 'hidden' | 'alone'>,
  scope: Parameters<typeof isScopeShown>[1],
  zoneId: string | null | undefined,
): boolean => isScopeShown(view, scope) && !view.hidden.has(zoneId ?? '');

/** True when a scope's marks are to be seen. */
export const isShown = ({ hidden, alone }: Pick<ViewState, 'hidden' | 'alone'>, scopeId: string): boolean =>
  alone === undefined ? !hidden.has(scopeId) : alone === scopeId;
