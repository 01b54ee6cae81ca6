// data: further site work of the trade library
import { type Maker, SIZES, assemblyOf, booked, input, part, pick } from '../build.ts';

const blockRetainingWall: Maker = (system) => {
  const { length, area, volume, small } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Block retaining wall',
    description: 'Dry-stacked wall blocks on a base of stone, with drain stone behind and caps.',
    tags: 'segmental gravity landscape wall',
    measures: 'run',
    inputs: [
      input('height', 'Height of the wall?', length, pick(system, '3', '0.9')),
      input('face', 'Face of one block?', area, pick(system, '1', '0.09'), '', [], {
        min: pick(system, '0.1', '0.01'),
      }),
      input('behind', 'Drain stone behind?', small, pick(system, '12', '300')),
    ],
    parts: [
      part(
        'blocks',
        ['SW-RWB', 'Wall blocks', 'ea'],
        'length * height / face',
        { material: '8.40', hours: '0.12', craft: 'laborer' },
        ['5', '1'],
      ),
      part(
        'caps',
        ['SW-RWC', 'Cap blocks', length],
        'length',
        { material: '5.60', hours: '0.08', craft: 'laborer' },
        ['5', ''],
      ),
      booked(
        'base',
        ['SW-CB-34', 'Base', volume],
        `length * ${pick(system, '2 ft * 6 in', '600 mm * 150 mm')}`,
        ['10', ''],
      ),
      booked('drain_stone', ['SW-CB-2', 'Drain stone', volume], 'length * height * behind', ['10', '']),
    ],
    section: [
      { shape: 'box', fill: 'ground', x: 'behind + 1 ft', y: '0 m', width: 'height', height: 'height' },
      { shape: 'box', fill: 'stone', x: '1 ft', y: '0 m', width: 'behind', height: 'height' },
      { shape: 'box', fill: 'concrete', x: '0 m', y: '0 m', width: '1 ft', height: 'height' },
      { shape: 'box', fill: 'stone', x: '0 - 6 in', y: '0 - 6 in', width: '2 ft', height: '6 in' },
    ],
  });
};

const gravelPath: Maker = (system) => {
  const { small, volume, area, length } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Gravel path',
    description: 'Fine stone on a geotextile, compacted, with an edge strip along it.',
    tags: 'walk trail fines',
    measures: 'area',
    inputs: [input('depth', 'Thickness of the stone?', small, pick(system, '4', '100'))],
    parts: [
      booked('stone', ['SW-CB-34', 'Crushed base', volume], 'net_area * depth', ['12', '']),
      booked('geotextile', ['SW-GEO', 'Geotextile', area], 'net_area', ['10', '']),
      part(
        'edging',
        ['SW-EDS', 'Edge strip', length],
        'perimeter',
        { material: '2.10', hours: '0.04', craft: 'laborer' },
        ['5', ''],
      ),
    ],
  });
};

const riprap: Maker = (system) => {
  const { small, area } = SIZES[system];
  const heavy = pick(system, 'ton', 't');
  return assemblyOf({
    trade: 'Sitework',
    name: 'Riprap',
    description: 'Large stone on a geotextile where water runs, by weight.',
    tags: 'stone armor outfall erosion',
    measures: 'area',
    inputs: [
      input('depth', 'Thickness of the stone?', small, pick(system, '18', '450')),
      input(
        'density',
        'Weight of the stone in place?',
        pick(system, 'lb/ft³', 'kg/m³'),
        pick(system, '100', '1600'),
      ),
    ],
    parts: [
      part(
        'stone',
        ['SW-RIP', 'Riprap stone', heavy],
        'net_area * depth * density',
        { material: '38.00', hours: '0.08', craft: 'operator', equipment: '6.20' },
        ['5', ''],
      ),
      booked('geotextile', ['SW-GEO', 'Geotextile', area], 'net_area', ['15', '']),
    ],
    note: `{stone, ${heavy}} of stone, {depth} thick.`,
  });
};

const sod: Maker = (system) => {
  const { small, volume, area } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Sod lawn',
    description: 'Rolls of sod on topsoil, rolled and watered in.',
    tags: 'turf grass landscape',
    measures: 'area',
    inputs: [input('topsoil', 'Topsoil under it?', small, pick(system, '4', '100'))],
    parts: [
      part(
        'sod',
        ['SW-SOD', 'Sod', area],
        'net_area',
        { material: '0.48', hours: '0.008', craft: 'laborer' },
        ['5', ''],
      ),
      booked('soil', ['SW-TOP', 'Spread topsoil', volume], 'net_area * topsoil', ['10', '']),
    ],
  });
};

const plantingBed: Maker = (system) => {
  const { small, volume, length } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Planting bed',
    description: 'Small plants at a spacing in prepared soil under mulch, with an edge.',
    tags: 'ground cover perennials mulch landscape',
    measures: 'area',
    inputs: [
      input('spacing', 'Spacing of the plants?', small, pick(system, '18', '450'), '', [], {
        min: pick(system, '4', '100'),
      }),
      input('mulch', 'Thickness of mulch?', small, pick(system, '3', '75')),
      input('soil', 'Soil to prepare?', small, pick(system, '8', '200')),
    ],
    parts: [
      part(
        'plants',
        ['SW-PLT', 'Small plants', 'ea'],
        'net_area / spacing ^ 2',
        { material: '6.20', hours: '0.09', craft: 'laborer' },
        ['3', '1'],
      ),
      part(
        'mulching',
        ['SW-MLC', 'Mulch', volume],
        'net_area * mulch',
        { material: '34.00', hours: '0.5', craft: 'laborer' },
        ['5', ''],
      ),
      part('preparing', ['SW-PREP', 'Prepare soil', volume], 'net_area * soil', {
        material: '12.00',
        hours: '0.35',
        craft: 'laborer',
      }),
      part(
        'edge',
        ['SW-EDS', 'Edge strip', length],
        'perimeter',
        { material: '2.10', hours: '0.04', craft: 'laborer' },
        ['5', ''],
      ),
    ],
  });
};

const stripes: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Pavement stripes',
    description: 'Painted lines on pavement, laid out and painted.',
    tags: 'parking stall marking paint',
    measures: 'run',
    inputs: [input('coats', 'Coats?', '', '2', '', [], { min: '1', max: '4' })],
    parts: [
      part('stripes', ['SW-STP', 'Pavement stripes', length], 'coats * length', { subcontract: '0.36' }),
    ],
  });
};

const bollards: Maker = (system) => {
  const { length, volume, small } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Bollards',
    description: 'Steel pipe posts set in concrete and filled, with a cover.',
    tags: 'guard post protection',
    measures: 'count',
    inputs: [
      input('hole', 'Diameter of the hole?', small, pick(system, '18', '450')),
      input('deep', 'Depth of the hole?', length, pick(system, '3', '0.9')),
    ],
    parts: [
      part('posts', ['SW-BOL', 'Steel post with cover', 'ea'], 'count', {
        material: '212.00',
        hours: '1.6',
        craft: 'laborer',
      }),
      booked('concrete', ['CN-RM-30', 'Concrete', volume], 'count * pi / 4 * hole ^ 2 * deep', ['15', '']),
    ],
  });
};

export const FURTHER_SITE_ASSEMBLIES: readonly Maker[] = [
  blockRetainingWall,
  gravelPath,
  riprap,
  sod,
  plantingBed,
  stripes,
  bollards,
];
