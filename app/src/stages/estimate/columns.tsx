import { formatMoney, formatUnitCost } from '@zest/core/pricing/money';
import { plainToLocal } from '@zest/core/formula/localize';
import { formatNumber } from '@zest/core/units/numberFormat';
import type { Figures } from '@zest/core/calculate/figures';
import { evaluateProperty } from '@zest/core/calculate/explain/propertyText';
import { linePrices } from '@zest/core/calculate/totals/linePrices';
import { type EstimateRow, alternateOfRow, isPriced } from '@zest/core/estimate/rows';
import { NO_SECTION } from '@zest/core/job/lineKey';
import { overrideOf } from '@zest/core/job/overrides';
import type { Job, Table } from '@zest/core/job/job';
import type { CostKind } from '@zest/core/job/records/assembly';
import { remember } from '@zest/core/job/remember';
import { type LineFacts, type ReportLine, factsOf, reportLine } from '@zest/core/reports/estimateReport';
import { FailureText } from '../../components/Figure.tsx';
import type { Formats } from '../../stores/context.tsx';
import type { GridColumn } from '../../tables/gridProps.ts';
import { DescriptionCell, QuantityCell, describeRow, describedAs, quantityOf } from './cells.tsx';
import { costOfColumn, isEditable, pinnedOfRow, typedCostsOf } from './editRow.ts';

type Column = GridColumn<EstimateRow>;

/** What a column reads; figures live outside the rows, so that it is made anew with every change. */
export interface ColumnSource {
  readonly figures: Figures;
  readonly formats: Formats;
  readonly read: (row: EstimateRow) => ReportLine;
  readonly facts: (row: EstimateRow) => LineFacts | undefined;
}

/** Reads each row once for as long as the figures stay. */
export function createSource(figures: Figures, formats: Formats): ColumnSource {
  return {
    figures,
    formats,
    read: remember((row: EstimateRow) => reportLine(figures, row)),
    facts: remember((row: EstimateRow) => factsOf(figures, row)),
  };
}

export interface ColumnChoice {
  readonly id: string;
  readonly name: string;
  readonly group: string;
}

const KIND_TITLES: Readonly<Record<CostKind, string>> = {
  material: 'Material',
  labor: 'Labor',
  equipment: 'Equipment',
  subcontract: 'Subcontr.',
  other: 'Other',
};

/** Columns that are shown where nobody chose others. */
export const USUAL_COLUMNS: readonly string[] = [
  'code',
  'description',
  'quantity',
  'unit',
  'material',
  'hours',
  'labor',
  'equipment',
  'subcontract',
  'extension',
];

const CHOICES: readonly ColumnChoice[] = [
  { id: 'code', name: 'Item', group: 'The line' },
  { id: 'description', name: 'Description', group: 'The line' },
  { id: 'cost-code', name: 'Cost code', group: 'The line' },
  { id: 'source', name: 'Source', group: 'The line' },
  { id: 'alternate', name: 'Alternate', group: 'The line' },
  { id: 'note', name: 'Note', group: 'The line' },
  { id: 'quantity', name: 'Quantity', group: 'Quantity' },
  { id: 'unit', name: 'Unit', group: 'Quantity' },
  { id: 'waste', name: 'Waste', group: 'Quantity' },
  { id: 'unit-material', name: 'Material, one unit', group: 'For one unit' },
  { id: 'unit-hours', name: 'Hours, one unit', group: 'For one unit' },
  { id: 'unit-labor', name: 'Labor, one unit', group: 'For one unit' },
  { id: 'unit-equipment', name: 'Equipment, one unit', group: 'For one unit' },
  { id: 'unit-subcontract', name: 'Subcontract, one unit', group: 'For one unit' },
  { id: 'unit-other', name: 'Other, one unit', group: 'For one unit' },
  { id: 'material', name: 'Material', group: 'Cost' },
  { id: 'hours', name: 'Hours', group: 'Cost' },
  { id: 'labor', name: 'Labor', group: 'Cost' },
  { id: 'equipment', name: 'Equipment', group: 'Cost' },
  { id: 'subcontract', name: 'Subcontract', group: 'Cost' },
  { id: 'other', name: 'Other', group: 'Cost' },
  { id: 'extension', name: 'Extension', group: 'Cost' },
  { id: 'tax', name: 'Tax', group: 'Price' },
  { id: 'markup', name: 'Tax and markup', group: 'Price' },
  { id: 'price', name: 'Price', group: 'Price' },
  { id: 'unit-price', name: 'Unit price', group: 'Price' },
];

/** All columns there are, those of the scopes' properties among them. */
export function listColumns(scopes: Table<'scope'>): readonly ColumnChoice[] {
  const properties = new Map<string, string>();
  for (const scope of scopes.values())
    for (const { key, name } of scope.properties) if (!properties.has(key)) properties.set(key, name);
  return [
    ...CHOICES,
    ...[...properties].map(([key, name]) => ({ id: `property:${key}`, name, group: 'What was measured' })),
  ];
}

export function makeColumn(id: string, source: ColumnSource): Column | undefined {
  const column = id.startsWith('property:') ? propertyColumn(id.slice(9), source) : plainColumn(id, source);
  return column === undefined ? undefined : { editable: (row) => isEditable(row, id), ...column };
}

type Plain = Column;

function plainColumn(id: string, source: ColumnSource): Plain | undefined {
  const { read, facts, formats, figures } = source;
  const { job } = figures;
  const kind = costOfColumn(id);
  if (kind !== undefined)
    return id.startsWith('unit-') ? unitColumn(id, kind, source) : totalColumn(kind, source);
  const text = (title: string, width: string, of: (row: EstimateRow) => string): Plain => ({
    id,
    title,
    width,
    text: of,
    show: (row) => (
      <span className="cut soft" title={of(row)}>
        {of(row)}
      </span>
    ),
  });
  const percent = (title: string, of: (row: EstimateRow) => string): Plain => ({
    id,
    title,
    width: '62px',
    align: 'right',
    text: (row) => plainToLocal(of(row), formats.numbers),
    show: (row) =>
      of(row) === '' ? (
        ''
      ) : (
        <>
          {plainToLocal(of(row), formats.numbers)}
          <span className="unit"> %</span>
        </>
      ),
  });
  switch (id) {
    case 'code':
      return {
        id,
        title: 'Item',
        width: '80px',
        stays: true,
        text: (row) => read(row).code,
        show: (row) => <span className={row.type === 'section' ? '' : 'soft'}>{read(row).code}</span>,
      };
    case 'description':
      return {
        id,
        title: 'Description',
        width: hasPinned(job) ? 'minmax(150px, 1fr)' : 'minmax(182px, 1fr)',
        stays: true,
        text: (row) => describeRow(read(row)),
        show: (row) => <DescriptionCell {...describedAs(job, row, read(row))} />,
      };
    case 'quantity':
      return {
        id,
        title: 'Quantity',
        // What flows under a pinned figure stands beside it.
        width: hasPinned(job) ? '142px' : '100px',
        align: 'right',
        text: (row) => quantityText(row, source),
        show: (row) => <QuantityCell {...quantityOf(figures, row, read(row))} />,
      };
    case 'unit':
      return {
        id,
        title: 'Unit',
        width: '54px',
        text: (row) => read(row).unit,
        show: (row) => <span className="unit">{read(row).unit}</span>,
      };
    case 'extension':
      return extensionColumn(source);
    case 'waste':
      return percent('Waste', (row) => {
        const waste = facts(row)?.wastePercent ?? 0;
        return waste === 0 ? '' : String(waste);
      });
    case 'tax':
      return percent('Tax', (row) =>
        row.type === 'line' ? (row.line.taxPercent ?? '') : (overrideOf(job, row.key)?.taxPercent ?? ''),
      );
    case 'cost-code':
      return text('Cost code', '84px', (row) =>
        row.type === 'section' ? (row.section?.code ?? '') : (facts(row)?.costCode ?? ''),
      );
    case 'source':
      return text('Source', '130px', (row) => facts(row)?.source ?? '');
    case 'alternate':
      return text('Alternate', '120px', (row) => {
        const place = alternateOfRow(job, row);
        const name = place === undefined ? '' : (job.alternate.get(place.id)?.name ?? '');
        return place === undefined ? '' : place.as === 'adds' ? `adds: ${name}` : `removed by ${name}`;
      });
    case 'note':
      return text('Note', '160px', (row) =>
        row.type === 'line' ? (row.line.note ?? '') : (overrideOf(job, row.key)?.note ?? ''),
      );
    case 'markup':
    case 'price':
    case 'unit-price':
      return priceColumn(id, source);
    default:
      return undefined;
  }
}

const hasPinned = ({ line, override }: Job): boolean => {
  for (const table of [override, line])
    for (const { pinned } of table.values()) if (pinned !== undefined) return true;
  return false;
};

/** Editing begins with what was typed: the formula, or the figure that is pinned. */
function quantityText(row: EstimateRow, { figures, formats, read }: ColumnSource): string {
  const pinned = pinnedOfRow(figures.job, row);
  if (pinned !== undefined) return plainToLocal(pinned, formats.numbers);
  if (row.type === 'line') return plainToLocal(row.line.quantity, formats.numbers);
  const { quantity } = read(row);
  return quantity === undefined ? '' : plainToLocal(String(quantity), formats.numbers);
}

/** Wide enough for a section's sum of the kind. */
const TOTAL_WIDTHS: Readonly<Record<CostKind | 'hours', string>> = {
  material: '90px',
  hours: '54px',
  labor: '84px',
  equipment: '78px',
  subcontract: '78px',
  other: '78px',
};

/** A cost that can be typed over: editing begins with what was typed, and what was stands out. */
function typedOver(
  kind: CostKind | 'hours',
  write: (row: EstimateRow) => string,
  { figures, formats }: ColumnSource,
): Pick<Plain, 'text' | 'show'> {
  const typedOn = (row: EstimateRow): string | undefined => typedCostsOf(figures.job, row)[kind];
  return {
    text: (row) => {
      const typed = typedOn(row);
      return typed === undefined ? write(row) : plainToLocal(typed, formats.numbers);
    },
    show: (row) => <span className={typedOn(row) === undefined ? '' : 'typed-cost'}>{write(row)}</span>,
  };
}

function totalColumn(kind: CostKind | 'hours', source: ColumnSource): Plain {
  const { read, formats } = source;
  const { money, numbers } = formats;
  const write = (row: EstimateRow): string => {
    const amount = read(row).amounts[kind];
    if (amount === undefined || amount === 0) return '';
    return kind === 'hours' ? formatNumber(amount, 1, numbers) : formatMoney(amount, money);
  };
  return {
    id: kind,
    title: kind === 'hours' ? 'Hours' : KIND_TITLES[kind],
    width: TOTAL_WIDTHS[kind],
    align: 'right',
    hint: kind === 'hours' ? 'Type hours for one unit of the line' : 'Type a cost for one unit of the line',
    ...typedOver(kind, write, source),
  };
}

function unitColumn(id: string, kind: CostKind | 'hours', source: ColumnSource): Plain {
  const { read, formats } = source;
  const { money, numbers } = formats;
  const valueOf = (row: EstimateRow): number => {
    const per = read(row).perUnit;
    if (per === undefined) return 0;
    return kind === 'labor' ? per.labor + per.hours * per.wage : per[kind];
  };
  const write = (row: EstimateRow): string => {
    const value = valueOf(row);
    if (value === 0) return '';
    return kind === 'hours' ? formatNumber(value, 4, numbers, true) : formatUnitCost(value, money);
  };
  return {
    id,
    title: kind === 'hours' ? 'Hours / unit' : `${KIND_TITLES[kind]} / unit`,
    width: '112px',
    align: 'right',
    ...typedOver(kind, write, source),
  };
}

function extensionColumn({ read, formats }: ColumnSource): Plain {
  const write = (row: EstimateRow): string => {
    const { extension } = read(row);
    return extension === undefined ? '' : formatMoney(extension, formats.money);
  };
  return {
    id: 'extension',
    title: 'Extension',
    width: '98px',
    align: 'right',
    text: write,
    show: (row) => {
      const { failure } = read(row);
      return failure === undefined ? (
        <b style={{ fontWeight: 600 }}>{write(row)}</b>
      ) : (
        <FailureText failure={failure} />
      );
    },
  };
}

/** What the client pays for a line: its cost with its share of all that comes on top. */
function priceColumn(id: 'markup' | 'price' | 'unit-price', source: ColumnSource): Plain {
  const { figures, read, formats } = source;
  const priceOf = (row: EstimateRow): number | undefined => {
    if (row.type === 'section') return linePrices(figures).ofSection(row.section?.id ?? NO_SECTION);
    return isPriced(row) ? linePrices(figures).ofLine(row.key) : undefined;
  };
  const write = (row: EstimateRow): string => {
    const [price, line] = [priceOf(row), read(row)];
    if (price === undefined || line.failure !== undefined) return '';
    if (id === 'price') return formatMoney(price, formats.money);
    if (id === 'markup') return formatMoney(price - (line.extension ?? 0), formats.money);
    const { quantity } = line;
    return quantity === undefined || quantity === 0
      ? ''
      : formatUnitCost(figures.toMajor(price) / quantity, formats.money, 'four');
  };
  const titles = { markup: 'Tax + markup', price: 'Price', 'unit-price': 'Unit price' } as const;
  return {
    id,
    title: titles[id],
    width: '98px',
    align: 'right',
    editable: () => false,
    text: write,
    show: write,
  };
}

/** A property of what was measured, as it stands there. */
function propertyColumn(key: string, { figures, formats }: ColumnSource): Plain {
  const names = [...figures.job.scope.values()].flatMap(({ properties }) => properties);
  const title = names.find((each) => each.key === key)?.name ?? key;
  const write = (row: EstimateRow): string =>
    row.type === 'scope' || row.type === 'component'
      ? evaluateProperty(figures, row.scope, key, formats.display)
      : '';
  return {
    id: `property:${key}`,
    title,
    width: '84px',
    align: 'right',
    editable: () => false,
    text: write,
    show: (row) => <span className="soft">{write(row)}</span>,
  };
}
