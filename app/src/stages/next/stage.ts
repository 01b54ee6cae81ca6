import { ListChecks } from 'lucide-react';
import { isUnderWay } from '@zest/core/reports/whatNext';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';

export const stage: Stage = {
  path: 'next',
  name: t('next.next'),
  icon: ListChecks,
  isThere: (figures) => !isUnderWay(figures),
  pages: [
    {
      path: 'next',
      name: t('next.whatComesNext'),
      goTo: t('next.goTo'),
      load: () => import('./NextPage.tsx').then(({ NextPage }) => NextPage),
    },
  ],
};
