import { PencilRuler } from 'lucide-react';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';
import { listMeasureActions } from './actions.ts';

export const stage: Stage = {
  path: 'measure',
  name: t('frame.measure'),
  icon: PencilRuler,
  todo: (figures) => {
    const count = [...figures.job.scope.keys()].filter((id) => !figures.isMeasured(id)).length;
    return { count, words: t('frame.notMeasuredYet', { scopes: t('count.scope', { count }) }) };
  },
  pages: [
    {
      path: 'measure',
      name: t('frame.measure'),
      goTo: t('frame.goTo', { name: t('frame.measure') }),
      record: ':sheetId?',
      load: () => import('./MeasureStage.tsx').then(({ MeasureStage }) => MeasureStage),
    },
  ],
  actions: listMeasureActions,
};
