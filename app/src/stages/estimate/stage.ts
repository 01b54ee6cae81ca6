import { Table2 } from 'lucide-react';
import { listUnpriced } from '@zest/core/reports/unpriced';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';
import { PAGES } from './pages.ts';

export const stage: Stage = {
  path: 'estimate',
  name: t('frame.estimate'),
  icon: Table2,
  todo: (figures) => {
    const count = listUnpriced(figures).length;
    return { count, words: t('frame.withoutAFigure', { lines: t('count.line', { count }) }) };
  },
  pages: [
    {
      ...PAGES.estimate,
      load: () => import('./EstimateStage.tsx').then(({ EstimateStage }) => EstimateStage),
    },
    { ...PAGES.quotes, load: () => import('./QuotesPage.tsx').then(({ QuotesPage }) => QuotesPage) },
    { ...PAGES.compare, load: () => import('./ComparePage.tsx').then(({ ComparePage }) => ComparePage) },
    { ...PAGES.charts, load: () => import('./ChartsPage.tsx').then(({ ChartsPage }) => ChartsPage) },
  ],
};
