import { type Drawn, apply, strokes } from '../testing/applied.ts';
import { warningsOf } from '../calculate/explain/notes.ts';
import { POINT_FORMAT } from '../units/numberFormat.ts';
import { COMMON_PRACTICE, type Check, type Checks, bought, component } from './check.ts';

const RUN: Drawn = strokes([
  [0, 0],
  [40, 0],
  [40, 60],
]);
const NFPA = (table: string): string => `NFPA 70, chapter 9, ${table} (from memory)`;

const warned = (answers: Record<string, string>): boolean => {
  const { calculation, use } = apply('Conduit run', RUN, answers);
  return warningsOf(calculation.figures, use, { system: 'us', numbers: POINT_FORMAT }).length > 0;
};

/**
 * The area of wire at which a conduit is said to be overfilled, found by halving: the wires are given as
 * one area each, and what comes out is the share of the inside that the check allows.
 */
function mostInside(size: string, conductors: number): number {
  let [low, high] = [0.0001, 10];
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    const answers = { size, conductors: String(conductors), ground: '0', wire_area: middle.toFixed(9) };
    if (warned(answers)) high = middle;
    else low = middle;
  }
  return low * conductors;
}

const inside = (size: string, name: string, expected: number): Check => ({
  figure: `Thin-wall conduit ${name}, total inside area`,
  expected,
  unit: 'in²',
  source: NFPA('table 4'),
  within: 0.0005,
  // Three conductors may take 40 %.
  got: () => mostInside(size, 3) / 0.4,
});

const fill = (conductors: number, words: string, expected: number): Check => ({
  figure: `Share of a conduit that ${words} may fill`,
  expected,
  unit: '%',
  source: NFPA('table 1'),
  within: 0.05,
  got: () => (mostInside('1', conductors) / 0.864) * 100,
});

const fits = (size: string, name: string, expected: number): Check => ({
  figure: `Three No. 3 and one No. 8 in a ${name} conduit: warnings`,
  expected,
  unit: '',
  source: NFPA('tables 1, 4 and 5'),
  got: () => (warned({ size, conductors: '3', wire_area: '0.0973', ground_area: '0.0366' }) ? 1 : 0),
});

export const ELECTRICAL_CHECKS: Checks = {
  subject: 'Electrical',
  checks: [
    inside('0.5', '1/2 in', 0.304),
    inside('0.75', '3/4 in', 0.533),
    inside('1', '1 in', 0.864),
    inside('1.25', '1 1/4 in', 1.496),
    inside('1.5', '1 1/2 in', 2.036),
    inside('2', '2 in', 3.356),
    fill(1, 'one conductor', 53),
    fill(2, 'two conductors', 31),
    fill(3, 'more than two conductors', 40),
    fits('1', '1 in', 0),
    fits('0.75', '3/4 in', 1),
    {
      figure: 'Straps on a run of 100 ft between two boxes',
      expected: 11,
      unit: 'ea',
      source: 'NFPA 70, 358.30 (from memory): every 10 ft, and within 3 ft of each box',
      got: () => component('Conduit run', RUN, {}, 'straps', ''),
    },
    {
      figure: 'Conduit bought for 123 ft, in sticks of 10 ft',
      expected: 130,
      unit: 'ft',
      source: COMMON_PRACTICE,
      got: () =>
        bought(
          'Conduit run',
          strokes([
            [0, 0],
            [123, 0],
          ]),
          {},
          'conduit',
        ),
    },
    {
      figure: 'Three conductors in 100 ft with tails of 8 and 2 ft, so 5 ft at each end',
      expected: 330,
      unit: 'ft',
      source: COMMON_PRACTICE,
      got: () => component('Conduit run', RUN, { conductors: '3', tail: '5' }, 'wire', 'ft'),
    },
    {
      figure: 'Elbows of a run with one turn',
      expected: 1,
      unit: 'ea',
      source: 'computed: a bend a turn',
      got: () => component('Conduit run', RUN, {}, 'elbows', ''),
    },
  ],
};
