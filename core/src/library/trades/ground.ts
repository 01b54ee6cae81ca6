// data: irrigation and sitework of the trade library
import { type Maker, SIZES, YES_NO, assemblyOf, choice, input, part, pick } from '../build.ts';

/** Common practice: a tee and an adapter a sprinkler, and spares for small fittings that break. */
const sprinklers: Maker = () =>
  assemblyOf({
    trade: 'Irrigation',
    name: 'Sprinklers',
    description: 'Heads with riser, tee and adapter, with spares for what breaks.',
    tags: 'heads rotor spray watering',
    measures: 'count',
    inputs: [
      input('spares', 'Spares of small fittings, in a hundred?', '', '5'),
      input('tape_each', 'Heads one roll of thread tape does?', '', '20'),
    ],
    parts: [
      part('heads', ['IR-HED', 'Sprinkler head', 'ea'], 'count', {
        material: '18.60',
        hours: '0.35',
        craft: 'fitter',
      }),
      part('tees', ['IR-TEE', 'Tee', 'ea'], 'ceil(count * (1 + spares / 100))', { material: '1.15' }, [
        '0',
        '1',
      ]),
      part(
        'adapters',
        ['IR-ADP', 'Adapter', 'ea'],
        'ceil(count * (1 + spares / 100))',
        { material: '0.72' },
        ['0', '1'],
      ),
      part('risers', ['IR-RIS', 'Riser', 'ea'], 'count', { material: '2.30' }, ['3', '1']),
      part('tape', ['IR-TAP', 'Thread tape', 'roll'], 'count / tape_each', { material: '1.10' }, ['0', '1']),
    ],
  });

/** Common practice: a trench 1 ft wide and 1.5 ft deep along every pipe; an end cap at every dead end. */
const irrigationPipe: Maker = (system) => {
  const { length, small, volume } = SIZES[system];
  const stick = pick(system, '20 ft', '6 m');
  return assemblyOf({
    trade: 'Irrigation',
    name: 'Irrigation pipe',
    description: 'Pipe in sticks with couplings, tees, elbows and end caps, cement, and the trench over it.',
    tags: 'lateral main watering trench',
    measures: 'run',
    inputs: [
      input(
        'price_factor',
        'Size of the pipe?',
        '',
        '1',
        'against 1 in',
        choice(['3/4"', '0.8'], ['1"', '1'], ['1 1/2"', '1.6'], ['2"', '2.2']),
      ),
      input('trench_width', 'Width of the trench?', small, pick(system, '12', '300')),
      input('trench_depth', 'Depth of the trench?', small, pick(system, '18', '450')),
    ],
    parts: [
      part(
        'pipe',
        ['IR-PIP', 'Irrigation pipe, by size', length],
        'length * price_factor',
        { material: '0.74', hours: '0.02', craft: 'fitter' },
        ['5', pick(system, '20', '6')],
      ),
      part(
        'couplings',
        ['IR-CPL', 'Couplings', 'ea'],
        `max(0, ceil(length / ${stick}) - count)`,
        { material: '0.55' },
        ['5', '1'],
      ),
      part('tees', ['IR-TEE', 'Tee', 'ea'], 'tees', { material: '1.15' }, ['5', '1']),
      part('elbows', ['IR-ELB', 'Elbow', 'ea'], 'corners', { material: '0.95' }, ['5', '1']),
      part('caps', ['IR-CAP', 'End cap', 'ea'], 'ends', { material: '0.60' }, ['5', '1']),
      part(
        'cement',
        ['IR-CEM', 'Pipe cement', 'can'],
        `length / ${pick(system, '400 ft', '120 m')}`,
        { material: '9.80' },
        ['0', '1'],
      ),
      part('trench', ['SW-TRN', 'Trench and fill again', volume], 'length * trench_width * trench_depth', {
        equipment: '5.20',
        hours: '0.22',
        craft: 'laborer',
      }),
    ],
  });
};

const valves: Maker = (system) =>
  assemblyOf({
    trade: 'Irrigation',
    name: 'Irrigation valve',
    description: 'Valve in its box with unions and the wire to the controller.',
    tags: 'control box wire watering',
    measures: 'count',
    inputs: [
      input('wire_way', 'Way to the controller, each?', SIZES[system].length, pick(system, '120', '36')),
    ],
    parts: [
      part('valve', ['IR-VLV', 'Control valve', 'ea'], 'count', {
        material: '42.00',
        hours: '0.9',
        craft: 'fitter',
      }),
      part('box', ['IR-VBX', 'Valve box', 'ea'], 'count', {
        material: '23.50',
        hours: '0.3',
        craft: 'laborer',
      }),
      part('unions', ['IR-UNI', 'Unions, two a valve', 'ea'], '2 * count', { material: '3.10' }, ['5', '1']),
      part(
        'wire',
        ['IR-WIR', 'Control wire', SIZES[system].length],
        'count * wire_way',
        { material: '165.00', basis: 1000 },
        ['5', ''],
      ),
    ],
  });

/** A sleeve for every path that is crossed (common practice). */
const sleeves: Maker = (system) =>
  assemblyOf({
    trade: 'Irrigation',
    name: 'Sleeves at crossings',
    description: 'A sleeve under every path that pipe crosses.',
    tags: 'path crossing duct watering',
    measures: 'count',
    inputs: [input('sleeve', 'Length of a sleeve?', SIZES[system].length, pick(system, '8', '2.4'))],
    parts: [
      part(
        'sleeve',
        ['IR-SLV', 'Sleeve pipe', SIZES[system].length],
        'count * sleeve',
        { material: '2.15', hours: '0.06', craft: 'laborer' },
        ['5', ''],
      ),
      part('caps', ['IR-SLC', 'Sleeve caps, two each', 'ea'], '2 * count', { material: '0.85' }, ['0', '1']),
    ],
  });

/** Digging bulks: volume factors of US Army FM 5-434 table 1-1, in place to loose (from memory). */
const SOILS = choice(['Common earth', '1.25'], ['Sand', '1.11'], ['Clay', '1.43'], ['Blasted rock', '1.5']);

/**
 * A trench with its pipe. Computed: what the pipe takes is a cylinder of its outside; bedding goes under
 * the pipe, the pipe zone up to cover over it. Common practice: 90 % of what is dug can be used again.
 */
const pipeTrench: Maker = (system) => {
  const { length, small, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Sitework',
    name: 'Trench with pipe',
    description: 'Excavation, bedding, pipe zone, backfill and haul-off of a pipe trench with upright sides.',
    tags: 'storm drain sewer water backfill bedding',
    measures: 'run',
    inputs: [
      input('outside', 'Outside diameter of the pipe?', small, pick(system, '18', '450'), 'with its wall'),
      input('depth', 'Depth of the trench, middle?', length, pick(system, '6', '1.8')),
      input('width', 'Width of the trench?', length, pick(system, '4', '1.2')),
      input('bedding', 'Bedding under the pipe?', small, pick(system, '6', '150')),
      input('cover', 'Pipe zone above the pipe?', small, pick(system, '12', '300')),
      input('swell', 'What is dug?', '', '1.25', 'how it bulks', SOILS),
      input('reused', 'Share that is good enough for backfill?', '%', '90'),
    ],
    parts: [
      part('excavation', ['SW-EXC', 'Excavate the trench', volume], 'length * width * depth', {
        equipment: '7.40',
        hours: '0.05',
        craft: 'operator',
      }),
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
        'length * width * bedding',
        { material: '39.00', hours: '0.12', craft: 'laborer' },
        ['5', ''],
      ),
      part(
        'zone',
        ['SW-ZON', 'Pipe zone fill', volume],
        'length * (width * (outside + cover) - pi / 4 * outside * outside)',
        { material: '34.00', hours: '0.12', craft: 'laborer' },
        ['5', ''],
      ),
      part(
        'backfill',
        ['SW-BKF', 'Backfill and compact', volume],
        'length * width * (depth - bedding - outside - cover)',
        { equipment: '3.90', hours: '0.07', craft: 'laborer' },
      ),
      part(
        'haul',
        ['SW-HAU', 'Haul off, loose', volume],
        '(excavation - min(backfill, reused * excavation)) * swell',
        { equipment: '8.60', hours: '0.04', craft: 'operator' },
      ),
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
      part('grade', ['LB-GRADE', 'Fine grade', area], 'area', { hours: '0.006', craft: 'laborer' }),
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
      part(
        'concrete',
        ['CN-RM-40', 'Ready-mix concrete', volume],
        'length * width * height',
        { material: '168.00' },
        ['10', '0.25'],
      ),
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
      part('base', ['SW-CB-34', 'Crushed base', volume], 'area * base', { material: '36.00' }, ['5', '']),
      part('forms', ['CN-EF-4', 'Edge forms, set and strip', length], 'perimeter', {
        material: '0.48',
        hours: '0.03',
        craft: 'carpenter',
      }),
      part(
        'concrete',
        ['CN-RM-40', 'Ready-mix concrete', volume],
        'area * thickness',
        { material: '168.00' },
        ['10', '0.25'],
      ),
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
        ['SW-TOP', 'Topsoil, spread', volume],
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
        ['SW-TOP', 'Topsoil, spread', SIZES[system].volume],
        'count * pi / 4 * pit * pit * pit_depth',
        { material: '28.00', hours: '0.08', craft: 'laborer' },
      ),
      part('stakes', ['SW-STK', 'Stakes', 'ea'], 'count * stakes', { material: '4.20' }, ['5', '1']),
    ],
  });

export const GROUND_ASSEMBLIES: readonly Maker[] = [
  sprinklers,
  irrigationPipe,
  valves,
  sleeves,
  pipeTrench,
  massExcavation,
  paving,
  curb,
  sidewalk,
  lawn,
  planting,
];
