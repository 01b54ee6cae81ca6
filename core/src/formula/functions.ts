import type { Dimension } from '../units/dimension.ts';

/** How the dimensions of the arguments decide the dimension of the result. */
export type DimensionRule =
  'all-same' | 'number-or-same-step' | 'square-root' | 'keep' | 'choose' | 'number' | 'cut';

export interface FormulaFunction {
  readonly name: string;
  readonly least: number;
  readonly most: number;
  readonly rule: DimensionRule;
  readonly usage: string;
  readonly help: string;
  readonly run: (values: readonly number[]) => number;
}

export type Dimensioned = Dimension | 'condition';

/**
 * Binary noise must not buy a thirteenth stud: 12 ft / 1 ft is 12.000000000000002 in meters.
 * What lies within a billionth of a whole number is that whole number.
 */
const NOISE = 1e-9;
const noise = (value: number): number => NOISE * Math.max(1, Math.abs(value));

export const ceilSafely = (value: number): number => {
  const result = Math.ceil(value - noise(value));
  return result === 0 ? 0 : result;
};
export const floorSafely = (value: number): number => Math.floor(value + noise(value));
export const roundSafely = (value: number): number => {
  const result = Math.sign(value) * Math.floor(Math.abs(value) + 0.5 + noise(value));
  return result === 0 ? 0 : result;
};

const stepped =
  (rounding: (value: number) => number) =>
  ([value = 0, step = 1]: readonly number[]): number =>
    rounding(value / step) * step;

const define = (
  name: string,
  least: number,
  most: number,
  rule: DimensionRule,
  usage: string,
  help: string,
  run: (values: readonly number[]) => number,
): FormulaFunction => ({ name, least, most, rule, usage, help, run });

const first = (values: readonly number[]): number => values[0] ?? 0;

export const FUNCTIONS: readonly FormulaFunction[] = [
  define(
    'ceil',
    1,
    2,
    'number-or-same-step',
    'ceil(x) or ceil(x, step)',
    'the next whole number, or multiple of the step, not below x',
    stepped(ceilSafely),
  ),
  define(
    'floor',
    1,
    2,
    'number-or-same-step',
    'floor(x) or floor(x, step)',
    'the next whole number, or multiple of the step, not above x',
    stepped(floorSafely),
  ),
  define(
    'round',
    1,
    2,
    'number-or-same-step',
    'round(x) or round(x, step)',
    'the nearest whole number, or multiple of the step; halves go away from zero',
    stepped(roundSafely),
  ),
  define('min', 1, 20, 'all-same', 'min(a, b, …)', 'the smallest of the values', (values) =>
    Math.min(...values),
  ),
  define('max', 1, 20, 'all-same', 'max(a, b, …)', 'the largest of the values', (values) =>
    Math.max(...values),
  ),
  define(
    'sticks',
    3,
    3,
    'cut',
    'sticks(pieces, piece, stick)',
    'how many sticks to buy for so many pieces of a length: whole pieces are cut from each, the rest of it is waste; pieces longer than a stick are joined',
    ([pieces = 0, piece = 0, stick = 0]) => {
      if (pieces <= 0 || piece <= 0) return 0;
      const fromOne = floorSafely(stick / piece);
      return ceilSafely(fromOne >= 1 ? pieces / fromOne : (pieces * piece) / stick);
    },
  ),
  define('abs', 1, 1, 'keep', 'abs(x)', 'x without its sign', (values) => Math.abs(first(values))),
  define('sqrt', 1, 1, 'square-root', 'sqrt(x)', 'the square root; of an area it is a length', (values) =>
    Math.sqrt(first(values)),
  ),
  define('sin', 1, 1, 'number', 'sin(angle)', 'the sine of an angle such as 27 deg', (values) =>
    Math.sin(first(values)),
  ),
  define('cos', 1, 1, 'number', 'cos(angle)', 'the cosine of an angle', (values) => Math.cos(first(values))),
  define('tan', 1, 1, 'number', 'tan(angle)', 'the tangent of an angle', (values) => Math.tan(first(values))),
  define(
    'if',
    3,
    3,
    'choose',
    'if(condition, then, else)',
    'then where the condition holds, else where it does not',
    ([condition = 0, then = 0, otherwise = 0]) => (condition !== 0 ? then : otherwise),
  ),
];

const byName = new Map(FUNCTIONS.map((each) => [each.name, each]));

export const findFunction = (name: string): FormulaFunction | undefined => byName.get(name);

/** Functions over other scopes; they are references, not arithmetic, so they stand apart. */
export const SCOPE_FUNCTIONS = [
  {
    name: 'total',
    usage: 'total(scope, measure) or total(scope, measure, filter)',
    help: 'a measure of another scope, over all its marks or over those a filter lets through; the scope `any` is every scope that has the measure',
  },
  {
    name: 'count',
    usage: 'count(scope) or count(scope, filter)',
    help: 'how many another scope has; with a filter, how many of them',
  },
  {
    name: 'lookup',
    usage: 'lookup(table, take, by, needed) or lookup(table, take, by, needed, mode)',
    help: 'a figure out of a table of the job: the column `take` of the row whose column `by` fits what is needed. The mode is `enough` (the smallest row that is at least what is needed; the usual one), `nearest`, `exact`, or `between` (worked out between two rows)',
  },
] as const;

/** How one of the forms above is written. */
export function getForm(name: (typeof SCOPE_FUNCTIONS)[number]['name']): { readonly usage: string } {
  const form = SCOPE_FUNCTIONS.find((each) => each.name === name);
  if (form === undefined) throw new Error(`getForm: no form is called ${name}`);
  return form;
}

/** Names that mean something in every formula and cannot be given to a scope, input or property. */
export const RESERVED_NAMES: ReadonlySet<string> = new Set([
  ...FUNCTIONS.map((each) => each.name),
  'total',
  'lookup',
  'any',
  'and',
  'or',
  'not',
  'pi',
]);
