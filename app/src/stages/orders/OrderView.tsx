import { Button } from '@chakra-ui/react';
import { useMemo } from 'react';
import { orderXml } from '@zest/core/formats/ubl/order';
import { remove, update } from '@zest/core/job/change';
import { settingsOf } from '@zest/core/job/job';
import type { PurchaseOrder } from '@zest/core/job/records/request';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { MoreMenu } from '../../parts/MoreMenu.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { isDay } from '../../platform/days.ts';
import { fileName } from '../../storage/jobFiles.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { DocumentPages } from '../bid/DocumentPages.tsx';
import { styles as bidStyles } from '../bid/styles.ts';
import { useLaidDocument } from '../bid/usePrinted.ts';
import { LongText } from '../bid/Wording.tsx';
import { useWriting } from '../reports/useWriter.ts';
import { printOrder } from './printOrder.ts';
import { styles } from './styles.ts';

interface OrderViewProps {
  readonly order: PurchaseOrder;
  readonly go: (key: string) => void;
}

/** An order as it goes to the supplier, and its files. */
export function OrderView({ order, go }: OrderViewProps) {
  const { job } = useOpenJob();
  const { download } = useServices();
  const settle = useSettle();
  const { run, writing, worker } = useWriting();
  const document = useMemo(() => printOrder(job, order), [job, order]);
  const printed = useMemo(() => ({ document, problems: [], isComplete: true }), [document]);
  const laid = useLaidDocument(printed, worker);
  const title = t('orders.orderNumber', { number: order.number });
  const save = async (as: 'pdf' | 'xlsx'): Promise<void> => {
    const blob = await run(as, (remote, onWritten) => remote.writeDocument(document, as, onWritten));
    if (blob !== undefined) download(fileName(document.title, `.${as}`), blob);
  };
  const saveXml = (): void =>
    download(
      fileName(document.title, '.xml'),
      new Blob([orderXml(order, settingsOf(job))], { type: 'application/xml' }),
    );
  const drop = (): void => {
    const refused = settle(t('orders.deleteNamed', { name: title }), remove(order.id));
    if (refused !== undefined) tellProblem(refused);
    else go('materials');
  };
  return (
    <div className={layout.stage}>
      <div className={`${layout.bar} wraps`}>
        <h1>{`${title}, ${order.supplier}`}</h1>
        <span className="grow" />
        <Button size="sm" variant="outline" onClick={saveXml}>
          {t('orders.asUbl')}
        </Button>
        <Button
          size="sm"
          variant="outline"
          disabled={writing !== undefined}
          onClick={() => void save('xlsx')}
        >
          {t('orders.asXlsx')}
        </Button>
        <Button size="sm" disabled={writing !== undefined} onClick={() => void save('pdf')}>
          {t('orders.asPdf')}
        </Button>
        <MoreMenu label={t('orders.moreWithOrder')} entries={[[t('orders.deleteOrder'), drop]]} />
      </div>
      <div className={bidStyles.document}>
        <DocumentPages printed={printed} laid={laid} isOfBid={false} />
        <aside className={bidStyles.bidSide} aria-label={t('orders.wordingOfOrder')}>
          {settingsOf(job).company === '' ? <p className="warn">{t('orders.noBuyer')}</p> : null}
          <OrderFields order={order} />
        </aside>
      </div>
    </div>
  );
}

function OrderFields({ order }: { readonly order: PurchaseOrder }) {
  const settle = useSettle();
  const set = (changed: Partial<PurchaseOrder>): string | undefined =>
    settle(
      t('orders.changeOrder', { number: order.number }),
      update({ id: order.id }, (now) => ({ ...now, ...changed })),
    );
  const day =
    (key: 'date' | 'deliverBy', isNeeded: boolean) =>
    (text: string): string | undefined => {
      const typed = text.trim();
      const isRight = typed === '' ? !isNeeded : isDay(typed);
      return isRight ? set({ [key]: typed }) : t('orders.dayIsWrong');
    };
  const field = (label: string, value: string, commit: (text: string) => string | undefined) => (
    <Labeled label={label}>{() => <CommitInput label={label} value={value} onCommit={commit} />}</Labeled>
  );
  return (
    <div className={styles.fields}>
      {field(t('orders.number'), String(order.number), (text) => set({ number: Number(text) }))}
      {field(t('orders.dateOfOrder'), order.date, day('date', true))}
      {field(t('orders.deliverByDay'), order.deliverBy, day('deliverBy', false))}
      <LongText
        label={t('orders.note')}
        value={order.note}
        rows={4}
        onCommit={(text) => set({ note: text })}
      />
    </div>
  );
}
