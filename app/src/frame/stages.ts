import { unscaledSheets } from '@zest/core/doubts/sheets';
import { Boxes, FileText, PencilRuler, ReceiptText, Table2, Tag } from 'lucide-react';
import { listUnpriced } from '@zest/core/reports/unpriced';
import type { Figures } from '@zest/core/calculate/figures';
import { plural } from '../messages/words.ts';

export interface Stage {
  readonly path: string;
  readonly name: string;
  readonly icon: typeof FileText;
  /** What is still to do there, as a number and in words. */
  readonly todo: (figures: Figures) => { readonly count: number; readonly words: string };
}

const nothing = () => ({ count: 0, words: '' });

/** The stages in working order. */
export const STAGES: readonly Stage[] = [
  {
    path: 'sheets',
    name: 'Sheets',
    icon: FileText,
    todo: ({ job }) => {
      const count = unscaledSheets(job).size;
      return { count, words: `${plural(count, 'sheet')} without scale` };
    },
  },
  {
    path: 'measure',
    name: 'Measure',
    icon: PencilRuler,
    todo: (figures) => {
      const count = [...figures.job.scope.keys()].filter((id) => !figures.isMeasured(id)).length;
      return { count, words: `${plural(count, 'scope')} not measured yet` };
    },
  },
  { path: 'assemblies', name: 'Assemblies', icon: Boxes, todo: nothing },
  { path: 'prices', name: 'Prices', icon: Tag, todo: nothing },
  {
    path: 'estimate',
    name: 'Estimate',
    icon: Table2,
    todo: (figures) => {
      const count = listUnpriced(figures).length;
      return { count, words: `${plural(count, 'line')} without a figure` };
    },
  },
  { path: 'bid', name: 'Bid', icon: ReceiptText, todo: nothing },
];
