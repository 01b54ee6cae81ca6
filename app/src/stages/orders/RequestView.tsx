import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { put, remove, update } from '@zest/core/job/change';
import { inOrder, settingsOf } from '@zest/core/job/job';
import type { PriceRequest } from '@zest/core/job/records/request';
import { buyList } from '@zest/core/orders/buyList';
import { changedNeeds } from '@zest/core/orders/changedNeeds';
import { type Comparison, compareOffers, suppliersToAsk } from '@zest/core/orders/compareOffers';
import { approveRows, chosenWithoutPrice } from '@zest/core/orders/parts';
import { makeOrders } from '@zest/core/orders/makeOrders';
import { minorDigits } from '@zest/core/pricing/money';
import { listWith } from '../../messages/lists.ts';
import { MoreMenu } from '../../parts/MoreMenu.tsx';
import { tell, tellProblem } from '../../parts/toaster.tsx';
import { dayOf } from '../../platform/days.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { useTable } from '../../stores/jobHooks.ts';
import { useSettle } from '../../stores/useSettle.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { FilledDialog } from './FilledDialog.tsx';
import { OfferTable } from './OfferTable.tsx';
import { PartDialog } from './PartDialog.tsx';
import { TakePricesDialog } from './TakePricesDialog.tsx';
import { styles } from './styles.ts';
import { useAnswers } from './useAnswers.ts';
import { useSaveRequest } from './useSaveRequest.ts';
import { describeDesk, useSendRequest } from './useSendRequest.ts';

interface RequestViewProps {
  readonly request: PriceRequest;
  readonly go: (key: string) => void;
}

/** Who was asked, what they answered side by side, and whose prices are taken. */
export function RequestView({ request, go }: RequestViewProps) {
  const { job, figures } = useOpenJob();
  const { currency } = settingsOf(job);
  const needs = useMemo(() => changedNeeds(request, buyList(figures)), [request, figures]);
  const problem = useAnswers(request);
  const offers = useTable('offer');
  const comparison = useMemo(
    () => compareOffers(request, offers.values(), minorDigits(currency)),
    [request, offers, currency],
  );
  const approve = useApprove(request);
  const [asking, setAsking] = useState<Asking | undefined>();
  const close = (): void => setAsking(undefined);
  const askedRow =
    typeof asking === 'object' ? request.rows.find(({ key }) => key === asking.row) : undefined;
  return (
    <div className={layout.stage}>
      <RequestBar
        request={request}
        comparison={comparison}
        go={go}
        onTakeLeast={() => approve(leastOfEach(request, comparison))}
        onAsk={setAsking}
      />
      <DeskTold problem={problem} />
      <OfferTable
        request={request}
        comparison={comparison}
        needs={needs}
        approve={approve}
        onPart={(row, supplier) => setAsking({ row, supplier })}
      />
      {typeof asking === 'object' && askedRow !== undefined ? (
        <PartDialog request={request} row={askedRow} supplier={asking.supplier} onClose={close} />
      ) : null}
      {asking === 'filled' ? <FilledDialog request={request} onClose={close} /> : null}
      {asking === 'prices' ? (
        <TakePricesDialog request={request} comparison={comparison} onClose={close} />
      ) : null}
    </div>
  );
}

/** The dialog that is open: prices for the book, a filled file, or a part of a row from another supplier. */
type Asking = 'prices' | 'filled' | { readonly row: string; readonly supplier: string };

interface RequestBarProps extends RequestViewProps {
  readonly comparison: Comparison;
  readonly onTakeLeast: () => void;
  readonly onAsk: (asking: Asking) => void;
}

/** How far the answers are, and what is done with them. */
function RequestBar({ request, comparison, go, onTakeLeast, onAsk }: RequestBarProps) {
  const { job } = useOpenJob();
  const send = useSendRequest();
  const order = useMakeOrders(request, comparison, go);
  const unsent = suppliersToAsk(request, [...job.offer.values()]).some(({ token }) => token === '');
  const approved = Object.keys(request.approved).length;
  return (
    <div className={`${layout.bar} wraps`}>
      <h1>{request.name}</h1>
      <span className="soft" role="status">
        {t('orders.answered', {
          count: comparison.columns.filter(({ offer }) => offer !== undefined).length,
          of: request.suppliers.length,
        })}
      </span>
      <span className="grow" />
      {unsent ? (
        <Button size="sm" variant="outline" onClick={() => void send(request, settingsOf(job))}>
          {t('orders.sendAgain')}
        </Button>
      ) : null}
      <Button
        size="sm"
        variant="outline"
        disabled={comparison.cheapest.every((each) => each === undefined)}
        onClick={onTakeLeast}
      >
        {t('orders.takeLeastOfEach')}
      </Button>
      <Button size="sm" variant="outline" disabled={approved === 0} onClick={order}>
        {t('orders.makeOrders')}
      </Button>
      <Button size="sm" disabled={approved === 0} onClick={() => onAsk('prices')}>
        {t('orders.pricesToBook')}
      </Button>
      <RequestMenu request={request} go={go} onFilled={() => onAsk('filled')} />
    </div>
  );
}

/** What is wrong with the desk; nothing where it answers. */
const DeskTold = ({ problem }: { readonly problem: ReturnType<typeof useAnswers> }) =>
  problem === undefined ? null : (
    <p className={`warn ${styles.told}`} role="alert">
      {describeDesk(problem)}
    </p>
  );

/** The cheapest of each row; what nobody offers stays without. */
const leastOfEach = ({ rows }: PriceRequest, { cheapest }: Comparison): PriceRequest['approved'] =>
  Object.fromEntries(
    rows.flatMap(({ key }, at) => {
      const supplier = cheapest[at];
      return supplier === undefined ? [] : [[key, supplier] as const];
    }),
  );

/** Whose price is taken for which rows, as one step. */
function useApprove({ id, name }: PriceRequest): (approved: PriceRequest['approved']) => void {
  const settle = useSettle();
  return (approved) => {
    const refused = settle(
      t('orders.chooseNamed', { name }),
      update({ id }, (now) => approveRows(now, approved)),
    );
    if (refused !== undefined) tellProblem(refused);
  };
}

const DELIVERY_DAYS = 14;
const DAY_MS = 86_400_000;

function useMakeOrders(request: PriceRequest, comparison: Comparison, go: (key: string) => void): () => void {
  const { job } = useOpenJob();
  const { makeId, now } = useServices();
  const settle = useSettle();
  return () => {
    const had = inOrder(job.purchaseOrder.values());
    const orders = makeOrders(request, comparison, makeId, {
      date: dayOf(now()),
      deliverBy: dayOf(now() + DELIVERY_DAYS * DAY_MS),
      note: '',
      had,
    });
    const without = chosenWithoutPrice(request, comparison);
    if (without.length > 0)
      tellProblem(
        t('orders.chosenWithoutPrice', {
          count: without.length,
          names: listWith(
            'and',
            without.map(({ description }) => description),
          ),
        }),
      );
    if (orders.length === 0) return without.length > 0 ? undefined : tellProblem(t('orders.allOrdered'));
    const refused = settle(t('orders.orderNamed', { name: request.name }), put(...orders));
    if (refused !== undefined) return tellProblem(refused);
    tell(t('orders.ordersMade', { count: orders.length }));
    const [first] = orders;
    if (first !== undefined) go(first.id);
  };
}

interface RequestMenuProps extends RequestViewProps {
  readonly onFilled: () => void;
}

function RequestMenu({ request, go, onFilled }: RequestMenuProps) {
  const save = useSaveRequest(request);
  const { job } = useOpenJob();
  const settle = useSettle();
  const drop = (): void => {
    const offers = [...job.offer.values()].filter(({ requestId }) => requestId === request.id);
    const refused = settle(
      t('orders.deleteNamed', { name: request.name }),
      remove(...offers.map(({ id }) => id), request.id),
    );
    if (refused !== undefined) tellProblem(refused);
    else go('materials');
  };
  return (
    <MoreMenu
      label={t('orders.moreWithRequest')}
      entries={[
        [t('orders.saveToFill'), () => void save()],
        [t('orders.readFilled'), onFilled],
        [t('orders.deleteRequest'), drop],
      ]}
    />
  );
}
