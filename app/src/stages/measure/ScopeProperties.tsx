import { X } from 'lucide-react';
import { propertyNode } from '@zest/core/calculate/nodes';
import type { Property, Scope } from '@zest/core/job/records/scope';
import { findDefaultUnit } from '@zest/core/units/format';
import { LENGTH } from '@zest/core/units/dimension';
import { CommitInput } from '../../components/CommitInput.tsx';
import { FormulaInput } from '../../components/FormulaInput.tsx';
import { FailureText } from '../../components/Figure.tsx';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';

const USUAL_PROPERTIES: Readonly<Record<Scope['kind'], readonly string[]>> = {
  run: ['Height', 'Thickness'],
  area: ['Depth'],
  count: ['Width', 'Height'],
  slope: [],
};

export interface ScopePartProps {
  readonly scope: Scope;
  readonly onChange: (label: string, changed: Partial<Scope>) => string | undefined;
}

/** The scope's named values: a figure in its unit, or a formula. */
export function ScopeProperties({ scope, onChange }: ScopePartProps) {
  const { calculation } = useOpenJob();
  const { display } = useFormats();
  const unit = findDefaultUnit(LENGTH, display.system)?.symbol ?? '';
  const set = (index: number, changed: Partial<Property>): string | undefined =>
    onChange('change a property', {
      properties: scope.properties.map((each, at) => (at === index ? { ...each, ...changed } : each)),
    });
  const add = (name: string): string | undefined => {
    const taken = new Set(scope.properties.map(({ key }) => key));
    return onChange('add a property', {
      properties: [...scope.properties, { key: keyFor(name, taken), name, value: '0', unit }],
    });
  };
  const usual = USUAL_PROPERTIES[scope.kind].filter((name) =>
    scope.properties.every((each) => each.name !== name),
  );
  return (
    <>
      {scope.properties.map((property, index) => {
        const { failure } = calculation.figure(propertyNode(scope.id, property.key));
        return (
          <div key={property.key}>
            <div className="property">
              <span className="soft cut" title={`${property.name}, ${property.key} in formulas`}>
                {property.name}
              </span>
              <FormulaInput
                label={property.name}
                className="right"
                value={`${property.value}${/^[\d.]+$/.test(property.value) && property.unit !== '' ? ` ${property.unit}` : ''}`}
                place={{ in: 'scope', scope }}
                onCommit={(value) => set(index, { value })}
              />
              <button
                type="button"
                className="icon-button"
                style={{ width: 20 }}
                aria-label={`Remove ${property.name}`}
                onClick={() =>
                  onChange('remove a property', {
                    properties: scope.properties.filter((_, at) => at !== index),
                  })
                }
              >
                <X size={13} />
              </button>
            </div>
            {failure === undefined ? null : (
              <div className="field-error">
                <FailureText failure={failure} />
              </div>
            )}
          </div>
        );
      })}
      <div style={{ display: 'flex', gap: 6, flexWrap: 'wrap', alignItems: 'center' }}>
        {usual.map((name) => (
          <button key={name} type="button" className="link" onClick={() => add(name)}>
            + {name}
          </button>
        ))}
        <CommitInput
          label="New property"
          placeholder="+ own property"
          style={{ width: 120 }}
          value=""
          onCommit={(name) => (name.trim() === '' ? undefined : add(name.trim()))}
        />
      </div>
    </>
  );
}
