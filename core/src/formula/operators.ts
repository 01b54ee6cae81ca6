import type { BinaryOperator } from './ast.ts';

/** Comparisons of measured figures forgive binary noise, as the rounding functions do. */
const same = (a: number, b: number): boolean =>
  a === b || Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b));

const truth = (holds: boolean): number => (holds ? 1 : 0);

/** The arithmetic of every operator; conditions are 1 and 0, a division by zero has no answer. */
export const OPERATE: Readonly<Record<BinaryOperator, (a: number, b: number) => number>> = {
  '+': (a, b) => a + b,
  '-': (a, b) => a - b,
  '*': (a, b) => a * b,
  '/': (a, b) => (b === 0 ? Number.NaN : a / b),
  '^': (a, b) => a ** b,
  '<': (a, b) => truth(a < b && !same(a, b)),
  '<=': (a, b) => truth(a < b || same(a, b)),
  '>': (a, b) => truth(a > b && !same(a, b)),
  '>=': (a, b) => truth(a > b || same(a, b)),
  '=': (a, b) => truth(same(a, b)),
  '!=': (a, b) => truth(!same(a, b)),
  and: (a, b) => truth(a !== 0 && b !== 0),
  or: (a, b) => truth(a !== 0 || b !== 0),
};
