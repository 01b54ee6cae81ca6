import { Tag } from 'lucide-react';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';
import { PAGES } from './pages.ts';

export const stage: Stage = {
  path: 'prices',
  ofCompany: t('frame.prices'),
  name: t('frame.prices'),
  icon: Tag,
  pages: [
    { ...PAGES.prices, load: () => import('./PricesStage.tsx').then(({ PricesStage }) => PricesStage) },
    { ...PAGES.wages, load: () => import('./WagesPage.tsx').then(({ WagesPage }) => WagesPage) },
  ],
};
