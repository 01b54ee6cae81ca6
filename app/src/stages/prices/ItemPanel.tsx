import { put, update } from '@zest/core/job/change';
import type { Id } from '@zest/core/job/id';
import { inOrder } from '@zest/core/job/job';
import type { Item } from '@zest/core/job/records/item';
import { plainToLocal } from '@zest/core/formula/localize';
import { formatUnitCost } from '@zest/core/pricing/money';
import { costOfOne } from '@zest/core/pricing/price';
import { keyFor } from '@zest/core/job/keyFor';
import { formatNumber } from '@zest/core/units/numberFormat';
import { CommitInput } from '../../components/CommitInput.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useJobNow, useFormats, useOpenJob } from '../../stores/context.tsx';
import { editItem } from './bookColumns.tsx';
import { Select } from '../../parts/fields.tsx';

/** All there is to say of one item, beside the list. */
export function ItemPanel({ item }: { readonly item: Item | undefined }) {
  const { job } = useOpenJob();
  const settle = useSettle();
  const jobNow = useJobNow();
  const formats = useFormats();
  const { numbers } = formats;
  if (item === undefined)
    return (
      <aside className="scroll side-body" aria-label="Item">
        <p className="soft">Select an item to see its labor, sizes and where its price comes from.</p>
      </aside>
    );
  const change = (changed: Partial<Item>): string | undefined =>
    settle(
      'change an item',
      update(item, (now) => ({ ...now, ...changed })),
    );
  const edit = (column: string, text: string): string | undefined => {
    const edited = editItem(jobNow().item.get(item.id) ?? item, column, text, formats, job);
    return edited.ok ? settle('change an item', put(edited.value)) : describeProblem(edited.problem);
  };
  const field = (label: string, column: 'group' | 'supplier' | 'source' | 'tags' | 'date') => (
    <label>
      <span className="soft">{label}</span>
      <CommitInput label={label} value={item[column] ?? ''} onCommit={(text) => edit(column, text)} />
    </label>
  );
  const worker = item.crewId ?? item.craftId ?? '';
  return (
    <aside className="scroll side-body" aria-label="Item">
      <div key={item.id} className="form line-panel">
        <h2>{item.description}</h2>
        <OneUnit item={item} />
        <label>
          <span className="soft">Done by</span>
          <Select
            value={worker}
            onChange={(event) => {
              const id = event.target.value;
              settle(
                'change an item',
                update(item, ({ crewId: _crew, ...bare }) =>
                  id.startsWith('crew:')
                    ? { ...bare, craftId: null, crewId: id as Id<'crew'> }
                    : { ...bare, craftId: id === '' ? null : (id as Id<'craft'>) },
                ),
              );
            }}
          >
            <option value="">Nobody</option>
            {[...job.craft.values()].map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
            {inOrder(job.crew.values()).map(({ id, name }) => (
              <option key={id} value={id}>
                {name} (crew)
              </option>
            ))}
          </Select>
        </label>
        <div className="form-two">
          <label>
            <span className="soft">Labor is</span>
            <Select
              value={item.laborBy ?? 'hours'}
              onChange={(event) => {
                const by = event.target.value;
                settle(
                  'change an item',
                  update(item, ({ laborBy: _by, ...bare }) =>
                    by === 'hours' ? bare : { ...bare, laborBy: by as 'hourly' | 'daily' },
                  ),
                );
              }}
            >
              <option value="hours">labor hours</option>
              <option value="hourly">{item.unit} in an hour</option>
              <option value="daily">{item.unit} in a day</option>
            </Select>
          </label>
          <label>
            <span className="soft">{item.laborBy === undefined ? 'Hours' : 'Output'}</span>
            <CommitInput
              label="Labor figure"
              align="end"
              value={plainToLocal(item.laborHours, numbers)}
              onCommit={(text) => edit('laborHours', text)}
            />
          </label>
        </div>
        {item.laborBy === undefined ? (
          <label>
            <span className="soft">Hours are for so many {item.unit}</span>
            <CommitInput
              label="Hours per"
              align="end"
              placeholder={String(item.basis)}
              value={item.laborBasis === undefined ? '' : String(item.laborBasis)}
              onCommit={(text) => edit('laborBasis', text)}
            />
          </label>
        ) : null}
        <div className="form-two">
          <label>
            <span className="soft">Other cost</span>
            <CommitInput
              label="Other cost"
              align="end"
              value={plainToLocal(item.other, numbers)}
              onCommit={(text) => edit('other', text)}
            />
          </label>
          <label>
            <span className="soft">Waste, %</span>
            <CommitInput
              label="Waste, percent"
              align="end"
              value={plainToLocal(item.wastePercent ?? '', numbers)}
              onCommit={(text) => edit('wastePercent', text)}
            />
          </label>
        </div>
        <Sizes item={item} change={change} />
        {field('Group', 'group')}
        {field('Supplier', 'supplier')}
        <div className="form-two">
          {field('Priced on', 'date')}
          {field('Source', 'source')}
        </div>
        {field('Search words', 'tags')}
      </div>
    </aside>
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
    <dl className="facts why">
      <div>
        <dt>One {item.unit}, without labor</dt>
        <dd>{formatUnitCost(direct, money)}</dd>
      </div>
      {hours === 0 ? null : (
        <div>
          <dt>{formatNumber(hours, 4, numbers, true)} labor hours</dt>
          <dd>{formatUnitCost(labor, money)}</dd>
        </div>
      )}
      <div>
        <dt>Together</dt>
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
    <fieldset className="kinds">
      <legend className="soft">Sizes</legend>
      <CommitInput
        label="Family of sizes"
        placeholder="Family, such as Footing"
        value={item.family ?? ''}
        onCommit={(family) => change({ family: family.trim() })}
      />
      {Object.entries(sizes).map(([key, size]) => (
        <div key={key} className="sizing-row">
          <span className="soft">{key}</span>
          <CommitInput
            label={`Size, ${key}`}
            value={size}
            onCommit={(text) => {
              const { [key]: _gone, ...others } = sizes;
              return change({ sizes: text.trim() === '' ? others : { ...sizes, [key]: text.trim() } });
            }}
          />
        </div>
      ))}
      <CommitInput
        label="Add a size"
        placeholder="Add a size: width"
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
