import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { traceComponent } from '@zest/core/calculate/explain';
import { frameOf } from '@zest/core/assemblies/frames';
import { componentNames } from '@zest/core/calculate/defineUse';
import { compileFormula } from '@zest/core/formula/compile';
import { plainToLocal } from '@zest/core/formula/localize';
import { type Assembly, COST_KINDS, type Component } from '@zest/core/job/records/assembly';
import type { Use } from '@zest/core/job/records/use';
import { componentLine } from '@zest/core/estimate/lineKey';
import { lineNode, netNode } from '@zest/core/calculate/nodes';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { CommitInput } from '../../components/CommitInput.tsx';
import { InUnitText, MoneyText } from '../../components/Figure.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { keepEntry } from '../measure/keepEntry.ts';
import { keyFor } from '../measure/newScope.ts';
import { useFormats, useJobActions, useOpenJob } from '../../stores/context.tsx';
import { ItemChoice } from './ItemChoice.tsx';

import { type PartProps, takenIn } from './assemblyParts.ts';

/** One material, labor or machine a row, with its formula and the figures of the scope it is figured on. */
export function AssemblyComponents({ assembly, use, change }: PartProps & { readonly use: Use | undefined }) {
  const set = (index: number, changed: Partial<Component>): string | undefined =>
    change('change a component', {
      components: assembly.components.map((each, at) => (at === index ? { ...each, ...changed } : each)),
    });
  const add = (): void => {
    const taken = takenIn(assembly);
    const name = `Component ${assembly.components.length + 1}`;
    const component: Component = {
      key: keyFor(name, taken),
      name,
      kind: 'material',
      unit: 'ea',
      formula: assembly.measures === 'count' ? 'count' : '0',
      wastePercent: '0',
      roundUpTo: '',
      itemCode: '',
    };
    change('add a component', { components: [...assembly.components, component] });
  };
  return (
    <>
      <table className="lines">
        <thead>
          <tr>
            <th style={{ width: 168 }}>Component</th>
            <th style={{ width: 108 }}>Kind</th>
            <th>Formula</th>
            <th style={{ width: 56 }}>Unit</th>
            <th className="right" style={{ width: 58 }}>
              Waste %
            </th>
            <th className="right" style={{ width: 64 }} title="Bought in whole multiples of this">
              Round to
            </th>
            <th style={{ width: 96 }}>Price book</th>
            <th className="right" style={{ width: 98 }}>
              Quantity
            </th>
            <th className="right" style={{ width: 86 }}>
              Cost
            </th>
            <th aria-label="What to do" style={{ width: 32 }} />
          </tr>
        </thead>
        <tbody>
          {assembly.components.map((component, index) => (
            <ComponentRow
              key={component.key}
              assembly={assembly}
              component={component}
              use={use}
              set={(changed) => set(index, changed)}
              onRemove={() =>
                change(`remove ${component.name}`, {
                  components: assembly.components.filter((_, at) => at !== index),
                })
              }
            />
          ))}
        </tbody>
      </table>
      {assembly.components.length === 0 ? (
        <p className="soft">
          No components yet. Each is one material, labor or machine with its quantity formula.
        </p>
      ) : null}
      <Button size="xs" variant="outline" mt="2" onClick={add}>
        Add a component
      </Button>
    </>
  );
}

interface ComponentRowProps {
  readonly assembly: Assembly;
  readonly component: Component;
  readonly use: Use | undefined;
  readonly set: (changed: Partial<Component>) => string | undefined;
  readonly onRemove: () => void;
}

function ComponentRow({ assembly, component, use, set, onRemove }: ComponentRowProps) {
  const { calculation, job } = useOpenJob();
  const actions = useJobActions();
  const { numbers, display } = useFormats();
  const line = use === undefined ? undefined : componentLine(use.id, component.key);
  const trace =
    use === undefined
      ? undefined
      : traceComponent(calculation, { frame: frameOf(job, use), component }, display);
  const problem = use === undefined ? undefined : formulaProblem();
  function formulaProblem(): string | undefined {
    if (use === undefined) return undefined;
    const names = componentNames(frameOf(job, use), calculation.names);
    const compiled = compileFormula(component.formula, names, unitOrLabel(component.unit).dimension);
    return compiled.ok ? undefined : describeProblem(compiled.problem);
  }
  const net = use === undefined ? undefined : calculation.figure(netNode(use.id, component.key));
  return (
    <tr onFocus={() => line !== undefined && actions.select({ type: 'line', key: line })}>
      <td>
        <CommitInput label="Component" value={component.name} onCommit={(name) => set({ name })} />
        <div className="trace" title="Its name in formulas">
          {component.key}
        </div>
      </td>
      <td>
        <select
          className="input"
          aria-label={`Kind of ${component.name}`}
          value={component.kind}
          onChange={(event) => set({ kind: event.target.value as Component['kind'] })}
        >
          {COST_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {COST_WORDS[kind]}
            </option>
          ))}
        </select>
      </td>
      <td>
        <CommitInput
          label={`Formula of ${component.name}`}
          value={plainToLocal(component.formula, numbers)}
          onCommit={(text) => set({ formula: keepEntry(text, numbers) })}
        />
        {problem === undefined ? null : (
          <div className="field-error" role="note">
            {problem}
          </div>
        )}
        {trace === undefined || trace.substituted === trace.source ? null : (
          <div className="trace">
            {trace.substituted}
            {net?.failure === undefined && net !== undefined ? (
              <>
                {' = '}
                <InUnitText
                  figure={{ value: net.value / unitOrLabel(component.unit).factor }}
                  unit={component.unit}
                />
              </>
            ) : null}
          </div>
        )}
      </td>
      <td>
        <CommitInput
          label={`Unit of ${component.name}`}
          value={component.unit}
          list="known-units"
          onCommit={(unit) => set({ unit: unitOrLabel(unit).symbol })}
        />
      </td>
      <td>
        <CommitInput
          label={`Waste of ${component.name}`}
          className="right"
          value={plainToLocal(component.wastePercent, numbers)}
          onCommit={(text) => set({ wastePercent: keepEntry(text, numbers) })}
        />
      </td>
      <td>
        <CommitInput
          label={`Round up ${component.name} to`}
          className="right"
          placeholder="as is"
          value={plainToLocal(component.roundUpTo, numbers)}
          onCommit={(text) => set({ roundUpTo: keepEntry(text, numbers) })}
        />
      </td>
      <td>
        <ItemChoice
          code={component.itemCode}
          label={`Price of ${component.name}`}
          onChoose={(itemCode) => set({ itemCode })}
        />
      </td>
      <td className="figure">
        {line === undefined ? null : (
          <InUnitText figure={calculation.figure(lineNode(line, 'quantity'))} unit={component.unit} />
        )}
      </td>
      <td className="figure">
        {line === undefined ? null : <MoneyText figure={calculation.figure(lineNode(line, 'extension'))} />}
      </td>
      <td>
        <button
          type="button"
          className="icon-button"
          aria-label={`Remove ${component.name} from ${assembly.name}`}
          onClick={onRemove}
        >
          <Trash2 size={14} />
        </button>
      </td>
    </tr>
  );
}
