// data: concrete of the trade library
import {
  booked,
  type Maker,
  SIZES,
  YES_NO,
  assemblyOf,
  bookFamily,
  choice,
  input,
  part,
  pick,
  sized,
} from '../build.ts';
import type { UnitSystem } from '../../units/format.ts';

/** Nominal weights: ASTM A615 table 1 in lb/ft; BS 4449 and EN 10080 in kg/m (both from memory). */
export const bars = (system: UnitSystem) =>
  pick(
    system,
    choice(
      ['No.3', '0.376'],
      ['No.4', '0.668'],
      ['No.5', '1.043'],
      ['No.6', '1.502'],
      ['No.7', '2.044'],
      ['No.8', '2.67'],
      ['No.9', '3.4'],
      ['No.10', '4.303'],
      ['No.11', '5.313'],
    ),
    choice(
      ['8 mm', '0.395'],
      ['10 mm', '0.617'],
      ['12 mm', '0.888'],
      ['16 mm', '1.58'],
      ['20 mm', '2.47'],
      ['25 mm', '3.85'],
      ['32 mm', '6.31'],
    ),
  );
/** The unit bars are weighed in by their length. */
export const barUnit = (system: UnitSystem): string => pick(system, 'lb/ft', 'kg/m');
/** Which bar, as its weight: what is priced and weighed follows from it. */
export const barInput = (system: UnitSystem, key: string, question: string, us: string, metric: string) =>
  input(key, question, barUnit(system), pick(system, us, metric), 'weight of a length of it', bars(system));
const barInputs = (system: UnitSystem, count: string) => [
  input('bars', 'How many bars along it?', '', count),
  barInput(system, 'bar_weight', 'Which bar?', '1.043', '0.888'),
];
/** Bars by weight, priced by their size. */
export const steel = (
  system: UnitSystem,
  formula: string,
  { key = 'steel', name = 'Reinforcing bars', weight = 'bar_weight', waste = '7' } = {},
) =>
  sized(
    key,
    [name, SIZES[system].mass],
    formula,
    { family: 'Reinforcing bars', by: { weight } },
    bookFamily('Reinforcing bars'),
    [waste, ''],
  );

const concretePart = (volume: string, formula: string) =>
  booked('concrete', ['CN-RM-40', 'Ready-mix concrete', volume], formula, ['10', '0.25']);
const placing = (volume: string) => booked('place', ['LB-PLACE', 'Place concrete', volume], 'concrete');
const barPart = (system: UnitSystem) => steel(system, 'length * bars * bar_weight');

/** Computed: width times depth along the way; forms stand on both sides. */
const stripFooting: Maker = (system) => {
  const { length, small, area, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Strip footing',
    description: 'Concrete, forms on both sides and bars of a footing under a wall.',
    tags: 'foundation footing continuous',
    measures: 'run',
    inputs: [
      input('width', 'Width of the footing?', small, pick(system, '24', '600')),
      input('depth', 'Depth of the footing?', small, pick(system, '12', '300')),
      ...barInputs(system, '3'),
      input('formed', 'Are the sides formed?', '', '1', 'no where it is cast against earth', YES_NO),
    ],
    parts: [
      concretePart(volume, 'length * width * depth'),
      part(
        'forms',
        ['CN-FRM-FT', 'Footing forms, set and strip', area],
        'if(formed = 1, 2, 0) * length * depth',
        {
          material: '1.40',
          hours: '0.09',
          craft: 'carpenter',
        },
      ),
      barPart(system),
      placing(volume),
      part(
        'trench',
        ['SW-EXC-FT', 'Dig the footing', volume],
        `length * (width + ${pick(system, '2 ft', '0.6 m')}) * depth`,
        {
          equipment: '6.80',
          hours: '0.05',
          craft: 'operator',
        },
      ),
      part('keyway', ['LB-KEY', 'Keyway in the footing', length], 'length', {
        hours: '0.01',
        craft: 'carpenter',
      }),
    ],
  });
};

const padFooting: Maker = (system) => {
  const { small, area, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Pad footing',
    description: 'Concrete, forms all around and bars both ways of footings under posts.',
    tags: 'foundation footing spread pier',
    measures: 'count',
    inputs: [
      input('side_a', 'Length of a pad?', small, pick(system, '48', '1200')),
      input('side_b', 'Width of a pad?', small, pick(system, '48', '1200')),
      input('depth', 'Depth of a pad?', small, pick(system, '18', '500')),
      input('bars_each_way', 'Bars each way?', '', '5'),
      barInput(system, 'bar_weight', 'Which bar?', '1.043', '0.888'),
    ],
    parts: [
      concretePart(volume, 'count * side_a * side_b * depth'),
      part(
        'forms',
        ['CN-FRM-FT', 'Footing forms, set and strip', area],
        'count * 2 * (side_a + side_b) * depth',
        {
          material: '1.40',
          hours: '0.09',
          craft: 'carpenter',
        },
      ),
      steel(system, 'count * bars_each_way * (side_a + side_b) * bar_weight'),
      placing(volume),
    ],
  });
};

/** Computed: forms on both sides of a wall are twice its area; damp-proofing on the outer face. */
const concreteWall: Maker = (system) => {
  const { length, small, area, volume, height } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Concrete wall',
    description: 'Concrete, forms on both sides, bars, ties and damp-proofing of a wall.',
    tags: 'basement foundation wall forms retaining',
    measures: 'run',
    inputs: [
      input('height', 'Wall height?', length, height),
      input('thickness', 'Wall thickness?', small, pick(system, '8', '200')),
      input(
        'steel_rate',
        'Bars in a volume of it?',
        '',
        pick(system, '110', '65'),
        pick(system, 'pounds a cubic yard', 'kilograms a cubic meter'),
      ),
      input('damp', 'Damp-proofing on the outer face?', '', '1', '', YES_NO),
    ],
    parts: [
      concretePart(volume, 'length * height * thickness'),
      part('forms', ['CN-FRM-WL', 'Wall forms, both sides, set and strip', area], '2 * length * height', {
        material: '0.95',
        hours: '0.08',
        craft: 'carpenter',
      }),
      part(
        'ties',
        ['CN-FTI', 'Form ties', 'ea'],
        `ceil(length * height / ${pick(system, '4 ft²', '0.4 m²')})`,
        { material: '96.00', basis: 100 },
        ['5', '1'],
      ),
      booked(
        'steel',
        ['CN-BAR-5', 'Reinforcing bars', SIZES[system].mass],
        `length * height * thickness * steel_rate * ${pick(system, '1 lb / 1 yd³', '1 kg / 1 m³')}`,
        ['7', ''],
      ),
      placing(volume),
      booked(
        'damp_proofing',
        ['CN-DMP', 'Damp-proofing, one face', area],
        'if(damp = 1, 1, 0) * length * height',
      ),
    ],
  });
};

const column: Maker = (system) => {
  const { length, small, area, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Concrete column',
    description: 'Concrete, forms on four sides, bars and ties of columns.',
    tags: 'post pier',
    measures: 'count',
    inputs: [
      input('side_a', 'Length of a side?', small, pick(system, '12', '300')),
      input('side_b', 'Length of the other side?', small, pick(system, '12', '300')),
      input('height', 'Height of a column?', length, pick(system, '12', '3.6')),
      input('bars', 'Bars up it?', '', '4'),
      barInput(system, 'bar_weight', 'Which bar?', '1.502', '1.58'),
    ],
    parts: [
      concretePart(volume, 'count * side_a * side_b * height'),
      part(
        'forms',
        ['CN-FRM-CL', 'Column forms, set and strip', area],
        'count * 2 * (side_a + side_b) * height',
        {
          material: '1.60',
          hours: '0.11',
          craft: 'carpenter',
        },
      ),
      steel(system, 'count * bars * height * bar_weight', { waste: '10' }),
      placing(volume),
    ],
  });
};

/** Computed: the soffit is length by width; a side is formed over the depth less the slab on that side. */
const concreteBeam: Maker = (system) => {
  const { small, area, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Concrete beam',
    description: 'Concrete, soffit and side forms less the slab on each side, bars and shores.',
    tags: 'grade beam lintel soffit forms',
    measures: 'run',
    inputs: [
      input('width', 'Width of the beam?', small, pick(system, '12', '300')),
      input('depth', 'Depth of the beam, over all?', small, pick(system, '24', '600')),
      input('slab_left', 'Thickness of the slab on the left?', small, '0', '0 where there is none'),
      input('slab_right', 'Thickness of the slab on the right?', small, '0', '0 where there is none'),
      ...barInputs(system, '5'),
      input('hung', 'Does it hang above ground?', '', '1', 'a grade beam needs no soffit form', YES_NO),
    ],
    checks: [
      {
        when: 'max(slab_left, slab_right) > depth',
        text: 'The slab is thicker than the beam is deep: {max(slab_left, slab_right)} against {depth}. The depth is over all, the slab with it.',
      },
    ],
    parts: [
      concretePart(volume, 'length * width * depth'),
      part('soffit', ['CN-FRM-SF', 'Soffit form', area], 'if(hung = 1, 1, 0) * length * width', {
        material: '2.10',
        hours: '0.13',
        craft: 'carpenter',
      }),
      part(
        'sides',
        ['CN-FRM-SD', 'Side forms', area],
        'length * (max(0 * depth, depth - slab_left) + max(0 * depth, depth - slab_right))',
        {
          material: '1.45',
          hours: '0.1',
          craft: 'carpenter',
        },
      ),
      part(
        'shores',
        ['CN-SHR', 'Shores', 'ea'],
        `if(hung = 1, 1, 0) * (ceil(length / ${pick(system, '4 ft', '1.2 m')}) + count)`,
        { equipment: '11.50' },
        ['0', '1'],
      ),
      barPart(system),
      placing(volume),
    ],
  });
};

const foundationDrain: Maker = (system) => {
  const { length, small, area, volume } = SIZES[system];
  return assemblyOf({
    trade: 'Concrete',
    name: 'Foundation drain',
    description: 'Perforated pipe in gravel with fabric along a footing.',
    tags: 'perimeter drain pipe gravel fabric',
    measures: 'run',
    inputs: [
      input('width', 'Width of the gravel?', small, pick(system, '18', '450')),
      input('depth', 'Depth of the gravel?', small, pick(system, '12', '300')),
    ],
    parts: [
      part(
        'pipe',
        ['SW-PRF-4', 'Perforated pipe', length],
        'length',
        { material: '0.98', hours: '0.03', craft: 'laborer' },
        ['5', '10'],
      ),
      part('elbows', ['SW-PRF-EL', 'Elbows', 'ea'], 'bends', { material: '4.15' }, ['0', '1']),
      part('gravel', ['SW-GRV', 'Drain gravel', volume], 'length * width * depth', { material: '44.00' }, [
        '5',
        '',
      ]),
      part(
        'fabric',
        ['SW-FAB', 'Filter fabric', area],
        'length * 2 * (width + depth)',
        { material: '0.22' },
        ['10', ''],
      ),
    ],
  });
};

export const CONCRETE_ASSEMBLIES: readonly Maker[] = [
  stripFooting,
  padFooting,
  concreteWall,
  column,
  concreteBeam,
  foundationDrain,
];
