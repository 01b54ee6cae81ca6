// data: board and roofing of the trade library
import type { UnitSystem } from '../../units/format.ts';
import {
  BOARDS,
  type Maker,
  type PricedPart,
  SIZES,
  YES_NO,
  assemblyOf,
  boardLength,
  boardWidth,
  bookFamily,
  booked,
  choice,
  input,
  part,
  perBoard,
  pick,
  sized,
} from '../build.ts';

/** Common practice, a 4 x 8 ft sheet: 4.5 lb ready-mix, 15.4 ft tape, 2.9 lb compound, 40 screws. */
function boardParts(face: string, system: UnitSystem): readonly PricedPart[] {
  const { area, length, mass } = SIZES[system];
  const sheets = `layers * ${face} / (${boardWidth(system)} * board_length)`;
  return [
    sized('board', ['Board', 'sheet'], sheets, BOARDS, bookFamily(BOARDS.family), ['5', '1']),
    booked('screws', ['BD-SCR', 'Board screws', 'ea'], perBoard('40', system), ['0', '100']),
    booked(
      'ready_mix',
      ['BD-RMX', 'Ready-mix joint cement', mass],
      perBoard(pick(system, '4.5 lb', '2.04 kg'), system),
    ),
    booked('tape', ['BD-TAPE', 'Joint tape', length], perBoard(pick(system, '15.4 ft', '4.7 m'), system)),
    booked(
      'compound',
      ['BD-CMP', 'Joint compound', mass],
      perBoard(pick(system, '2.9 lb', '1.32 kg'), system),
    ),
    booked('hanging', ['LB-BOARD', 'Hang and finish board', area], `layers * ${face}`),
  ];
}

const wallBoard: Maker = (system) =>
  assemblyOf({
    trade: 'Board',
    name: 'Board on walls',
    description:
      'Sheets, screws, tape and compound on one or both faces, hung and finished. Screws, cement, tape and compound are for the net sheets, before waste.',
    tags: 'drywall gypsum plasterboard taping',
    measures: 'run',
    inputs: [
      input('height', 'Height of the board?', SIZES[system].length, SIZES[system].height),
      input('faces', 'On how many faces?', '', '2', '', choice(['One face', '1'], ['Both faces', '2'])),
      input('layers', 'Layers on each face?', '', '1'),
      boardLength(system),
    ],
    parts: boardParts('faces * length * height', system),
  });

const ceilingBoard: Maker = (system) =>
  assemblyOf({
    trade: 'Board',
    name: 'Board on ceilings',
    description:
      'Sheets, screws, tape and compound on a ceiling, hung and finished. Screws, cement, tape and compound are for the net sheets, before waste.',
    tags: 'drywall gypsum plasterboard taping ceiling',
    measures: 'area',
    inputs: [input('layers', 'Layers?', '', '1'), boardLength(system)],
    parts: boardParts('area', system),
  });

const SHAPES = choice(['Gable, 10 %', '10'], ['Hip, 15 %', '15'], ['Cut up, 20 %', '20'], ['None', '0']);

/** A square is 100 ft². Common practice: 10 % waste on a gable roof, more where hips cut the courses. */
const shingles: Maker = (system) => {
  const { length, area } = SIZES[system];
  const bundle = pick(system, '33.3 ft²', '3.1 m²');
  return assemblyOf({
    trade: 'Roofing',
    name: 'Shingle roof',
    description:
      'Shingles with waste by the shape of the roof, underlay, edges, ridge and valleys; tear-off if asked.',
    tags: 'asphalt covering underlayment drip edge ridge cap tear-off',
    measures: 'slope',
    inputs: [
      input('waste', 'Shape of the roof?', '%', '10', 'waste on the covering', SHAPES),
      input('tear_off', 'Is an old roof taken off?', '', '0', '', YES_NO),
      input('vents', 'Ridge vent along the ridge?', '', '1', '', YES_NO),
    ],
    parts: [
      part(
        'shingles',
        ['RF-SHG', 'Shingles', 'bundle'],
        `slope_area * (1 + waste) / (${bundle})`,
        { material: '38.50' },
        ['0', '1'],
      ),
      part('underlay', ['RF-UND', 'Underlay', area], 'slope_area', { material: '0.16' }, ['10', '']),
      part(
        'drip',
        ['RF-DRP', 'Drip edge at eaves and rakes', length],
        'eave + rake',
        { material: '0.98', hours: '0.02', craft: 'roofer' },
        ['5', '10'],
      ),
      part(
        'starter',
        ['RF-STR', 'Starter course at eaves and rakes', length],
        'eave + rake',
        { material: '0.71' },
        ['5', ''],
      ),
      part(
        'caps',
        ['RF-CAP', 'Cap shingles on ridges and hips', length],
        'ridge + hip',
        { material: '1.62', hours: '0.03', craft: 'roofer' },
        ['5', ''],
      ),
      part('vent', ['RF-VNT', 'Ridge vent', length], 'if(vents = 1, 1, 0) * ridge', { material: '3.45' }),
      part(
        'valley',
        ['RF-VAL', 'Valley lining', length],
        'valley',
        { material: '2.60', hours: '0.05', craft: 'roofer' },
        ['10', ''],
      ),
      part(
        'nails',
        ['RF-NAL', 'Roofing nails', SIZES[system].mass],
        `slope_area * ${pick(system, '1 lb / (50 ft²)', '0.45 kg / (4.6 m²)')}`,
        { material: '2.35' },
        ['0', '1'],
      ),
      part('laying', ['LB-SHG', 'Lay shingles', area], 'slope_area', { hours: '0.018', craft: 'roofer' }),
      part('tear', ['LB-TEAR', 'Take off the old roof', area], 'if(tear_off = 1, 1, 0) * slope_area', {
        hours: '0.012',
        craft: 'laborer',
      }),
    ],
  });
};

const seamMetal: Maker = (system) => {
  const { length, small, area } = SIZES[system];
  return assemblyOf({
    trade: 'Roofing',
    name: 'Standing seam roof',
    description: 'Metal pans by their cover, clips, underlay, edges and ridge.',
    tags: 'metal covering pans clips',
    measures: 'slope',
    inputs: [
      input('cover', 'Cover of a pan?', small, pick(system, '16', '400')),
      input('clip_spacing', 'Spacing of clips along a seam?', small, pick(system, '24', '600')),
    ],
    parts: [
      part(
        'pans',
        ['RF-PAN', 'Metal pans', area],
        'slope_area',
        { material: '4.85', hours: '0.05', craft: 'roofer' },
        ['7', ''],
      ),
      part(
        'clips',
        ['RF-CLP', 'Seam clips', 'ea'],
        'ceil(slope_area / cover / clip_spacing)',
        { material: '62.00', basis: 100 },
        ['5', '1'],
      ),
      part('underlay', ['RF-UNS', 'Self-adhering underlay', area], 'slope_area', { material: '0.88' }, [
        '10',
        '',
      ]),
      part(
        'edges',
        ['RF-EDM', 'Edge metal at eaves and rakes', length],
        'eave + rake',
        { material: '4.10', hours: '0.04', craft: 'roofer' },
        ['5', ''],
      ),
      part(
        'ridge_cap',
        ['RF-RCM', 'Ridge and hip cap', length],
        'ridge + hip',
        { material: '7.20', hours: '0.06', craft: 'roofer' },
        ['5', ''],
      ),
      part(
        'flashing',
        ['RF-FLS', 'Flashing at walls', length],
        'wall',
        { material: '5.60', hours: '0.07', craft: 'roofer' },
        ['5', ''],
      ),
    ],
  });
};

const membrane: Maker = (system) => {
  const { length, area, sheetArea } = SIZES[system];
  return assemblyOf({
    trade: 'Roofing',
    name: 'Membrane roof',
    description: 'Cover board, two plies, edge metal and flashing of a low slope.',
    tags: 'bitumen flat low slope plies',
    measures: 'slope',
    inputs: [input('plies', 'How many plies?', '', '2')],
    parts: [
      part(
        'cover_board',
        ['RF-CVB', 'Cover board', 'sheet'],
        `slope_area / (${sheetArea})`,
        { material: '21.90' },
        ['5', '1'],
      ),
      part(
        'plies',
        ['RF-PLY', 'Membrane plies', area],
        'plies * slope_area',
        { material: '1.12', hours: '0.014', craft: 'roofer' },
        ['12', ''],
      ),
      part(
        'edges',
        ['RF-EDG', 'Edge metal', length],
        'eave + rake',
        { material: '3.40', hours: '0.05', craft: 'roofer' },
        ['5', ''],
      ),
      part(
        'flashing',
        ['RF-FLS', 'Flashing at walls', length],
        'wall',
        { material: '5.60', hours: '0.07', craft: 'roofer' },
        ['5', ''],
      ),
    ],
  });
};

const gutter: Maker = (system) =>
  assemblyOf({
    trade: 'Roofing',
    name: 'Gutter',
    description: 'Gutter with hangers, end caps, corners and outlets for downpipes.',
    tags: 'eaves trough downspout drainage',
    measures: 'run',
    inputs: [
      input('hangers', 'Spacing of hangers?', SIZES[system].length, pick(system, '2', '0.6')),
      input('outlets', 'Downpipes?', '', '2'),
      input('drop', 'Height of a downpipe?', SIZES[system].length, pick(system, '12', '3.6')),
    ],
    parts: [
      part(
        'gutter',
        ['RF-GUT', 'Gutter', SIZES[system].length],
        'length',
        { material: '3.20', hours: '0.05', craft: 'roofer' },
        ['5', pick(system, '10', '3')],
      ),
      part(
        'hangers',
        ['RF-GHG', 'Gutter hangers', 'ea'],
        'ceil(length / hangers) + count',
        { material: '1.10' },
        ['3', '1'],
      ),
      part('corners', ['RF-GCR', 'Gutter corners', 'ea'], 'corners', { material: '11.40' }),
      part('caps', ['RF-GCP', 'Gutter end caps', 'ea'], 'ends', { material: '2.60' }),
      part(
        'pipe',
        ['RF-DWN', 'Downpipe', SIZES[system].length],
        'outlets * drop',
        { material: '2.85', hours: '0.05', craft: 'roofer' },
        ['5', ''],
      ),
    ],
  });

const roofVents: Maker = () =>
  assemblyOf({
    trade: 'Roofing',
    name: 'Roof vent or pipe',
    description: 'Vents and pipes through the roof with their flashing.',
    tags: 'penetration jack boot flashing',
    measures: 'count',
    inputs: [],
    parts: [
      part('vent', ['RF-RVT', 'Roof vent', 'ea'], 'count', {
        material: '32.00',
        hours: '0.6',
        craft: 'roofer',
      }),
      part('flashing', ['RF-RFL', 'Vent flashing', 'ea'], 'count', { material: '14.50' }),
    ],
  });

const tearOff: Maker = (system) =>
  assemblyOf({
    trade: 'Roofing',
    name: 'Tear-off',
    description: 'An old roof taken off in its layers, loaded and dumped by weight.',
    tags: 'demolition strip removal dump',
    measures: 'slope',
    inputs: [
      input('layers', 'Layers?', '', '1'),
      input(
        'weight',
        'Weight of a layer?',
        '',
        pick(system, '2.5', '12'),
        pick(system, 'pounds a square foot', 'kilograms a square meter'),
      ),
    ],
    parts: [
      part('strip', ['LB-STRIP', 'Strip the roof', SIZES[system].area], 'layers * slope_area', {
        hours: '0.012',
        craft: 'laborer',
      }),
      part(
        'dump',
        ['RF-DMP', 'Load and dump', pick(system, 'ton', 't')],
        `layers * slope_area * weight * ${pick(system, '1 lb / 1 ft²', '1 kg / 1 m²')}`,
        { equipment: '85.00' },
      ),
    ],
  });

export const ROOF_ASSEMBLIES: readonly Maker[] = [
  wallBoard,
  ceilingBoard,
  shingles,
  seamMetal,
  membrane,
  gutter,
  roofVents,
  tearOff,
];
