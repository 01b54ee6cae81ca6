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
import { CommitInput } from '../../components/CommitInput.tsx';
import { FormulaInput } from '../../components/FormulaInput.tsx';
import { takeFigure } from '../../components/typed.ts';
import { COST_WORDS } from '../../messages/words.ts';
import { useFormats, useOpenJob } from '../../stores/context.tsx';
import { SizingEditor } from '../prices/SizingEditor.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';

interface ComponentDetailsProps {
  readonly component: Component;
  readonly place: FormulaPlace;
  readonly set: (changed: Partial<Component>) => string | undefined;
}

const LABOR_WORDS: Readonly<Record<ComponentLabor['by'], string>> = {
  hours: 'hours for one',
  hourly: 'in an hour',
  daily: 'in a day of 8 hours',
};

/** What is decided more rarely about a component: where it rounds, its rule, its own hours. */
export function ComponentDetails({ component, place, set }: ComponentDetailsProps) {
  const { numbers } = useFormats();
  const { name, unit } = component;
  const decimal = (field: 'spares', label: string, placeholder: string) => (
    <Field label={label}>
      <CommitInput
        label={`${label} of ${name}`}
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
        label={`${label} of ${name}`}
        value={component[field] ?? ''}
        onCommit={(text) => set({ [field]: text.trim() })}
      />
    </Field>
  );
  return (
    <div className="details">
      <Field label="Calculated">
        <Select
          aria-label={`What ${name} is calculated on`}
          value={component.per ?? 'total'}
          onChange={(event) =>
            set({ per: event.target.value === 'mark' ? 'mark' : undefined } as Partial<Component>)
          }
        >
          <option value="total">on the total</option>
          <option value="mark">for each mark, then added</option>
        </Select>
      </Field>
      <Field label="Rounded up">
        <Select
          aria-label={`Where ${name} is rounded up`}
          value={component.roundAt ?? 'here'}
          onChange={(event) =>
            set({ roundAt: event.target.value === 'job' ? 'job' : undefined } as Partial<Component>)
          }
        >
          <option value="here">here, for this scope</option>
          <option value="job">once for the whole job</option>
        </Select>
      </Field>
      {decimal('spares', `To spare, ${unit}`, 'none')}
      <Field label={`At least, ${unit}`}>
        <FormulaInput
          label={`At least, ${unit} of ${name}`}
          value={component.minimum ?? ''}
          place={place}
          unit={unitOrLabel(unit).symbol}
          placeholder="any"
          always
          onCommit={(minimum) => set({ minimum })}
        />
      </Field>
      <Field label="Waste applies to">
        <Select
          aria-label={`What the waste of ${name} applies to`}
          value={(component.wasteOn ?? ['material']).join()}
          onChange={(event) => {
            const kinds = event.target.value.split(',') as CostKind[];
            set({ wasteOn: event.target.value === 'material' ? undefined : kinds } as Partial<Component>);
          }}
        >
          {wasteChoices(component).map((kinds) => (
            <option key={kinds.join()} value={kinds.join()}>
              {kinds.length === COST_KINDS.length
                ? 'all costs'
                : kinds.map((kind) => COST_WORDS[kind]).join(' and ')}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="Hours times">
        <FormulaInput
          label={`Factor on the hours of ${name}`}
          value={component.hoursFactor ?? ''}
          place={place}
          placeholder="1"
          always
          onCommit={(hoursFactor) => set({ hoursFactor })}
        />
      </Field>
      {words('partNumber', 'Part number')}
      {words('costCode', 'Cost code')}
      <Field label="Include only if" wide>
        <FormulaInput
          label={`Rule of ${name}`}
          value={component.when ?? ''}
          place={place}
          condition
          placeholder="always; or a comparison, such as height > 10 ft"
          onCommit={(when) => set({ when })}
        />
      </Field>
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
  const { numbers } = useFormats();
  const crafts = [...job.craft.values()];
  const crews = inOrder(job.crew.values());
  const { labor, name, unit } = component;
  const begin: ComponentLabor = { by: 'hours', figure: '0', craftId: crafts[0]?.id ?? null };
  if (labor === undefined)
    return (
      <Field label="Labor" wide>
        <TextButton onClick={() => set({ labor: begin })}>Its own hours instead of the item’s</TextButton>
      </Field>
    );
  return (
    <Field label={`Labor, ${unit}`} wide>
      <div className="details-row">
        <CommitInput
          label={`Production of ${name}`}
          align="end"
          value={plainToLocal(labor.figure, numbers)}
          onCommit={(text) =>
            takeFigure(text, numbers, { as: 'amount', least: 0 }, (figure) =>
              set({ labor: { ...labor, figure } }),
            )
          }
        />
        <Select
          aria-label={`Unit of the production of ${name}`}
          value={labor.by}
          onChange={(event) => set({ labor: { ...labor, by: event.target.value as ComponentLabor['by'] } })}
        >
          {Object.entries(LABOR_WORDS).map(([by, label]) => (
            <option key={by} value={by}>
              {label}
            </option>
          ))}
        </Select>
        <Select
          aria-label={`Craft of ${name}`}
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
              {crew} (crew)
            </option>
          ))}
          {crafts.map(({ id, name: craft }) => (
            <option key={id} value={id}>
              {craft}
            </option>
          ))}
        </Select>
        <TextButton onClick={() => set({ labor: undefined } as Partial<Component>)}>as the item</TextButton>
      </div>
    </Field>
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
      <div className="soft field-label">{label}</div>
      {children}
    </div>
  );
}
