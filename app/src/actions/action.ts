import type { Stores } from '../stores/context.tsx';

/** Something a person can have done, by key, by name in the finder, or by button. */
export interface Action {
  readonly id: string;
  readonly label: string;
  readonly key?: string;
  /** Why it cannot be done now, in words; undefined where it can. */
  readonly when?: () => string | undefined;
  /** Its place in a menu, and what it is called there, where the menu says the rest. */
  readonly inMenu?: { readonly menu: 'sheet'; readonly words: string };
  readonly run: () => void;
}

/** What actions work on. */
export interface ActionContext {
  readonly stores: Stores;
  /** To a page of the open job: `measure`, `estimate`. */
  readonly goTo: (page: string) => void;
  /** To a page outside of the job. */
  readonly leaveTo: (path: string) => void;
}

export type ListActions = (context: ActionContext) => readonly Action[];
