import { listWith } from '../../messages/lists.ts';
import { inOrder } from '@zest/core/job/job';
import { plainToLocal } from '@zest/core/formula/localize';
import type { FormulaPlace } from '@zest/core/calculate/explain/suggestions';
import {
  COST_KINDS,
  type Component,
  type ComponentLabor,
  type CostKind,
} from '@zest/core/job/records/assembly';
import { unitOrLabel } from '@zest/core/pricing/quantity';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { FormulaInput } from '../../formulas/FormulaInput.tsx';
import { takeFigure } from '../../figures/typed.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { SizingEditor } from '../prices/SizingEditor.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';
import type { Id } from '@zest/core/job/id';
import type { Crew } from '@zest/core/job/records/crew';
import type { Craft } from '@zest/core/job/records/craft';

interface ComponentDetailsProps {
  readonly component: Component;
  readonly place: FormulaPlace;
  readonly set: (changed: Partial<Component>) => string | undefined;
}

const LABOR_WORDS: Readonly<Record<ComponentLabor['by'], string>> = {
  hours: t('assemblies.hoursForOne'),
  hourly: t('assemblies.inAnHour'),
  daily: t('assemblies.inADayOf8Hours'),
};

/** What is decided more rarely about a component: where it rounds, its rule, its own hours. */
export function ComponentDetails({ component, place, set }: ComponentDetailsProps) {
  const { numbers } = useFormats();
  const { name, unit } = component;
  const decimal = (field: 'spares', label: string, placeholder: string) => (
    <Field label={label}>
      <CommitInput
        label={t('assemblies.of2', { label, name })}
        align="end"
        placeholder={placeholder}
        value={plainToLocal(component[field] ?? '', numbers)}
        onCommit={(text) =>
          takeFigure(text, numbers, { as: 'amount', least: 0 }, (kept) => set({ [field]: kept }))
        }
      />
    </Field>
  );
  const words = (field: 'partNumber' | 'costCode', label: string) => (
    <Field label={label}>
      <CommitInput
        label={t('assemblies.of2', { label, name })}
        value={component[field] ?? ''}
        onCommit={(text) => set({ [field]: text.trim() })}
      />
    </Field>
  );
  return (
    <div className={styles.details}>
      <WhereCounted name={name} component={component} set={set} />
      {decimal('spares', t('assemblies.toSpare2', { unit }), t('assemblies.noSpares'))}
      <Field label={t('assemblies.atLeast3', { unit })}>
        <FormulaInput
          label={t('assemblies.atLeastOf', { unit, name })}
          value={component.minimum ?? ''}
          place={place}
          unit={unitOrLabel(unit).symbol}
          placeholder={t('assemblies.any')}
          always
          onCommit={(minimum) => set({ minimum })}
        />
      </Field>
      <WasteField name={name} component={component} set={set} />
      <HoursField name={name} component={component} place={place} set={set} />
      {words('partNumber', t('assemblies.partNumber'))}
      {words('costCode', t('assemblies.costCode'))}
      <OnlyIf name={name} component={component} place={place} set={set} />
      <LaborFields component={component} set={set} />
      <div className="wide">
        <SizingEditor
          sizing={component.sizing}
          place={place}
          onChange={(sizing) => set({ sizing } as Partial<Component>)}
        />
      </div>
    </div>
  );
}

interface OnlyIfProps {
  readonly name: string;
  readonly component: ComponentDetailsProps['component'];
  readonly place: FormulaPlace;
  readonly set: ComponentDetailsProps['set'];
}

function OnlyIf({ name, component, place, set }: OnlyIfProps) {
  return (
    <Field label={t('assemblies.includeOnlyIf')} wide>
      <FormulaInput
        label={t('assemblies.ruleOf', { name })}
        value={component.when ?? ''}
        place={place}
        condition
        placeholder={t('assemblies.alwaysOrAComparisonSuchAsHeight')}
        onCommit={(when) => set({ when })}
      />
    </Field>
  );
}

interface HoursFieldProps {
  readonly name: string;
  readonly component: ComponentDetailsProps['component'];
  readonly place: FormulaPlace;
  readonly set: ComponentDetailsProps['set'];
}

function HoursField({ name, component, place, set }: HoursFieldProps) {
  return (
    <Field label={t('assemblies.hoursTimes')}>
      <FormulaInput
        label={t('assemblies.factorOnTheHoursOf', { name })}
        value={component.hoursFactor ?? ''}
        place={place}
        placeholder="1"
        always
        onCommit={(hoursFactor) => set({ hoursFactor })}
      />
    </Field>
  );
}

interface WasteFieldProps {
  readonly name: string;
  readonly component: ComponentDetailsProps['component'];
  readonly set: ComponentDetailsProps['set'];
}

function WasteField({ name, component, set }: WasteFieldProps) {
  return (
    <Field label={t('assemblies.wasteAppliesTo')}>
      <Select
        aria-label={t('assemblies.whatTheWasteOfAppliesTo', { name })}
        value={(component.wasteOn ?? ['material']).join()}
        onChange={(event) => {
          const kinds = event.target.value.split(',') as CostKind[];
          set({ wasteOn: event.target.value === 'material' ? undefined : kinds } as Partial<Component>);
        }}
      >
        {wasteChoices(component).map((kinds) => (
          <option key={kinds.join()} value={kinds.join()}>
            {kinds.length === COST_KINDS.length
              ? t('assemblies.allCosts')
              : listWith(
                  'and',
                  kinds.map((kind) => COST_WORDS[kind]),
                )}
          </option>
        ))}
      </Select>
    </Field>
  );
}

interface WhereCountedProps {
  readonly name: string;
  readonly component: ComponentDetailsProps['component'];
  readonly set: ComponentDetailsProps['set'];
}

function WhereCounted({ name, component, set }: WhereCountedProps) {
  return (
    <>
      <Field label={t('assemblies.calculated')}>
        <Select
          aria-label={t('assemblies.whatIsCalculatedOn', { name })}
          value={component.per ?? 'total'}
          onChange={(event) =>
            set({ per: event.target.value === 'mark' ? 'mark' : undefined } as Partial<Component>)
          }
        >
          <option value="total">{t('assemblies.onTheTotal')}</option>
          <option value="mark">{t('assemblies.forEachMarkThenAdded')}</option>
        </Select>
      </Field>
      <Field label={t('assemblies.roundedUp')}>
        <Select
          aria-label={t('assemblies.whereIsRoundedUp', { name })}
          value={component.roundAt ?? 'here'}
          onChange={(event) =>
            set({ roundAt: event.target.value === 'job' ? 'job' : undefined } as Partial<Component>)
          }
        >
          <option value="here">{t('assemblies.hereForThisScope')}</option>
          <option value="job">{t('assemblies.onceForTheWholeJob')}</option>
        </Select>
      </Field>
    </>
  );
}

/** Material alone, with labor, the component's own kind, or everything; and what is chosen now. */
function wasteChoices({ kind, wasteOn }: Component): readonly (readonly CostKind[])[] {
  const usual: readonly (readonly CostKind[])[] = [
    ['material'],
    ['material', 'labor'],
    ...(kind === 'material' || kind === 'labor' ? [] : [['material', kind] as const]),
    COST_KINDS,
  ];
  const known = usual.some((each) => each.join() === (wasteOn ?? ['material']).join());
  return known || wasteOn === undefined ? usual : [...usual, wasteOn];
}

function LaborFields({ component, set }: Pick<ComponentDetailsProps, 'component' | 'set'>) {
  const { job } = useOpenJob();
  const crafts = [...job.craft.values()];
  const crews = inOrder(job.crew.values());
  const { labor, name, unit } = component;
  const begin: ComponentLabor = { by: 'hours', figure: '0', craftId: crafts[0]?.id ?? null };
  if (labor === undefined)
    return (
      <Field label={t('assemblies.labor')} wide>
        <TextButton onClick={() => set({ labor: begin })}>
          {t('assemblies.itsOwnHoursInsteadOfTheItems')}
        </TextButton>
      </Field>
    );
  return (
    <Field label={t('assemblies.laborIn', { unit })} wide>
      <div className={styles.detailsRow}>
        <LaborFigure name={name} labor={labor} set={set} />
        <Select
          aria-label={t('assemblies.unitOfTheProductionOf', { name })}
          value={labor.by}
          onChange={(event) => set({ labor: { ...labor, by: event.target.value as ComponentLabor['by'] } })}
        >
          {Object.entries(LABOR_WORDS).map(([by, label]) => (
            <option key={by} value={by}>
              {label}
            </option>
          ))}
        </Select>
        <WorkerField name={name} labor={labor} crews={crews} crafts={crafts} set={set} />
        <TextButton onClick={() => set({ labor: undefined } as Partial<Component>)}>
          {t('assemblies.asTheItem')}
        </TextButton>
      </div>
    </Field>
  );
}

interface WorkerFieldProps {
  readonly name: string;
  readonly labor: Readonly<{
    by: 'hours' | 'hourly' | 'daily';
    figure: string;
    craftId: Id<'craft'> | null;
    crewId?: Id<'crew'> | undefined;
  }>;
  readonly crews: readonly Crew[];
  readonly crafts: Craft[];
  readonly set: (changed: Partial<Component>) => string | undefined;
}

function WorkerField({ name, labor, crews, crafts, set }: WorkerFieldProps) {
  return (
    <Select
      aria-label={t('assemblies.craftOf', { name })}
      value={labor.crewId ?? labor.craftId ?? ''}
      onChange={(event) => {
        const { crewId: _before, ...bare } = labor;
        const crew = crews.find(({ id }) => id === event.target.value);
        const craftId = crafts.find(({ id }) => id === event.target.value)?.id ?? null;
        set({
          labor: crew === undefined ? { ...bare, craftId } : { ...bare, craftId: null, crewId: crew.id },
        });
      }}
    >
      {crews.map(({ id, name: crew }) => (
        <option key={id} value={id}>
          {t('assemblies.crew', { crew })}
        </option>
      ))}
      {crafts.map(({ id, name: craft }) => (
        <option key={id} value={id}>
          {craft}
        </option>
      ))}
    </Select>
  );
}

interface LaborFigureProps {
  readonly name: string;
  readonly labor: Readonly<{
    by: 'hours' | 'hourly' | 'daily';
    figure: string;
    craftId: Id<'craft'> | null;
    crewId?: Id<'crew'> | undefined;
  }>;
  readonly set: (changed: Partial<Component>) => string | undefined;
}

function LaborFigure({ name, labor, set }: LaborFigureProps) {
  const { numbers } = useFormats();
  return (
    <CommitInput
      label={t('assemblies.productionOf', { name })}
      align="end"
      value={plainToLocal(labor.figure, numbers)}
      onCommit={(text) =>
        takeFigure(text, numbers, { as: 'amount', least: 0 }, (figure) =>
          set({ labor: { ...labor, figure } }),
        )
      }
    />
  );
}

function Field({
  label,
  wide,
  children,
}: {
  readonly label: string;
  readonly wide?: boolean;
  readonly children: React.ReactNode;
}) {
  return (
    <div className={wide === true ? 'wide' : ''}>
      <div className={`soft ${styles.fieldLabel}`}>{label}</div>
      {children}
    </div>
  );
}
