// data: masonry of the trade library
import { booked, type Maker, SIZES, assemblyOf, input, part, pick } from '../build.ts';

/** Lintels bear on both sides (common practice: 8 in of bearing, 200 mm). */
const lintels: Maker = (system) => {
  const { length, small } = SIZES[system];
  return assemblyOf({
    trade: 'Masonry',
    name: 'Lintels over openings',
    description: 'Precast lintels with bearing on both sides.',
    tags: 'block brick door window',
    measures: 'count',
    inputs: [
      input('width', 'Width of an opening?', length, pick(system, '4', '1.2')),
      input('bearing', 'Bearing on each side?', small, pick(system, '8', '200')),
    ],
    parts: [
      part('lintel', ['MS-LNT-8', 'Precast lintel', length], 'count * (width + 2 * bearing)', {
        material: '14.20',
        hours: '0.09',
        craft: 'mason',
      }),
      booked('bags', ['MS-MRT', 'Mortar', 'bag'], 'count * 0.1', ['0', '1']),
    ],
  });
};

/** Computed: 6.75 bricks per ft² for a modular face of 8 x 2 2/3 in; ties every 2.67 ft² (common practice). */
const brickVeneer: Maker = (system) => {
  const { length, area, height } = SIZES[system];
  return assemblyOf({
    trade: 'Masonry',
    name: 'Brick veneer',
    description: 'Facing brick with mortar, ties and weep vents.',
    tags: 'facing cladding ties',
    measures: 'run',
    inputs: [
      input('height', 'Height of the veneer?', length, height),
      input(
        'openings',
        'Area of openings to take off?',
        area,
        'deducted_area',
        'those drawn in the walls, or typed',
      ),
    ],
    parts: [
      booked(
        'bricks',
        ['MS-BRK', 'Facing brick', 'ea'],
        `ceil((length * height - openings) / (${pick(system, '8 in * 8 in / 3', '200 mm * 66.7 mm')}))`,
        ['5', '1'],
      ),
      booked('mortar', ['MS-MRT', 'Mortar', 'bag'], 'bricks * 7 / 1000', ['0', '1']),
      booked(
        'ties',
        ['MS-TIE', 'Wall ties', 'ea'],
        `ceil((length * height - openings) / ${pick(system, '2.67 ft²', '0.25 m²')})`,
        ['5', '1'],
      ),
      part('weeps', ['MS-WEP', 'Weep vents', 'ea'], `ceil(length / ${pick(system, '2 ft', '0.6 m')})`, {
        material: '0.75',
      }),
    ],
  });
};

export const MASONRY_ASSEMBLIES: readonly Maker[] = [lintels, brickVeneer];
