import { useState } from 'react';
import { put } from '@zest/core/job/change';
import { type RaisedCost, raisePrices } from '@zest/core/formats/prices/plan';
import type { Item } from '@zest/core/job/records/item';
import { describeProblem } from '../../messages/describeProblem.ts';
import { readFigure } from '@zest/core/formula/readTyped';
import { KindChoice } from '../../parts/KindChoice.tsx';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { LabeledText } from '../../parts/LabeledText.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useFormats, useServices } from '../../stores/context.tsx';
import { EffectOnBid } from './EffectOnBid.tsx';
import { dayOf } from '../../platform/days.ts';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

const COSTS: readonly RaisedCost[] = ['material', 'equipment', 'subcontract', 'other'];

/** Prices up or down by percent, with what that does to the bid before it is taken. */
export function RaiseDialog({
  items,
  onClose,
}: {
  readonly items: readonly Item[];
  readonly onClose: () => void;
}) {
  const services = useServices();
  const settle = useSettle();
  const { numbers } = useFormats();
  const [percent, setPercent] = useState('');
  const [costs, setCosts] = useState<readonly RaisedCost[]>(['material']);
  const [error, setError] = useState<string | undefined>();
  const read = readFigure(percent, numbers, { as: 'percent', least: -99.99, most: 1000 });
  const value = read.ok ? read.value : undefined;
  const isFine = value !== undefined;
  const today = dayOf(services.now());
  const changes = isFine ? raisePrices(items, value, costs, today) : [];
  const take = (): void => {
    const refused = settle(t('prices.pricesBy', { percent }), put(...changes.map(([, to]) => to)));
    if (refused === undefined) onClose();
    else setError(refused);
  };
  return (
    <Modal
      title={t('prices.raiseOrLowerPrices')}
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} disabled={changes.length === 0} onDone={take}>
          {t('prices.change2', { prices: t('count.price', { count: changes.length }) })}
        </DialogButtons>
      }
    >
      <form
        className={layout.form}
        onSubmit={(event) => {
          event.preventDefault();
          if (changes.length > 0) take();
        }}
      >
        <LabeledText
          label={t('prices.percentOnItems', { count: items.length })}
          error={error ?? (read.ok ? undefined : describeProblem(read.problem))}

          align="end"
          style={{ width: 110 }}
          autoFocus
          value={percent}
          onText={setPercent}
        />
        <KindChoice legend={t('prices.whichCosts')} kinds={COSTS} chosen={costs} onChoose={setCosts} />
        <EffectOnBid changes={changes} added={[]} />
      </form>
    </Modal>
  );
}
