import { own } from '@zest/core/job/own';
import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { type FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import { netNode } from '@zest/core/calculate/graph/nodes';
import { inOrder } from '@zest/core/job/job';
import type { Assembly, InnerAssembly } from '@zest/core/job/records/assembly';
import type { Use } from '@zest/core/job/records/use';
import { leadingMeasure } from '@zest/core/job/markKinds';
import { MEASURE_DIMENSION } from '@zest/core/job/measures';
import { findDefaultUnit } from '@zest/core/units/format';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { QuantityText } from '../../figures/Figure.tsx';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import {} from '../../figures/typed.ts';
import { KIND_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { type PartProps, takenIn, withChanges } from './assemblyParts.ts';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

interface InnerAssembliesProps extends PartProps {
  readonly use: Use | undefined;
  readonly place: FormulaPlace;
}

/** Assemblies inside this one: each on the amount its formula gives, with answers from here. */
export function InnerAssemblies({ assembly, use, place, change }: InnerAssembliesProps) {
  const { job } = useOpenJob();
  const inner = assembly.inner ?? [];
  const others = inOrder(job.assembly.values()).filter(({ id }) => id !== assembly.id);
  const add = (id: string): void => {
    const chosen = others.find((each) => each.id === id);
    if (chosen === undefined) return;
    const measure = leadingMeasure(assembly.measures);
    const same = chosen.measures === assembly.measures;
    const added: InnerAssembly = {
      key: keyFor(chosen.name, takenIn(assembly)),
      name: chosen.name,
      assemblyId: chosen.id,
      formula: same ? measure : '0',
      answers: {},
    };
    change(t('assemblies.putInside', { name: chosen.name }), { inner: [...inner, added] });
  };
  return (
    <div className={layout.form} style={{ gap: 8 }}>
      {inner.map((each) => (
        <InnerBox
          key={each.key}
          inner={each}
          used={job.assembly.get(each.assemblyId)}
          use={use}
          place={place}
          set={(changed) =>
            change(t('assemblies.changeAnInnerAssembly'), {
              inner: inner.map((one) => (one.key === each.key ? withChanges(one, changed) : one)),
            })
          }
          onRemove={() =>
            change(t('assemblies.takeOut', { name: each.name }), {
              inner: inner.filter(({ key }) => key !== each.key),
            })
          }
        />
      ))}
      <div>
        <Select
          style={{ width: 260 }}
          aria-label={t('assemblies.putAnAssemblyInside')}
          value=""
          onChange={(event) => add(event.target.value)}
        >
          <option value="">{t('assemblies.anAssemblyInsideThisOne')}</option>
          {others.map(({ id, name, measures }) => (
            <option key={id} value={id}>
              {name}, {KIND_WORDS[measures].forMany}
            </option>
          ))}
        </Select>
      </div>
    </div>
  );
}

interface InnerBoxProps {
  readonly inner: InnerAssembly;
  readonly used: Assembly | undefined;
  readonly use: Use | undefined;
  readonly place: FormulaPlace;
  readonly set: (changed: Partial<InnerAssembly>) => string | undefined;
  readonly onRemove: () => void;
}

function InnerBox({ inner, used, use, place, set, onRemove }: InnerBoxProps) {
  const { figures } = useOpenJob();
  const { display } = useFormats();
  const dimension = MEASURE_DIMENSION[leadingMeasure(used?.measures ?? 'count')];
  const unit = findDefaultUnit(dimension, display.system)?.symbol ?? '';
  return (
    <div className={`${layout.box} ${styles.innerBox}`}>
      <CommitInput
        label={t('assemblies.nameOfTheInnerAssembly')}
        value={inner.name}
        onCommit={(name) => set({ name })}
      />
      <div>
        <FormulaInput
          label={t('assemblies.amountOf', { name: inner.name })}
          value={inner.formula}
          place={place}
          unit={unit}
          onCommit={(formula) => set({ formula })}
        />
      </div>
      <span className="figure">
        {use === undefined ? null : (
          <QuantityText figure={figures.figure(netNode(use.id, inner.key))} dimension={dimension} />
        )}
      </span>
      <Button
        size="xs"
        variant="ghost"
        aria-label={t('assemblies.takeOut2', { name: inner.name })}
        onClick={onRemove}
      >
        <Trash2 size={14} />
      </Button>
      {(used?.inputs ?? []).map((input) => (
        <div key={input.key} className={styles.innerAnswer}>
          <span className="soft cut" title={input.question}>
            {input.question}
          </span>
          <FormulaInput
            label={t('assemblies.of3', { question: input.question, name: inner.name })}
            value={own(inner.answers, input.key) ?? ''}
            placeholder={[input.value, input.unit].filter(Boolean).join(' ')}
            place={place}
            unit={input.unit === '' ? undefined : input.unit}
            onCommit={(kept) => {
              const { [input.key]: _gone, ...rest } = inner.answers;
              return set({ answers: kept === '' ? rest : { ...rest, [input.key]: kept } });
            }}
          />
        </div>
      ))}
    </div>
  );
}
