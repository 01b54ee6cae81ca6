import { useMemo, useState } from 'react';
import { bidTotal } from '@zest/core/calculate/totals/bidTotal';
import type { PriceRequest } from '@zest/core/job/records/request';
import type { Comparison } from '@zest/core/orders/compareOffers';
import { planPrices, takePrices } from '@zest/core/orders/takePrices';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { tell } from '../../parts/toaster.tsx';
import { keepSnapshot } from '../../storage/snapshots.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { EffectOnBid } from '../prices/EffectOnBid.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface TakePricesDialogProps {
  readonly request: PriceRequest;
  readonly comparison: Comparison;
  readonly onClose: () => void;
}

/** What the chosen prices do to the bid, before the price book takes them; the state before is kept, to compare with. */
export function TakePricesDialog({ request, comparison, onClose }: TakePricesDialogProps) {
  const { jobId, job, figures } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const [refused, setRefused] = useState('');
  const plan = useMemo(() => planPrices(figures, request, comparison), [figures, request, comparison]);
  const changes = plan.taken.map(({ from, to }) => [from, to] as const);
  const take = async (): Promise<void> => {
    const name = t('orders.beforePricesOf', { name: request.name });
    await keepSnapshot(services, { jobId, job, name, totalMinor: bidTotal(figures) });
    const problem = settle(t('orders.takePricesNamed', { name: request.name }), takePrices(plan));
    if (problem !== undefined) return setRefused(problem);
    tell(t('orders.pricesTaken', { count: plan.taken.length }));
    onClose();
  };
  return (
    <Modal
      title={t('orders.pricesToBook')}
      size="lg"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={() => void take()} disabled={plan.taken.length === 0}>
          {t('orders.takeThem', { count: plan.taken.length })}
        </DialogButtons>
      }
    >
      <div className={styles.fields}>
        <p>{t('orders.takeHow')}</p>
        <EffectOnBid changes={changes} added={[]} />
        {plan.left.length === 0 ? null : (
          <p className="warn">
            {t('orders.noItemFor', { names: plan.left.map(({ description }) => description).join(', ') })}
          </p>
        )}
        {refused === '' ? null : <p role="alert">{refused}</p>}
      </div>
    </Modal>
  );
}
