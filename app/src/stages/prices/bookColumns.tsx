import { plainToLocal } from '@zest/core/formula/localize';
import type { Job } from '@zest/core/job/job';
import { hasSamplePrice, ownPrice } from '@zest/core/pricing/ownPrice';
import type { Item } from '@zest/core/job/records/item';
import { formatUnitCost } from '@zest/core/pricing/money';
import { formatNumber } from '@zest/core/units/numberFormat';
import { type Result, accept, refuse } from '@zest/core/problem/result';
import { decimalText, readFigure } from '@zest/core/formula/readTyped';
import type { Problem } from '../../messages/describeProblem.ts';
import type { Formats } from '../../stores/context.tsx';
import type { GridColumn } from '../../tables/gridProps.ts';
import { t } from '../../messages/t.ts';

type Column = GridColumn<Item>;

export const COST_FIELDS = ['material', 'equipment', 'subcontract', 'other'] as const;
const FIGURES = new Set<string>([...COST_FIELDS, 'laborHours', 'wastePercent', 'packSize']);
const COSTS = new Set<string>(COST_FIELDS);
/** Figures that are no money. */
const QUANTITIES = new Set<string>(['laborHours', 'packSize']);
/** What may be left out altogether. */
const OPTIONAL = new Set<string>(['laborBasis', 'wastePercent', 'packSize']);
const COUNTS = new Set<string>(['basis', 'laborBasis']);

/** The columns of the price book; `usual` ones are shown where nobody chose others. */
export const BOOK_COLUMNS: readonly {
  readonly id: string;
  readonly name: string;
  readonly group: string;
  readonly usual: boolean;
}[] = [
  { id: 'code', name: t('prices.code'), group: t('prices.theItem'), usual: true },
  { id: 'description', name: t('prices.description'), group: t('prices.theItem'), usual: true },
  { id: 'group', name: t('prices.group'), group: t('prices.theItem'), usual: false },
  { id: 'basis', name: t('prices.per'), group: t('prices.price'), usual: true },
  { id: 'unit', name: t('prices.unit'), group: t('prices.price'), usual: true },
  { id: 'material', name: t('prices.material2'), group: t('prices.price'), usual: true },
  { id: 'laborHours', name: t('prices.hours'), group: t('prices.labor2'), usual: true },
  { id: 'laborBasis', name: t('prices.hoursPer'), group: t('prices.labor2'), usual: false },
  { id: 'craft', name: t('prices.doneBy'), group: t('prices.labor2'), usual: true },
  { id: 'equipment', name: t('prices.equipment2'), group: t('prices.price'), usual: true },
  { id: 'subcontract', name: t('prices.subcontr'), group: t('prices.price'), usual: true },
  { id: 'other', name: t('prices.other'), group: t('prices.price'), usual: false },
  { id: 'wastePercent', name: t('prices.waste2'), group: t('prices.price'), usual: false },
  { id: 'packSize', name: t('prices.pack'), group: t('prices.price'), usual: false },
  { id: 'supplier', name: t('prices.supplier'), group: t('prices.whereFrom'), usual: true },
  { id: 'date', name: t('prices.date'), group: t('prices.whereFrom'), usual: true },
  { id: 'source', name: t('prices.source'), group: t('prices.whereFrom'), usual: false },
  { id: 'tags', name: t('prices.tags'), group: t('prices.theItem'), usual: false },
  { id: 'family', name: t('prices.family'), group: t('prices.sizes'), usual: false },
  { id: 'sizes', name: t('prices.sizes'), group: t('prices.sizes'), usual: false },
];

export const USUAL_BOOK_COLUMNS = BOOK_COLUMNS.filter(({ usual }) => usual).map(({ id }) => id);

export const workerOf = (item: Item, job: Pick<Job, 'craft' | 'crew'>): string =>
  item.crewId === undefined
    ? ((item.craftId === null ? undefined : job.craft.get(item.craftId)?.name) ?? '')
    : (job.crew.get(item.crewId)?.name ?? '');

const figureOf = (text: string): string | number => (text === '' ? '' : Number(text));

const RATE_WORDS = { hourly: ' / h', daily: t('prices.day') } as const;

const WIDTHS: Readonly<Record<string, string>> = {
  code: '84px',
  description: 'minmax(176px, 1fr)',
  supplier: '100px',
  date: '92px',
  material: '84px',
  group: '110px',
  craft: '100px',
  source: '110px',
  tags: '120px',
  family: '110px',
  sizes: '150px',
};

/** What an item is goes on being seen beside its figures. */
const STAYING = new Set(['code', 'description']);

export function bookColumn(
  id: string,
  formats: Formats,
  job: Pick<Job, 'craft' | 'crew'>,
): Column | undefined {
  const name = BOOK_COLUMNS.find((column) => column.id === id)?.name;
  if (name === undefined) return undefined;
  const column = {
    id,
    title: name,
    width: WIDTHS[id] ?? '70px',
    editable: () => id !== 'sizes',
    stays: STAYING.has(id),
  };
  if (id === 'unit')
    return {
      ...column,
      width: '48px',
      text: ({ unit }) => unit,
      sortBy: ({ unit }) => unit,
      show: ({ unit }) => <span className="unit">{unit}</span>,
    };
  if (id === 'supplier') return supplierColumn(column);
  const figure = figureColumn(column, formats);
  if (figure !== undefined) return figure;
  if (id === 'craft')
    return {
      ...column,
      text: (item) => workerOf(item, job),
      sortBy: (item) => workerOf(item, job),
      show: (item) => <span className="cut">{workerOf(item, job)}</span>,
    };
  if (id === 'sizes') {
    const write = ({ sizes = {} }: Item): string =>
      Object.entries(sizes)
        .map(([key, size]) => `${key} ${size}`)
        .join(', ');
    return { ...column, text: write, show: write, sortBy: write };
  }
  const field = id as 'code';
  const read = (item: Item): string => item[field] ?? '';
  return {
    ...column,
    text: read,
    sortBy: read,
    show: (item) => (
      <span className="cut" title={read(item)}>
        {read(item)}
      </span>
    ),
  };
}

/** The item with one cell changed. Figures that are none, and below zero, are kept out with the cell named. */
export function editItem(
  item: Item,
  column: string,
  typed: string,
  { numbers, money }: Formats,
  job: Pick<Job, 'craft' | 'crew'>,
): Result<Item, Problem> {
  const text = typed.trim();
  if (FIGURES.has(column) || COUNTS.has(column)) {
    const as = COUNTS.has(column) ? 'count' : column === 'wastePercent' ? 'percent' : 'amount';
    const limits = { least: as === 'count' ? 1 : 0, most: as === 'count' ? 1_000_000 : 100_000_000 };
    const currency = as === 'amount' && !QUANTITIES.has(column) ? money.currency : undefined;
    const read = readFigure(text, numbers, { as, currency, ...limits });
    if (!read.ok) return read;
    if (read.value === undefined) {
      if (column === 'basis') return accept({ ...item, basis: 1 });
      const { [column as 'laborBasis']: _gone, ...rest } = item;
      return accept(OPTIONAL.has(column) ? (rest as Item) : { ...item, [column]: '' });
    }
    const edited = { ...item, [column]: as === 'count' ? read.value : decimalText(read.value) };
    // A price that somebody typed is no sample any more.
    return accept(COSTS.has(column) ? ownPrice(edited) : edited);
  }
  if (column === 'craft') return editWorker(item, text, job);
  return accept({ ...item, [column]: text });
}

/** A craft or a crew by the beginning of its name. */
function editWorker(item: Item, text: string, job: Pick<Job, 'craft' | 'crew'>): Result<Item, Problem> {
  const { crewId: _before, ...bare } = item;
  const wanted = text.toLowerCase();
  if (wanted === '') return accept({ ...bare, craftId: null });
  const craft = [...job.craft.values()].find(({ name }) => name.toLowerCase().startsWith(wanted));
  if (craft !== undefined) return accept({ ...bare, craftId: craft.id });
  const crew = [...job.crew.values()].find(({ name }) => name.toLowerCase().startsWith(wanted));
  return crew === undefined
    ? refuse({ kind: 'worker-unknown', text })
    : accept({ ...bare, craftId: null, crewId: crew.id });
}

type Shape = Pick<Column, 'id' | 'title' | 'width' | 'editable' | 'stays'>;

/** Who offered it. Of a sample that is nobody, and must be seen where a supplier would be. */
const supplierColumn = (column: Shape): Column => ({
  ...column,
  text: ({ supplier }) => supplier,
  sortBy: ({ supplier }) => supplier,
  show: (item) =>
    hasSamplePrice(item) && item.supplier === '' ? (
      <span className="warn">{t('prices.sample')}</span>
    ) : (
      <span className="cut">{item.supplier}</span>
    ),
});

/** A column of figures; undefined where the column holds words. */
function figureColumn(column: Shape, { money, numbers }: Formats): Column | undefined {
  const { id } = column;
  if (id === 'basis' || id === 'laborBasis')
    return {
      ...column,
      width: id === 'basis' ? '46px' : '70px',
      align: 'right',
      text: (item) => String(item[id] ?? ''),
      sortBy: (item) => item[id] ?? 1,
      show: (item) => (item[id] === undefined || item[id] === 1 ? '' : formatNumber(item[id], 0, numbers)),
    };
  if (id === 'laborHours')
    return {
      ...column,
      align: 'right',
      hint: t('prices.laborHoursOrUnitsThatAreDone'),
      text: ({ laborHours }) => plainToLocal(laborHours, numbers),
      sortBy: ({ laborHours }) => figureOf(laborHours),
      show: ({ laborHours, laborBy }) =>
        laborHours === '' ? (
          ''
        ) : (
          <>
            {formatNumber(Number(laborHours), 4, numbers, true)}
            <span className="unit">{laborBy === undefined ? '' : RATE_WORDS[laborBy]}</span>
          </>
        ),
    };
  if (FIGURES.has(id)) {
    const field = id as (typeof COST_FIELDS)[number] | 'wastePercent' | 'packSize';
    return {
      ...column,
      align: 'right',
      text: (item) => plainToLocal(item[field] ?? '', numbers),
      sortBy: (item) => figureOf(item[field] ?? ''),
      show: (item) => {
        const value = item[field] ?? '';
        if (value === '') return '';
        if (field === 'packSize') return `${plainToLocal(value, numbers)} ${item.unit}`;
        return field === 'wastePercent'
          ? `${plainToLocal(value, numbers)} %`
          : formatUnitCost(Number(value), money);
      },
    };
  }
  return undefined;
}
