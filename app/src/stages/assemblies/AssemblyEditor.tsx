import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { traceComponent } from '@zest/core/calculate/explain';
import { componentNames, contextOf } from '@zest/core/calculate/defineUse';
import { compileFormula } from '@zest/core/formula/compile';
import { plainToLocal } from '@zest/core/formula/localize';
import { put } from '@zest/core/job/change';
import { inOrder } from '@zest/core/job/job';
import { type Assembly, type AssemblyInput, COST_KINDS, type Component } from '@zest/core/job/records/assembly';
import type { Use } from '@zest/core/job/records/use';
import { componentLine } from '@zest/core/estimate/lineKey';
import { lineNode, netNode } from '@zest/core/calculate/nodes';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { measuresOf } from '@zest/core/takeoff/measures';
import { CommitInput } from '../../components/CommitInput.tsx';
import { FailureText, InUnitText, MoneyText } from '../../components/Figure.tsx';
import { describeProblem } from '../../messages/describeProblem.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { keepEntry } from '../measure/keepEntry.ts';
import { keyFor } from '../measure/newScope.ts';
import { useFormats, useJobActions, useJobState, useOpenJob } from '../../stores/context.tsx';
import { ItemChoice } from './ItemChoice.tsx';
import { UseAnswers } from './UseAnswers.tsx';

type Change = (label: string, changed: Partial<Assembly>) => string | undefined;

/** An assembly with its questions and components, figured live on a scope that uses it. */
export function AssemblyEditor({ assembly }: { readonly assembly: Assembly }) {
  const { job } = useOpenJob();
  useJobState((state) => state.revision);
  const actions = useJobActions();
  const uses = inOrder([...job.use.values()].filter((use) => use.assemblyId === assembly.id));
  const [chosen, setChosen] = useState<string | undefined>();
  const use = uses.find(({ id }) => id === chosen) ?? uses[0];
  const change: Change = (label, changed) => {
    const done = actions.transact(label, put({ ...assembly, ...changed }));
    return done.ok ? undefined : describeProblem(done.problem);
  };
  return (
    <div className="editor">
      <div style={{ display: 'grid', gridTemplateColumns: '1fr 130px', gap: 8 }}>
        <CommitInput label="Name of the assembly" value={assembly.name} onCommit={(name) => change('rename an assembly', { name })} />
        <select className="input" aria-label="Measured as" value={assembly.measures} disabled={uses.length > 0} onChange={(event) => change('kind of an assembly', { measures: event.target.value as Assembly['measures'] })}>
          <option value="run">for runs</option>
          <option value="area">for areas</option>
          <option value="count">for counts</option>
        </select>
      </div>
      <div>
        <h2>
          Components
          <span className="soft" style={{ fontWeight: 400 }}>
            {use === undefined ? 'on no scope yet' : 'figured on'}
          </span>
          {use === undefined ? null : (
            <select className="input" style={{ width: 'auto', maxWidth: 260 }} aria-label="Figured on" value={use.id} onChange={(event) => setChosen(event.target.value)}>
              {uses.map(({ id, scopeId }) => (
                <option key={id} value={id}>
                  {job.scope.get(scopeId)?.name}
                </option>
              ))}
            </select>
          )}
        </h2>
        <Components assembly={assembly} use={use} change={change} />
      </div>
      <div>
        <h2>Questions</h2>
        <Inputs assembly={assembly} change={change} />
      </div>
      {use === undefined ? null : (
        <div>
          <h2>Answers for {job.scope.get(use.scopeId)?.name}</h2>
          <div style={{ maxWidth: 420 }}>
            <UseAnswers use={use} />
          </div>
        </div>
      )}
    </div>
  );
}

interface PartProps {
  readonly assembly: Assembly;
  readonly change: Change;
}

function Components({ assembly, use, change }: PartProps & { readonly use: Use | undefined }) {
  const set = (index: number, changed: Partial<Component>): string | undefined =>
    change('change a component', { components: assembly.components.map((each, at) => (at === index ? { ...each, ...changed } : each)) });
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
            <th>Component</th>
            <th>Kind</th>
            <th style={{ width: '26%' }}>Formula</th>
            <th>Unit</th>
            <th className="right">Waste %</th>
            <th className="right">Round up to</th>
            <th>Price book</th>
            <th className="right">Quantity</th>
            <th className="right">Cost</th>
            <th aria-label="What to do" />
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
              onRemove={() => change(`remove ${component.name}`, { components: assembly.components.filter((_, at) => at !== index) })}
            />
          ))}
        </tbody>
      </table>
      {assembly.components.length === 0 ? <p className="soft">No components yet. Each is one material, labor or machine with its quantity formula.</p> : null}
      <Button size="xs" variant="outline" mt="2" onClick={add}>
        Add a component
      </Button>
    </>
  );
}

const takenIn = (assembly: Assembly): ReadonlySet<string> =>
  new Set([...assembly.inputs.map(({ key }) => key), ...assembly.components.map(({ key }) => key), ...measuresOf(assembly.measures)]);

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
  const trace = use === undefined ? undefined : traceComponent(calculation, use, component, display);
  const problem = use === undefined ? undefined : formulaProblem();
  function formulaProblem(): string | undefined {
    if (use === undefined) return undefined;
    const names = componentNames(contextOf(job, use), calculation.names);
    const compiled = compileFormula(component.formula, names, unitOrLabel(component.unit).dimension);
    return compiled.ok ? undefined : describeProblem(compiled.problem);
  }
  const net = use === undefined ? undefined : calculation.figure(netNode(use.id, component.key));
  return (
    <tr onFocus={() => line !== undefined && actions.select({ type: 'line', key: line })}>
      <td style={{ minWidth: 150 }}>
        <CommitInput label="Component" value={component.name} onCommit={(name) => set({ name })} />
        <div className="trace" title="Its name in formulas">{component.key}</div>
      </td>
      <td>
        <select className="input" aria-label={`Kind of ${component.name}`} value={component.kind} onChange={(event) => set({ kind: event.target.value as Component['kind'] })}>
          {COST_KINDS.map((kind) => (
            <option key={kind} value={kind}>
              {COST_WORDS[kind]}
            </option>
          ))}
        </select>
      </td>
      <td>
        <CommitInput label={`Formula of ${component.name}`} value={plainToLocal(component.formula, numbers)} onCommit={(text) => set({ formula: keepEntry(text, numbers) })} />
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
                <InUnitText figure={{ value: net.value / unitOrLabel(component.unit).factor }} unit={component.unit} />
              </>
            ) : null}
          </div>
        )}
      </td>
      <td style={{ width: 64 }}>
        <CommitInput label={`Unit of ${component.name}`} value={component.unit} list="known-units" onCommit={(unit) => set({ unit: unitOrLabel(unit).symbol })} />
      </td>
      <td style={{ width: 62 }}>
        <CommitInput label={`Waste of ${component.name}`} className="right" value={plainToLocal(component.wastePercent, numbers)} onCommit={(text) => set({ wastePercent: keepEntry(text, numbers) })} />
      </td>
      <td style={{ width: 72 }}>
        <CommitInput label={`Round up ${component.name} to`} className="right" placeholder="as is" value={plainToLocal(component.roundUpTo, numbers)} onCommit={(text) => set({ roundUpTo: keepEntry(text, numbers) })} />
      </td>
      <td style={{ width: 116 }}>
        <ItemChoice code={component.itemCode} label={`Price of ${component.name}`} onChoose={(itemCode) => set({ itemCode })} />
      </td>
      <td className="figure">{line === undefined ? null : <InUnitText figure={calculation.figure(lineNode(line, 'quantity'))} unit={component.unit} />}</td>
      <td className="figure">{line === undefined ? null : <MoneyText figure={calculation.figure(lineNode(line, 'extension'))} />}</td>
      <td>
        <button type="button" className="icon-button" aria-label={`Remove ${component.name} from ${assembly.name}`} onClick={onRemove}>
          <Trash2 size={14} />
        </button>
      </td>
    </tr>
  );
}

function Inputs({ assembly, change }: PartProps) {
  const { numbers } = useFormats();
  const set = (index: number, changed: Partial<AssemblyInput>): string | undefined =>
    change('change a question', { inputs: assembly.inputs.map((each, at) => (at === index ? { ...each, ...changed } : each)) });
  const add = (): void => {
    const name = `Question ${assembly.inputs.length + 1}?`;
    const input: AssemblyInput = { key: keyFor(name, takenIn(assembly)), question: name, unit: '', value: '0', hint: '', choices: [] };
    change('add a question', { inputs: [...assembly.inputs, input] });
  };
  return (
    <>
      {assembly.inputs.length === 0 ? (
        <p className="soft">No questions: everything follows from what is measured.</p>
      ) : (
        <table className="lines">
          <thead>
            <tr>
              <th style={{ width: '38%' }}>Question</th>
              <th>Name in formulas</th>
              <th>Default</th>
              <th>Unit</th>
              <th>Hint</th>
              <th aria-label="What to do" />
            </tr>
          </thead>
          <tbody>
            {assembly.inputs.map((input, index) => (
              <tr key={index}>
                <td>
                  <CommitInput label="Question" value={input.question} onCommit={(question) => set(index, { question })} />
                </td>
                <td>
                  <CommitInput label={`Name in formulas of ${input.question}`} value={input.key} onCommit={(key) => renameInput(assembly, index, key, change)} />
                </td>
                <td>
                  <CommitInput label={`Default of ${input.question}`} value={plainToLocal(input.value, numbers)} onCommit={(text) => set(index, { value: keepEntry(text, numbers) })} />
                </td>
                <td style={{ width: 76 }}>
                  <CommitInput label={`Unit of ${input.question}`} value={input.unit} list="known-units" onCommit={(unit) => set(index, { unit: unit.trim() })} />
                </td>
                <td>
                  <CommitInput label={`Hint of ${input.question}`} value={input.hint} onCommit={(hint) => set(index, { hint })} />
                </td>
                <td>
                  <button type="button" className="icon-button" aria-label={`Remove ${input.question}`} onClick={() => change('remove a question', { inputs: assembly.inputs.filter((_, at) => at !== index) })}>
                    <Trash2 size={14} />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <Button size="xs" variant="outline" mt="2" onClick={add}>
        Add a question
      </Button>
      <datalist id="known-units">
        {['ea', 'ft', 'ft²', 'ft³', 'yd²', 'yd³', 'in', 'lb', 'ton', 'h', 'm', 'm²', 'm³', 'mm', 'kg', 'sheet', 'bag', 'stick', 'box', 'roll', 'load', 'set', '%'].map((unit) => (
          <option key={unit} value={unit} />
        ))}
      </datalist>
    </>
  );
}

/** Renames an input and follows it through the assembly's own formulas. */
function renameInput(assembly: Assembly, index: number, text: string, change: Change): string | undefined {
  const from = assembly.inputs[index]?.key ?? '';
  const others = new Set([...takenIn(assembly)].filter((key) => key !== from));
  const key = keyFor(text, others);
  const word = new RegExp(`(?<![\\p{L}\\p{N}_])${from}(?![\\p{L}\\p{N}_(])`, 'gu');
  return change('rename a question', {
    inputs: assembly.inputs.map((each, at) => (at === index ? { ...each, key } : each)),
    components: assembly.components.map((each) => ({ ...each, formula: each.formula.replace(word, key) })),
  });
}
