import { Truck } from 'lucide-react';
import { t } from '../../messages/t.ts';
import type { Stage } from '../stage.ts';

export const stage: Stage = {
  path: 'orders',
  name: t('orders.orders'),
  icon: Truck,
  pages: [
    {
      path: 'orders',
      record: ':recordId?',
      name: t('orders.orders'),
      goTo: t('frame.goTo', { name: t('orders.orders') }),
      load: () => import('./OrdersStage.tsx').then(({ OrdersStage }) => OrdersStage),
    },
  ],
};
