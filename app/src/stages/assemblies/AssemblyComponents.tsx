import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { traceComponent } from '@zest/core/calculate/explain/tape';
import { lineNode, netNode } from '@zest/core/calculate/graph/nodes';
import { type FormulaPlace, namesAt } from '@zest/core/calculate/explain/suggestions';
import { frameOf } from '@zest/core/assemblies/frames';
import { componentLine } from '@zest/core/job/lineKey';
import { compileFormula } from '@zest/core/formula/compile';
import { wasteKinds } from '@zest/core/assemblies/purchase';
import { plainToLocal } from '@zest/core/formula/localize';
import { COST_KINDS, type Component } from '@zest/core/job/records/assembly';
import type { Use } from '@zest/core/job/records/use';
import { itemKind } from '@zest/core/pricing/itemKind';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { leadingMeasure } from '@zest/core/job/markKinds';
import { CommitInput } from '../../components/CommitInput.tsx';
import { InUnitText, MoneyText } from '../../components/Figure.tsx';
import { MoreButton } from '../../components/MoreButton.tsx';
import { FormulaInput } from '../../components/FormulaInput.tsx';
import { takeFigure } from '../../components/typed.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useJobActions, useOpenJob } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { ComponentDetails } from './ComponentDetails.tsx';
import { ItemChoice } from './ItemChoice.tsx';
import { type PartProps, renameComponent, takenIn, withChanges } from './assemblyParts.ts';
import { IconButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';

/** One material, labor or machine a row, with its formula and the figures of the scope it is figured on. */
export function AssemblyComponents({ assembly, use, change }: PartProps & { readonly use: Use | undefined }) {
  const { job } = useOpenJob();
  const table = useRef<HTMLTableElement>(null);
  const [added, setAdded] = useState(0);
  // A new row is for typing into: its name has the focus at once.
  useEffect(() => {
    if (added === 0) return;
    const rows = table.current?.querySelectorAll<HTMLInputElement>('input[data-first]');
    rows?.[rows.length - 1]?.focus();
  }, [added]);
  const place: FormulaPlace =
    use === undefined ? { in: 'assembly', assembly } : { in: 'use', frame: frameOf(job, use) };
  const add = (): void => {
    const name = `Component ${assembly.components.length + 1}`;
    const component: Component = {
      key: keyFor(name, takenIn(assembly)),
      name,
      kind: 'material',
      unit: 'ea',
      formula: assembly.measures === 'count' ? leadingMeasure('count') : '0',
      wastePercent: '0',
      roundUpTo: '',
      itemCode: '',
    };
    if (change('add a component', { components: [...assembly.components, component] }) === undefined)
      setAdded((times) => times + 1);
  };
  return (
    <div>
      <table className="lines components" ref={table}>
        <thead>
          <tr>
            <th style={{ width: 164 }}>Component</th>
            <th style={{ width: 102 }}>Kind</th>
            <th>Formula</th>
            <th style={{ width: 68 }}>Unit</th>
            <th
              className="right"
              style={{ width: 62 }}
              title="Bought but not installed. Applies to material, unless the component says otherwise"
            >
              Waste %
            </th>
            <th className="right" style={{ width: 68 }} title="Bought in multiples of this">
              Round to
            </th>
            <th style={{ width: 90 }}>Price book</th>
            <th className="right" style={{ width: 90 }}>
              Quantity
            </th>
            <th className="right" style={{ width: 82 }}>
              Cost
            </th>
            <th aria-label="What to do" style={{ width: 32 }} />
          </tr>
        </thead>
        <tbody>
          {assembly.components.map((component, index) => (
            // By its place: a row that is renamed keeps the focus, though its name in formulas is another.
            <ComponentRow
              key={index}
              assembly={assembly}
              component={component}
              use={use}
              place={place}
              change={change}
            />
          ))}
        </tbody>
      </table>
      {assembly.components.length === 0 ? (
        <p className="soft">
          No components yet. Each one is a material, labor or machine, with a formula for its quantity.
        </p>
      ) : null}
      <Button size="xs" variant="outline" mt="2" data-add-component onClick={add}>
        Add a component <kbd>Ctrl Enter</kbd>
      </Button>
    </div>
  );
}

interface ComponentRowProps extends PartProps {
  readonly component: Component;
  readonly use: Use | undefined;
  readonly place: FormulaPlace;
}

function ComponentRow({ assembly, component, use, place, change }: ComponentRowProps) {
  const { figures, job } = useOpenJob();
  const actions = useJobActions();
  const { numbers } = useFormats();
  const [open, setOpen] = useState(false);
  const line = use === undefined ? undefined : componentLine(use.id, component.key);
  const set = (changed: Partial<Component>): string | undefined =>
    change('change a component', {
      components: assembly.components.map((each) =>
        each.key === component.key ? withChanges(each, changed) : each,
      ),
    });
  const rename = (name: string): string | undefined => {
    const changed = renameComponent(assembly, component, name.trim());
    const at = assembly.components.indexOf(component);
    const to = changed.components?.[at]?.key ?? component.key;
    return change('rename a component', changed, { from: component.key, to });
  };
  const choose = (itemCode: string): string | undefined => {
    const item = [...job.item.values()].find(({ code }) => code === itemCode);
    const fresh = /^Component \d+$/.test(component.name) && item !== undefined;
    if (!fresh) return set({ itemCode });
    // A row nothing was written into yet becomes what was chosen for it.
    const name = item.description.slice(0, 120);
    const changed = { ...assembly, ...renameComponent(assembly, component, name) };
    return change('price a component', {
      ...changed,
      components: changed.components.map((each) =>
        each.name === name ? { ...each, itemCode, unit: item.unit, kind: itemKind(item) } : each,
      ),
    });
  };
  return (
    <>
      <tr onFocus={() => line !== undefined && actions.select({ type: 'line', key: line })}>
        <td>
          <div className="component-name">
            <MoreButton label={`More about ${component.name}`} open={open} onToggle={() => setOpen(!open)} />
            <CommitInput label="Component" first value={component.name} onCommit={rename} />
          </div>
          <div className="trace component-key" title="Its name in formulas">
            {component.key}
            {describeMore(component)}
          </div>
        </td>
        <td>
          <Select
            aria-label={`Kind of ${component.name}`}
            value={component.kind}
            onChange={(event) => set({ kind: event.target.value as Component['kind'] })}
          >
            {COST_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {COST_WORDS[kind]}
              </option>
            ))}
          </Select>
        </td>
        <td>
          <FormulaInput
            label={`Formula of ${component.name}`}
            value={component.formula}
            place={place}
            unit={unitOrLabel(component.unit).symbol}
            onCommit={(formula) => set({ formula })}
          />
          <Worked component={component} use={use} place={place} />
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
            align="end"
            value={plainToLocal(component.wastePercent, numbers)}
            onCommit={(text) =>
              takeFigure(text, numbers, { as: 'percent' }, (kept) => set({ wastePercent: kept }))
            }
          />
        </td>
        <td>
          <CommitInput
            label={`Round up ${component.name} to`}
            align="end"
            placeholder="no rounding"
            value={plainToLocal(component.roundUpTo, numbers)}
            onCommit={(text) =>
              takeFigure(text, numbers, { as: 'amount' }, (kept) => set({ roundUpTo: kept }))
            }
          />
        </td>
        <td>
          <ItemChoice
            code={component.itemCode}
            label={`Price of ${component.name}`}
            onChoose={choose}
            {...(component.sizing === undefined ? {} : { placeholder: 'by its size' })}
          />
        </td>
        <td className="figure">
          {line === undefined ? null : (
            <InUnitText figure={figures.figure(lineNode(line, 'quantity'))} unit={component.unit} />
          )}
        </td>
        <td className="figure">
          {line === undefined ? null : <MoneyText figure={figures.figure(lineNode(line, 'extension'))} />}
        </td>
        <td>
          <IconButton
            tabIndex={-1}
            aria-label={`Remove ${component.name} from ${assembly.name}`}
            onClick={() =>
              change(`remove ${component.name}`, {
                components: assembly.components.filter(({ key }) => key !== component.key),
              })
            }
          >
            <Trash2 size={14} />
          </IconButton>
        </td>
      </tr>
      {open ? (
        <tr>
          <td colSpan={10}>
            <ComponentDetails component={component} place={place} set={set} />
          </td>
        </tr>
      ) : null}
    </>
  );
}

/** What is decided for the component beyond its columns, in a few words. */
function describeMore(component: Component): string {
  const { per, roundAt, when, labor, spares, minimum, costCode, wasteOn, wastePercent, hoursFactor } =
    component;
  const idle = Number(wastePercent) !== 0 && !wasteKinds(component).includes(component.kind);
  const more = [
    idle
      ? `waste acts on ${wasteKinds(component)
          .map((kind) => COST_WORDS[kind])
          .join(' and ')} only`
      : '',
    !idle && wasteOn !== undefined ? `waste on ${wasteOn.map((kind) => COST_WORDS[kind]).join(', ')}` : '',
    hoursFactor === undefined || hoursFactor === '' ? '' : `hours × ${hoursFactor}`,
    per === 'mark' ? 'for each mark' : '',
    roundAt === 'job' ? 'rounded over the job' : '',
    when === undefined || when === '' ? '' : 'by a rule',
    labor === undefined ? '' : 'own hours',
    spares === undefined || spares === '' ? '' : `${spares} to spare`,
    minimum === undefined || minimum === '' ? '' : `at least ${minimum}`,
    costCode === undefined || costCode === '' ? '' : costCode,
  ].filter(Boolean);
  return more.length === 0 ? '' : ` · ${more.join(' · ')}`;
}

/** The formula with the figures of the scope it is figured on, or what is wrong with it. */
function Worked({
  component,
  use,
  place,
}: {
  readonly component: Component;
  readonly use: Use | undefined;
  readonly place: FormulaPlace;
}) {
  const { figures, job } = useOpenJob();
  const { display } = useFormats();
  const compiled = compileFormula(
    component.formula,
    namesAt(figures, place),
    unitOrLabel(component.unit).dimension,
  );
  if (!compiled.ok)
    return (
      <div className="field-error" role="note">
        {describeProblem(compiled.problem)}
      </div>
    );
  if (use === undefined) return null;
  const trace = traceComponent(figures, { frame: frameOf(job, use), component }, display);
  if (trace === undefined || trace.substituted === trace.source) return null;
  const net = figures.figure(netNode(use.id, component.key));
  return (
    <div className="trace">
      {component.per === 'mark' ? 'for each mark, in all ' : `${trace.substituted} = `}
      {net.failure === undefined ? (
        <InUnitText
          figure={{ value: net.value / unitOrLabel(component.unit).factor }}
          unit={component.unit}
        />
      ) : null}
    </div>
  );
}
