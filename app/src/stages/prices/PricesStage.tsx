import { Button } from '@chakra-ui/react';
import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { put, remove } from '@zest/core/job/change';
import { removeCraft } from '@zest/core/job/commands/removeWith';
import type { Craft } from '@zest/core/job/records/craft';
import type { Item } from '@zest/core/job/records/item';
import { plainToLocal } from '@zest/core/formula/localize';
import { formatUnitCost } from '@zest/core/pricing/money';
import { formatNumber } from '@zest/core/units/numberFormat';
import { CommitInput } from '../../components/CommitInput.tsx';
import { tellProblem } from '../../components/toaster.tsx';
import { useSettle } from '../../components/useSettle.ts';
import { describeProblem } from '../../messages/describeProblem.ts';
import { plural } from '../../messages/words.ts';
import { Grid, type GridColumn, type GridEdit } from '../../tables/Grid.tsx';
import { keepEntry } from '../../components/keepEntry.ts';
import { type Formats, useFormats, useJobActions, useOpenJob, useServices } from '../../stores/context.tsx';
import { searchItems } from './searchItems.ts';

/** The price book of the job, and what an hour of each craft costs. */
export function PricesStage() {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const actions = useJobActions();
  const formats = useFormats();
  const [params] = useSearchParams();
  const [text, setText] = useState('');
  const rows = useMemo(() => searchItems(job.item.values(), text), [job.item, text]);
  const columns = useMemo(() => columnsFor(formats, job.craft), [formats, job.craft]);
  const onEdit = (edits: readonly GridEdit<Item>[]): string | undefined => {
    const changed = new Map<string, Item>();
    for (const { row, column, text: typed } of edits)
      changed.set(
        row.id,
        editItem(changed.get(row.id) ?? row, column, keepEntry(typed, formats.numbers), typed, job.craft),
      );
    return settle(
      edits.length === 1 ? 'change a price' : `change ${plural(changed.size, 'item')}`,
      put(...changed.values()),
    );
  };
  const add = (): void => {
    const codes = new Set([...job.item.values()].map(({ code }) => code));
    let number = 1;
    while (codes.has(`NEW-${number}`)) number += 1;
    const item: Item = {
      type: 'item',
      id: services.makeId('item'),
      code: `NEW-${number}`,
      description: 'New item',
      unit: 'ea',
      basis: 1,
      material: '',
      laborHours: '',
      craftId: null,
      equipment: '',
      subcontract: '',
      other: '',
      supplier: '',
      date: new Date(services.now()).toISOString().slice(0, 10),
      group: '',
    };
    actions.transact('add an item', put(item));
    setText(item.code);
  };
  return (
    <div className="stage">
      <div className="bar">
        <h1>Prices</h1>
        <input
          className="input"
          style={{ width: 260 }}
          aria-label="Search the price book"
          placeholder="Code or words, in any order"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <span className="soft" role="status">
          {rows.length === job.item.size
            ? plural(rows.length, 'item')
            : `${rows.length} of ${plural(job.item.size, 'item')}`}
        </span>
        <span className="grow" />
        <Button size="sm" onClick={add}>
          Add an item
        </Button>
      </div>
      <div className="split" style={{ gridTemplateColumns: 'minmax(0, 1fr) 212px' }}>
        <div className="stage" style={{ borderRight: '1px solid var(--pith)' }}>
          {rows.length === 0 ? (
            <div className="empty">
              <h2>Nothing is called that</h2>
              <p>Try fewer words, or add it as a new item.</p>
            </div>
          ) : (
            <Grid
              label="Price book"
              columns={columns}
              rows={rows}
              keyOf={({ id }) => id}
              selectedKey={params.get('item') ?? undefined}
              onEdit={onEdit}
              onRemove={(items) => {
                const done = actions.transact(
                  `remove ${plural(items.length, 'item')}`,
                  remove(...items.map(({ id }) => id)),
                );
                if (!done.ok) tellProblem(describeProblem(done.problem));
              }}
            />
          )}
        </div>
        <Crafts />
      </div>
    </div>
  );
}

type Column = GridColumn<Item>;

function columnsFor({ money, numbers }: Formats, crafts: ReadonlyMap<string, Craft>): readonly Column[] {
  const always = (): boolean => true;
  const text = (
    id: keyof Item & string,
    title: string,
    width: string,
    read: (item: Item) => string,
  ): Column => ({
    id,
    title,
    width,
    text: read,
    show: (item) => (
      <span className="cut" title={read(item)}>
        {read(item)}
      </span>
    ),
    editable: always,
  });
  const cost = (id: 'material' | 'equipment' | 'subcontract', title: string): Column => ({
    id,
    title,
    width: '76px',
    align: 'right',
    editable: always,
    text: (item) => plainToLocal(item[id], numbers),
    show: (item) => (item[id] === '' ? '' : formatUnitCost(Number(item[id]), money)),
  });
  return [
    text('code', 'Code', '86px', ({ code }) => code),
    text('description', 'Description', 'minmax(190px, 1fr)', ({ description }) => description),
    {
      id: 'basis',
      title: 'Per',
      width: '50px',
      align: 'right',
      editable: always,
      text: ({ basis }) => String(basis),
      show: ({ basis }) => (basis === 1 ? '' : formatNumber(basis, 0, numbers)),
    },
    {
      id: 'unit',
      title: 'Unit',
      width: '48px',
      editable: always,
      text: ({ unit }) => unit,
      show: ({ unit }) => <span className="unit">{unit}</span>,
    },
    cost('material', 'Material'),
    {
      id: 'laborHours',
      title: 'Hours',
      width: '56px',
      align: 'right',
      editable: always,
      text: ({ laborHours }) => plainToLocal(laborHours, numbers),
      show: ({ laborHours }) => (laborHours === '' ? '' : formatNumber(Number(laborHours), 4, numbers, true)),
    },
    {
      id: 'craft',
      title: 'Craft',
      width: '112px',
      editable: always,
      text: ({ craftId }) => crafts.get(craftId ?? '')?.name ?? '',
      show: ({ craftId }) => crafts.get(craftId ?? '')?.name ?? '',
    },
    cost('equipment', 'Equipment'),
    cost('subcontract', 'Subcontr.'),
    text('supplier', 'Supplier', '112px', ({ supplier }) => supplier),
    text('date', 'Date', '98px', ({ date }) => date),
  ];
}

/** The item with one cell changed; what does not fit is refused by the record's own check. */
function editItem(
  item: Item,
  column: string,
  kept: string,
  typed: string,
  crafts: ReadonlyMap<string, Craft>,
): Item {
  if (column === 'basis') return { ...item, basis: Number(kept) };
  if (column === 'craft') {
    const wanted = typed.trim().toLowerCase();
    const craft = [...crafts.values()].find(({ name }) => name.toLowerCase().startsWith(wanted));
    return { ...item, craftId: wanted === '' ? null : (craft?.id ?? item.craftId) };
  }
  const isFigure = ['material', 'laborHours', 'equipment', 'subcontract'].includes(column);
  return { ...item, [column]: isFigure ? kept : typed.trim() };
}

function Crafts() {
  const { job } = useOpenJob();
  const services = useServices();
  const settle = useSettle();
  const actions = useJobActions();
  const { money, numbers } = useFormats();
  const change = (craft: Craft, changed: Partial<Craft>): string | undefined => {
    return settle(`wage of ${craft.name}`, put({ ...craft, ...changed }));
  };
  return (
    <aside className="scroll" style={{ padding: 12, background: 'var(--card)' }} aria-label="Wages">
      <h2 style={{ fontSize: 14, fontWeight: 600, margin: '0 0 8px' }}>Wages, per hour</h2>
      <div className="form" style={{ gap: 6 }}>
        {[...job.craft.values()].map((craft) => (
          <div
            key={craft.id}
            style={{ display: 'grid', gridTemplateColumns: '1fr 58px 20px', gap: 6, alignItems: 'center' }}
          >
            <CommitInput label="Craft" value={craft.name} onCommit={(name) => change(craft, { name })} />
            <CommitInput
              label={`Wage of ${craft.name}`}
              className="right"
              value={plainToLocal(craft.wage, numbers)}
              onCommit={(text) => change(craft, { wage: keepEntry(text, numbers) })}
            />
            <button
              type="button"
              className="icon-button"
              style={{ width: 20 }}
              aria-label={`Remove ${craft.name}`}
              onClick={() => {
                const done = actions.transact(`remove ${craft.name}`, removeCraft(craft.id));
                if (!done.ok) tellProblem(describeProblem(done.problem));
              }}
            >
              <Trash2 size={13} />
            </button>
          </div>
        ))}
      </div>
      <Button
        size="xs"
        variant="outline"
        mt="2"
        onClick={() =>
          actions.transact(
            'add a craft',
            put({
              type: 'craft',
              id: services.makeId('craft'),
              name: `Craft ${job.craft.size + 1}`,
              wage: '',
            }),
          )
        }
      >
        Add a craft
      </Button>
      <p className="soft" style={{ fontSize: 12 }}>
        Labor is hours times wage, in {money.currency}. A change here reaches every line of the job.
      </p>
    </aside>
  );
}
