// Data: reports that ship. Their names are in the words of the app.
import { all, by, col, hidden, preset, sum, where, SECTION, SCOPE, LINE, QUANTITY } from './preset.ts';

export const CHECKS = [
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
