import { type Drawn, apply, strokes } from '../testing/applied.ts';
import { knownValue } from '../calculate/define.ts';
import { lineNode } from '../calculate/graph/nodes.ts';
import { componentLine } from '../job/lineKey.ts';
import { COMMON_PRACTICE, type Check, type Checks, bought, component, measure } from './check.ts';

const SLAB: Drawn = strokes([
  [0, 0],
  [24, 0],
  [24, 30],
  [0, 30],
]);
const straight = (feet: number): Drawn =>
  strokes([
    [0, 0],
    [feet, 0],
  ]);
const HUNDRED = straight(100);
/** 88 8/9 ft² by its face: 88.8889 x 1.125 is 100 blocks in 8 ft of height. */
const HUNDRED_BLOCKS = straight(100 / 9);
const BLOCKS = { height: '8', grouted: '100' };

const block = (figure: string, key: string, expected: number, unit: string, source: string): Check => ({
  figure,
  expected,
  unit,
  source,
  got: () => component('Block wall, 8 in', HUNDRED_BLOCKS, BLOCKS, key, unit === 'bags' ? '' : unit),
});

export const CONCRETE_CHECKS: Checks = {
  subject: 'Concrete and forms',
  checks: [
    {
      figure: 'Slab of 24 by 30 ft',
      expected: 720,
      unit: 'ft²',
      source: 'computed: 24 x 30',
      got: () => measure({ kind: 'area' }, SLAB, 'area', 'ft²'),
    },
    {
      figure: 'The same, 6 in thick, before waste',
      expected: 13.33,
      unit: 'yd³',
      source: 'computed: 360 / 27',
      within: 0.005,
      got: () => component('Slab on grade', SLAB, { thickness: '6' }, 'concrete', 'yd³'),
    },
    {
      figure: 'The same as it is bought: 10 % waste, by quarters of a yard',
      expected: 14.75,
      unit: 'yd³',
      source: COMMON_PRACTICE,
      got: () => bought('Slab on grade', SLAB, { thickness: '6' }, 'concrete'),
    },
    {
      figure: 'Labor to place a cubic yard',
      expected: 0.25,
      unit: 'h',
      source: COMMON_PRACTICE,
      within: 0.0005,
      got: () => {
        const { calculation, use } = apply('Slab on grade', SLAB, { thickness: '6' });
        const line = componentLine(use.id, 'place');
        const of = (figure: 'hours' | 'quantity'): number =>
          knownValue(calculation.figure(lineNode(line, figure))) ?? Number.NaN;
        return of('hours') / of('quantity');
      },
    },
    {
      figure: 'Forms of a wall 100 ft long and 9 ft high, two sides',
      expected: 1800,
      unit: 'ft²',
      source: 'computed: 2 x 900',
      got: () => component('Concrete wall', HUNDRED, { height: '9' }, 'forms', 'ft²'),
    },
    {
      figure: 'Side forms of a beam 24 in deep with slabs of 6 and 8 in, 100 ft',
      expected: 100 * (18 / 12 + 16 / 12),
      unit: 'ft²',
      source: 'computed: length x (depth - slab), each side',
      got: () =>
        component('Concrete beam', HUNDRED, { depth: '24', slab_left: '6', slab_right: '8' }, 'sides', 'ft²'),
    },
    {
      figure: 'The same with no slab on either side',
      expected: 400,
      unit: 'ft²',
      source: 'computed: the full depth, twice',
      got: () => component('Concrete beam', HUNDRED, { depth: '24' }, 'sides', 'ft²'),
    },
    {
      figure: 'Soffit of the beam, 14 in wide',
      expected: (100 * 14) / 12,
      unit: 'ft²',
      source: 'computed: length x width',
      got: () => component('Concrete beam', HUNDRED, { width: '14' }, 'soffit', 'ft²'),
    },
    {
      figure: 'Footing 24 x 12 in, 100 ft',
      expected: 200 / 27,
      unit: 'yd³',
      source: 'computed: 2 x 1 x 100 / 27',
      got: () => component('Strip footing', HUNDRED, { width: '24', depth: '12' }, 'concrete', 'yd³'),
    },
  ],
};

export const MASONRY_CHECKS: Checks = {
  subject: 'Masonry',
  checks: [
    {
      figure: 'Blocks of 8 x 16 in on 800 ft² of wall',
      expected: 900,
      unit: 'ea',
      source: 'computed: 1.125 a square foot',
      got: () => component('Block wall, 8 in', HUNDRED, { height: '8' }, 'blocks', ''),
    },
    block(
      'Blocks of the wall the next three figures are for',
      'blocks',
      100,
      '',
      'computed: 88.89 ft² x 1.125',
    ),
    block('Mortar for 100 blocks', 'mortar', 3, 'bags', COMMON_PRACTICE),
    block('Sand for 100 blocks', 'sand', 11.6, 'ft³', COMMON_PRACTICE),
    block('Grout for 100 blocks of 8 in', 'grout', 25, 'ft³', COMMON_PRACTICE),
    {
      figure: 'Bricks of 8 x 2 2/3 in on 100 ft²',
      expected: 675,
      unit: 'ea',
      source: 'computed: 144 / 21.33 a square foot',
      got: () => component('Brick veneer', straight(12.5), { height: '8' }, 'bricks', ''),
    },
  ],
};
