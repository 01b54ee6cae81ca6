import { type Drawn, apply, points, strokes } from '../testing/applied.ts';
import { tradeLibrary } from '../library/tradeLibrary.ts';
import { COMMON_PRACTICE, type Check, type Checks, component, formula } from './check.ts';

const HUNDRED: Drawn = strokes([
  [0, 0],
  [100, 0],
]);
const WOLF = 'Wolf & Ghilani, Elementary Surveying, ch. 26 (from memory)';
const FM = 'US Army FM 5-434, table 1-1, in place to loose (from memory)';

/** A trench that widens by a flare on each side, to its top. */
const TRENCH = { inside: '36', wall: '4', depth: '8', width: '6', bedding: '6', cover: '12' };
const trench = (key: string, answers: Record<string, string> = {}): number =>
  component('Trench with pipe', HUNDRED, { ...TRENCH, ...answers }, key, 'ft³');

/** How much more is hauled for a soil, with nothing put back: the factor of the choice by its name. */
const soil = (label: string, expected: number): Check => ({
  figure: `${label}, dug and loose`,
  expected,
  unit: 'times',
  source: FM,
  got: () => {
    const asked = tradeLibrary('us')
      .find(({ name }) => name === 'Trench with pipe')
      ?.inputs.find(({ key }) => key === 'swell');
    const swell = asked?.choices.find((choice) => choice.label === label)?.value ?? '';
    return trench('haul', { swell, reused: '0' }) / trench('excavation');
  },
});

const sprinkler = (figure: string, key: string, expected: number, count = 20): Check => ({
  figure,
  expected,
  unit: 'ea',
  source: COMMON_PRACTICE,
  got: () => component('Sprinklers', points(count), {}, key, ''),
});

export const EARTHWORK_CHECKS: Checks = {
  subject: 'Earthwork',
  checks: [
    {
      figure: 'Average end area: 40 and 60 m², 20 m apart',
      expected: 1000,
      unit: 'm³',
      source: WOLF,
      got: () => formula('20 m * (40 m² + 60 m²) / 2', 'm³'),
    },
    {
      figure: 'Prismoidal: a frustum of 4 x 4 to 2 x 2 m, 3 m high',
      expected: 28,
      unit: 'm³',
      source: `${WOLF}; exact for a frustum: h/3 (A1 + A2 + √(A1 A2))`,
      got: () => formula('3 m * (16 m² + 4 * (3 m * 3 m) + 4 m²) / 6', 'm³'),
    },
    {
      figure: 'Average end area of that frustum, which overstates it by 2 m³',
      expected: 30,
      unit: 'm³',
      source: `${WOLF}; computed`,
      got: () => formula('3 m * (16 m² + 4 m²) / 2', 'm³'),
    },
    {
      figure: 'Trench 6 ft wide at the bottom, 2 ft wider at each side of the top, 8 ft deep, 100 ft',
      expected: 100 * 8 * ((6 + 10) / 2),
      unit: 'ft³',
      source: 'computed: the mean of the two widths',
      got: () => trench('excavation', { flare: '2' }),
    },
    {
      figure: 'Outside of a 36 in pipe with wall B of D / 12 + 1 in, by what it leaves of its zone',
      expected: 44,
      unit: 'in',
      source: 'ASTM C76, wall B (from memory)',
      within: 1e-6,
      got: () => {
        // Zone and pipe fill 6 ft by (outside + 12 in): solved for the outside from the fill that is left.
        const left = trench('zone') / 100;
        let [low, high] = [1, 3.8];
        for (let i = 0; i < 60; i += 1) {
          const outside = (low + high) / 2;
          if (6 * (outside + 1) - (Math.PI / 4) * outside ** 2 < left) low = outside;
          else high = outside;
        }
        return low * 12;
      },
    },
    {
      figure: 'What goes into that trench and out of it: bedding, pipe, zone and backfill make the hole',
      expected: 100 * 6 * 8,
      unit: 'ft³',
      source: 'computed: nothing is lost',
      within: 1e-6,
      got: () => trench('bed') + trench('zone') + trench('backfill') + (100 * Math.PI * (44 / 12) ** 2) / 4,
    },
    soil('Common earth', 1.25),
    soil('Sand', 1.11),
    soil('Clay', 1.43),
    soil('Blasted rock', 1.5),
    {
      figure: 'Share of what is dug that goes back in, deep trench',
      expected: 90,
      unit: '%',
      source: COMMON_PRACTICE,
      within: 1e-6,
      got: () => {
        const deep = { depth: '100', width: '6', swell: '1' };
        return (1 - trench('haul', deep) / trench('excavation', deep)) * 100;
      },
    },
  ],
};

export const IRRIGATION_CHECKS: Checks = {
  subject: 'Irrigation',
  checks: [
    sprinkler('Heads of 20 sprinklers', 'heads', 20),
    sprinkler('Tees, one each and 5 % spares', 'tees', 21),
    sprinkler('Adapters, one each and 5 % spares', 'adapters', 21),
    {
      figure: 'Trench along 100 ft of pipe, 1 ft wide and 1.5 ft deep',
      expected: 150,
      unit: 'ft³',
      source: COMMON_PRACTICE,
      within: 1e-6,
      got: () => component('Irrigation pipe', HUNDRED, {}, 'trench', 'ft³'),
    },
    {
      figure: 'End caps of one lateral with two dead ends',
      expected: 2,
      unit: 'ea',
      source: COMMON_PRACTICE,
      got: () => component('Irrigation pipe', HUNDRED, {}, 'caps', ''),
    },
    {
      figure: 'Sleeves at eight crossings, 8 ft each',
      expected: 64,
      unit: 'ft',
      source: COMMON_PRACTICE,
      within: 1e-6,
      got: () => apply('Sleeves at crossings', points(8), { sleeve: '8' }).net('sleeve', 'ft'),
    },
  ],
};
