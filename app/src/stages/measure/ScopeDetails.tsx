import { Button, Menu, Portal } from '@chakra-ui/react';
import { Crosshair, ListOrdered, Trash2, X } from 'lucide-react';
import { useState } from 'react';
import { measureNode, propertyNode } from '@zest/core/calculate/nodes';
import { put, remove } from '@zest/core/job/change';
import { removeScope } from '@zest/core/job/commands/removeWith';
import { inOrder } from '@zest/core/job/job';
import type { Id } from '@zest/core/job/id';
import { COLOR_COUNT, type Property, type Scope } from '@zest/core/job/records/scope';
import type { Use } from '@zest/core/job/records/use';
import { plainToLocal } from '@zest/core/formula/localize';
import { MEASURE_DIMENSION, leadingMeasure, measuresOf } from '@zest/core/takeoff/measures';
import { findDefaultUnit } from '@zest/core/units/format';
import { LENGTH } from '@zest/core/units/dimension';
import { CommitInput } from '../../components/CommitInput.tsx';
import { FailureText, QuantityText } from '../../components/Figure.tsx';
import { Swatch } from '../../components/Swatch.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { MEASURE_WORDS } from '../../messages/words.ts';
import { UseAnswers } from '../assemblies/UseAnswers.tsx';
import {
  useFormats,
  useJobActions,
  useOpenJob,
  useServices,
  useSetView,
  useView,
} from '../../stores/context.tsx';
import { lookOf } from '../../look/scopeColors.ts';
import { TapeDialog } from './TapeDialog.tsx';
import { keepEntry } from './keepEntry.ts';
import { keyFor, takenKeys } from './newScope.ts';

/** Everything of the scope in hand: its figures, properties, and the assemblies on it. */
export function ScopeDetails({ scope }: { readonly scope: Scope }) {
  const { job, calculation } = useOpenJob();
  const actions = useJobActions();
  const setView = useSetView();
  const alone = useView((state) => state.alone);
  const [tape, setTape] = useState(false);
  const change = (label: string, changed: Partial<Scope>): string | undefined => {
    const done = actions.transact(label, put({ ...scope, ...changed }));
    return done.ok ? undefined : describeProblem(done.problem);
  };
  const rename = (name: string): string | undefined => {
    // The key follows the name until something may refer to it by hand.
    const others = new Set([...takenKeys(job)].filter((key) => key !== scope.key));
    const follows = scope.key === keyFor(scope.name, others);
    return change('rename a scope', { name, ...(follows ? { key: keyFor(name, others) } : {}) });
  };
  const rest = measuresOf(scope.kind).filter(
    (measure) => measure !== leadingMeasure(scope.kind) && measure !== 'crossings',
  );
  return (
    <div className="tally-more">
      <CommitInput label="Scope name" value={scope.name} onCommit={rename} />
      <div style={{ display: 'flex', gap: 6 }}>
        <select
          className="input"
          aria-label="Section"
          value={scope.sectionId ?? ''}
          onChange={(event) =>
            change('section of a scope', {
              sectionId: event.target.value === '' ? null : (event.target.value as Id<'section'>),
            })
          }
        >
          <option value="">No section</option>
          {inOrder(job.section.values()).map((section) => (
            <option key={section.id} value={section.id}>
              {section.code} {section.name}
            </option>
          ))}
        </select>
        <ColorChoice scope={scope} onChoose={(color) => change('color of a scope', { color })} />
      </div>
      {rest.length === 0 ? null : (
        <dl className="facts" style={{ margin: 0 }}>
          {rest.map((measure) => (
            <Fact key={measure} name={measure === 'count' ? 'marks' : MEASURE_WORDS[measure]}>
              <QuantityText
                figure={calculation.figure(measureNode(scope.id, measure))}
                dimension={MEASURE_DIMENSION[measure]}
              />
            </Fact>
          ))}
        </dl>
      )}
      <Properties scope={scope} onChange={change} />
      <UsesOf scope={scope} />
      <div style={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <Button size="xs" variant="outline" onClick={() => setTape(true)}>
          <ListOrdered size={13} /> Tape
        </Button>
        <Button
          size="xs"
          variant="outline"
          aria-pressed={alone === scope.id}
          onClick={() => setView({ alone: alone === scope.id ? undefined : scope.id })}
        >
          <Crosshair size={13} /> {alone === scope.id ? 'Show others' : 'Show alone'}
        </Button>
        <span style={{ flex: 1 }} />
        <span className="soft" title="Its name in formulas">
          {scope.key}
        </span>
        <button
          type="button"
          className="icon-button"
          aria-label={`Delete ${scope.name}`}
          title="Delete the scope and its marks"
          onClick={() => {
            actions.transact(`delete ${scope.name}`, removeScope(scope.id));
            setView({ penScope: undefined });
          }}
        >
          <Trash2 size={15} />
        </button>
      </div>
      {tape ? <TapeDialog scope={scope} onClose={() => setTape(false)} /> : null}
    </div>
  );
}

function Fact({ name, children }: { readonly name: string; readonly children: React.ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </>
  );
}

function ColorChoice({
  scope,
  onChoose,
}: {
  readonly scope: Scope;
  readonly onChoose: (color: number) => void;
}) {
  return (
    <Menu.Root>
      <Menu.Trigger asChild>
        <button
          type="button"
          className="icon-button"
          style={{ width: 34, height: 28 }}
          aria-label={`Color and pattern, ${lookOf(scope.color).name}`}
        >
          <Swatch color={scope.color} kind={scope.kind} />
        </button>
      </Menu.Trigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content>
            {Array.from({ length: COLOR_COUNT }, (_, color) => (
              <Menu.Item key={color} value={String(color)} onClick={() => onChoose(color)}>
                <Swatch color={color} kind={scope.kind} /> {lookOf(color).name}
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  );
}

function Properties({
  scope,
  onChange,
}: {
  readonly scope: Scope;
  readonly onChange: (label: string, changed: Partial<Scope>) => string | undefined;
}) {
  const { calculation } = useOpenJob();
  const { numbers, display } = useFormats();
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
  const usual = ['Height', 'Thickness'].filter(
    (name) => scope.kind !== 'count' && scope.properties.every((each) => each.name !== name),
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
              <CommitInput
                label={property.name}
                className="right"
                value={`${plainToLocal(property.value, numbers)}${/^[\d.,]+$/.test(property.value) && property.unit !== '' ? ` ${property.unit}` : ''}`}
                onCommit={(text) => set(index, { value: keepEntry(text, numbers) })}
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

function UsesOf({ scope }: { readonly scope: Scope }) {
  const { job } = useOpenJob();
  const uses = inOrder([...job.use.values()].filter((use) => use.scopeId === scope.id));
  return (
    <div style={{ display: 'grid', gap: 6 }}>
      {uses.map((use) => (
        <UseBox key={use.id} use={use} />
      ))}
      <ApplyAssembly scope={scope} next={(uses.at(-1)?.order ?? 0) + 1} />
    </div>
  );
}

function UseBox({ use }: { readonly use: Use }) {
  const { job } = useOpenJob();
  const actions = useJobActions();
  const [open, setOpen] = useState(false);
  const assembly = job.assembly.get(use.assemblyId);
  if (assembly === undefined) return null;
  return (
    <div className="box" style={{ padding: '4px 8px' }}>
      <div style={{ display: 'flex', alignItems: 'center', gap: 6 }}>
        <button
          type="button"
          className="plain-button cut"
          style={{ flex: 1, fontWeight: 500 }}
          aria-expanded={open}
          onClick={() => setOpen(!open)}
        >
          {open ? '▾' : '▸'} {assembly.name}
        </button>
        <button
          type="button"
          className="icon-button"
          style={{ width: 20 }}
          aria-label={`Take ${assembly.name} off`}
          onClick={() => actions.transact(`take ${assembly.name} off`, remove(use.id))}
        >
          <X size={13} />
        </button>
      </div>
      {open ? <UseAnswers use={use} /> : null}
    </div>
  );
}

function ApplyAssembly({ scope, next }: { readonly scope: Scope; readonly next: number }) {
  const { job } = useOpenJob();
  const actions = useJobActions();
  const { makeId } = useServices();
  const fitting = inOrder(job.assembly.values()).filter(({ measures }) => measures === scope.kind);
  return (
    <select
      className="input"
      aria-label="Apply an assembly"
      value=""
      disabled={fitting.length === 0}
      onChange={(event) => {
        const assembly = job.assembly.get(event.target.value as Id<'assembly'>);
        if (assembly === undefined) return;
        const use: Use = {
          type: 'use',
          id: makeId('use'),
          scopeId: scope.id,
          assemblyId: assembly.id,
          order: next,
          answers: {},
        };
        actions.transact(`apply ${assembly.name}`, put(use));
      }}
    >
      <option value="">
        {fitting.length === 0
          ? `No assembly for ${scope.kind === 'count' ? 'counts' : `${scope.kind}s`} yet`
          : 'Apply an assembly…'}
      </option>
      {fitting.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  );
}
