// Data: reports that ship. Their names are in the words of the app.
import type { ReportColumnSpec } from '../../job/records/report.ts';
import { all, any, by, col, hidden, preset, sum, where, SCOPE } from './preset.ts';

const WORKED = [sum('line.quantity'), sum('line.hours', { width: 80, places: 1 }), sum('line.cost')] as const;

/** Lines by their item, of those whose item is called by one of the words and counted in one of the units. */
const byItem = <Id extends string>(
  id: Id,
  key: string,
  words: readonly string[],
  units: readonly string[],
  figures: readonly ReportColumnSpec[],
) =>
  preset(
    id,
    'materials',
    'lines',
    [col('item.description', { key, ...hidden }), SCOPE, col('line.description'), ...figures],
    {
      groups: [by(key)],
      filter: all(
        any(...words.map((word) => where('item.description', 'contains', word))),
        any(...units.map((unit) => where('line.unit', 'is', unit))),
      ),
    },
  );

export const MATERIALS = [
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
  byItem(
    'concrete',
    'mix',
    ['mix', 'concrete'],
    ['yd³', 'm³'],
    [sum('line.needed'), sum('line.quantity'), col('line.waste', { width: 80 }), sum('line.cost')],
  ),
  byItem('forms', 'form', ['form', 'shutter'], ['ft²', 'm²', 'ft', 'm'], WORKED),
  byItem('bars', 'size', ['bar', 'mesh'], ['lb', 'ton', 'kg', 't'], WORKED),
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
