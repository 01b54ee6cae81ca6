import type { FileText } from 'lucide-react';
import { type ComponentType, createContext, useContext } from 'react';
import type { Figures } from '@zest/core/calculate/figures';
import type { ListActions } from '../actions/action.ts';

/** A page of a stage: where it is, what it is called, and what the finder calls it. */
export interface PageName {
  readonly path: string;
  readonly name: string;
  /** As something to do: 'Go to quotes'. */
  readonly goTo: string;
}

export interface Page extends PageName {
  /** What follows the path in the address: the record that is open. */
  readonly record?: string;
  readonly load: () => Promise<ComponentType>;
}

/** A place in the working day: what stands in the spine, its pages, and what can be done there. */
export interface Stage {
  readonly path: string;
  readonly name: string;
  readonly icon: typeof FileText;
  /** What is still to do there, as a number and in words; the second look counts for itself. */
  readonly todo?: (figures: Figures) => { readonly count: number; readonly words: string };
  /** Its name in what the company keeps, which has no sheets and no bid; left out where it is not there. */
  readonly ofCompany?: string;
  /** Whether it stands in the spine at this moment; always where left out. */
  readonly isThere?: (figures: Figures) => boolean;
  /** Below the others, at the foot of the spine. */
  readonly atFoot?: boolean;
  readonly pages: readonly Page[];
  readonly actions?: ListActions;
}

const StagesContext = createContext<readonly Stage[]>([]);
export const StagesProvider = StagesContext.Provider;

/** The stages in working order. */
export const useStages = (): readonly Stage[] => useContext(StagesContext);
