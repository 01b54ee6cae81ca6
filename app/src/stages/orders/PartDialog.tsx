import { useState } from 'react';
import { update } from '@zest/core/job/change';
import type { AskedRow, PriceRequest } from '@zest/core/job/records/request';
import { type PartProblem, givePart } from '@zest/core/orders/parts';
import { plainToLocal } from '@zest/core/formula/localize';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { parseNumber } from '@zest/core/units/numberFormat';
import { writeQuantity } from '../../figures/writeQuantity.ts';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Labeled } from '../../parts/Labeled.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { TextInput } from '../../parts/fields.tsx';
import { useFormats } from '../../stores/context.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

interface PartDialogProps {
  readonly request: PriceRequest;
  readonly row: AskedRow;
  readonly supplier: string;
  readonly onClose: () => void;
}

/** How much of a row comes from a supplier whose price is not the one that is taken. */
export function PartDialog({ request, row, supplier, onClose }: PartDialogProps) {
  const { numbers } = useFormats();
  const settle = useSettle();
  const [text, setText] = useState(plainToLocal(request.parts?.[row.key]?.[supplier] ?? '', numbers));
  const [refused, setRefused] = useState<string | undefined>();
  const nameOf = (key: string | undefined): string =>
    request.suppliers.find((each) => each.key === key)?.name ?? '';
  const name = nameOf(supplier);
  const { symbol } = unitOrLabel(row.unit);
  const all = `${writeQuantity(Number(row.quantity), row.unit, numbers)} ${symbol}`;
  const take = (): void => {
    const typed = text.trim() === '' ? undefined : (parseNumber(text, numbers) ?? Number.NaN);
    const given = givePart(request, row, supplier, typed);
    if (typeof given === 'string') return setRefused(WRONG[given]({ all, name }));
    const problem = settle(
      t('orders.chooseNamed', { name: request.name }),
      update({ id: request.id }, (now) => ({ ...now, parts: given.parts ?? {} })),
    );
    if (problem === undefined) onClose();
    else setRefused(problem);
  };
  return (
    <Modal
      title={t('orders.takePartOf', { name, description: row.description })}
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={take}>
          {t('orders.takeIt')}
        </DialogButtons>
      }
    >
      <div className={styles.fields}>
        <p>{t('orders.partHow', { all, name, other: nameOf(request.approved[row.key]) })}</p>
        <Labeled label={t('orders.quantityOf', { unit: symbol })} error={refused}>
          {(control) => (
            <TextInput
              {...control}
              style={{ width: 140 }}
              value={text}
              onChange={({ target }) => setText(target.value)}
              onKeyDown={(event) => {
                if (event.key === 'Enter') take();
              }}
            />
          )}
        </Labeled>
      </div>
    </Modal>
  );
}

const WRONG: Readonly<Record<PartProblem, (of: { readonly all: string; readonly name: string }) => string>> =
  {
    'nothing-taken': () => t('orders.partWithout'),
    'not-positive': () => t('orders.partIsWrong'),
    'too-much': (of) => t('orders.partTooMuch', of),
  };
