import { useParams } from 'react-router';
import { inOrder } from '@zest/core/job/job';
import { FolderList } from '../../parts/FolderList.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useGoToRecord } from '../../stores/useGoToRecord.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { MaterialsView } from './MaterialsView.tsx';
import { OrderView } from './OrderView.tsx';
import { RequestView } from './RequestView.tsx';
import { styles } from './styles.ts';

const MATERIALS = 'materials';

/** From what the job needs to what is bought: materials, requests for prices, orders. */
export function OrdersStage() {
  const { recordId = MATERIALS } = useParams();
  const go = useGoToRecord('orders');
  const requests = inOrder(useTable('request').values());
  const orders = inOrder(useTable('purchaseOrder').values());
  const request = requests.find(({ id }) => id === recordId);
  const order = orders.find(({ id }) => id === recordId);
  return (
    <div className={styles.orders}>
      <div className={layout.stage}>
        <FolderList
          label={t('orders.orders')}
          items={[
            { key: MATERIALS, name: t('orders.materials'), folder: '', about: '' },
            ...requests.map(({ id, name, due }) => ({
              key: id,
              name,
              folder: t('orders.requests'),
              about: due === '' ? '' : t('orders.answersBy', { due }),
            })),
            ...orders.map(({ id, number, supplier }) => ({
              key: id,
              name: t('orders.orderNumber', { number }),
              folder: t('orders.sentOrders'),
              about: supplier,
            })),
          ]}
          current={request?.id ?? order?.id ?? MATERIALS}
          nothing=""
          onChoose={go}
        />
      </div>
      {request !== undefined ? (
        <RequestView key={request.id} request={request} go={go} />
      ) : order !== undefined ? (
        <OrderView key={order.id} order={order} go={go} />
      ) : (
        <MaterialsView go={go} />
      )}
    </div>
  );
}
