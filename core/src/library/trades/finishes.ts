// data: finishes of the trade library
import { type Maker, SIZES, YES_NO, assemblyOf, choice, input, part, pick } from '../build.ts';

/** Computed: tiles by their face, thin-set and grout by the area (common practice). */
const floorTile: Maker = (system) => {
  const { small, area, length } = SIZES[system];
  return assemblyOf({
    trade: 'Finishes',
    name: 'Floor tile',
    description: 'Tile by its size, thin-set, grout and the edge along walls.',
    tags: 'ceramic porcelain flooring grout',
    measures: 'area',
    inputs: [
      input('side_a', 'Length of a tile?', small, pick(system, '12', '300')),
      input('side_b', 'Width of a tile?', small, pick(system, '12', '300')),
      input('base', 'Tile base along the walls?', '', '0', '', YES_NO),
    ],
    parts: [
      part('tiles', ['FN-TIL', 'Floor tile', 'ea'], 'ceil(area / (side_a * side_b))', { material: '3.90' }, [
        '10',
        '1',
      ]),
      part(
        'thin_set',
        ['FN-THN', 'Thin-set', 'bag'],
        `area / ${pick(system, '50 ft²', '4.6 m²')}`,
        { material: '21.50' },
        ['0', '1'],
      ),
      part(
        'grout',
        ['FN-GRT', 'Tile grout', 'bag'],
        `area / ${pick(system, '125 ft²', '11.6 m²')}`,
        { material: '18.20' },
        ['0', '1'],
      ),
      part(
        'base',
        ['FN-TBS', 'Tile base', length],
        'base * perimeter',
        { material: '4.60', hours: '0.08', craft: 'finisher' },
        ['5', ''],
      ),
      part('laying', ['LB-TILE', 'Lay tile', area], 'area', { hours: '0.09', craft: 'finisher' }),
    ],
  });
};

const sheetFloor: Maker = (system) => {
  const { area, length } = SIZES[system];
  return assemblyOf({
    trade: 'Finishes',
    name: 'Sheet floor',
    description: 'Sheet covering glued down, welded joints and the base along walls.',
    tags: 'rubber vinyl linoleum carpet flooring',
    measures: 'area',
    inputs: [input('openings', 'Width of doors without base?', length, '0')],
    parts: [
      part(
        'sheet',
        ['FN-SHT', 'Sheet covering', area],
        'area',
        { material: '5.20', hours: '0.04', craft: 'finisher' },
        ['8', ''],
      ),
      part(
        'adhesive',
        ['FN-ADH', 'Floor adhesive', 'pail'],
        `area / ${pick(system, '180 ft²', '16.7 m²')}`,
        { material: '64.00' },
        ['0', '1'],
      ),
      part(
        'base',
        ['FN-BAS', 'Rubber base', length],
        'perimeter - openings',
        { material: '1.35', hours: '0.03', craft: 'finisher' },
        ['5', ''],
      ),
    ],
  });
};

/** A gallon covers so much a coat (common practice: 350 ft²; a liter 8.6 m²). */
const wallPaint: Maker = (system) => {
  const { length, area, height } = SIZES[system];
  return assemblyOf({
    trade: 'Finishes',
    name: 'Paint on walls',
    description: 'Prime and finish coats on one or both faces of walls.',
    tags: 'painting primer coat',
    measures: 'run',
    inputs: [
      input('height', 'Height that is painted?', length, height),
      input('faces', 'On how many faces?', '', '2', '', choice(['One face', '1'], ['Both faces', '2'])),
      input('coats', 'Finish coats?', '', '2'),
      input(
        'openings',
        'Area of openings to take off?',
        area,
        'deducted_area',
        'on one face: those drawn in the walls, or typed',
      ),
    ],
    parts: [
      part('surface', ['LB-PREP', 'Prepare the surface', area], 'faces * (length * height - openings)', {
        hours: '0.003',
        craft: 'finisher',
      }),
      part(
        'primer',
        ['FN-PRM', 'Primer', pick(system, 'gal', 'L')],
        `surface / ${pick(system, '350 ft²', '8.6 m²')} * ${pick(system, '1 gal', '1 L')}`,
        { material: '24.00' },
        ['5', '1'],
      ),
      part(
        'paint',
        ['FN-PNT', 'Finish paint', pick(system, 'gal', 'L')],
        `coats * surface / ${pick(system, '350 ft²', '8.6 m²')} * ${pick(system, '1 gal', '1 L')}`,
        { material: '38.00' },
        ['5', '1'],
      ),
      part('painting', ['LB-PAINT', 'Paint, all coats', area], '(coats + 1) * surface', {
        hours: '0.006',
        craft: 'finisher',
      }),
    ],
  });
};

/** Main tees every 4 ft, cross tees every 2 ft, a tile by its face (common practice; 1.2 and 0.6 m). */
const hungCeiling: Maker = (system) => {
  const { length, area } = SIZES[system];
  const tile = choice(
    [pick(system, '2 x 2 ft', '60 x 60 cm'), '1'],
    [pick(system, '2 x 4 ft', '60 x 120 cm'), '2'],
  );
  const unit = pick(system, '2 ft', '0.6 m');
  return assemblyOf({
    trade: 'Finishes',
    name: 'Hung ceiling',
    description: 'Tiles, main and cross tees, wall angle and hangers of a hung ceiling.',
    tags: 'acoustic suspended grid tile',
    measures: 'area',
    inputs: [input('tile', 'Size of a tile?', '', '1', '', tile)],
    parts: [
      part(
        'tiles',
        ['FN-ACT', 'Ceiling tile', 'ea'],
        `ceil(area / (tile * ${unit} * ${unit}))`,
        { material: '6.10' },
        ['5', '1'],
      ),
      part('mains', ['FN-MTE', 'Main tees', length], `area / (2 * ${unit})`, { material: '1.05' }, [
        '5',
        pick(system, '12', '3.6'),
      ]),
      part('crosses', ['FN-CTE', 'Cross tees', length], `area / ${unit}`, { material: '0.86' }, ['5', '']),
      part('angle', ['FN-ANG', 'Wall angle', length], 'perimeter', { material: '0.62' }, [
        '5',
        pick(system, '12', '3.6'),
      ]),
      part(
        'hangers',
        ['FN-HNG', 'Hanger wires', 'ea'],
        `ceil(area / (4 * ${unit} * ${unit}))`,
        { material: '0.48' },
        ['5', '1'],
      ),
      part('hanging', ['LB-ACT', 'Hang the ceiling', area], 'area', { hours: '0.032', craft: 'boarder' }),
    ],
  });
};

const doorSets: Maker = () =>
  assemblyOf({
    trade: 'Finishes',
    name: 'Door set',
    description: 'Frame, leaf, hardware and hanging.',
    tags: 'doors frame hinges lock',
    measures: 'count',
    inputs: [input('leaves', 'Leaves?', '', '1', '', choice(['One', '1'], ['Pair', '2']))],
    parts: [
      part('frame', ['OP-FRM', 'Door frame', 'ea'], 'count', {
        material: '145.00',
        hours: '1.2',
        craft: 'carpenter',
      }),
      part('leaf', ['OP-LEF', 'Door leaf', 'ea'], 'count * leaves', {
        material: '210.00',
        hours: '0.9',
        craft: 'carpenter',
      }),
      part('hinges', ['OP-HNG', 'Hinges, three a leaf', 'ea'], '3 * count * leaves', { material: '7.80' }),
      part('lock', ['OP-LOC', 'Lock set', 'set'], 'count', {
        material: '96.00',
        hours: '0.5',
        craft: 'carpenter',
      }),
    ],
  });

export const FINISH_ASSEMBLIES: readonly Maker[] = [floorTile, sheetFloor, wallPaint, hungCeiling, doorSets];
