import { ReceiptText } from 'lucide-react';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';

export const stage: Stage = {
  path: 'bid',
  name: t('frame.bid2'),
  icon: ReceiptText,
  pages: [
    {
      path: 'bid',
      record: ':documentId?',
      name: t('frame.bid2'),
      goTo: t('frame.goTo', { name: t('frame.bid2') }),
      load: () => import('./BidStage.tsx').then(({ BidStage }) => BidStage),
    },
  ],
};
