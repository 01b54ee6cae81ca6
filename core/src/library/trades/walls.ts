// data: walls and floors of the trade library
import type { UnitSystem } from '../../units/format.ts';
import {
  booked,
  type Maker,
  SIZES,
  assemblyOf,
  bookFamily,
  choice,
  inSteps,
  input,
  part,
  pick,
  sized,
} from '../build.ts';

/** The stud that fits: as deep as the wall is built, and no shorter than it is between its three plates. */
const STUDS = {
  family: 'Studs',
  by: { depth: 'stud_depth', length: 'height - 3 * 1.5 in' },
} as const;

const studDepth = (system: UnitSystem, us: string, metric: string) =>
  input(
    'stud_depth',
    'Which studs?',
    SIZES[system].small,
    pick(system, us, metric),
    'their depth as dressed',
    pick(system, choice(['2x4', '3.5'], ['2x6', '5.5']), choice(['38 x 89', '88.9'], ['38 x 140', '139.7'])),
  );

/** Header stock by its depth as dressed, a ply; invented prices. */
const HEADERS = inSteps('FR-HDR1', 'Header stock, a ply,', 'ft', 'depth', [
  ['6', '2x6', '5.5 in', { material: '0.96', hours: '0.02', craft: 'carpenter' }],
  ['8', '2x8', '7.25 in', { material: '1.38', hours: '0.0225', craft: 'carpenter' }],
  ['10', '2x10', '9.25 in', { material: '1.79', hours: '0.025', craft: 'carpenter' }],
  ['12', '2x12', '11.25 in', { material: '2.26', hours: '0.028', craft: 'carpenter' }],
]);

/**
 * An outer wall of studs. Common practice: two top plates and one bottom plate, a stud per spacing and
 * one more at every end, corner and tee.
 */
const outerWall: Maker = (system) => {
  const { length, small, area, height, stick, sheetArea } = SIZES[system];
  return assemblyOf({
    trade: 'Walls',
    name: 'Outer wall, framed',
    description: 'Plates, studs, sheathing, wrap and insulation of an outer stud wall, and framing it.',
    tags: 'exterior studs sheathing insulation wrap',
    measures: 'run',
    inputs: [
      input('height', 'Wall height?', length, height),
      input('spacing', 'Stud spacing?', small, pick(system, '16', '400'), 'center to center'),
      studDepth(system, '5.5', '139.7'),
      input(
        'openings',
        'Area of openings to take off?',
        area,
        'deducted_area',
        'those in the walls, or typed',
      ),
    ],
    parts: [
      booked('bottom_plate', ['FR-PLT-6T', 'Bottom plate, treated', length], 'length', ['3', stick]),
      booked('top_plates', ['FR-PLT-6', 'Top plates, two', length], '2 * length', ['3', stick]),
      sized(
        'studs',
        ['Studs with ends, corners and tees', 'ea'],
        'ceil(length / spacing) + ends + corners + tees',
        STUDS,
        bookFamily('Studs'),
        ['5', '1'],
      ),
      part(
        'sheathing',
        ['FR-SHT-7', 'Sheathing', 'sheet'],
        `(length * height - openings) / (${sheetArea})`,
        { material: '24.60' },
        ['8', '1'],
      ),
      part('wrap', ['FR-WRP', 'Weather wrap', area], 'length * height', { material: '0.19' }, ['10', '']),
      part('insulation', ['FR-INS-6', 'Insulation between studs', area], 'length * height - openings', {
        material: '1.05',
        hours: '0.008',
        craft: 'carpenter',
      }),
      part('framing', ['LB-FRAME-X', 'Frame and sheathe the wall', area], 'length * height', {
        hours: '0.031',
        craft: 'carpenter',
      }),
    ],
  });
};

/** Jamb studs two an opening, headers with bearing on both sides, a sill for windows (common practice). */
const framedOpening: Maker = (system) => {
  const { length, small } = SIZES[system];
  return assemblyOf({
    trade: 'Walls',
    name: 'Framed opening',
    description: 'Jamb studs, header in plies with its bearing, and a sill where there is a window.',
    tags: 'door window header jamb sill',
    measures: 'count',
    inputs: [
      input('width', 'Width of the opening?', length, pick(system, '3', '0.9')),
      input('stud_height', 'Height of the studs beside it?', length, pick(system, '9', '2.7')),
      studDepth(system, '5.5', '139.7'),
      input(
        'header_depth',
        'Depth of the header?',
        small,
        pick(system, '9.25', '235'),
        'as dressed',
        pick(
          system,
          choice(['2x6', '5.5'], ['2x8', '7.25'], ['2x10', '9.25'], ['2x12', '11.25']),
          choice(['140 mm', '139.7'], ['185 mm', '184'], ['235 mm', '235'], ['285 mm', '285']),
        ),
      ),
      input('bearing', 'Bearing of the header on each side?', small, pick(system, '1.5', '50')),
      input('plies', 'Plies of the header?', '', '2'),
      input(
        'sill',
        'Is there a sill under it?',
        '',
        '0',
        '',
        choice(['Window, yes', '1'], ['Door, no', '0']),
      ),
    ],
    parts: [
      sized(
        'jambs',
        ['Jamb studs, two an opening', 'ea'],
        '2 * count',
        { family: 'Studs', by: { depth: 'stud_depth', length: 'stud_height' } },
        bookFamily('Studs'),
        ['0', '1'],
      ),
      part('jamb_length', ['LB-JAMB', 'Set jamb studs', length], '2 * count * stud_height', {
        hours: '0.02',
        craft: 'carpenter',
      }),
      sized(
        'header',
        ['Header stock, a ply', length],
        'count * plies * (width + 2 * bearing)',
        { family: 'Header stock, a ply', by: { depth: 'header_depth' } },
        HEADERS,
        ['5', ''],
      ),
      booked('sill', ['FR-PLT-6', 'Sill', length], 'if(sill = 1, count * width, 0 * width)', ['5', '']),
    ],
  });
};

/** A joist per spacing over the area, rim around it, decking with adhesive (common practice). */
const joistFloor: Maker = (system) => {
  const { length, small, area, sheetArea, stick } = SIZES[system];
  return assemblyOf({
    trade: 'Floors',
    name: 'Joist floor with decking',
    description: 'Joists by spacing, rim, decking sheets glued and screwed.',
    tags: 'joists subfloor deck adhesive rim',
    measures: 'area',
    inputs: [
      input('spacing', 'Joist spacing?', small, pick(system, '16', '400'), 'center to center'),
      input('tube', 'Length of joist one tube of adhesive does?', length, pick(system, '50', '15')),
    ],
    parts: [
      booked('joists', ['FR-JST-10', 'Joists', length], 'area / spacing', ['5', stick]),
      booked('rim', ['FR-RIM-10', 'Rim board', length], 'perimeter', ['5', stick]),
      part(
        'decking',
        ['FR-DCK-34', 'Decking, tongue and groove', 'sheet'],
        `area / (${sheetArea})`,
        { material: '39.50' },
        ['7', '1'],
      ),
      booked('adhesive', ['FR-ADH', 'Adhesive', 'tube'], 'joists / tube', ['0', '1']),
      part('screws', ['FR-SCR', 'Decking screws', 'ea'], '48 * decking', { material: '52.00', basis: 1000 }, [
        '0',
        '100',
      ]),
      part('framing', ['LB-DECK', 'Lay decking', area], 'area', { hours: '0.014', craft: 'carpenter' }),
    ],
  });
};

const insulation: Maker = (system) => {
  const { length, area, height } = SIZES[system];
  return assemblyOf({
    trade: 'Walls',
    name: 'Insulation in walls',
    description: 'Batts between studs, less openings.',
    tags: 'batts thermal sound mineral wool',
    measures: 'run',
    inputs: [
      input('height', 'Wall height?', length, height),
      input(
        'openings',
        'Area of openings to take off?',
        area,
        'deducted_area',
        'those in the walls, or typed',
      ),
    ],
    parts: [
      part(
        'batts',
        ['FR-BAT', 'Batts', area],
        'length * height - openings',
        { material: '0.92', hours: '0.007', craft: 'carpenter' },
        ['5', ''],
      ),
    ],
  });
};

const sillPlate: Maker = (system) => {
  const { length } = SIZES[system];
  return assemblyOf({
    trade: 'Walls',
    name: 'Sill plate with anchors',
    description: 'Treated sill, seal under it and anchor bolts by spacing.',
    tags: 'mudsill anchor bolt seal',
    measures: 'run',
    inputs: [input('spacing', 'Spacing of anchor bolts?', length, pick(system, '6', '1.8'))],
    parts: [
      part(
        'sill',
        ['FR-SIL', 'Sill plate, treated', length],
        'length',
        { material: '1.45', hours: '0.03', craft: 'carpenter' },
        ['5', SIZES[system].stick],
      ),
      part('seal', ['FR-SEA', 'Sill seal', length], 'length', { material: '0.14' }, ['5', '']),
      part(
        'bolts',
        ['FR-ANC', 'Anchor bolts', 'ea'],
        'ceil(length / spacing) + ends + corners',
        { material: '2.15' },
        ['5', '1'],
      ),
    ],
  });
};

export const WALL_ASSEMBLIES: readonly Maker[] = [
  outerWall,
  framedOpening,
  joistFloor,
  insulation,
  sillPlate,
];
