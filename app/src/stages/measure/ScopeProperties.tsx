import { X } from 'lucide-react';
import { propertyNode } from '@zest/core/calculate/graph/nodes';
import { type Command, put, sequence } from '@zest/core/job/change';
import { removeProperty, renameProperty } from '@zest/core/job/commands/names';
import { getRecord } from '@zest/core/job/job';
import type { Property, Scope } from '@zest/core/job/records/scope';
import { findDefaultUnit } from '@zest/core/units/format';
import { LENGTH } from '@zest/core/units/dimension';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { tellProblem } from '../../parts/toaster.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { FailureText } from '../../figures/Figure.tsx';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { IconButton, TextButton } from '../../parts/buttons.tsx';
import { t } from '../../messages/t.ts';
import { KIND_WORDS } from '../../messages/words.ts';
import { styles } from './styles.ts';
import { layout } from '../../theme/layout.ts';
import type { Failure } from '@zest/core/job/failure';

export interface ScopePartProps {
  readonly scope: Scope;
  readonly onChange: (label: string, changed: Partial<Scope>) => string | undefined;
}

/** The scope's named values: a figure in its unit, or a formula. */
export function ScopeProperties({ scope, onChange }: ScopePartProps) {
  const { figures } = useOpenJob();
  const { display } = useFormats();
  const settle = useSettle();
  const unit = findDefaultUnit(LENGTH, display.system)?.symbol ?? '';
  const set = (index: number, changed: Partial<Property>): string | undefined =>
    onChange(t('measure.changeAProperty'), {
      properties: scope.properties.map((each, at) => (at === index ? { ...each, ...changed } : each)),
    });
  const add = (name: string): string | undefined => {
    const taken = new Set(scope.properties.map(({ key }) => key));
    return onChange(t('measure.addAProperty'), {
      properties: [...scope.properties, { key: keyFor(name, taken), name, value: '0', unit }],
    });
  };
  // Its name in formulas goes along while nobody chose another, and every formula that reads it follows.
  const rename = (property: Property, name: string): string | undefined => {
    const { key } = property;
    const taken = new Set(scope.properties.map((each) => each.key).filter((each) => each !== key));
    const to = key === keyFor(property.name, taken) ? keyFor(name, taken) : key;
    const named: Command = (job) => {
      const now = getRecord(job, scope.id);
      return put({
        ...now,
        properties: now.properties.map((each) => (each.key === key ? { ...each, name } : each)),
      })(job);
    };
    return settle(
      t('measure.renameAProperty'),
      sequence(named, ...(to === key ? [] : [renameProperty(scope.id, key, to)])),
    );
  };
  const remove = ({ key, name }: Property): void => {
    const refused = settle(t('measure.removeAProperty'), removeProperty(scope.id, key, name));
    if (refused !== undefined) tellProblem(refused);
  };
  const usual = KIND_WORDS[scope.kind].properties.filter((name) =>
    scope.properties.every((each) => each.name !== name),
  );
  return (
    <>
      {scope.properties.map((property, index) => {
        const { failure } = figures.figure(propertyNode(scope.id, property.key));
        return (
          <PropertyRow
            key={property.key}
            property={property}
            rename={rename}
            scope={scope}
            set={set}
            index={index}
            remove={remove}
            failure={failure}
          />
        );
      })}
      <AddProperty usual={usual} add={add} />
    </>
  );
}

interface AddPropertyProps {
  readonly usual: string[];
  readonly add: (name: string) => string | undefined;
}

function AddProperty({ usual, add }: AddPropertyProps) {
  return (
    <div style={{ display: 'flex', gap: 6, flexWrap: 'wrap', alignItems: 'center' }}>
      {usual.map((name) => (
        <TextButton key={name} onClick={() => add(name)}>
          + {name}
        </TextButton>
      ))}
      <CommitInput
        label={t('measure.newProperty')}
        placeholder={t('measure.ownProperty')}
        style={{ width: 120 }}
        value=""
        onCommit={(name) => (name.trim() === '' ? undefined : add(name.trim()))}
      />
    </div>
  );
}

interface PropertyRowProps {
  readonly property: Readonly<{ key: string; name: string; value: string; unit: string }>;
  readonly rename: (property: Property, name: string) => string | undefined;
  readonly scope: Scope;
  readonly set: (index: number, changed: Partial<Property>) => string | undefined;
  readonly index: number;
  readonly remove: ({ key, name }: Property) => void;
  readonly failure: Failure | undefined;
}

function PropertyRow({ property, rename, scope, set, index, remove, failure }: PropertyRowProps) {
  return (
    <div>
      <div className={styles.property}>
        <div title={t('measure.inFormulas', { key: property.key })}>
          <CommitInput
            label={t('measure.nameOf', { name: property.name })}
            look="bare"
            value={property.name}
            onCommit={(name) => rename(property, name.trim())}
          />
        </div>
        <FormulaInput
          label={property.name}
          align="end"
          value={`${property.value}${/^[\d.]+$/.test(property.value) && property.unit !== '' ? ` ${property.unit}` : ''}`}
          place={{ in: 'scope', scope }}
          onCommit={(value) => set(index, { value })}
        />
        <IconButton
          style={{ width: 20 }}
          aria-label={t('measure.remove', { name: property.name })}
          onClick={() => remove(property)}
        >
          <X size={13} />
        </IconButton>
      </div>
      {failure === undefined ? null : (
        <div className={layout.fieldError}>
          <FailureText failure={failure} />
        </div>
      )}
    </div>
  );
}
