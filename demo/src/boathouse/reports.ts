import type { RecordOf } from '@zest/core/job/record';
import type { ReportSpec } from '@zest/core/job/records/report';

type Report = RecordOf<'report'>;

const report = (id: string, order: number, spec: Omit<ReportSpec, 'folder'>): Report => ({
  type: 'report',
  id: `report:${id}`,
  order,
  folder: '',
  ...spec,
});

const of = (field: string): { readonly field: string } => ({ field });
const sum = { by: 'sum' } as const;

/** What Quillfeather's office wants out of every job: one line a section, with what an hour of it brings. */
export const OFFICE_REPORTS: readonly Report[] = [
  report('summary', 1, {
    name: 'One line a section',
    source: 'lines',
    columns: [
      { key: 'section', of: of('section.title'), hidden: true },
      { key: 'line', of: of('line.description'), width: 240 },
      { key: 'hours', of: of('line.hours'), total: sum, places: 0, width: 80 },
      { key: 'cost', of: of('line.cost'), total: sum },
      {
        key: 'markup',
        of: of('line.on_top_percent'),
        heading: 'Markup, by cost',
        total: { by: 'weighted', weight: 'cost' },
        places: 1,
      },
      { key: 'price', of: of('line.price'), total: sum },
    ],
    groups: [{ column: 'section', collapsed: true }],
    sorts: [],
    page: {},
  }),
  report('labor', 2, {
    name: 'Hours for the foremen',
    source: 'hours',
    columns: [
      { key: 'craft', of: of('craft.name'), hidden: true },
      { key: 'section', of: of('section.title'), hidden: true },
      { key: 'line', of: of('line.description'), width: 280 },
      { key: 'crew', of: of('crew.name') },
      { key: 'hours', of: of('hours.hours'), total: sum, places: 1 },
    ],
    groups: [{ column: 'craft', startsPage: true }, { column: 'section' }],
    sorts: [],
    page: { density: 'wide' },
  }),
];

/** What this job needs besides. */
export const BOATHOUSE_REPORTS: readonly Report[] = [
  ...OFFICE_REPORTS,
  report('lumber', 3, {
    name: 'Lumber for Larch & Fetter',
    source: 'purchases',
    columns: [
      { key: 'code', of: of('part.code'), width: 100 },
      { key: 'description', of: of('part.description'), width: 260 },
      { key: 'needed', of: of('part.needed') },
      { key: 'to_buy', of: of('part.quantity') },
      { key: 'unit_price', of: of('part.unit_price') },
      { key: 'material', of: of('part.material'), total: sum },
    ],
    groups: [],
    sorts: [{ column: 'code' }],
    filter: { join: 'all', of: [{ field: 'part.supplier', is: 'contains', value: 'Larch' }] },
    page: {},
  }),
  report('concrete', 4, {
    name: 'Concrete, each yard of it',
    source: 'lines',
    columns: [
      { key: 'mix', of: of('item.description'), hidden: true },
      { key: 'element', of: of('scope.name'), width: 220 },
      { key: 'needed', of: of('line.needed'), total: sum },
      { key: 'ordered', of: of('line.quantity'), total: sum },
      { key: 'cost', of: of('line.cost'), total: sum },
      { key: 'of_one', of: { formula: 'cost / ordered' }, heading: 'Cost of one', width: 110 },
    ],
    groups: [{ column: 'mix' }],
    sorts: [{ column: 'ordered', descending: true }],
    filter: {
      join: 'all',
      of: [
        { field: 'item.description', is: 'contains', value: 'mix' },
        { field: 'line.unit', is: 'is', value: 'yd³' },
      ],
    },
    page: {},
  }),
  report('largest', 5, {
    name: 'What the bid rests on',
    source: 'lines',
    columns: [
      { key: 'line', of: of('line.description'), width: 280 },
      { key: 'scope', of: of('scope.name') },
      { key: 'section', of: of('section.title') },
      { key: 'cost', of: of('line.cost'), total: sum },
      { key: 'from', of: of('line.from') },
      { key: 'price_date', of: of('line.price_date') },
    ],
    groups: [],
    sorts: [{ column: 'cost', descending: true }],
    filter: { join: 'all', of: [{ field: 'line.cost', is: 'more', value: '10000' }] },
    page: { landscape: true },
  }),
];
