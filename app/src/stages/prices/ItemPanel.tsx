import { put, update } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import type { Item } from '@zest/core/job/records/item';
import { plainToLocal } from '@zest/core/formula/localize';
import { formatUnitCost } from '@zest/core/pricing/money';
import { hasSamplePrice, ownPrice } from '@zest/core/pricing/ownPrice';
import { costOfOne } from '@zest/core/pricing/price';
import { keyFor } from '@zest/core/job/keyFor';
import { type NumberFormat, formatNumber } from '@zest/core/units/numberFormat';
import { CommitInput } from '../../parts/CommitInput.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useJobNow, useFormats, useOpenJob } from '../../stores/context.tsx';
import { editItem } from './bookColumns.tsx';
import { TextButton } from '../../parts/buttons.tsx';
import { Select } from '../../parts/fields.tsx';
import { t } from '../../messages/t.ts';
import { layout } from '../../theme/layout.ts';
import { styles } from './styles.ts';

/** All there is to say of one item, beside the list. */
export function ItemPanel({ item }: { readonly item: Item | undefined }) {
  const { job } = useOpenJob();
  const settle = useSettle();
  const jobNow = useJobNow();
  const formats = useFormats();
  const { numbers } = formats;
  if (item === undefined)
    return (
      <aside className={`${layout.scroll} ${layout.sideBody}`} aria-label={t('prices.item')}>
        <p className="soft">{t('prices.selectAnItemToSeeItsLabor')}</p>
      </aside>
    );
  const change = (changed: Partial<Item>): string | undefined =>
    settle(
      t('prices.changeAnItem'),
      update(item, (now) => ({ ...now, ...changed })),
    );
  const edit = (column: string, text: string): string | undefined => {
    const edited = editItem(jobNow().item.get(item.id) ?? item, column, text, formats, job);
    return edited.ok ? settle(t('prices.changeAnItem'), put(edited.value)) : describeProblem(edited.problem);
  };
  const field = (label: string, column: 'group' | 'supplier' | 'source' | 'tags' | 'date') => (
    <label>
      <span className="soft">{label}</span>
      <CommitInput label={label} value={item[column] ?? ''} onCommit={(text) => edit(column, text)} />
    </label>
  );
  const worker = item.crewId ?? item.craftId ?? '';
  return (
    <aside className={`${layout.scroll} ${layout.sideBody}`} aria-label={t('prices.item')}>
      <div key={item.id} className={`${layout.form} ${layout.linePanel}`}>
        <h2>{item.description}</h2>
        <SampleNote item={item} />
        <OneUnit item={item} />
        <DoneBy worker={worker} item={item} />
        <LaborFields item={item} numbers={numbers} edit={edit} />
        <HoursPer item={item} edit={edit} />
        <MaterialFields item={item} numbers={numbers} edit={edit} />
        <Sizes item={item} change={change} />
        {field(t('prices.group'), 'group')}
        {field(t('prices.supplier'), 'supplier')}
        <div className={layout.formTwo}>
          {field(t('prices.pricedOn'), 'date')}
          {field(t('prices.source'), 'source')}
        </div>
        {field(t('prices.searchWords'), 'tags')}
      </div>
    </aside>
  );
}

/** Says of a sample what it is, and takes it as one's own when that is meant. */
function SampleNote({ item }: { readonly item: Item }) {
  const settle = useSettle();
  if (!hasSamplePrice(item)) return null;
  return (
    <p className="warn">
      {t('prices.samplePrice')}{' '}
      <TextButton onClick={() => settle(t('prices.takeAsMyPrice2'), put(ownPrice(item)))}>
        {t('prices.takeAsMyPrice')}
      </TextButton>
    </p>
  );
}

interface HoursPerProps {
  readonly item: Item;
  readonly edit: (column: string, text: string) => string | undefined;
}

/** For how many units its hours are, where that is not what its costs are for. */
function HoursPer({ item, edit }: HoursPerProps) {
  return item.laborBy === undefined ? (
    <label>
      <span className="soft">{t('prices.hoursAreForSoMany', { unit: item.unit })}</span>
      <CommitInput
        label={t('prices.hoursPer')}
        align="end"
        placeholder={String(item.basis)}
        value={item.laborBasis === undefined ? '' : String(item.laborBasis)}
        onCommit={(text) => edit('laborBasis', text)}
      />
    </label>
  ) : null;
}

interface MaterialFieldsProps {
  readonly item: Item;
  readonly numbers: NumberFormat;
  readonly edit: (column: string, text: string) => string | undefined;
}

function MaterialFields({ item, numbers, edit }: MaterialFieldsProps) {
  return (
    <div className={layout.formTwo}>
      <label>
        <span className="soft">{t('prices.otherCost')}</span>
        <CommitInput
          label={t('prices.otherCost')}
          align="end"
          value={plainToLocal(item.other, numbers)}
          onCommit={(text) => edit('other', text)}
        />
      </label>
      <label>
        <span className="soft">{t('prices.waste')}</span>
        <CommitInput
          label={t('prices.wastePercent')}
          align="end"
          value={plainToLocal(item.wastePercent ?? '', numbers)}
          onCommit={(text) => edit('wastePercent', text)}
        />
      </label>
      <label>
        <span className="soft">{t('prices.packSize', { unit: item.unit })}</span>
        <CommitInput
          label={t('prices.packSize', { unit: item.unit })}
          align="end"
          value={plainToLocal(item.packSize ?? '', numbers)}
          onCommit={(text) => edit('packSize', text)}
        />
      </label>
    </div>
  );
}

interface LaborFieldsProps {
  readonly item: Item;
  readonly numbers: NumberFormat;
  readonly edit: (column: string, text: string) => string | undefined;
}

function LaborFields({ item, numbers, edit }: LaborFieldsProps) {
  const settle = useSettle();
  return (
    <div className={layout.formTwo}>
      <label>
        <span className="soft">{t('prices.laborIs')}</span>
        <Select
          value={item.laborBy ?? 'hours'}
          onChange={(event) => {
            const by = event.target.value;
            settle(
              t('prices.changeAnItem'),
              update(item, ({ laborBy: _by, ...bare }) =>
                by === 'hours' ? bare : { ...bare, laborBy: by as 'hourly' | 'daily' },
              ),
            );
          }}
        >
          <option value="hours">{t('prices.laborHours')}</option>
          <option value="hourly">{t('prices.inAnHour', { unit: item.unit })}</option>
          <option value="daily">{t('prices.inADay', { unit: item.unit })}</option>
        </Select>
      </label>
      <label>
        <span className="soft">{item.laborBy === undefined ? t('prices.hours') : t('prices.output')}</span>
        <CommitInput
          label={t('prices.laborFigure')}
          align="end"
          value={plainToLocal(item.laborHours, numbers)}
          onCommit={(text) => edit('laborHours', text)}
        />
      </label>
    </div>
  );
}

interface DoneByProps {
  readonly worker: '' | Id<'craft'> | Id<'crew'>;
  readonly item: Item;
}

function DoneBy({ worker, item }: DoneByProps) {
  const settle = useSettle();
  const { job } = useOpenJob();
  return (
    <label>
      <span className="soft">{t('prices.doneBy')}</span>
      <Select
        value={worker}
        onChange={(event) => {
          const id = event.target.value;
          settle(
            t('prices.changeAnItem'),
            update(item, ({ crewId: _crew, ...bare }) =>
              id.startsWith('crew:')
                ? { ...bare, craftId: null, crewId: id as Id<'crew'> }
                : { ...bare, craftId: id === '' ? null : (id as Id<'craft'>) },
            ),
          );
        }}
      >
        <option value="">{t('prices.nobody')}</option>
        {[...job.craft.values()].map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
        {inOrder(job.crew.values()).map(({ id, name }) => (
          <option key={id} value={id}>
            {t('prices.crew3', { name })}
          </option>
        ))}
      </Select>
    </label>
  );
}

/** What a single unit costs, with labor: the figure behind the basis. */
function OneUnit({ item }: { readonly item: Item }) {
  const { job } = useOpenJob();
  const { money, numbers } = useFormats();
  const cost = costOfOne(item, job);
  if (!cost.ok) return <p className="warn">{describeFailure(cost.problem, job)}</p>;
  const { direct, hours, labor } = cost.value;
  return (
    <dl className={`${layout.facts} why`}>
      <div>
        <dt>{t('prices.oneWithoutLabor', { unit: item.unit })}</dt>
        <dd>{formatUnitCost(direct, money)}</dd>
      </div>
      {hours === 0 ? null : (
        <div>
          <dt>{t('prices.laborHours2', { figure: formatNumber(hours, 4, numbers, true) })}</dt>
          <dd>{formatUnitCost(labor, money)}</dd>
        </div>
      )}
      <div>
        <dt>{t('prices.together')}</dt>
        <dd>
          <b>{formatUnitCost(direct + labor, money)}</b>
        </dd>
      </div>
    </dl>
  );
}

/** Sizes by name, so that the nearest of a family that is big enough can be taken. */
function Sizes({
  item,
  change,
}: {
  readonly item: Item;
  readonly change: (changed: Partial<Item>) => string | undefined;
}) {
  const sizes = item.sizes ?? {};
  return (
    <fieldset className={layout.kinds}>
      <legend className="soft">{t('prices.sizes')}</legend>
      <CommitInput
        label={t('prices.familyOfSizes')}
        placeholder={t('prices.familySuchAsFooting')}
        value={item.family ?? ''}
        onCommit={(family) => change({ family: family.trim() })}
      />
      {Object.entries(sizes).map(([key, size]) => (
        <div key={key} className={styles.sizingRow}>
          <span className="soft">{key}</span>
          <CommitInput
            label={t('prices.sizeOf', { key })}
            value={size}
            onCommit={(text) => {
              const { [key]: _gone, ...others } = sizes;
              return change({ sizes: text.trim() === '' ? others : { ...sizes, [key]: text.trim() } });
            }}
          />
        </div>
      ))}
      <CommitInput
        label={t('prices.addASize')}
        placeholder={t('prices.addASizeWidth')}
        value=""
        onCommit={(name) =>
          name.trim() === ''
            ? undefined
            : change({ sizes: { ...sizes, [keyFor(name, new Set(Object.keys(sizes)), 'size')]: '1 in' } })
        }
      />
    </fieldset>
  );
}
