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
import { listProperties } from '@zest/core/reports/fields/fields';
import { type LineFacts, type ReportLine, factsOf, reportLine } from '@zest/core/reports/estimateReport';
import { FailureText } from '../../figures/Figure.tsx';
import type { Formats } from '../../stores/context.tsx';
import type { GridColumn } from '../../tables/gridProps.ts';
import { DescriptionCell, QuantityCell, describeRow, describedAs, quantityOf } from './cells.tsx';
import { costOfColumn, isEditable, pinnedOfRow, typedCostsOf } from './editRow.ts';
import { t } from '../../messages/t.ts';
import { styles } from './styles.ts';

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
  material: t('estimate.material'),
  labor: t('estimate.labor'),
  equipment: t('estimate.equipment'),
  subcontract: t('estimate.subcontr'),
  other: t('estimate.other'),
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
  { id: 'code', name: t('estimate.item'), group: t('estimate.theLine') },
  { id: 'description', name: t('estimate.description'), group: t('estimate.theLine') },
  { id: 'cost-code', name: t('estimate.costCode'), group: t('estimate.theLine') },
  { id: 'source', name: t('estimate.source'), group: t('estimate.theLine') },
  { id: 'alternate', name: t('estimate.alternate2'), group: t('estimate.theLine') },
  { id: 'note', name: t('estimate.note'), group: t('estimate.theLine') },
  { id: 'quantity', name: t('estimate.quantity'), group: t('estimate.quantity') },
  { id: 'unit', name: t('estimate.unit'), group: t('estimate.quantity') },
  { id: 'waste', name: t('estimate.waste2'), group: t('estimate.quantity') },
  { id: 'unit-material', name: t('estimate.materialOneUnit'), group: t('estimate.forOneUnit') },
  { id: 'unit-hours', name: t('estimate.hoursOneUnit'), group: t('estimate.forOneUnit') },
  { id: 'unit-labor', name: t('estimate.laborOneUnit'), group: t('estimate.forOneUnit') },
  { id: 'unit-equipment', name: t('estimate.equipmentOneUnit'), group: t('estimate.forOneUnit') },
  { id: 'unit-subcontract', name: t('estimate.subcontractOneUnit'), group: t('estimate.forOneUnit') },
  { id: 'unit-other', name: t('estimate.otherOneUnit'), group: t('estimate.forOneUnit') },
  { id: 'material', name: t('estimate.material'), group: t('estimate.cost') },
  { id: 'hours', name: t('estimate.hours'), group: t('estimate.cost') },
  { id: 'labor', name: t('estimate.labor'), group: t('estimate.cost') },
  { id: 'equipment', name: t('estimate.equipment'), group: t('estimate.cost') },
  { id: 'subcontract', name: t('estimate.subcontract'), group: t('estimate.cost') },
  { id: 'other', name: t('estimate.other'), group: t('estimate.cost') },
  { id: 'extension', name: t('estimate.extension'), group: t('estimate.cost') },
  { id: 'tax', name: t('estimate.tax'), group: t('estimate.price') },
  { id: 'markup', name: t('estimate.taxAndMarkup'), group: t('estimate.price') },
  { id: 'price', name: t('estimate.price'), group: t('estimate.price') },
  { id: 'unit-price', name: t('estimate.unitPrice'), group: t('estimate.price') },
];

/** All columns there are, those of the scopes' properties among them. */
export function listColumns(scopes: Table<'scope'>): readonly ColumnChoice[] {
  return [
    ...CHOICES,
    ...[...listProperties(scopes)].map(([key, name]) => ({
      id: `property:${key}`,
      name,
      group: t('estimate.whatWasMeasured'),
    })),
  ];
}

export function makeColumn(id: string, source: ColumnSource): Column | undefined {
  const column = id.startsWith('property:') ? propertyColumn(id.slice(9), source) : plainColumn(id, source);
  return column === undefined ? undefined : { editable: (row) => isEditable(row, id), ...column };
}

type Plain = Column;

function plainColumn(id: string, source: ColumnSource): Plain | undefined {
  const { read, figures } = source;
  const { job } = figures;
  const kind = costOfColumn(id);
  if (kind !== undefined)
    return id.startsWith('unit-') ? unitColumn(id, kind, source) : totalColumn(kind, source);
  switch (id) {
    case 'code':
      return {
        id,
        title: t('estimate.item'),
        width: '80px',
        stays: true,
        text: (row) => read(row).code,
        show: (row) => <span className={row.type === 'section' ? '' : 'soft'}>{read(row).code}</span>,
      };
    case 'description':
      return {
        id,
        title: t('estimate.description'),
        width: hasPinned(job) ? 'minmax(150px, 1fr)' : 'minmax(182px, 1fr)',
        stays: true,
        text: (row) => describeRow(read(row)),
        show: (row) => <DescriptionCell {...describedAs(figures, row, read(row))} />,
      };
    case 'quantity':
      return {
        id,
        title: t('estimate.quantity'),
        // What flows under a pinned figure stands beside it.
        width: hasPinned(job) ? '142px' : '100px',
        align: 'right',
        text: (row) => quantityText(row, source),
        show: (row) => <QuantityCell {...quantityOf(figures, row, read(row))} />,
      };
    case 'unit':
      return {
        id,
        title: t('estimate.unit'),
        width: '54px',
        text: (row) => read(row).unit,
        show: (row) => <span className="unit">{read(row).unit}</span>,
      };
    case 'extension':
      return extensionColumn(source);
    default:
      return detailColumn(id, source);
  }
}

const textColumn = (id: string, title: string, width: string, of: (row: EstimateRow) => string): Plain => ({
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

function percentColumn(
  id: string,
  title: string,
  of: (row: EstimateRow) => string,
  { numbers }: Pick<Formats, 'numbers'>,
): Plain {
  const write = (row: EstimateRow): string => plainToLocal(of(row), numbers);
  return {
    id,
    title,
    width: '62px',
    align: 'right',
    text: write,
    show: (row) =>
      of(row) === '' ? (
        ''
      ) : (
        <>
          {write(row)}
          <span className="unit"> %</span>
        </>
      ),
  };
}

/** What is seldom shown of a line: waste, tax, codes, where it comes from. */
function detailColumn(id: string, source: ColumnSource): Plain | undefined {
  const { facts, figures, formats } = source;
  const { job } = figures;
  const text = (title: string, width: string, of: (row: EstimateRow) => string): Plain =>
    textColumn(id, title, width, of);
  const percent = (title: string, of: (row: EstimateRow) => string): Plain =>
    percentColumn(id, title, of, formats);
  switch (id) {
    case 'waste':
      return percent(t('estimate.waste2'), (row) => {
        const waste = facts(row)?.wastePercent ?? 0;
        return waste === 0 ? '' : String(waste);
      });
    case 'tax':
      return percent(t('estimate.tax'), (row) =>
        row.type === 'line' ? (row.line.taxPercent ?? '') : (overrideOf(job, row.key)?.taxPercent ?? ''),
      );
    case 'cost-code':
      return text(t('estimate.costCode'), '84px', (row) =>
        row.type === 'section' ? (row.section?.code ?? '') : (facts(row)?.costCode ?? ''),
      );
    case 'source':
      return text(t('estimate.source'), '130px', (row) => facts(row)?.source ?? '');
    case 'alternate':
      return text(t('estimate.alternate2'), '120px', (row) => {
        const place = alternateOfRow(job, row);
        const name = place === undefined ? '' : (job.alternate.get(place.id)?.name ?? '');
        return place === undefined
          ? ''
          : place.as === 'adds'
            ? `adds: ${name}`
            : t('estimate.removedBy', { name });
      });
    case 'note':
      return text(t('estimate.note'), '160px', (row) =>
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
    show: (row) => <span className={typedOn(row) === undefined ? '' : styles.typedCost}>{write(row)}</span>,
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
    title: kind === 'hours' ? t('estimate.hours') : KIND_TITLES[kind],
    width: TOTAL_WIDTHS[kind],
    align: 'right',
    hint: kind === 'hours' ? t('estimate.typeHoursForOneUnitOfThe') : t('estimate.typeACostForOneUnitOf'),
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
    title:
      kind === 'hours' ? t('estimate.hoursUnit') : t('estimate.unit2', { kindtitles: KIND_TITLES[kind] }),
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
    title: t('estimate.extension'),
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
  const titles = {
    markup: t('estimate.taxMarkup'),
    price: t('estimate.price'),
    'unit-price': t('estimate.unitPrice'),
  } as const;
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
