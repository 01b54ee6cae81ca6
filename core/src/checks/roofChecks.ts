import { type Drawn, strokes } from '../testing/applied.ts';
import { makeMark } from '../testing/job.ts';
import { COMMON_PRACTICE, type Check, type Checks, bought, measure } from './check.ts';
import type { RoofEdge } from '../job/records/mark.ts';

/** One slope, as long along the eave as it is up in plan. */
const slope =
  (pitch: string, edges: readonly (RoofEdge | null)[], side = 100): Drawn =>
  ({ makeId, sheet }, scope) => [
    {
      ...makeMark(makeId, scope, sheet, [
        [0, 0],
        [side, 0],
        [side, side],
        [0, side],
      ]),
      slope: { pitch, edges: [...edges] },
    },
  ];

/** Half of a hip end: its hip runs at 45 degrees in plan, over 100 ft of run. */
const hipEnd =
  (pitch: string): Drawn =>
  ({ makeId, sheet }, scope) => [
    {
      ...makeMark(makeId, scope, sheet, [
        [0, 0],
        [100, 0],
        [100, 100],
      ]),
      slope: { pitch, edges: ['eave', 'rake', 'hip'] },
    },
  ];

const GEOMETRY = 'published geometry: √(rise² + run²) / run';
const HIP = 'published geometry: √((rise / run)² + 2)';

const area = (pitch: string, expected: number): Check => ({
  figure: `Slope factor of ${pitch}`,
  expected,
  unit: '',
  source: GEOMETRY,
  within: 0.0005,
  got: () =>
    measure({ kind: 'slope' }, slope(pitch, ['eave', 'rake', 'ridge', 'rake']), 'slope_area', 'ft²') / 10_000,
});

const rake = (pitch: string, expected: number): Check => ({
  figure: `A rake at ${pitch}, for a foot of run`,
  expected,
  unit: 'ft',
  source: GEOMETRY,
  within: 0.0005,
  got: () => measure({ kind: 'slope' }, slope(pitch, ['eave', 'rake', 'ridge', null]), 'rake', 'ft') / 100,
});

const hip = (pitch: string, expected: number): Check => ({
  figure: `A hip at ${pitch}, for a foot of run`,
  expected,
  unit: 'ft',
  source: HIP,
  within: 0.0005,
  got: () => measure({ kind: 'slope' }, hipEnd(pitch), 'hip', 'ft') / 100,
});

export const ROOF_CHECKS: Checks = {
  subject: 'Roofs',
  checks: [
    area('4/12', 1.054),
    area('6/12', 1.118),
    area('8/12', 1.202),
    area('12/12', 1.414),
    rake('6/12', 1.118),
    hip('6/12', 1.5),
    hip('12/12', 1.732),
    {
      figure: 'Shingles on 100 ft², level, 10 % waste, three bundles a square',
      expected: 4,
      unit: 'bundles',
      source: COMMON_PRACTICE,
      got: () =>
        bought(
          'Shingle roof',
          slope('0/12', ['eave', 'rake', 'ridge', 'rake'], 10),
          { waste: '10' },
          'shingles',
        ),
    },
    {
      figure: 'A square',
      expected: 100,
      unit: 'ft²',
      source: COMMON_PRACTICE,
      got: () =>
        measure(
          { kind: 'area' },
          strokes([
            [0, 0],
            [10, 0],
            [10, 10],
            [0, 10],
          ]),
          'area',
          'square',
        ) * 100,
    },
  ],
};
