import { useState } from 'react';
import { put } from '@zest/core/job/change';
import { orderAfter } from '@zest/core/job/job';
import type { Adjustment } from '@zest/core/job/records/adjustment';
import { COST_KINDS, type CostKind } from '@zest/core/job/records/assembly';
import type { Section } from '@zest/core/job/records/section';
import { describeProblem } from '../../messages/describeProblem.ts';
import { readFigure } from '@zest/core/formula/readTyped';
import { KindChoice } from '../../components/KindChoice.tsx';
import { Labeled } from '../../components/Labeled.tsx';
import { DialogButtons } from '../../components/DialogButtons.tsx';
import { LabeledText } from '../../components/LabeledText.tsx';
import { Modal } from '../../components/Modal.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob, useServices } from '../../stores/context.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';

interface AdjustDialogProps {
  readonly keys: readonly string[];
  readonly section: Section | undefined;
  readonly onClose: () => void;
}

/** A percent change by kind of cost, kept as an adjustment that comes off again. */
export function AdjustDialog({ keys, section, onClose }: AdjustDialogProps) {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const { numbers } = useFormats();
  const usual = section !== undefined ? 'section' : keys.length > 0 ? 'lines' : 'all';
  const [on, setOn] = useState<'all' | 'section' | 'lines'>(usual);
  const [kinds, setKinds] = useState<readonly CostKind[]>(['material']);
  const [percent, setPercent] = useState('');
  const [name, setName] = useState('');
  const [error, setError] = useState<string | undefined>();
  const submit = (): void => {
    const read = readFigure(percent, numbers, { as: 'percent', least: -99.99, most: 1000 });
    if (!read.ok) return setError(describeProblem(read.problem));
    const value = read.value;
    if (value === undefined) return setError(t('estimate.typeAPercentage'));
    if (kinds.length === 0) return setError(t('estimate.chooseAKindOfCost'));
    const where: Adjustment['on'] =
      on === 'section' && section !== undefined
        ? { what: 'section', sectionId: section.id }
        : on === 'lines'
          ? { what: 'lines', lines: [...keys] }
          : { what: 'all' };
    const words =
      name.trim() || `${kinds.map((kind) => COST_WORDS[kind]).join(', ')} ${value > 0 ? '+' : ''}${value} %`;
    const refused = settle(
      `adjust: ${words}`,
      put({
        type: 'adjustment',
        id: services.makeId('adjustment'),
        name: words,
        kinds: [...kinds],
        percent: String(value),
        on: where,
        order: orderAfter(job.adjustment.values()),
      }),
    );
    if (refused === undefined) onClose();
    else setError(refused);
  };
  return (
    <Modal
      title={t('estimate.adjustByPercent')}
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} onDone={submit}>
          {t('estimate.adjust')}
        </DialogButtons>
      }
    >
      <form
        className={layout.form}
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <div className={layout.formTwo}>
          <LabeledText
            label={t('estimate.percent')}
            error={error}
            hint={t('estimate.useMinusForADiscount')}
            align="end"
            autoFocus
            value={percent}
            onText={setPercent}
          />
          <Labeled label={t('estimate.on')}>
            {(control) => (
              <Select {...control} value={on} onChange={(event) => setOn(event.target.value as typeof on)}>
                <option value="all">{t('estimate.allLinesOfTheJob')}</option>
                {section === undefined ? null : (
                  <option value="section">{t('estimate.section', { name: section.name })}</option>
                )}
                {keys.length === 0 ? null : (
                  <option value="lines">{t('count.selectedLine', { count: keys.length })}</option>
                )}
              </Select>
            )}
          </Labeled>
        </div>
        <KindChoice
          legend={t('estimate.kindsOfCost')}
          kinds={COST_KINDS}
          chosen={kinds}
          onChoose={setKinds}
        />
        <LabeledText
          label={t('estimate.why')}
          hint={t('estimate.shownOnTheLinesItChanges')}

          placeholder={t('estimate.steelIsUp')}
          value={name}
          onText={setName}
        />
      </form>
    </Modal>
  );
}
