// data: sitework of the trade library
import { booked, type Maker, SIZES, YES_NO, assemblyOf, choice, input, part, pick } from '../build.ts';

/** Digging bulks: volume factors of US Army FM 5-434 table 1-1, in place to loose (from memory). */
const SOILS = choice(['Common earth', '1.25'], ['Sand', '1.11'], ['Clay', '1.43'], ['Blasted rock', '1.5']);

const OUTSIDE = '(inside + 2 * wall)';

/** Section of the trench between two heights above its bottom; the sides run straight to the top. */
const between = (from: string, to: string): string => {
  const whole = (at: string): string => `(width * ${at} + flare / depth * ${at} ^ 2)`;
  return from === '0' ? whole(to) : `${whole(to)} - ${whole(from)}`;
};

/**
 * A trench with its pipe. Computed: what the pipe takes is a cylinder of its outside; bedding goes under
 * the pipe, the pipe zone up to cover over it. Common practice: 90 % of what is dug can be used again.
 */
const pipeTrench: Maker = (system) => {
  const { length, small, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Trench with pipe',
    description:
      'Excavation, bedding, pipe zone, backfill and haul-off of a pipe trench, upright or with sloped sides.',
    version: 2,
    tags: 'storm drain sewer water backfill bedding',
    measures: 'run',
    inputs: [
      input('inside', 'Inside diameter of the pipe?', small, pick(system, '15', '400'), '', [], {
        group: 'Pipe',
      }),
      input('wall', 'Wall of the pipe?', small, pick(system, '1.5', '25'), '', [], { group: 'Pipe' }),
      input('depth', 'Depth of the trench, middle?', length, pick(system, '6', '1.8'), '', [], {
        group: 'Trench',
        min: pick(system, '0.5', '0.15'),
      }),
      input('width', 'Width at the bottom?', length, pick(system, '4', '1.2'), '', [], { group: 'Trench' }),
      input('flare', 'Wider at the top, each side?', length, '0', 'of sloped sides', [], { group: 'Trench' }),
      input('bedding', 'Bedding under the pipe?', small, pick(system, '6', '150'), '', [], {
        group: 'Fill',
      }),
      input('cover', 'Pipe zone above the pipe?', small, pick(system, '12', '300'), '', [], {
        group: 'Fill',
      }),
      input('swell', 'What is dug?', '', '1.25', 'how it bulks', SOILS, { group: 'Fill' }),
      input('reused', 'Share that is good enough for backfill?', '%', '90', '', [], { group: 'Fill' }),
    ],
    parts: [
      booked('excavation', ['SW-EXC', 'Excavate the trench', volume], 'length * (width + flare) * depth'),
      part(
        'pipe',
        ['SW-PIPE', 'Pipe, laid', length],
        'length',
        { material: '31.00', hours: '0.18', craft: 'fitter' },
        ['2', ''],
      ),
      part(
        'bed',
        ['SW-BDG', 'Bedding', volume],
        `length * (${between('0', 'bedding')})`,
        { material: '39.00', hours: '0.12', craft: 'laborer' },
        ['5', ''],
      ),
      part(
        'zone',
        ['SW-ZON', 'Pipe zone fill', volume],
        `length * (${between('bedding', `(bedding + ${OUTSIDE} + cover)`)} - pi / 4 * ${OUTSIDE} ^ 2)`,
        { material: '34.00', hours: '0.12', craft: 'laborer' },
        ['5', ''],
      ),
      booked(
        'backfill',
        ['SW-BKF', 'Backfill and compact', volume],
        `length * (${between(`(bedding + ${OUTSIDE} + cover)`, 'depth')})`,
      ),
      part(
        'haul',
        ['SW-HAU', 'Haul off, loose', volume],
        '(excavation - min(backfill, reused * excavation)) * swell',
        { equipment: '8.60', hours: '0.04', craft: 'operator' },
      ),
    ],
    checks: [
      {
        when: `bedding + ${OUTSIDE} + cover > depth`,
        text: `The bedding, the pipe and its zone are {bedding + ${OUTSIDE} + cover} high, and the trench is {depth} deep.`,
      },
    ],
    note: `{excavation, ${volume}} dug in place, {haul, ${volume}} hauled off loose.`,
    section: [
      { shape: 'box', fill: 'ground', x: '0 m', y: '0 m', width: 'width', height: 'depth', flare: 'flare' },
      {
        shape: 'box',
        fill: 'sand',
        x: '0 - flare * bedding / depth',
        y: 'bedding',
        width: 'width + 2 * flare * bedding / depth',
        height: `${OUTSIDE} + cover`,
        flare: `flare * (${OUTSIDE} + cover) / depth`,
      },
      {
        shape: 'box',
        fill: 'stone',
        x: '0 m',
        y: '0 m',
        width: 'width',
        height: 'bedding',
        flare: 'flare * bedding / depth',
      },
      {
        shape: 'ring',
        fill: 'pipe',
        x: 'width / 2',
        y: `bedding + ${OUTSIDE} / 2`,
        width: OUTSIDE,
        height: 'inside',
      },
    ],
  });
};

const massExcavation: Maker = (system) => {
  const { small, volume, area } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Excavate and haul',
    description: 'Digging to a depth over an area, hauled off with its bulking, and the bottom graded.',
    tags: 'cut strip topsoil dig earthwork',
    measures: 'area',
    inputs: [
      input('depth', 'How deep?', small, pick(system, '12', '300')),
      input('swell', 'What is dug?', '', '1.25', 'how it bulks', SOILS),
    ],
    parts: [
      part('dig', ['SW-DIG', 'Excavate, in place', volume], 'area * depth', {
        equipment: '4.10',
        hours: '0.03',
        craft: 'operator',
      }),
      part('haul', ['SW-HAU', 'Haul off, loose', volume], 'dig * swell', {
        equipment: '8.60',
        hours: '0.04',
        craft: 'operator',
      }),
      booked('grade', ['LB-GRADE', 'Fine grade', area], 'area'),
    ],
  });
};

/** Asphalt weighs 145 lb/ft³, 2.32 t/m³ (common practice). */
const paving: Maker = (system) => {
  const { small, volume, area } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Base and asphalt',
    description: 'Compacted base and asphalt by area, volume and weight.',
    tags: 'paving road parking tonnage bituminous',
    measures: 'area',
    inputs: [
      input('base', 'Depth of the base, compacted?', small, pick(system, '8', '200')),
      input('asphalt', 'Depth of the asphalt?', small, pick(system, '4', '100')),
      input('tack', 'Tack coat?', '', '1', '', YES_NO),
    ],
    parts: [
      part(
        'base',
        ['SW-BAS', 'Base course', volume],
        'area * base',
        { material: '31.50', equipment: '3.20', hours: '0.05', craft: 'operator' },
        ['10', ''],
      ),
      part(
        'asphalt',
        ['SW-ASP', 'Asphalt', pick(system, 'ton', 't')],
        `area * asphalt * ${pick(system, '145 lb / 1 ft³', '2320 kg / 1 m³')}`,
        { material: '92.00', equipment: '14.00', hours: '0.11', craft: 'operator' },
        ['5', ''],
      ),
      part('tack', ['SW-TCK', 'Tack coat', area], 'tack * area', { material: '0.09' }),
    ],
  });
};

const curb: Maker = (system) => {
  const { length, small, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Concrete curb',
    description: 'Curb with its base and forms on both sides.',
    tags: 'kerb edge gutter',
    measures: 'run',
    inputs: [
      input('width', 'Width of the curb?', small, pick(system, '6', '150')),
      input('height', 'Height of the curb, over all?', small, pick(system, '18', '450')),
    ],
    parts: [
      booked('concrete', ['CN-RM-40', 'Ready-mix concrete', volume], 'length * width * height', [
        '10',
        '0.25',
      ]),
      part('forms', ['CN-FRM-CB', 'Curb forms, set and strip', length], '2 * length', {
        material: '0.55',
        hours: '0.04',
        craft: 'carpenter',
      }),
      part('joints', ['CN-JNT', 'Joints', 'ea'], `ceil(length / ${pick(system, '10 ft', '3 m')})`, {
        material: '1.90',
      }),
      part('finish', ['LB-CURB', 'Place and finish curb', length], 'length', {
        hours: '0.06',
        craft: 'finisher',
      }),
    ],
  });
};

const sidewalk: Maker = (system) => {
  const { length, small, area, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Sidewalk',
    description: 'Base, edge forms, concrete and broom finish of a walk.',
    tags: 'path walk footpath flatwork',
    measures: 'area',
    inputs: [
      input('thickness', 'Thickness?', small, pick(system, '4', '100')),
      input('base', 'Depth of the base?', small, pick(system, '4', '100')),
    ],
    parts: [
      booked('base', ['SW-CB-34', 'Crushed base', volume], 'area * base', ['5', '']),
      part('forms', ['CN-EF-4', 'Edge forms, set and strip', length], 'perimeter', {
        material: '0.48',
        hours: '0.03',
        craft: 'carpenter',
      }),
      booked('concrete', ['CN-RM-40', 'Ready-mix concrete', volume], 'area * thickness', ['10', '0.25']),
      part('finish', ['LB-BROOM', 'Place and broom finish', area], 'area', {
        hours: '0.03',
        craft: 'finisher',
      }),
    ],
  });
};

const lawn: Maker = (system) => {
  const { small, area, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Topsoil and seed',
    description: 'Topsoil spread to a depth, seed and mulch.',
    tags: 'lawn grass planting landscape',
    measures: 'area',
    inputs: [input('depth', 'Depth of topsoil?', small, pick(system, '4', '100'))],
    parts: [
      part(
        'soil',
        ['SW-TPS', 'Topsoil, supplied and spread', volume],
        'area * depth',
        { material: '28.00', hours: '0.08', craft: 'laborer' },
        ['10', ''],
      ),
      part(
        'seed',
        ['SW-SED', 'Seed', SIZES[system].mass],
        `area * ${pick(system, '5 lb / 1000 ft²', '25 kg / 1000 m²')}`,
        { material: '4.60' },
        ['5', ''],
      ),
      part('mulch', ['SW-MUL', 'Mulch', area], 'area', {
        material: '0.05',
        hours: '0.001',
        craft: 'laborer',
      }),
    ],
  });
};

const planting: Maker = (system) =>
  assemblyOf({
    trade: 'Sitework',
    name: 'Trees and shrubs',
    description: 'Plants set in dug pits with soil, stakes and mulch.',
    tags: 'planting landscape tree shrub',
    measures: 'count',
    inputs: [
      input('pit', 'Width of a pit?', SIZES[system].length, pick(system, '3', '0.9')),
      input('pit_depth', 'Depth of a pit?', SIZES[system].length, pick(system, '2', '0.6')),
      input('stakes', 'Stakes each?', '', '2'),
    ],
    parts: [
      part(
        'plants',
        ['SW-PLN', 'Plant', 'ea'],
        'count',
        { material: '145.00', hours: '1.6', craft: 'laborer' },
        ['3', '1'],
      ),
      part(
        'pit_soil',
        ['SW-TPS', 'Topsoil, supplied and spread', SIZES[system].volume],
        'count * pi / 4 * pit * pit * pit_depth',
        { material: '28.00', hours: '0.08', craft: 'laborer' },
      ),
      part('stakes', ['SW-STK', 'Stakes', 'ea'], 'count * stakes', { material: '4.20' }, ['5', '1']),
    ],
  });

export const SITE_ASSEMBLIES: readonly Maker[] = [
  pipeTrench,
  massExcavation,
  paving,
  curb,
  sidewalk,
  lawn,
  planting,
];
