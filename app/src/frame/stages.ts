import { unscaledSheets } from '@zest/core/doubts/sheets';
import { Boxes, FileText, PencilRuler, ReceiptText, Table2, Tag } from 'lucide-react';
import { listUnpriced } from '@zest/core/reports/unpriced';
import type { Figures } from '@zest/core/calculate/figures';
import { t } from '../messages/t.ts';

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
    name: t('frame.sheets'),
    icon: FileText,
    todo: ({ job }) => {
      const count = unscaledSheets(job).size;
      return { count, words: t('frame.withoutScale', { sheets: t('count.sheet', { count: count }) }) };
    },
  },
  {
    path: 'measure',
    name: t('frame.measure'),
    icon: PencilRuler,
    todo: (figures) => {
      const count = [...figures.job.scope.keys()].filter((id) => !figures.isMeasured(id)).length;
      return { count, words: t('frame.notMeasuredYet', { scopes: t('count.scope', { count: count }) }) };
    },
  },
  { path: 'assemblies', name: t('frame.assemblies'), icon: Boxes, todo: nothing },
  { path: 'prices', name: t('frame.prices'), icon: Tag, todo: nothing },
  {
    path: 'estimate',
    name: t('frame.estimate'),
    icon: Table2,
    todo: (figures) => {
      const count = listUnpriced(figures).length;
      return { count, words: t('frame.withoutAFigure', { lines: t('count.line', { count: count }) }) };
    },
  },
  { path: 'bid', name: t('frame.bid2'), icon: ReceiptText, todo: nothing },
];
