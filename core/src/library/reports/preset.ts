import type {
  ReportColumnSpec,
  ReportCondition,
  ReportFilter,
  ReportGroupSpec,
  ReportSource,
  ReportSpec,
  TotalKind,
} from '../../job/records/report.ts';
import type { FieldId } from '../../reports/fields/fields.ts';

export const PRESET_FOLDERS = ['measured', 'estimate', 'materials', 'labor', 'checks'] as const;
export type PresetFolder = (typeof PRESET_FOLDERS)[number];

/** A report that ships. It is copied into a job once somebody changes it. */
export interface Preset {
  readonly id: string;
  readonly folder: PresetFolder;
  readonly spec: Omit<ReportSpec, 'name' | 'folder'>;
}

type More = Omit<ReportColumnSpec, 'key' | 'of' | 'total'> & {
  readonly key?: string;
  readonly total?: TotalKind;
  readonly weight?: string;
};

/** A column of a field, known in formulas by the field's own name. */
export function col(field: FieldId, { key, total, weight, ...more }: More = {}): ReportColumnSpec {
  const own = key ?? field.slice(field.indexOf('.') + 1);
  return {
    key: own,
    of: { field },
    ...more,
    ...(total === undefined ? {} : { total: { by: total, ...(weight === undefined ? {} : { weight }) } }),
  };
}

/** A column that is added up. */
export const sum = (field: FieldId, more: More = {}): ReportColumnSpec =>
  col(field, { total: 'sum', ...more });

export const where = (field: FieldId, is: ReportCondition['is'], value = ''): ReportCondition => ({
  field,
  is,
  value,
});
export const all = (...of: ReportFilter['of']): ReportFilter => ({ join: 'all', of });
export const any = (
  ...of: readonly ReportCondition[]
): { readonly join: 'any'; readonly of: readonly ReportCondition[] } => ({
  join: 'any',
  of,
});

export const by = (column: string, more: Omit<ReportGroupSpec, 'column'> = {}): ReportGroupSpec => ({
  column,
  ...more,
});

interface Rest {
  readonly groups?: readonly ReportGroupSpec[];
  readonly sorts?: ReportSpec['sorts'];
  readonly filter?: ReportFilter;
  readonly landscape?: boolean;
}

export const preset = <Id extends string>(
  id: Id,
  folder: PresetFolder,
  source: ReportSource,
  columns: readonly ReportColumnSpec[],
  { groups = [], sorts = [], filter, landscape }: Rest = {},
): Preset & { readonly id: Id } => ({
  id,
  folder,
  spec: {
    source,
    columns,
    groups,
    sorts,
    ...(filter === undefined ? {} : { filter }),
    page: landscape === true ? { landscape } : {},
  },
});

/** Columns that many reports have. */
export const hidden = { hidden: true } as const;
export const SECTION = col('section.title', { key: 'section', ...hidden });
export const SCOPE = col('scope.name', { key: 'scope' });

export const LINE = col('line.description', { width: 230 });
export const QUANTITY = col('line.quantity', { width: 100 });
export const COSTS = [
  sum('line.material'),
  sum('line.hours', { width: 74, places: 1 }),
  sum('line.labor'),
  sum('line.equipment', { width: 94 }),
  sum('line.subcontract'),
  sum('line.other', { width: 94 }),
  sum('line.cost'),
] as const;
