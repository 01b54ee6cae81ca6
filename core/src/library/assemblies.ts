// data: the assemblies every new job starts with
import type { UnitSystem } from '../units/format.ts';
import {
  BOARDS,
  type Content,
  SIZES,
  boardLength,
  boardWidth,
  component,
  input,
  perBoard,
  pick,
} from './build.ts';

/** The stud that fits: as deep as the wall is built, and no shorter than it is between its three plates. */
const STUDS = { family: 'Studs', by: { depth: 'stud_depth', length: 'height - 3 * 1.5 in' } } as const;

/**
 * Plates, studs, door framing and board of a stud partition. Common practice: two top plates and one
 * bottom plate less the doors; a stud per spacing and one more at every end, corner and tee; two
 * jamb studs a door; headers 2 in past each side; 40 screws, 4.5 lb ready-mix, 15.4 ft tape and
 * 2.9 lb compound a sheet.
 */
function studPartition(system: UnitSystem): Content {
  const { length, small, area, mass, height, stick } = SIZES[system];
  const spacings = pick(
    system,
    ['12', '16', '24'].map((value) => ({ label: `${value} in`, value })),
    ['300', '400', '450', '600'].map((value) => ({ label: `${value} mm`, value })),
  );
  const faces = [
    { label: 'One face', value: '1' },
    { label: 'Both faces', value: '2' },
  ];
  return {
    name: 'Stud partition',
    description:
      'Plates, studs, door framing, board on one or both faces, taping and the labor for it. Screws, cement, tape and compound are for the net sheets, before waste.',
    measures: 'run',
    inputs: [
      input('height', 'Wall height?', length, height),
      input('spacing', 'Stud spacing?', small, pick(system, '16', '450'), 'center to center', spacings),
      input(
        'stud_depth',
        'Which studs?',
        small,
        pick(system, '5.5', '139.7'),
        'their depth as dressed',
        pick(
          system,
          [
            { label: '2x4', value: '3.5' },
            { label: '2x6', value: '5.5' },
          ],
          [
            { label: '38 x 89', value: '88.9' },
            { label: '38 x 140', value: '139.7' },
          ],
        ),
      ),
      input('doors', 'How many doors in these walls?', '', 'openings', 'those drawn in the walls, or typed'),
      input(
        'door_width',
        'Width of all these doors together?',
        length,
        'openings_width',
        'those drawn in the walls, or typed',
      ),
      input('extra_studs', 'Further studs, for blocking and backing?', '', '0'),
      input('faces', 'Board on how many faces?', '', '2', '', faces),
      input('layers', 'Layers of board on each face?', '', '1'),
      boardLength(system),
    ],
    components: [
      component(
        'bottom_plate',
        'Bottom plate, treated',
        'material',
        length,
        'length - door_width',
        'FR-PLT-6T',
        ['3', stick],
      ),
      component('top_plates', 'Top plates, two', 'material', length, '2 * length', 'FR-PLT-6', ['3', stick]),
      {
        ...component(
          'studs',
          'Studs with ends, corners and tees',
          'material',
          'ea',
          'ceil(length / spacing) + ends + corners + tees + extra_studs',
          '',
          ['5', '1'],
        ),
        sizing: STUDS,
      },
      {
        ...component('jamb_studs', 'Jamb studs, two a door', 'material', 'ea', '2 * doors', '', ['0', '1']),
        sizing: STUDS,
      },
      component(
        'headers',
        'Headers',
        'material',
        length,
        `door_width + doors * 2 * ${pick(system, '2 in', '50 mm')}`,
        'FR-HDR-8',
        ['5', ''],
      ),
      component('framing', 'Frame the wall', 'labor', area, 'length * height', 'LB-FRAME'),
      {
        ...component(
          'board',
          'Board',
          'material',
          'sheet',
          `faces * layers * (length * height - deducted_area) / (${boardWidth(system)} * board_length)`,
          '',
          ['5', '1'],
        ),
        sizing: BOARDS,
      },
      component('screws', 'Board screws', 'material', 'ea', perBoard('40', system), 'BD-SCR', ['0', '100']),
      component(
        'ready_mix',
        'Ready-mix joint cement',
        'material',
        mass,
        perBoard(pick(system, '4.5 lb', '2.04 kg'), system),
        'BD-RMX',
      ),
      component(
        'tape',
        'Joint tape',
        'material',
        length,
        perBoard(pick(system, '15.4 ft', '4.7 m'), system),
        'BD-TAPE',
      ),
      component(
        'compound',
        'Joint compound',
        'material',
        mass,
        perBoard(pick(system, '2.9 lb', '1.32 kg'), system),
        'BD-CMP',
      ),
      component(
        'hanging',
        'Hang and finish board',
        'labor',
        area,
        'faces * layers * (length * height - deducted_area)',
        'LB-BOARD',
      ),
    ],
  };
}

/**
 * A slab on grade with its base, forms and finish. Common practice: 10 % waste on placed concrete,
 * a quarter labor hour to place a cubic yard, forms set and later stripped over the same length.
 */
function slabOnGrade(system: UnitSystem): Content {
  const { length, small, area, volume } = SIZES[system];
  return {
    name: 'Slab on grade',
    description: 'Base, vapor barrier, mesh, edge forms, concrete placed and finished.',
    measures: 'area',
    inputs: [
      input('thickness', 'Slab thickness?', small, pick(system, '6', '150')),
      input('base', 'Depth of the base under it?', small, pick(system, '4', '100')),
      input(
        'form_length',
        'Length of edge to form?',
        length,
        'perimeter',
        'the whole edge unless walls close it',
      ),
      input('pumped', 'Is the concrete pumped?', '', '1', '', [
        { label: 'Yes', value: '1' },
        { label: 'No, from the truck', value: '0' },
      ]),
    ],
    components: [
      component('grade', 'Fine grade and roll', 'labor', area, 'area', 'LB-GRADE'),
      component('gravel', 'Crushed base', 'material', volume, 'area * base', 'SW-CB-34', ['5', '']),
      component('barrier', 'Vapor barrier', 'material', area, 'area', 'CN-VB-15', ['10', '']),
      component('mesh', 'Welded wire mesh', 'material', area, 'area', 'CN-WWM-6', ['10', '']),
      component('forms', 'Edge form, set and strip', 'material', length, 'form_length', 'CN-EF-6'),
      component('concrete', 'Ready-mix concrete', 'material', volume, 'area * thickness', 'CN-RM-40', [
        '10',
        '0.25',
      ]),
      {
        ...component('pump', 'Concrete pump', 'equipment', volume, 'concrete', 'CN-PUMP'),
        when: 'pumped = 1',
      },
      component('place', 'Place concrete', 'labor', volume, 'concrete', 'LB-PLACE'),
      component('finish', 'Trowel finish and cure', 'labor', area, 'area', 'LB-TROWEL'),
    ],
  };
}

/**
 * A block wall. Computed: an 8 x 16 in face is 1.125 blocks per ft². Common practice: 3 bags of
 * mortar and 11.6 ft³ of sand per 100 blocks, 0.25 ft³ of grout per 8 in block.
 */
function blockWall(system: UnitSystem): Content {
  const { length, area, volume, height } = SIZES[system];
  const face = pick(system, '8 in * 16 in', '200 mm * 400 mm');
  return {
    name: pick(system, 'Block wall, 8 in', 'Block wall, 200 mm'),
    description: 'Blocks, mortar, sand, grout, joint reinforcement and laying.',
    measures: 'run',
    inputs: [
      input('height', 'Wall height?', length, height),
      input(
        'openings',
        'Area of openings to take off?',
        area,
        'deducted_area',
        'those drawn in the walls, or typed',
      ),
      input(
        'grouted',
        'Share of the cells grouted?',
        '%',
        '0',
        '100 % is every cell; see the structural notes',
      ),
    ],
    components: [
      component(
        'blocks',
        pick(system, 'Block 8 x 8 x 16', 'Block 200 x 200 x 400'),
        'material',
        'ea',
        `ceil((length * height - openings) / (${face}))`,
        'MS-BLK-8',
        ['5', '1'],
      ),
      component('mortar', 'Mortar', 'material', 'bag', 'blocks * 3 / 100', 'MS-MRT', ['0', '1']),
      component(
        'sand',
        'Masonry sand',
        'material',
        volume,
        `blocks * ${pick(system, '11.6 ft³', '0.33 m³')} / 100`,
        'MS-SAND',
      ),
      component(
        'grout',
        'Grout',
        'material',
        volume,
        `blocks * ${pick(system, '0.25 ft³', '0.007 m³')} * grouted`,
        'MS-GRT',
        ['5', ''],
      ),
      component(
        'ladder',
        'Joint reinforcement, every second course',
        'material',
        length,
        `length * ceil(height / ${pick(system, '16 in', '400 mm')})`,
        'MS-LAD',
        ['5', ''],
      ),
      component('laying', 'Lay block', 'labor', 'ea', 'blocks', 'LB-BLOCK'),
      component('scaffold', 'Scaffold', 'equipment', area, 'length * height', 'MS-SCF'),
    ],
  };
}

/** The assemblies a new job starts with, in the job's own units. */
export const libraryAssemblies = (system: UnitSystem): readonly Content[] => [
  studPartition(system),
  slabOnGrade(system),
  blockWall(system),
];
