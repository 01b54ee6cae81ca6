import { useState } from 'react';
import { put } from '@zest/core/job/change';
import { inOrder, orderAfter, settingsOf } from '@zest/core/job/job';
import type { PriceRequest } from '@zest/core/job/records/request';
import type { BuyRow } from '@zest/core/orders/buyList';
import { roundQuantity } from '@zest/core/pricing/quantity';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { TextArea, TextInput } from '../../parts/fields.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { dayOf, isDay } from '../../platform/days.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { useSendRequest } from './useSendRequest.ts';

/** A material with how much of it is asked for. */
export interface Asked {
  readonly row: BuyRow;
  readonly quantity: number;
}

interface AskDialogProps {
  readonly asked: readonly Asked[];
  readonly go: (key: string) => void;
  readonly onClose: () => void;
}

const ANSWER_DAYS = 10;
const DAY_MS = 86_400_000;
const SECRET_BYTES = 24;
const NAME_LIMIT = 200;

/** Whom to ask, and by when. */
export function AskDialog({ asked, go, onClose }: AskDialogProps) {
  const { now } = useServices();
  const { job } = useOpenJob();
  const { company } = settingsOf(job);
  const known = useKnownSuppliers();
  const own = new Set(asked.map(({ row }) => row.supplier));
  const [suppliers, setSuppliers] = useState<readonly string[]>(known.filter((name) => own.has(name)));
  const [name, setName] = useState(t('orders.nameOfRequest', { count: asked.length }));
  const [due, setDue] = useState(dayOf(now() + ANSWER_DAYS * DAY_MS));
  const [note, setNote] = useState('');
  const [refused, setRefused] = useState('');
  const ask = useAsk(asked, go);
  const send = (): void => {
    if (suppliers.length === 0) return setRefused(t('orders.chooseASupplier'));
    if (due.trim() !== '' && !isDay(due.trim())) return setRefused(t('orders.dayIsWrong'));
    const problem = ask({ name: name.trim(), due: due.trim(), note, suppliers });
    if (problem === undefined) onClose();
    else setRefused(problem);
  };
  return (
    <Modal
      title={t('orders.askForPricesOf', { count: asked.length })}
      size="lg"
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={send}>
          {t('orders.sendToDesk')}
        </DialogButtons>
      }
    >
      <div className={styles.fields}>
        <Labeled label={t('orders.name')}>
          {(control) => (
            <TextInput {...control} value={name} onChange={({ target }) => setName(target.value)} />
          )}
        </Labeled>
        <Labeled label={t('orders.answersWantedBy')}>
          {(control) => (
            <TextInput {...control} value={due} onChange={({ target }) => setDue(target.value)} />
          )}
        </Labeled>
        <SupplierChoice known={known} chosen={suppliers} onChoose={setSuppliers} />
        <Labeled label={t('orders.note')}>
          {(control) => (
            <TextArea {...control} rows={2} value={note} onChange={({ target }) => setNote(target.value)} />
          )}
        </Labeled>
        {company === '' ? <p className="warn">{t('orders.nobodyAsks')}</p> : null}
        {refused === '' ? null : <p role="alert">{refused}</p>}
      </div>
    </Modal>
  );
}

interface SupplierChoiceProps {
  readonly known: readonly string[];
  readonly chosen: readonly string[];
  readonly onChoose: (chosen: readonly string[]) => void;
}

/** Suppliers that are known, and others by their name. */
function SupplierChoice({ known, chosen, onChoose }: SupplierChoiceProps) {
  const [more, setMore] = useState<readonly string[]>([]);
  const [typed, setTyped] = useState('');
  const add = (): void => {
    const added = typed.trim().slice(0, NAME_LIMIT);
    if (added === '') return;
    if (![...known, ...more].includes(added)) setMore([...more, added]);
    onChoose([...new Set([...chosen, added])]);
    setTyped('');
  };
  return (
    <>
      <div className={styles.choices} role="group" aria-label={t('orders.suppliers')}>
        {[...known, ...more].map((each) => (
          <Checkbox
            key={each}
            checked={chosen.includes(each)}
            onChange={(on) => onChoose(on ? [...chosen, each] : chosen.filter((other) => other !== each))}
          >
            {each}
          </Checkbox>
        ))}
      </div>
      <div className={styles.addSupplier}>
        <TextInput
          aria-label={t('orders.anotherSupplier')}
          placeholder={t('orders.anotherSupplier')}
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
          // What was typed is meant, whether or not it was added.
          onBlur={add}
          onKeyDown={(event) => {
            if (event.key === 'Enter') add();
          }}
        />
        <TextButton onClick={add}>{t('orders.add')}</TextButton>
      </div>
    </>
  );
}

/** Everybody the price book and earlier requests name. */
function useKnownSuppliers(): readonly string[] {
  const { job } = useOpenJob();
  const names = [
    ...[...job.item.values()].map(({ supplier }) => supplier),
    ...[...job.request.values()].flatMap(({ suppliers }) => suppliers.map(({ name }) => name)),
  ];
  return [...new Set(names)].filter(Boolean).sort();
}

interface AskedWith {
  readonly name: string;
  readonly due: string;
  readonly note: string;
  readonly suppliers: readonly string[];
}

/** Keeps the request with the job first, so that nothing is lost where the desk is down; then sends it. */
function useAsk(asked: readonly Asked[], go: (key: string) => void): (by: AskedWith) => string | undefined {
  const { makeId, now } = useServices();
  const { job } = useOpenJob();
  const settle = useSettle();
  const send = useSendRequest();
  return ({ name, due, note, suppliers }) => {
    const requests = inOrder(job.request.values());
    const request: PriceRequest = {
      type: 'request',
      id: makeId('request'),
      number: Math.max(0, ...requests.map(({ number }) => number)) + 1,
      name: name === '' ? t('orders.nameOfRequest', { count: asked.length }) : name.slice(0, 200),
      date: dayOf(now()),
      due,
      note,
      rows: asked.map(({ row, quantity }, at) => ({
        key: `r${at + 1}`,
        itemCode: row.item?.code ?? '',
        partNumber: row.partNumber,
        description: row.description.slice(0, 200) || row.code,
        unit: row.unit,
        quantity: String(roundQuantity(quantity)),
        needed: String(roundQuantity(row.needed)),
        ...(row.pack === 0 ? {} : { pack: String(row.pack) }),
        places: row.places.map(({ name: place, quantity: part }) => ({
          name: place,
          quantity: String(part),
        })),
      })),
      suppliers: suppliers.map((each, at) => ({ key: `s${at + 1}`, name: each, token: '' })),
      secret: newSecret(),
      approved: {},
      order: orderAfter(requests),
    };
    const refused = settle(t('orders.askNamed', { name: request.name }), put(request));
    if (refused !== undefined) return refused;
    go(request.id);
    void send(request, settingsOf(job));
    return undefined;
  };
}

/** Opens the answers at the desk; nobody can guess it. */
const newSecret = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(SECRET_BYTES)), (byte) =>
    byte.toString(16).padStart(2, '0'),
  ).join('');
