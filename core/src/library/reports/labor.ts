// Data: reports that ship. Their names are in the words of the app.
import { hidden, all, by, col, preset, sum, where, SECTION, LINE, QUANTITY } from './preset.ts';

export const LABOR = [
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
