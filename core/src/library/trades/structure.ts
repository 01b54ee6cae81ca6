// data: further concrete and masonry of the trade library
import { type Maker, SIZES, YES_NO, assemblyOf, booked, input, onlyWhere, part, pick } from '../build.ts';
import { barInput, steel } from './concrete.ts';

const gradeBeam: Maker = (system) => {
  const { small, volume, area } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Grade beam',
    description: 'Concrete, side forms and long bars with ties of a beam in the ground.',
    tags: 'foundation ground beam gb',
    measures: 'run',
    inputs: [
      input('width', 'Width of the beam?', small, pick(system, '12', '300'), '', [], {
        min: pick(system, '4', '100'),
      }),
      input('depth', 'Depth of the beam?', small, pick(system, '24', '600'), '', [], {
        min: pick(system, '6', '150'),
      }),
      input('bars', 'How many long bars?', '', '4'),
      barInput(system, 'bar_weight', 'Which long bars?', '1.043', '1.58'),
      barInput(system, 'tie_weight', 'Which ties?', '0.668', '0.888'),
      input('tie_spacing', 'Spacing of the ties?', small, pick(system, '12', '300'), '', [], {
        min: pick(system, '2', '50'),
      }),
      input('lap', 'Lap of the long bars?', '%', '8'),
    ],
    parts: [
      booked('concrete', ['CN-RM-40', 'Concrete', volume], 'length * width * depth', ['10', '']),
      booked('place', ['LB-PLACE', 'Place concrete', volume], 'length * width * depth'),
      booked('forms', ['CN-FF', 'Side forms, set and strip', area], '2 * length * depth'),
      steel(system, 'bars * length * (1 + lap) * bar_weight', { name: 'Long bars', waste: '0' }),
      steel(system, '(ceil(length / tie_spacing) + count) * 2 * (width + depth) * tie_weight', {
        key: 'ties',
        name: 'Ties',
        weight: 'tie_weight',
        waste: '0',
      }),
    ],
    note:
      '{length} of grade beam, {width} by {depth}, {concrete, ' + `${volume}` + '} of concrete before waste.',
    section: [
      {
        shape: 'box',
        fill: 'ground',
        x: '0 - width',
        y: '0',
        width: '3 * width',
        height: 'depth',
        label: '',
      },
      { shape: 'box', fill: 'concrete', x: '0 m', y: '0 m', width: 'width', height: 'depth', label: '' },
    ],
  });
};

const thickenedEdge: Maker = (system) => {
  const { small, volume, length } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Thickened slab edge',
    description: 'What a slab is thicker at its edge: a sloped wedge of concrete with two bars.',
    tags: 'turndown haunch slab edge',
    measures: 'run',
    inputs: [
      input('more', 'How much deeper than the slab?', small, pick(system, '10', '250')),
      input('bottom', 'Width at the bottom?', small, pick(system, '12', '300')),
      input('slope', 'Width of the slope?', small, pick(system, '10', '250')),
      barInput(system, 'bar_weight', 'Which bars?', '1.043', '1.58'),
    ],
    parts: [
      booked('concrete', ['CN-RM-40', 'Concrete', volume], 'length * more * (bottom + slope / 2)', [
        '10',
        '',
      ]),
      booked('place', ['LB-PLACE', 'Place concrete', volume], 'length * more * (bottom + slope / 2)'),
      steel(system, '2 * length * bar_weight', { name: 'Two bars', waste: '8' }),
      booked('form', ['CN-EF-12', 'Edge form', length], 'length'),
    ],
  });
};

const slabBars: Maker = (system) => {
  const { small } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Bars in a slab',
    description: 'Bars both ways at a spacing, by weight, with chairs.',
    tags: 'rebar reinforcement mat grid',
    measures: 'area',
    inputs: [
      input('spacing', 'Spacing of the bars?', small, pick(system, '16', '400'), 'both ways', [], {
        min: pick(system, '3', '75'),
      }),
      input('layers', 'How many mats?', '', '1', '', [], { min: '1', max: '4' }),
      input('lap', 'Laps?', '%', '8'),
      barInput(system, 'bar_weight', 'Which bars?', '0.668', '0.888'),
    ],
    parts: [
      steel(system, 'layers * 2 * net_area / spacing * (1 + lap) * bar_weight', {
        name: 'Bars, both ways',
        waste: '0',
      }),
      booked(
        'chairs',
        ['CN-CHAIR', 'Bar chairs', 'ea'],
        `layers * net_area / ${pick(system, '9 sq ft', '0.8 m²')}`,
        ['5', '100'],
      ),
    ],
  });
};

const elevatedSlab: Maker = (system) => {
  const { small, volume, area, length } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Suspended slab',
    description:
      'Concrete, bars both ways, soffit forms with shores, edge forms and finish of a slab above ground.',
    tags: 'elevated deck shoring formwork',
    measures: 'area',
    inputs: [
      input('thickness', 'Slab thickness?', small, pick(system, '8', '200'), '', [], {
        min: pick(system, '2', '50'),
        max: pick(system, '40', '1000'),
      }),
      input('pump', 'Pumped?', '', '1', '', YES_NO),
      barInput(system, 'bar_weight', 'Which bars?', '1.043', '1.58'),
      input('bar_spacing', 'Spacing of the bars?', small, pick(system, '12', '300'), 'both ways', [], {
        min: pick(system, '3', '75'),
      }),
      input('mats', 'How many mats of bars?', '', '2', '', [], { min: '0', max: '4' }),
      input('finished', 'Is the top troweled?', '', '1', '', YES_NO),
    ],
    parts: [
      booked('concrete', ['CN-RM-45', 'Concrete', volume], 'net_area * thickness', ['10', '']),
      booked('place', ['LB-PLACE', 'Place concrete', volume], 'net_area * thickness'),
      part('soffit', ['CN-SOF', 'Soffit forms and shores', area], 'net_area', {
        material: '2.60',
        hours: '0.14',
        craft: 'carpenter',
      }),
      booked('edge', ['CN-EF-12', 'Edge forms', length], 'perimeter'),
      onlyWhere('pump = 1', booked('pumping', ['CN-PUMP', 'Pump', volume], 'concrete * 1.1')),
      steel(system, 'mats * 2 * net_area / bar_spacing * bar_weight', {
        name: 'Bars, both ways',
        waste: '10',
      }),
      onlyWhere('finished = 1', booked('finish', ['LB-TROWEL', 'Trowel finish and cure', area], 'net_area')),
    ],
  });
};

const gravelBase: Maker = (system) => {
  const { small, volume, area } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Gravel base',
    description: 'Stone under a slab, spread and compacted, on a geotextile where wanted.',
    tags: 'stone capillary break subbase',
    measures: 'area',
    inputs: [
      input('depth', 'Thickness of the base?', small, pick(system, '6', '150')),
      input('shrink', 'How much it packs down?', '%', '12'),
      input('fabric', 'Geotextile under it?', '', '0', '', YES_NO),
    ],
    parts: [
      booked('stone', ['SW-CB-34', 'Crushed base', volume], 'net_area * depth * (1 + shrink)'),
      onlyWhere('fabric = 1', booked('geotextile', ['SW-GEO', 'Geotextile', area], 'net_area', ['10', ''])),
    ],
  });
};

const dampProofing: Maker = (system) => {
  const { length, area, small } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Damp-proofing',
    description: 'Brushed coating on a wall in the ground, with a board that keeps it from harm.',
    tags: 'waterproofing foundation wall coating',
    measures: 'run',
    inputs: [
      input('height', 'Height below ground?', length, pick(system, '4', '1.2')),
      input('down', 'Down over the footing?', small, pick(system, '6', '150')),
      input('board', 'A board over it?', '', '1', '', YES_NO),
    ],
    parts: [
      booked('coating', ['CN-DMP', 'Damp-proofing', area], 'length * (height + down)', ['5', '']),
      onlyWhere(
        'board = 1',
        part(
          'boards',
          ['CN-PBD', 'Protection board', area],
          'length * height',
          { material: '0.72', hours: '0.01', craft: 'laborer' },
          ['5', ''],
        ),
      ),
    ],
  });
};

const pumping: Maker = (system) => {
  const { volume, small } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Pump a slab',
    description: 'The pump for what is poured: by volume, and a set-up for every pour.',
    tags: 'boom line pour',
    measures: 'area',
    inputs: [
      input('thickness', 'Thickness?', small, pick(system, '6', '150')),
      input('pour', 'Most that is poured at once?', volume, pick(system, '80', '60'), '', [], { min: '1' }),
    ],
    parts: [
      booked('pump', ['CN-PUMP', 'Pump', volume], 'net_area * thickness', ['10', '']),
      booked('set_up', ['CN-PUMP-S', 'Pump set-up', 'ea'], 'ceil(pump / pour)'),
    ],
  });
};

const bondBeam: Maker = (system) => {
  const { volume } = SIZES[system];
  return assemblyOf({
    trade: 'Masonry',
    name: 'Bond beam',
    description: 'A course of bond beam blocks, grouted, with two bars.',
    tags: 'course grout block lintel',
    measures: 'run',
    inputs: [
      input('courses', 'How many courses?', '', '1', '', [], { min: '1', max: '20' }),
      barInput(system, 'bar_weight', 'Which bars?', '1.043', '1.58'),
    ],
    parts: [
      booked(
        'blocks',
        ['MS-BLK-8B', 'Bond beam blocks', 'ea'],
        `courses * length / ${pick(system, '16 in', '400 mm')}`,
        ['5', '1'],
      ),
      booked(
        'grout',
        ['MS-GRT', 'Grout', volume],
        `courses * length / ${pick(system, '16 in', '400 mm')} * ${pick(system, '0.25 ft³', '0.007 m³')}`,
        ['10', ''],
      ),
      steel(system, '2 * courses * length * bar_weight', { name: 'Two bars a course', waste: '8' }),
    ],
  });
};

const pier: Maker = (system) => {
  const { length, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Masonry',
    name: 'Block pier',
    description: 'Piers of two blocks a course, grouted solid, with a cap.',
    tags: 'column masonry pillar',
    measures: 'count',
    inputs: [input('height', 'Height of a pier?', length, pick(system, '5', '1.5'))],
    parts: [
      booked(
        'blocks',
        ['MS-BLK-8', 'Blocks', 'ea'],
        `count * 2 * ceil(height / ${pick(system, '8 in', '200 mm')})`,
        ['5', '1'],
      ),
      booked('grout', ['MS-GRT', 'Grout', volume], `blocks * ${pick(system, '0.25 ft³', '0.007 m³')}`, [
        '10',
        '',
      ]),
      booked('lay', ['LB-BLOCK', 'Lay the blocks', 'ea'], 'blocks'),
      booked('caps', ['MS-CAP', 'Caps', 'ea'], '2 * count'),
    ],
  });
};

export const STRUCTURE_ASSEMBLIES: readonly Maker[] = [
  gradeBeam,
  thickenedEdge,
  slabBars,
  elevatedSlab,
  gravelBase,
  dampProofing,
  pumping,
  bondBeam,
  pier,
];
