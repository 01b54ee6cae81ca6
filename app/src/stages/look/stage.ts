import { Glasses } from 'lucide-react';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';

export const stage: Stage = {
  path: 'look',
  name: t('frame.secondLook'),
  icon: Glasses,
  atFoot: true,
  pages: [
    {
      path: 'look',
      name: t('frame.secondLook'),
      goTo: t('frame.goToTheSecondLook'),
      load: () => import('./LookPage.tsx').then(({ LookPage }) => LookPage),
    },
  ],
};
