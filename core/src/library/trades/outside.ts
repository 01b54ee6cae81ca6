// data: paving, fences and structures of the trade library
import { booked, type Maker, SIZES, YES_NO, assemblyOf, input, part, pick } from '../build.ts';

const pavers: Maker = (system) => {
  const { small, area, volume, length } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Pavers on bedding',
    description: 'Pavers by their size on bedding and base, with an edge all around.',
    tags: 'paving stone concrete block patio terrace',
    measures: 'area',
    inputs: [
      input('side_a', 'Length of a paver?', small, pick(system, '12', '500')),
      input('side_b', 'Width of a paver?', small, pick(system, '12', '500')),
      input('bedding', 'Bedding?', small, pick(system, '1.5', '40')),
      input('base', 'Base, compacted?', small, pick(system, '6', '250')),
      input('edge', 'An edge all around?', '', '1', '', YES_NO),
    ],
    parts: [
      part('pavers', ['SW-PAV', 'Pavers', 'ea'], 'ceil(area / (side_a * side_b))', { material: '4.90' }, [
        '5',
        '1',
      ]),
      part('bedding', ['SW-BSN', 'Bedding sand', volume], 'area * bedding', { material: '41.00' }, [
        '10',
        '',
      ]),
      part(
        'base',
        ['SW-BAS', 'Base course', volume],
        'area * base',
        { material: '31.50', equipment: '3.20', hours: '0.05', craft: 'operator' },
        ['10', ''],
      ),
      part(
        'edging',
        ['SW-EDG', 'Edge restraint', length],
        'edge * perimeter',
        { material: '3.30', hours: '0.04', craft: 'laborer' },
        ['5', ''],
      ),
      part('laying', ['LB-PAVE', 'Lay pavers', area], 'area', { hours: '0.06', craft: 'mason' }),
    ],
  });
};

/** Posts by spacing and one more; rails and boards between them (common practice). */
const fence: Maker = (system) =>
  assemblyOf({
    trade: 'Sitework',
    name: 'Board fence',
    description: 'Posts in concrete, rails and boards.',
    tags: 'timber wood enclosure gate post',
    measures: 'run',
    inputs: [
      input('spacing', 'Spacing of posts?', SIZES[system].length, pick(system, '8', '2.4')),
      input('rails', 'Rails?', '', '3'),
      input('board', 'Width of a board with its gap?', SIZES[system].small, pick(system, '6', '150')),
    ],
    parts: [
      part(
        'posts',
        ['SW-PST', 'Posts', 'ea'],
        'ceil(length / spacing) + count',
        { material: '18.40', hours: '0.6', craft: 'laborer' },
        ['3', '1'],
      ),
      part('mix', ['SW-MIX', 'Post mix', 'bag'], '2 * posts', { material: '6.20' }, ['0', '1']),
      part('rails', ['SW-RAI', 'Rails', SIZES[system].length], 'rails * length', { material: '0.95' }, [
        '5',
        SIZES[system].stick,
      ]),
      part(
        'boards',
        ['SW-BRD', 'Boards', 'ea'],
        'ceil(length / board)',
        { material: '3.75', hours: '0.03', craft: 'carpenter' },
        ['5', '1'],
      ),
    ],
  });

const silt: Maker = (system) =>
  assemblyOf({
    trade: 'Sitework',
    name: 'Silt fence',
    description: 'Fabric on stakes along the edge of the work.',
    tags: 'erosion control sediment',
    measures: 'run',
    inputs: [input('spacing', 'Spacing of stakes?', SIZES[system].length, pick(system, '6', '1.8'))],
    parts: [
      part(
        'fabric',
        ['SW-SFB', 'Silt fabric', SIZES[system].length],
        'length',
        { material: '0.48', hours: '0.02', craft: 'laborer' },
        ['5', pick(system, '100', '30')],
      ),
      part(
        'stakes',
        ['SW-STA', 'Fence stakes', 'ea'],
        'ceil(length / spacing) + count',
        { material: '1.90' },
        ['5', '1'],
      ),
    ],
  });

const manhole: Maker = (system) =>
  assemblyOf({
    trade: 'Sitework',
    name: 'Manhole or catch basin',
    description: 'Base, barrel by the depth, cone or frame, and digging for it.',
    tags: 'storm sewer structure inlet drain',
    measures: 'count',
    inputs: [
      input('depth', 'Depth?', SIZES[system].length, pick(system, '6', '1.8')),
      input('hole', 'Width of the hole?', SIZES[system].length, pick(system, '8', '2.4')),
    ],
    parts: [
      part('base', ['SW-MHB', 'Precast base', 'ea'], 'count', {
        material: '410.00',
        hours: '2.5',
        craft: 'fitter',
      }),
      part('barrel', ['SW-MHR', 'Barrel', SIZES[system].length], 'count * depth', {
        material: '118.00',
        hours: '0.4',
        craft: 'fitter',
      }),
      part('frame', ['SW-MHF', 'Frame and cover', 'ea'], 'count', {
        material: '365.00',
        hours: '1',
        craft: 'laborer',
      }),
      booked('dig', ['SW-EXC', 'Excavate', SIZES[system].volume], 'count * hole * hole * depth'),
    ],
  });

export const OUTSIDE_ASSEMBLIES: readonly Maker[] = [pavers, fence, silt, manhole];
