import { MARK_KINDS, type MarkKind, measuresOf } from '../job/markKinds.ts';
import {
  AREA,
  type Dimension,
  LENGTH,
  MASS,
  NUMBER,
  TIME,
  VOLUME,
  sameDimension,
} from '../units/dimension.ts';
import { UNITS } from '../units/unit.ts';
import { FUNCTIONS, SCOPE_FUNCTIONS } from '../formula/functions.ts';

const KIND_WORDS: Readonly<Record<MarkKind, string>> = {
  run: 'A run',
  area: 'An area',
  count: 'A count',
  slope: 'A roof slope',
};

const DIMENSIONS: readonly (readonly [words: string, dimension: Dimension])[] = [
  ['Lengths', LENGTH],
  ['Areas', AREA],
  ['Volumes', VOLUME],
  ['Weights', MASS],
  ['Times', TIME],
  ['Shares and angles', NUMBER],
];

/** Formulas the reference shows, with what they come to; the test works them. */
export const EXAMPLES: readonly (readonly [formula: string, figure: string, unit: string])[] = [
  [`24' * 30'`, '720', 'ft²'],
  ['720 sq ft * 6 in', '13.33', 'yd³'],
  ['ceil(468 sq ft / (4 ft * 8 ft))', '15', ''],
  ['max(2, ceil(12 ft / 16 in) + 1)', '10', ''],
  [`5'6" + 18 in`, '7', 'ft'],
  ['round(2.4 m / 450 mm)', '5', ''],
  ['if(9 ft > 8 ft, 2, 1)', '2', ''],
];

/** docs/formulas.md, from the tables that the formulas themselves are read by. */
export function writeReference(): string {
  const functions = FUNCTIONS.map(({ usage, help }) => `- \`${usage}\`: ${help}.`);
  const scopes = SCOPE_FUNCTIONS.map(({ usage, help }) => `- \`${usage}\`: ${help}.`);
  const measures = MARK_KINDS.map(
    (kind) =>
      `- ${KIND_WORDS[kind]}: ${measuresOf(kind)
        .map((each) => `\`${each}\``)
        .join(', ')}.`,
  );
  const units = DIMENSIONS.map(([words, dimension]) => {
    const list = UNITS.filter((unit) => sameDimension(unit.dimension, dimension));
    return `- ${words}: ${list.map(({ symbol, label }) => `\`${symbol}\` (${label})`).join(', ')}.`;
  });
  const examples = EXAMPLES.map(
    ([formula, figure, unit]) => `- \`${formula}\` is ${[figure, unit].filter(Boolean).join(' ')}.`,
  );
  return `${[
    '# Formulas',
    'Plain arithmetic over quantities with units: `+ - * / ^`, comparisons, `and`, `or`, `not`, parentheses. A figure may carry a unit after it. A length cannot be added to an area; what does not fit is refused where it is typed.',
    '## Examples',
    examples.join('\n'),
    '## Functions',
    functions.join('\n'),
    '## Figures of other scopes',
    scopes.join('\n'),
    '## Measures of a scope',
    'By these names in formulas of its own properties and of the assemblies on it, and by `total(scope, measure)` elsewhere.',
    measures.join('\n'),
    '## Units',
    units.join('\n'),
  ].join('\n\n')}\n`;
}
