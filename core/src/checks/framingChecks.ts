import { type Drawn, strokes } from '../testing/applied.ts';
import { COMMON_PRACTICE, type Check, type Checks, bought, component } from './check.ts';

/** Meters as the feet a test sheet is drawn in. */
const meters = (length: number): Drawn =>
  strokes([
    [0, 0],
    [length / 0.3048, 0],
  ]);

/** 120 m of wall 2.7 m high, ten doors 8.6 m wide in all, 50 studs more: worked by hand. */
const WALL = { height: '2.7', spacing: '450', doors: '10', door_width: '8.6', extra_studs: '50' };

const wall = (figure: string, key: string, expected: number, unit: string, each = 1): Check => ({
  figure,
  expected,
  unit,
  source: COMMON_PRACTICE,
  within: 1e-6,
  // Studs are counted; what is wanted is the length of so many of them.
  got: () => component('Stud partition', meters(120), WALL, key, each === 1 ? unit : '', 'metric') * each,
});

/** Studs by the spacing alone: without the two ends of the wall and the fifty further ones. */
const bySpacing = (): number => component('Stud partition', meters(120), WALL, 'studs', '', 'metric') - 52;

const THIRTEEN = strokes([
  [0, 0],
  [13, 0],
]);

/** Two faces, two layers. */
const BOARDED = { height: '9', faces: '2', layers: '2' };
const board = (figure: string, key: string, expected: number, unit: string): Check => ({
  figure,
  expected,
  unit,
  source: COMMON_PRACTICE,
  within: 1e-6,
  got: () => component('Board on walls', THIRTEEN, BOARDED, key, unit === 'screws' ? '' : unit),
});

/** One sheet of 4 x 8 ft on one face. */
const SHEET = strokes([
  [0, 0],
  [4, 0],
]);
const perSheet = (figure: string, key: string, expected: number, unit: string): Check => ({
  figure: `${figure} for a sheet of 4 x 8 ft`,
  expected,
  unit,
  source: COMMON_PRACTICE,
  within: 1e-6,
  got: () =>
    component(
      'Board on walls',
      SHEET,
      { height: '8', faces: '1', layers: '1' },
      key,
      unit === 'ea' ? '' : unit,
    ),
});

export const FRAMING_CHECKS: Checks = {
  subject: 'Framing: 120 m of wall 2.7 m high, ten doors of 8.6 m in all',
  checks: [
    wall('Top plates, two', 'top_plates', 240, 'm'),
    wall('Bottom plate, less the doors', 'bottom_plate', 111.4, 'm'),
    wall('Headers, 50 mm past the opening on each side', 'headers', 9.6, 'm'),
    wall('Secondary jamb studs, 2.7 m each', 'jamb_studs', 54, 'm', 2.7),
    {
      figure: 'Studs by the spacing of 0.45 m',
      expected: 267,
      unit: 'ea',
      source: 'computed: 120 / 0.45, rounded up',
      got: bySpacing,
    },
    {
      figure: 'Length of those studs, as 120 x 2.7 / 0.45',
      expected: 720,
      unit: 'm',
      source: COMMON_PRACTICE,
      // A stud is a whole one.
      within: 2.7,
      got: () => bySpacing() * 2.7,
    },
    {
      figure: 'Fifty extra studs, 2.7 m each',
      expected: 135,
      unit: 'm',
      source: COMMON_PRACTICE,
      within: 1e-6,
      got: () => {
        const studs = (extra_studs: string): number =>
          component('Stud partition', meters(120), { ...WALL, extra_studs }, 'studs', '', 'metric');
        return (studs('50') - studs('0')) * 2.7;
      },
    },
  ],
};

export const BOARD_CHECKS: Checks = {
  subject: 'Board: a wall of 13 x 9 ft, two faces, two layers',
  checks: [
    board('Area of board', 'hanging', 468, 'ft²'),
    {
      figure: 'Sheets of 4 x 8 ft, before waste',
      expected: 14.625,
      unit: 'sheets',
      source: 'computed: 468 / 32',
      within: 1e-6,
      got: () => component('Board on walls', THIRTEEN, BOARDED, 'board', ''),
    },
    {
      figure: 'Sheets that are bought, with 5 % waste',
      expected: 16,
      unit: 'sheets',
      source: 'computed: 14.625 x 1.05, rounded up',
      got: () => bought('Board on walls', THIRTEEN, BOARDED, 'board'),
    },
    perSheet('Ready-mix', 'ready_mix', 4.5, 'lb'),
    perSheet('Tape', 'tape', 15.4, 'ft'),
    perSheet('Compound', 'compound', 2.9, 'lb'),
    perSheet('Screws', 'screws', 40, 'ea'),
  ],
};
