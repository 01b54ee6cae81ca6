// data: irrigation of the trade library
import {
  type Maker,
  SIZES,
  assemblyOf,
  choice,
  fittingsFor,
  inSteps,
  input,
  part,
  pick,
  sized,
} from '../build.ts';

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
      part('risers', ['IR-RIS', 'Riser', 'ea'], 'count', { material: '2.30' }, ['0', '1']),
      part('tape', ['IR-TAP', 'Thread tape', 'roll'], 'count / tape_each', { material: '1.10' }, ['0', '1']),
    ],
  });

const PIPE_SIZES = [
  ['075', '3/4 in', '0.75 in'],
  ['100', '1 in', '1 in'],
  ['150', '1-1/2 in', '1.5 in'],
  ['200', '2 in', '2 in'],
] as const;
const BY_PIPE = (family: string) => ({ family, by: { size: 'pipe_size' } });

/** Pipe by size, invented prices; a larger pipe takes longer to lay. */
const PIPES = inSteps('IR-PIP', 'Irrigation pipe', 'ft', 'size', [
  ['075', '3/4 in', '0.75 in', { material: '0.59', hours: '0.018', craft: 'fitter' }],
  ['100', '1 in', '1 in', { material: '0.74', hours: '0.02', craft: 'fitter' }],
  ['150', '1-1/2 in', '1.5 in', { material: '1.18', hours: '0.024', craft: 'fitter' }],
  ['200', '2 in', '2 in', { material: '1.63', hours: '0.029', craft: 'fitter' }],
]);

const PIPE_FITTINGS = fittingsFor('size', PIPE_SIZES);

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
        'pipe_size',
        'Size of the pipe?',
        small,
        pick(system, '1', '25.4'),
        'inside, nominal',
        pick(
          system,
          choice(['3/4"', '0.75'], ['1"', '1'], ['1 1/2"', '1.5'], ['2"', '2']),
          choice(['20 mm', '19.05'], ['25 mm', '25.4'], ['40 mm', '38.1'], ['50 mm', '50.8']),
        ),
      ),
      input('trench_width', 'Width of the trench?', small, pick(system, '12', '300')),
      input('trench_depth', 'Depth of the trench?', small, pick(system, '18', '450')),
    ],
    parts: [
      sized('pipe', ['Irrigation pipe, by size', length], 'length', BY_PIPE('Irrigation pipe'), PIPES, [
        '5',
        pick(system, '20', '6'),
      ]),
      sized(
        'couplings',
        ['Couplings', 'ea'],
        `max(0, ceil(length / ${stick}) - count)`,
        BY_PIPE('Irrigation couplings'),
        PIPE_FITTINGS('IR-CPL', 'Coupling', [0.42, 0.55, 0.98, 1.4]),
      ),
      sized(
        'tees',
        ['Tee', 'ea'],
        'tees',
        BY_PIPE('Irrigation tees'),
        PIPE_FITTINGS('IR-PTE', 'Tee', [0.85, 1.15, 2.05, 2.9]),
      ),
      sized(
        'elbows',
        ['Elbow', 'ea'],
        'bends',
        BY_PIPE('Irrigation elbows'),
        PIPE_FITTINGS('IR-ELB', 'Elbow', [0.7, 0.95, 1.7, 2.4]),
      ),
      sized(
        'caps',
        ['End cap', 'ea'],
        'ends',
        BY_PIPE('Irrigation end caps'),
        PIPE_FITTINGS('IR-CAP', 'End cap', [0.45, 0.6, 1.05, 1.5]),
      ),
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
      part('unions', ['IR-UNI', 'Unions, two a valve', 'ea'], '2 * count', { material: '3.10' }, ['0', '1']),
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

const dripLine: Maker = (system) =>
  assemblyOf({
    trade: 'Irrigation',
    name: 'Drip line',
    description: 'Drip line in rows over an area with staples and fittings.',
    tags: 'emitter planting bed watering',
    measures: 'area',
    inputs: [input('rows', 'Distance between rows?', SIZES[system].small, pick(system, '18', '450'))],
    parts: [
      part(
        'line',
        ['IR-DRP', 'Drip line', SIZES[system].length],
        'area / rows',
        { material: '0.42', hours: '0.008', craft: 'laborer' },
        ['5', pick(system, '100', '30')],
      ),
      part(
        'staples',
        ['IR-STP', 'Staples', 'ea'],
        `ceil(line / ${pick(system, '4 ft', '1.2 m')})`,
        { material: '12.00', basis: 100 },
        ['0', '100'],
      ),
    ],
  });

export const IRRIGATION_ASSEMBLIES: readonly Maker[] = [
  sprinklers,
  irrigationPipe,
  valves,
  sleeves,
  dripLine,
];
