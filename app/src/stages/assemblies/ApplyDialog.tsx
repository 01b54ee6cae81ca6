import { useState } from 'react';
import { measureNode } from '@zest/core/calculate/graph/nodes';
import { applyAssembly } from '@zest/core/job/commands/uses';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import type { Assembly } from '@zest/core/job/records/assembly';
import { leadingMeasure } from '@zest/core/job/markKinds';
import { MEASURE_DIMENSION, type MarkMeasure } from '@zest/core/job/measures';
import { QuantityText } from '../../figures/Figure.tsx';
import { DialogButtons } from '../../parts/DialogButtons.tsx';
import { Modal } from '../../parts/Modal.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { useOpenJob, useServices } from '../../stores/context.tsx';
import { Checkbox } from '../../parts/Checkbox.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import { Refusal } from '../../parts/Refusal.tsx';

interface ApplyDialogProps {
  readonly assembly: Assembly;
  readonly onClose: () => void;
}

/** Applies an assembly to any number of scopes at once. */
export function ApplyDialog({ assembly, onClose }: ApplyDialogProps) {
  const { job } = useOpenJob();
  const { makeId } = useServices();
  const settle = useSettle();
  const [chosen, setChosen] = useState<ReadonlySet<Id<'scope'>>>(new Set());
  const [error, setError] = useState<string | undefined>();
  const on = new Set(
    [...job.use.values()]
      .filter(({ assemblyId }) => assemblyId === assembly.id)
      .map(({ scopeId }) => scopeId),
  );
  const scopes = inOrder(job.scope.values()).filter(({ kind }) => kind === assembly.measures);
  const toggle = (id: Id<'scope'>): void => {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    setChosen(next);
  };
  const apply = (): void => {
    const ids = scopes.map(({ id }) => id).filter((id) => chosen.has(id));
    const refused = settle(
      t('assemblies.applyTo', { name: assembly.name, scopes: t('count.scope', { count: ids.length }) }),
      applyAssembly(assembly.id, ids, makeId),
    );
    setError(refused);
    if (refused === undefined) onClose();
  };
  const measure = leadingMeasure(assembly.measures);
  return (
    <Modal
      title={t('assemblies.applyTo2', { name: assembly.name })}
      onClose={onClose}
      footer={
        <DialogButtons onCancel={onClose} disabled={chosen.size === 0} onDone={apply}>
          {t('assemblies.applyTo3', { scopes: t('count.scope', { count: chosen.size }) })}
        </DialogButtons>
      }
    >
      {scopes.length === 0 ? (
        <p className="soft">{t('assemblies.thereIsNothingItCouldApplyTo')}</p>
      ) : (
        <div className={styles.applyList}>
          {scopes.map(({ id, name }) => (
            <ScopeTick
              key={id}
              id={id}
              chosen={chosen}
              toggle={toggle}
              name={name}
              on={on}
              measure={measure}
            />
          ))}
        </div>
      )}
      <Refusal>{error}</Refusal>
    </Modal>
  );
}

interface ScopeTickProps {
  readonly id: Id<'scope'>;
  readonly chosen: ReadonlySet<Id<'scope'>>;
  readonly toggle: (id: Id<'scope'>) => void;
  readonly name: string;
  readonly on: Set<Id<'scope'>>;
  readonly measure: MarkMeasure;
}

function ScopeTick({ id, chosen, toggle, name, on, measure }: ScopeTickProps) {
  const { figures } = useOpenJob();
  return (
    <Checkbox checked={chosen.has(id)} onChange={() => toggle(id)}>
      <span className="cut" title={name}>
        {name}
        {on.has(id) ? <span className="soft">{t('assemblies.onItAlready')}</span> : null}
      </span>
      <span className="figure">
        <QuantityText
          figure={figures.figure(measureNode(id, measure))}
          dimension={MEASURE_DIMENSION[measure]}
        />
      </span>
    </Checkbox>
  );
}
