import { useCallback } from 'react';
import { update } from '@zest/core/job/change';
import type { PriceRequest } from '@zest/core/job/records/request';
import { suppliersToAsk } from '@zest/core/orders/compareOffers';
import type { Settings } from '@zest/core/job/records/settings';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { type DeskProblem, sendRequest } from '../../platform/quoteDesk.ts';
import { useJobNow } from '../../stores/context.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { t } from '../../messages/t.ts';

export const describeDesk = (problem: DeskProblem): string =>
  ({
    unreachable: t('orders.deskUnreachable'),
    failed: t('orders.deskFailed'),
    broken: t('orders.deskBroken'),
  })[problem];

/** Sends a request to the desk and keeps where each supplier answers. What fails is told, and can be sent again. */
export function useSendRequest(): (request: PriceRequest, settings: Settings) => Promise<void> {
  const settle = useSettle();
  const jobNow = useJobNow();
  return useCallback(
    async (request, settings) => {
      const asked = suppliersToAsk(request, [...jobNow().offer.values()]);
      const sent = await sendRequest({ ...request, suppliers: asked }, settings);
      if (!sent.ok) return tellProblem(describeDesk(sent.problem));
      const tokens = new Map(sent.value.suppliers.map(({ key, token }) => [key, token]));
      const refused = settle(
        t('orders.sendNamed', { name: request.name }),
        update({ id: request.id }, (now) => ({
          ...now,
          suppliers: now.suppliers.map((each) => ({ ...each, token: tokens.get(each.key) ?? each.token })),
        })),
      );
      if (refused !== undefined) return tellProblem(refused);
      tell(t('orders.sentTo', { count: asked.length }));
    },
    [settle, jobNow],
  );
}
