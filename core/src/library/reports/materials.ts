// Data: reports that ship. Their names are in the words of the app.
import { all, any, by, col, hidden, preset, sum, where, SCOPE } from './preset.ts';

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
