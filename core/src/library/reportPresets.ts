// Data: the reports that ship, by folder. Their names are in the words of the app.
import type {
  ReportColumnSpec,
  ReportCondition,
  ReportFilter,
  ReportGroupSpec,
  ReportSource,
  ReportSpec,
  TotalKind,
} from '../job/records/report.ts';
import type { FieldId } from '../reports/fields/fields.ts';

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
function col(field: FieldId, { key, total, weight, ...more }: More = {}): ReportColumnSpec {
  const own = key ?? field.slice(field.indexOf('.') + 1);
  return {
    key: own,
    of: { field },
    ...more,
    ...(total === undefined ? {} : { total: { by: total, ...(weight === undefined ? {} : { weight }) } }),
  };
}

/** A column that is added up. */
const sum = (field: FieldId, more: More = {}): ReportColumnSpec => col(field, { total: 'sum', ...more });

const where = (field: FieldId, is: ReportCondition['is'], value = ''): ReportCondition => ({
  field,
  is,
  value,
});
const all = (...of: ReportFilter['of']): ReportFilter => ({ join: 'all', of });
const any = (
  ...of: readonly ReportCondition[]
): { readonly join: 'any'; readonly of: readonly ReportCondition[] } => ({
  join: 'any',
  of,
});

const by = (column: string, more: Omit<ReportGroupSpec, 'column'> = {}): ReportGroupSpec => ({
  column,
  ...more,
});

interface Rest {
  readonly groups?: readonly ReportGroupSpec[];
  readonly sorts?: ReportSpec['sorts'];
  readonly filter?: ReportFilter;
  readonly landscape?: boolean;
}

const preset = <Id extends string>(
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

const hidden = { hidden: true } as const;
const SECTION = col('section.title', { key: 'section', ...hidden });
const SCOPE = col('scope.name', { key: 'scope' });

const MEASURED = [
  preset(
    'measured-all',
    'measured',
    'scopes',
    [
      SECTION,
      col('scope.name', { key: 'scope', width: 260 }),
      col('scope.kind', { width: 110 }),
      col('scope.leading', { width: 130 }),
      col('scope.sheets', { width: 180 }),
    ],
    { groups: [by('section')] },
  ),
  preset(
    'areas',
    'measured',
    'scopes',
    [
      SECTION,
      SCOPE,
      sum('scope.area'),
      sum('scope.net_area'),
      sum('scope.perimeter'),
      sum('scope.openings_area'),
    ],
    { groups: [by('section')], filter: all(where('scope.area', 'filled')) },
  ),
  preset(
    'runs',
    'measured',
    'scopes',
    [
      SECTION,
      SCOPE,
      sum('scope.length'),
      sum('scope.net_length'),
      sum('scope.wall_area'),
      sum('scope.net_wall_area'),
      sum('scope.corners', { width: 80 }),
      sum('scope.tees', { width: 70 }),
      sum('scope.ends', { width: 70 }),
    ],
    { groups: [by('section')], filter: all(where('scope.length', 'filled')), landscape: true },
  ),
  preset(
    'counts',
    'measured',
    'scopes',
    [SECTION, SCOPE, sum('scope.count'), col('scope.expected'), col('scope.location'), col('scope.sheets')],
    {
      groups: [by('section')],
      filter: all(where('scope.length', 'empty'), where('scope.area', 'empty')),
    },
  ),
  preset(
    'tape-by-sheet',
    'measured',
    'marks',
    [
      col('sheet.number', { key: 'sheet', ...hidden }),
      col('scope.name', { key: 'scope', ...hidden }),
      col('mark.kind', { width: 110 }),
      sum('mark.figure'),
      col('mark.times', { width: 70 }),
      col('zone.name', { key: 'zone' }),
      col('mark.typed'),
      col('mark.note'),
    ],
    { groups: [by('sheet'), by('scope')] },
  ),
  preset(
    'tape-by-level',
    'measured',
    'marks',
    [
      col('level.name', { key: 'level', ...hidden }),
      col('scope.name', { key: 'scope', ...hidden }),
      col('sheet.number', { key: 'sheet', width: 100 }),
      sum('mark.figure'),
      col('mark.times', { width: 70 }),
      col('zone.name', { key: 'zone' }),
    ],
    { groups: [by('level'), by('scope')] },
  ),
  preset(
    'openings',
    'measured',
    'openings',
    [
      col('opening.counted_by', hidden),
      col('opening.tag', { width: 80 }),
      col('scope.name', { key: 'in' }),
      col('opening.width'),
      col('opening.height'),
      sum('opening.count', { width: 80 }),
      sum('opening.area'),
      col('sheet.number', { key: 'sheet', width: 100 }),
    ],
    { groups: [by('counted_by')], sorts: [{ column: 'tag' }] },
  ),
  preset(
    'roof-edges',
    'measured',
    'scopes',
    [
      SCOPE,
      sum('scope.slope_area'),
      sum('scope.eave', { width: 90 }),
      sum('scope.rake', { width: 90 }),
      sum('scope.ridge', { width: 90 }),
      sum('scope.hip', { width: 90 }),
      sum('scope.valley', { width: 90 }),
      sum('scope.wall', { width: 90 }),
    ],
    { filter: all(where('scope.slope_area', 'filled')), landscape: true },
  ),
] as const;

const LINE = col('line.description', { width: 280 });
const QUANTITY = col('line.quantity', { width: 110 });
const COSTS = [
  sum('line.material'),
  sum('line.hours', { width: 80, places: 1 }),
  sum('line.labor'),
  sum('line.equipment'),
  sum('line.subcontract'),
  sum('line.other', { width: 90 }),
  sum('line.cost'),
] as const;

const ESTIMATE = [
  preset('estimate-in-full', 'estimate', 'lines', [SECTION, LINE, QUANTITY, ...COSTS], {
    groups: [by('section')],
    landscape: true,
  }),
  preset(
    'by-section',
    'estimate',
    'lines',
    [
      col('section.top', { key: 'phase', ...hidden }),
      SECTION,
      LINE,
      sum('line.hours', { width: 80, places: 1 }),
      sum('line.cost'),
      sum('line.on_top'),
      sum('line.price'),
    ],
    { groups: [by('phase'), by('section', { collapsed: true })] },
  ),
  preset(
    'by-cost-code',
    'estimate',
    'lines',
    [
      col('line.cost_code', { width: 100 }),
      LINE,
      QUANTITY,
      sum('line.hours', { width: 80, places: 1 }),
      sum('line.cost'),
      sum('line.price'),
    ],
    { groups: [by('cost_code')] },
  ),
  preset(
    'by-level-and-zone',
    'estimate',
    'places',
    [
      col('level.name', { key: 'level', ...hidden }),
      col('zone.name', { key: 'zone', ...hidden }),
      col('line.description', { width: 260 }),
      col('place.quantity'),
      col('place.share', { width: 70 }),
      sum('place.hours', { width: 80, places: 1 }),
      sum('place.cost'),
      sum('place.price'),
    ],
    { groups: [by('level'), by('zone')] },
  ),
  preset('by-kind-of-cost', 'estimate', 'lines', [col('section.title', { key: 'section' }), ...COSTS], {
    groups: [by('section', { collapsed: true })],
    landscape: true,
  }),
  preset(
    'unit-costs',
    'estimate',
    'lines',
    [
      SECTION,
      LINE,
      QUANTITY,
      col('line.unit_material'),
      col('line.unit_labor'),
      col('line.unit_equipment'),
      col('line.unit_subcontract'),
      sum('line.cost'),
      { key: 'cost_of_one', of: { formula: 'cost / quantity' }, width: 110 },
    ],
    { groups: [by('section')], landscape: true },
  ),
  preset(
    'markup-by-line',
    'estimate',
    'lines',
    [
      SECTION,
      LINE,
      sum('line.cost'),
      sum('line.on_top'),
      col('line.on_top_percent', { key: 'percent', total: 'weighted', weight: 'cost' }),
      sum('line.price'),
      col('line.unit_price'),
    ],
    { groups: [by('section')] },
  ),
  preset(
    'alternates',
    'estimate',
    'alternates',
    [
      col('alternate.name', { width: 240 }),
      col('alternate.state', { width: 110 }),
      col('alternate.change'),
      col('alternate.with'),
      col('alternate.without'),
      col('alternate.lines', { width: 70 }),
      col('alternate.note'),
    ],
    { landscape: true },
  ),
  preset(
    'allowances',
    'estimate',
    'lines',
    [LINE, col('line.allowance'), sum('line.cost'), sum('line.price')],
    {
      filter: all(where('line.allowance', 'filled')),
    },
  ),
] as const;

const MATERIALS = [
  preset(
    'materials-by-part',
    'materials',
    'purchases',
    [
      col('part.part_number', { width: 110 }),
      col('part.code', { width: 110 }),
      col('part.description', { width: 240 }),
      col('part.needed'),
      col('part.quantity'),
      col('part.supplier'),
      col('part.unit_price'),
      sum('part.material'),
    ],
    { sorts: [{ column: 'part_number' }, { column: 'code' }], landscape: true },
  ),
  preset(
    'materials-by-supplier',
    'materials',
    'purchases',
    [
      col('part.supplier', hidden),
      col('part.code', { width: 110 }),
      col('part.description', { width: 260 }),
      col('part.quantity'),
      col('part.unit_price'),
      col('item.price_date', { key: 'price_date' }),
      sum('part.material'),
    ],
    { groups: [by('supplier')], sorts: [{ column: 'code' }] },
  ),
  preset(
    'cut-list',
    'materials',
    'components',
    [
      col('item.description', { key: 'stick', ...hidden }),
      col('line.description', { width: 180 }),
      SCOPE,
      sum('line.needed'),
      sum('line.quantity'),
      col('line.waste', { width: 80 }),
    ],
    {
      groups: [by('stick')],
      filter: all(where('item.group', 'is', 'Framing'), where('line.material', 'filled')),
    },
  ),
  preset(
    'concrete',
    'materials',
    'lines',
    [
      col('item.description', { key: 'mix', ...hidden }),
      SCOPE,
      col('line.description'),
      sum('line.needed'),
      sum('line.quantity'),
      col('line.waste', { width: 80 }),
      sum('line.cost'),
    ],
    {
      groups: [by('mix')],
      filter: all(
        any(where('item.description', 'contains', 'mix'), where('item.description', 'contains', 'concrete')),
        any(where('line.unit', 'is', 'yd³'), where('line.unit', 'is', 'm³')),
      ),
    },
  ),
  preset(
    'forms',
    'materials',
    'lines',
    [
      col('item.description', { key: 'form', ...hidden }),
      SCOPE,
      col('line.description'),
      sum('line.quantity'),
      sum('line.hours', { width: 80, places: 1 }),
      sum('line.cost'),
    ],
    {
      groups: [by('form')],
      filter: all(
        any(where('item.description', 'contains', 'form'), where('item.description', 'contains', 'shutter')),
        any(
          where('line.unit', 'is', 'ft²'),
          where('line.unit', 'is', 'm²'),
          where('line.unit', 'is', 'ft'),
          where('line.unit', 'is', 'm'),
        ),
      ),
    },
  ),
  preset(
    'bars',
    'materials',
    'lines',
    [
      col('item.description', { key: 'size', ...hidden }),
      SCOPE,
      col('line.description'),
      sum('line.quantity'),
      sum('line.hours', { width: 80, places: 1 }),
      sum('line.cost'),
    ],
    {
      groups: [by('size')],
      filter: all(
        any(where('item.description', 'contains', 'bar'), where('item.description', 'contains', 'mesh')),
        any(
          where('line.unit', 'is', 'lb'),
          where('line.unit', 'is', 'ton'),
          where('line.unit', 'is', 'kg'),
          where('line.unit', 'is', 't'),
        ),
      ),
    },
  ),
  preset(
    'price-book',
    'materials',
    'items',
    [
      col('item.group', { key: 'group', ...hidden }),
      col('item.code', { width: 110 }),
      col('item.description', { width: 260 }),
      col('item.material'),
      col('item.hours', { width: 70 }),
      col('item.supplier'),
      col('item.price_date'),
      col('item.used', { width: 70 }),
    ],
    { groups: [by('group')], sorts: [{ column: 'code' }], landscape: true },
  ),
] as const;

const LABOR = [
  preset(
    'hours-by-craft',
    'labor',
    'hours',
    [
      col('craft.name', { key: 'craft', ...hidden }),
      col('crew.name', { key: 'crew' }),
      col('line.description', { width: 260 }),
      col('section.title', { key: 'section' }),
      sum('hours.hours', { places: 1 }),
      sum('hours.days', { places: 1, width: 80 }),
    ],
    { groups: [by('craft')] },
  ),
  preset(
    'hours-by-section',
    'labor',
    'hours',
    [
      col('section.title', { key: 'section', ...hidden }),
      col('craft.name', { key: 'craft' }),
      col('line.description', { width: 260 }),
      sum('hours.hours', { places: 1 }),
    ],
    { groups: [by('section'), by('craft', { collapsed: true })] },
  ),
  preset(
    'equipment',
    'labor',
    'lines',
    [SECTION, LINE, QUANTITY, col('line.unit_equipment'), sum('line.equipment')],
    { groups: [by('section')], filter: all(where('line.equipment', 'more', '0')) },
  ),
  preset(
    'subcontracts',
    'labor',
    'lines',
    [SECTION, LINE, QUANTITY, col('line.from'), sum('line.subcontract')],
    { groups: [by('section')], filter: all(where('line.subcontract', 'more', '0')) },
  ),
  preset(
    'quotes',
    'labor',
    'quotes',
    [
      col('package.name', { key: 'package', ...hidden }),
      col('quote.company', { width: 220 }),
      col('quote.quoted'),
      col('quote.left_out', { width: 90 }),
      col('quote.total', { total: 'least' }),
      col('quote.date'),
      col('quote.valid_until'),
      col('quote.taken', { width: 80 }),
      col('quote.note'),
    ],
    { groups: [by('package')], landscape: true },
  ),
] as const;

const CHECKS = [
  preset('without-price', 'checks', 'lines', [SECTION, LINE, SCOPE, QUANTITY, col('line.lacks')], {
    groups: [by('section')],
    filter: all(where('line.lacks', 'filled')),
  }),
  preset(
    'sample-prices',
    'checks',
    'lines',
    [SECTION, LINE, QUANTITY, col('item.code', { key: 'code' }), sum('line.cost')],
    { groups: [by('section')], filter: all(where('line.sample', 'filled')) },
  ),
  preset(
    'typed-over',
    'checks',
    'lines',
    [SECTION, LINE, SCOPE, col('line.typed_over'), col('line.flowing'), QUANTITY, col('line.note')],
    { groups: [by('section')], filter: all(where('line.typed_over', 'filled')), landscape: true },
  ),
  preset(
    'old-prices',
    'checks',
    'items',
    [
      col('item.code', { width: 110 }),
      col('item.description', { width: 260 }),
      col('item.material'),
      col('item.supplier'),
      col('item.price_date'),
      col('item.days_old', { width: 90 }),
    ],
    {
      sorts: [{ column: 'days_old', descending: true }],
      filter: all(where('item.used', 'filled'), where('item.days_old', 'more', '180')),
    },
  ),
  preset(
    'changes',
    'checks',
    'changes',
    [
      col('section.title', { key: 'section', ...hidden }),
      col('change.name', { width: 260 }),
      sum('change.before'),
      sum('change.by_quantity'),
      sum('change.by_price'),
      sum('change.added'),
      sum('change.removed'),
      sum('change.now'),
      sum('change.change'),
    ],
    { groups: [by('section')], landscape: true },
  ),
  preset(
    'doubts',
    'checks',
    'doubts',
    [
      col('doubt.state', hidden),
      col('doubt.about', { width: 200 }),
      col('doubt.question', { width: 420 }),
      col('doubt.reason', { width: 200 }),
      col('doubt.date'),
    ],
    { groups: [by('state')], landscape: true },
  ),
  preset('drawing-list', 'checks', 'sheets', [
    col('sheet.number', { width: 90 }),
    col('sheet.title', { width: 240 }),
    col('level.name', { key: 'level' }),
    col('sheet.scale', { width: 80 }),
    col('sheet.scale_from'),
    col('sheet.checked'),
    col('sheet.check_error', { width: 80 }),
    col('sheet.marks', { width: 70, total: 'sum' }),
  ]),
] as const;

export const REPORT_PRESETS = [...MEASURED, ...ESTIMATE, ...MATERIALS, ...LABOR, ...CHECKS] as const;
export type PresetId = (typeof REPORT_PRESETS)[number]['id'];

export const findPreset = (id: string): Preset | undefined => REPORT_PRESETS.find((each) => each.id === id);
