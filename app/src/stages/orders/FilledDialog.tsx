import { Button } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import { BUDGETS_MS } from '@zest/core/formats/limits';
import { type FilledNote, type FilledRequest, readFilled } from '@zest/core/formats/request/readFilled';
import { put } from '@zest/core/job/change';
import { orderAfter } from '@zest/core/job/job';
import type { Offer, PriceRequest } from '@zest/core/job/records/request';
import { describePriceFile } from '../../messages/describePrices.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { t } from '../../messages/t.ts';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { FileInput } from '../../parts/FileInput.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { Select } from '../../parts/fields.tsx';
import { tell } from '../../parts/toaster.tsx';
import { dayOf } from '../../platform/days.ts';
import { WorkerEnded } from '../../platform/guardedWorker.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import type { PriceWorker } from '../../workers/pricesProtocol.ts';
import { usePriceWorker } from '../prices/usePriceFile.ts';
import { styles } from './styles.ts';

interface FilledDialogProps {
  readonly request: PriceRequest;
  readonly onClose: () => void;
}

/** A workbook that came back: what is in it, what of it does not fit, and whose it is. */
export function FilledDialog({ request, onClose }: FilledDialogProps) {
  const input = useRef<HTMLInputElement>(null);
  const [supplier, setSupplier] = useState(request.suppliers[0]?.key ?? '');
  const { state, read } = useFilled(request);
  const take = useTakeFilled(request);
  const filled = typeof state === 'string' ? undefined : state;
  const confirm = (): void => {
    if (filled !== undefined && take(supplier, filled) === undefined) onClose();
  };
  return (
    <Modal
      title={t('orders.filledTitle')}
      size="lg"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={confirm} disabled={(filled?.rows.length ?? 0) === 0}>
          {t('orders.takeAnswer', { count: filled?.rows.length ?? 0 })}
        </DialogButtons>
      }
    >
      <div className={styles.fields}>
        <Labeled label={t('orders.whoseFile')}>
          {(control) => (
            <Select {...control} value={supplier} onChange={({ target }) => setSupplier(target.value)}>
              {request.suppliers.map(({ key, name }) => (
                <option key={key} value={key}>
                  {name}
                </option>
              ))}
            </Select>
          )}
        </Labeled>
        <div>
          <Button size="sm" variant="outline" onClick={() => input.current?.click()}>
            {t('orders.chooseFilled')}
          </Button>
          <FileInput
            ref={input}
            label={t('orders.chooseFilled')}
            target="filled-request"
            onFile={(file) => void read(file)}
          />
        </div>
        {typeof state === 'string' && state !== '' ? <p role="alert">{state}</p> : null}
        {filled === undefined ? null : (
          <ul role="status" style={{ display: 'grid', gap: 4 }}>
            {filled.notes.map((note) => (
              <li key={`${note.kind} ${note.row}`} className="warn">
                {describeNote(note)}
              </li>
            ))}
          </ul>
        )}
      </div>
    </Modal>
  );
}

function describeNote(note: FilledNote): string {
  switch (note.kind) {
    case 'row-added':
      return t('orders.rowAdded', note);
    case 'row-twice':
      return t('orders.rowTwice', note);
    case 'part-changed': {
      const { row, found, asked } = note;
      const none = t('orders.noPart');
      return t('orders.partChanged', { row, found: found || none, asked: asked || none });
    }
    case 'price-not-number':
      return t('orders.priceNotNumber', note);
    case 'days-not-number':
      return t('orders.daysNotNumber', note);
  }
}

const PROBLEMS = {
  'filled-not-a-request': 'orders.filledNotARequest',
  'filled-other-request': 'orders.filledOtherRequest',
  'filled-no-lines': 'orders.filledNoLines',
} as const;

/** Reads a file beside the page; the state is what is in it, or what is said of it. */
function useFilled(request: PriceRequest) {
  const worker = usePriceWorker();
  const { numbers } = useFormats();
  const [state, setState] = useState<FilledRequest | string>('');
  const read = async (file: File): Promise<void> => {
    const { name } = file;
    setState(t('orders.readingFile', { name }));
    try {
      const rows = await worker.ask(
        (remote) => remote.rows(file) as ReturnType<PriceWorker['rows']>,
        BUDGETS_MS.prices,
      );
      if (!rows.ok) return setState(describePriceFile(rows.problem, name));
      const filled = readFilled(rows.value, request, numbers);
      setState(filled.ok ? filled.value : t(PROBLEMS[filled.problem.kind], { name }));
    } catch (error) {
      const why = error instanceof WorkerEnded ? error.reason : 'died';
      setState(why === 'canceled' ? '' : describeProblem({ kind: 'reading-ended', why }));
    }
  };
  return { state, read };
}

/** Keeps what came back as the supplier's answer; gives what is wrong. */
function useTakeFilled({
  id,
  due,
  suppliers,
}: PriceRequest): (supplier: string, filled: FilledRequest) => string | undefined {
  const { job } = useOpenJob();
  const { makeId, now } = useServices();
  const settle = useSettle();
  return (supplier, { rows }) => {
    const name = suppliers.find(({ key }) => key === supplier)?.name ?? '';
    const date = dayOf(now());
    const offer: Offer = {
      type: 'offer',
      id: makeId('offer'),
      requestId: id,
      supplier,
      date,
      validUntil: '',
      note: '',
      ...(due !== '' && date > due ? { late: true as const } : {}),
      rows,
      order: orderAfter(job.offer.values()),
    };
    const refused = settle(t('orders.offerOf', { name }), put(offer));
    if (refused === undefined) tell(t('orders.answerTaken', { name }));
    return refused;
  };
}
