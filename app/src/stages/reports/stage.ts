import { Rows3 } from 'lucide-react';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';

export const stage: Stage = {
  path: 'reports',
  ofCompany: t('report.reports'),
  name: t('report.reports'),
  icon: Rows3,
  atFoot: true,
  pages: [
    {
      path: 'reports',
      record: ':reportId?',
      name: t('report.reports'),
      goTo: t('frame.goTo', { name: t('report.reports') }),
      load: () => import('./ReportsStage.tsx').then(({ ReportsStage }) => ReportsStage),
    },
  ],
};
