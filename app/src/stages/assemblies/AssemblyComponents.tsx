import { COST_KINDS, type Component } from '@zest/core/job/records/assembly';
import { type PartProps, takenIn } from './assemblyParts.ts';
import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { type Dispatch, type SetStateAction, useEffect, useRef, useState } from 'react';
import { traceComponent } from '@zest/core/calculate/explain/tape';
import { lineNode, netNode } from '@zest/core/calculate/graph/nodes';
import { type FormulaPlace, namesAt } from '@zest/core/calculate/explain/suggestions';
import { frameOf } from '@zest/core/assemblies/frames';
import { componentLine } from '@zest/core/job/lineKey';
import { compileFormula } from '@zest/core/formula/compile';
import { wasteKinds } from '@zest/core/assemblies/purchase';
import { plainToLocal } from '@zest/core/formula/localize';
import type { Use } from '@zest/core/job/records/use';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { leadingMeasure } from '@zest/core/job/markKinds';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { InUnitText, MoneyText } from '../../figures/Figure.tsx';
import { MoreButton } from '../../parts/MoreButton.tsx';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { takeFigure } from '../../figures/typed.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useJobActions, useOpenJob } from '../../stores/context.tsx';
import { keyFor } from '@zest/core/job/keyFor';
import { ComponentDetails } from './ComponentDetails.tsx';
import { ItemChoice } from './ItemChoice.tsx';
import { IconButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';
import { listWith } from '../../messages/lists.ts';
import { useComponentEdits } from './useComponentEdits.ts';
import { Kbd } from '../../parts/Kbd.tsx';

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
    const name = t('assemblies.component', { place: assembly.components.length + 1 });
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
    if (
      change(t('assemblies.addAComponent'), { components: [...assembly.components, component] }) === undefined
    )
      setAdded((times) => times + 1);
  };
  return (
    <div>
      <table className={`${layout.lines} components`} ref={table}>
        <ComponentsHead />
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
        <p className="soft">{t('assemblies.noComponentsYetEachOneIsA')}</p>
      ) : null}
      <Button size="xs" variant="outline" mt="2" data-add-component onClick={add}>
        {t('assemblies.addAComponent2')} <Kbd>{t('assemblies.ctrlEnter')}</Kbd>
      </Button>
    </div>
  );
}

function ComponentsHead() {
  return (
    <thead>
      <tr>
        <th style={{ width: 164 }}>{t('assemblies.component2')}</th>
        <th style={{ width: 102 }}>{t('assemblies.kind')}</th>
        <th>{t('assemblies.formula')}</th>
        <th style={{ width: 68 }}>{t('assemblies.unit')}</th>
        <th
          className="right"
          style={{ width: 62 }}
          title={t('assemblies.boughtButNotInstalledAppliesToMaterial')}
        >
          {t('assemblies.waste')}
        </th>
        <th className="right" style={{ width: 96 }} title={t('assemblies.boughtInMultiplesOfThis')}>
          {t('assemblies.roundTo')}
        </th>
        <th style={{ width: 90 }}>{t('assemblies.priceBook')}</th>
        <th className="right" style={{ width: 90 }}>
          {t('assemblies.quantity')}
        </th>
        <th className="right" style={{ width: 82 }}>
          {t('assemblies.cost')}
        </th>
        <th aria-label={t('assemblies.whatToDo')} style={{ width: 32 }} />
      </tr>
    </thead>
  );
}

interface ComponentRowProps extends PartProps {
  readonly component: Component;
  readonly use: Use | undefined;
  readonly place: FormulaPlace;
}

function ComponentRow({ assembly, component, use, place, change }: ComponentRowProps) {
  const actions = useJobActions();
  const [open, setOpen] = useState(false);
  const line = use === undefined ? undefined : componentLine(use.id, component.key);
  const { set, rename, choose } = useComponentEdits(assembly, component, change);
  return (
    <>
      <tr onFocus={() => line !== undefined && actions.select({ type: 'line', key: line })}>
        <NameCell component={component} open={open} setOpen={setOpen} rename={rename} />
        <KindCell component={component} set={set} />
        <td>
          <FormulaInput
            label={t('assemblies.formulaOf', { name: component.name })}
            value={component.formula}
            place={place}
            unit={unitOrLabel(component.unit).symbol}
            onCommit={(formula) => set({ formula })}
          />
          <Worked component={component} use={use} place={place} />
        </td>
        <AmountCells component={component} set={set} />
        <td>
          <ItemChoice
            code={component.itemCode}
            label={t('assemblies.priceOf', { name: component.name })}
            onChoose={choose}
            {...(component.sizing === undefined ? {} : { placeholder: t('assemblies.byItsSize') })}
          />
        </td>
        <FigureCells line={line} component={component} />
        <td>
          <IconButton
            tabIndex={-1}
            aria-label={t('assemblies.removeFrom', { name: component.name, name2: assembly.name })}
            onClick={() =>
              change(t('assemblies.remove', { name: component.name }), {
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

interface FigureCellsProps {
  readonly line: string | undefined;
  readonly component: ComponentRowProps['component'];
}

function FigureCells({ line, component }: FigureCellsProps) {
  const { figures } = useOpenJob();
  return (
    <>
      <td className="figure">
        {line === undefined ? null : (
          <InUnitText figure={figures.figure(lineNode(line, 'quantity'))} unit={component.unit} />
        )}
      </td>
      <td className="figure">
        {line === undefined ? null : <MoneyText figure={figures.figure(lineNode(line, 'extension'))} />}
      </td>
    </>
  );
}

interface AmountCellsProps {
  readonly component: ComponentRowProps['component'];
  readonly set: (changed: Partial<Component>) => string | undefined;
}

/** Its unit, waste and rounding. */
function AmountCells({ component, set }: AmountCellsProps) {
  const { numbers } = useFormats();
  return (
    <>
      <td>
        <CommitInput
          label={t('assemblies.unitOf', { name: component.name })}
          value={component.unit}
          list="known-units"
          onCommit={(unit) => set({ unit: unitOrLabel(unit).symbol })}
        />
      </td>
      <td>
        <CommitInput
          label={t('assemblies.wasteOf', { name: component.name })}
          align="end"
          value={plainToLocal(component.wastePercent, numbers)}
          onCommit={(text) =>
            takeFigure(text, numbers, { as: 'percent' }, (kept) => set({ wastePercent: kept }))
          }
        />
      </td>
      <td>
        <CommitInput
          label={t('assemblies.roundUpTo', { name: component.name })}
          align="end"
          placeholder={t('assemblies.noRounding')}
          value={plainToLocal(component.roundUpTo, numbers)}
          onCommit={(text) => takeFigure(text, numbers, { as: 'amount' }, (kept) => set({ roundUpTo: kept }))}
        />
      </td>
    </>
  );
}

interface KindCellProps {
  readonly component: ComponentRowProps['component'];
  readonly set: (changed: Partial<Component>) => string | undefined;
}

function KindCell({ component, set }: KindCellProps) {
  return (
    <td>
      <Select
        aria-label={t('assemblies.kindOf', { name: component.name })}
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
  );
}

interface NameCellProps {
  readonly component: ComponentRowProps['component'];
  readonly open: boolean;
  readonly setOpen: Dispatch<SetStateAction<boolean>>;
  readonly rename: (name: string) => string | undefined;
}

function NameCell({ component, open, setOpen, rename }: NameCellProps) {
  return (
    <td>
      <div className={styles.componentName}>
        <MoreButton
          label={t('assemblies.moreAbout', { name: component.name })}
          open={open}
          onToggle={() => setOpen(!open)}
        />
        <CommitInput label={t('assemblies.component2')} first value={component.name} onCommit={rename} />
      </div>
      <div className={`${layout.trace} ${styles.componentKey}`} title={t('assemblies.itsNameInFormulas')}>
        {component.key}
        {describeMore(component)}
      </div>
    </td>
  );
}

/** What is decided for the component beyond its columns, in a few words. */
function describeMore(component: Component): string {
  const { per, roundAt, when, labor, spares, minimum, costCode, wasteOn, wastePercent, hoursFactor } =
    component;
  const idle = Number(wastePercent) !== 0 && !wasteKinds(component).includes(component.kind);
  const more = [
    idle
      ? t('assemblies.wasteActsOnOnly', {
          kinds: listWith(
            'and',
            wasteKinds(component).map((kind) => COST_WORDS[kind]),
          ),
        })
      : '',
    !idle && wasteOn !== undefined
      ? t('assemblies.wasteOn', {
          kinds: listWith(
            'and',
            wasteOn.map((kind) => COST_WORDS[kind]),
          ),
        })
      : '',
    hoursFactor === undefined || hoursFactor === '' ? '' : t('assemblies.hours', { hoursFactor }),
    per === 'mark' ? t('assemblies.forEachMark') : '',
    roundAt === 'job' ? t('assemblies.roundedOverTheJob') : '',
    when === undefined || when === '' ? '' : t('assemblies.byARule'),
    labor === undefined ? '' : t('assemblies.ownHours'),
    spares === undefined || spares === '' ? '' : t('assemblies.toSpare', { spares }),
    minimum === undefined || minimum === '' ? '' : t('assemblies.atLeast', { minimum }),
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
      <div className={layout.fieldError} role="note">
        {describeProblem(compiled.problem)}
      </div>
    );
  if (use === undefined) return null;
  const trace = traceComponent(figures, { frame: frameOf(job, use), component }, display);
  if (trace === undefined || trace.substituted === trace.source) return null;
  const net = figures.figure(netNode(use.id, component.key));
  return (
    <div className={layout.trace}>
      {component.per === 'mark' ? t('assemblies.forEachMarkInAll') : `${trace.substituted} = `}
      {net.failure === undefined ? (
        <InUnitText
          figure={{ value: net.value / unitOrLabel(component.unit).factor }}
          unit={component.unit}
        />
      ) : null}
    </div>
  );
}
