import { FileText } from 'lucide-react';
import { unscaledSheets } from '@zest/core/doubts/unscaledSheets';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';

export const stage: Stage = {
  path: 'sheets',
  name: t('frame.sheets'),
  icon: FileText,
  todo: ({ job }) => {
    const count = unscaledSheets(job).size;
    return { count, words: t('frame.withoutScale', { sheets: t('count.sheet', { count }) }) };
  },
  pages: [
    {
      path: 'sheets',
      name: t('frame.sheets'),
      goTo: t('frame.goTo', { name: t('frame.sheets') }),
      load: () => import('./SheetsStage.tsx').then(({ SheetsStage }) => SheetsStage),
    },
    {
      path: 'join',
      name: t('frame.joinSheets'),
      goTo: t('frame.goToJoinSheets'),
      record: ':sheetId?',
      load: () => import('./JoinPage.tsx').then(({ JoinPage }) => JoinPage),
    },
  ],
};
