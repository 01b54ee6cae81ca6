// data: rough and finish carpentry of the trade library
import { type Maker, SIZES, assemblyOf, booked, input, part, pick } from '../build.ts';

const noggins: Maker = (system) => {
  const { length, stick } = SIZES[system];
  return assemblyOf({
    trade: 'Walls',
    name: 'Noggins between studs',
    description: 'Rows of blocking between the studs of a wall, for stiffness or for what hangs on it.',
    tags: 'blocking backing fireblock nogging',
    measures: 'run',
    inputs: [input('rows', 'How many rows?', '', '1', '', [], { min: '1', max: '20' })],
    parts: [booked('noggins', ['FR-BLK', 'Noggins', length], 'rows * length', ['5', stick])],
  });
};

const bracing: Maker = (system) => {
  const { length, height } = SIZES[system];
  return assemblyOf({
    trade: 'Walls',
    name: 'Diagonal bracing',
    description: 'Steel straps across the wall in pairs, one pair for every bay of wall so long.',
    tags: 'brace strap lateral shear',
    measures: 'run',
    inputs: [
      input('height', 'Wall height?', length, height),
      input('bay', 'Length of wall a pair braces?', length, pick(system, '24', '7.2'), '', [], {
        min: pick(system, '4', '1.2'),
      }),
    ],
    parts: [
      part(
        'straps',
        ['FR-DIAG', 'Steel strap, diagonal', length],
        '2 * ceil(length / bay) * sqrt(height ^ 2 + height ^ 2)',
        { material: '1.15', hours: '0.02', craft: 'carpenter' },
        ['5', ''],
      ),
      booked('ties', ['FR-STRAP', 'Ties at the ends', 'ea'], '4 * ceil(length / bay)', ['0', '1']),
    ],
    note: '{ceil(length / bay)} pairs of straps at 45 degrees, one for every {bay} of wall.',
  });
};

const furredWall: Maker = (system) => {
  const { length, small, height } = SIZES[system];
  return assemblyOf({
    trade: 'Walls',
    name: 'Furring on a wall',
    description: 'Upright furring on block or concrete, with a strip at top and bottom.',
    tags: 'furr strapping batten',
    measures: 'run',
    inputs: [
      input('height', 'Wall height?', length, height),
      input('spacing', 'Furring spacing?', small, pick(system, '16', '400'), 'center to center', [], {
        min: pick(system, '8', '200'),
      }),
    ],
    parts: [
      booked(
        'furring',
        ['FR-FURR', 'Furring', length],
        '(ceil(length / spacing) + 1) * height + 2 * length',
        ['5', ''],
      ),
    ],
  });
};

const posts: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Walls',
    name: 'Timber posts',
    description: 'Posts with a base and a cap of steel.',
    tags: 'column post base cap deck',
    measures: 'count',
    inputs: [input('height', 'Height of a post?', length, pick(system, '9', '2.7'))],
    parts: [
      booked('post', ['FR-POST-6', 'Posts', length], 'count * height', ['5', '']),
      part('bases', ['FR-PBASE', 'Post bases', 'ea'], 'count', {
        material: '21.40',
        hours: '0.3',
        craft: 'carpenter',
      }),
      part('caps', ['FR-PCAP', 'Post caps', 'ea'], 'count', {
        material: '17.80',
        hours: '0.25',
        craft: 'carpenter',
      }),
    ],
  });
};

const laminatedBeam: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Floors',
    name: 'Laminated beam',
    description: 'Plies of laminated lumber side by side, nailed together and set.',
    tags: 'lvl header girder flush beam',
    measures: 'run',
    inputs: [
      input('plies', 'How many plies?', '', '2', '', [], { min: '1', max: '6' }),
      input('bearing', 'Bearing at each end?', SIZES[system].small, pick(system, '3', '75')),
    ],
    parts: [
      booked('lumber', ['FR-LVL-11', 'Laminated lumber', length], 'plies * (length + 2 * bearing * count)', [
        '5',
        '',
      ]),
      part('set', ['LB-BEAM', 'Set a beam', 'ea'], 'count', { hours: '1.4', craft: 'carpenter' }),
    ],
  });
};

/** A 28 oz tube of adhesive does 60 ft of joist (common practice). */
const subfloor: Maker = (system) => {
  const { small, sheetArea } = SIZES[system];
  return assemblyOf({
    trade: 'Floors',
    name: 'Subfloor, glued',
    description: 'Sheets glued and nailed on joists that are there already.',
    tags: 'decking plywood adhesive nails',
    measures: 'area',
    inputs: [
      input('spacing', 'Joist spacing?', small, pick(system, '16', '400'), 'center to center', [], {
        min: pick(system, '8', '200'),
      }),
    ],
    parts: [
      booked('sheets', ['FR-SUB-34', 'Subfloor', 'sheet'], `net_area / (${sheetArea})`, ['5', '1']),
      booked(
        'adhesive',
        ['FR-ADH', 'Subfloor adhesive', 'tube'],
        `net_area / spacing / ${pick(system, '60 ft', '18.3 m')}`,
        ['0', '1'],
      ),
      booked(
        'nails',
        ['FR-NAIL-8', 'Nails', SIZES[system].mass],
        `net_area * ${pick(system, '0.0125 lb/ft²', '0.061 kg/m²')}`,
      ),
    ],
    note: 'On {net_area} of joists at {spacing}, sheets glued and nailed.',
  });
};

const deckBoards: Maker = (system) => {
  const { length, small } = SIZES[system];
  return assemblyOf({
    trade: 'Floors',
    name: 'Deck boards',
    description: 'Boards with gaps on joists, fastened with two screws a crossing.',
    tags: 'terrace decking outdoor',
    measures: 'area',
    inputs: [
      input('board', 'Width of a board?', small, pick(system, '5.5', '140')),
      input('gap', 'Gap between boards?', small, pick(system, '0.25', '6')),
      input('spacing', 'Joist spacing?', small, pick(system, '16', '400')),
    ],
    parts: [
      part(
        'boards',
        ['FR-DECK', 'Deck boards', length],
        'net_area / (board + gap)',
        { material: '1.95', hours: '0.02', craft: 'carpenter' },
        ['8', ''],
      ),
      part(
        'screws',
        ['FR-DSCR', 'Deck screws', 'ea'],
        '2 * net_area / (board + gap) / spacing',
        { material: '9.80', basis: 100 },
        ['5', '100'],
      ),
    ],
  });
};

const rafters: Maker = (system) => {
  const { length, small, sheetArea } = SIZES[system];
  return assemblyOf({
    trade: 'Roofing',
    name: 'Rafters and roof decking',
    description: 'Rafters up the slope, ridge board and decking sheets, framed and nailed.',
    tags: 'roof framing sheathing ridge',
    measures: 'slope',
    inputs: [
      input('spacing', 'Rafter spacing?', small, pick(system, '24', '600'), 'center to center', [], {
        min: pick(system, '8', '200'),
      }),
    ],
    parts: [
      booked('rafters', ['FR-JST-10', 'Rafters', length], 'slope_area / spacing', ['10', '']),
      part(
        'ridge_board',
        ['FR-RDG', 'Ridge board', length],
        'ridge',
        { material: '2.40', hours: '0.05', craft: 'carpenter' },
        ['5', ''],
      ),
      booked('decking', ['FR-SHT-58', 'Roof decking', 'sheet'], `slope_area / (${sheetArea})`, ['10', '1']),
    ],
  });
};

const ceilingJoists: Maker = (system) => {
  const { length, small } = SIZES[system];
  return assemblyOf({
    trade: 'Floors',
    name: 'Ceiling joists',
    description: 'Joists that carry a ceiling, with a strip across.',
    tags: 'attic framing',
    measures: 'area',
    inputs: [
      input('spacing', 'Joist spacing?', small, pick(system, '16', '400'), 'center to center', [], {
        min: pick(system, '8', '200'),
      }),
    ],
    parts: [
      booked('joists', ['FR-JST-8', 'Joists', length], 'net_area / spacing', ['8', '']),
      booked('strip', ['FR-FURR', 'Strip across', length], `net_area / ${pick(system, '8 ft', '2.4 m')}`, [
        '5',
        '',
      ]),
    ],
  });
};

const baseTrim: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Finishes',
    name: 'Base and trim',
    description: 'Wood base along walls, less the doors, mitered at corners and painted.',
    tags: 'baseboard skirting molding',
    measures: 'run',
    inputs: [
      input(
        'doors',
        'Width of doors to leave out?',
        length,
        'deducted_width',
        'openings in the runs, or typed',
      ),
    ],
    parts: [
      part(
        'base',
        ['FN-BASE', 'Wood base', length],
        'length - doors',
        { material: '1.62', hours: '0.035', craft: 'carpenter' },
        ['7', pick(system, '8', '2.4')],
      ),
      part('paint', ['FN-BPNT', 'Paint the base', length], 'length - doors', {
        material: '0.18',
        hours: '0.02',
        craft: 'boarder',
      }),
    ],
  });
};

const woodFloor: Maker = (system) => {
  const { area } = SIZES[system];
  return assemblyOf({
    trade: 'Finishes',
    name: 'Wood strip floor',
    description: 'Strip flooring on felt, nailed, sanded and sealed.',
    tags: 'hardwood plank parquet',
    measures: 'area',
    inputs: [],
    parts: [
      part(
        'strip',
        ['FN-STRIP', 'Strip flooring', area],
        'net_area',
        { material: '6.90', hours: '0.055', craft: 'carpenter' },
        ['8', ''],
      ),
      part(
        'felt',
        ['FN-FELT', 'Felt under the floor', area],
        'net_area',
        { material: '9.00', hours: '0.3', craft: 'carpenter', basis: 100 },
        ['10', ''],
      ),
      part('seal', ['FN-SEAL', 'Sand and seal', area], 'net_area', { subcontract: '2.85' }),
    ],
  });
};

const windows: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Finishes',
    name: 'Window set',
    description: 'Windows with flashing, sealant all round and trim inside.',
    tags: 'glazing flashing sealant',
    measures: 'count',
    inputs: [
      input('width', 'Width of a window?', length, pick(system, '4', '1.2')),
      input('height', 'Height of a window?', length, pick(system, '4', '1.2')),
    ],
    parts: [
      booked('windows', ['OP-WN-4', 'Windows', 'ea'], 'count'),
      part(
        'flashing',
        ['FN-FLSH', 'Flashing tape', length],
        'count * (width + 2 * height)',
        { material: '0.85', hours: '0.02', craft: 'carpenter' },
        ['10', ''],
      ),
      part(
        'sealant',
        ['FN-SLNT', 'Sealant', length],
        'count * 2 * (width + height)',
        { material: '0.42', hours: '0.02', craft: 'carpenter' },
        ['5', ''],
      ),
      part(
        'trim',
        ['FN-TRIM', 'Trim inside', length],
        'count * 2 * (width + height)',
        { material: '1.35', hours: '0.045', craft: 'carpenter' },
        ['10', ''],
      ),
    ],
  });
};

export const CARPENTRY_ASSEMBLIES: readonly Maker[] = [
  noggins,
  bracing,
  furredWall,
  posts,
  laminatedBeam,
  subfloor,
  deckBoards,
  rafters,
  ceilingJoists,
  baseTrim,
  woodFloor,
  windows,
];
