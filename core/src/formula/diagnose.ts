import { type Ast, childrenOf, referenceKey } from './ast.ts';
import { findFunction } from './functions.ts';
import type { Formula } from './compile.ts';
import { OPERATE } from './operators.ts';
import type { ArithmeticFailure } from './problem.ts';
import { printFormula } from './print.ts';

/** Values by slot key; only finite ones, since a failed operand never reaches the arithmetic. */
export type ValueOf = (key: string) => number;

/** One figured step of a formula. */
export interface FormulaStep {
  readonly ast: Ast;
  readonly value: number;
}

/** Figures a tree slowly; for explanations only. Untaken branches of `if` are left out. */
export function evaluateAst(ast: Ast, valueOf: ValueOf, visit?: (step: FormulaStep) => void): number {
  const inner = (part: Ast): number => evaluateAst(part, valueOf, visit);
  const value = evaluateNode(ast, valueOf, inner);
  visit?.({ ast, value });
  return value;
}

function evaluateNode(ast: Ast, valueOf: ValueOf, inner: (part: Ast) => number): number {
  switch (ast.type) {
    case 'number':
      return ast.value;
    case 'name':
    case 'total':
      return valueOf(referenceKey(ast));
    case 'unary':
      return ast.operator === '-' ? -inner(ast.operand) : inner(ast.operand) === 0 ? 1 : 0;
    case 'call': {
      const [condition, then, otherwise] = ast.arguments;
      if (ast.name === 'if' && condition !== undefined && then !== undefined && otherwise !== undefined)
        return inner(condition) !== 0 ? inner(then) : inner(otherwise);
      return findFunction(ast.name)?.run(ast.arguments.map(inner)) ?? Number.NaN;
    }
    case 'binary':
      return OPERATE[ast.operator](inner(ast.left), inner(ast.right));
  }
}

/** Finds the innermost step of a formula that has no finite answer, and names it. */
export function diagnose(formula: Formula, valueOf: ValueOf): ArithmeticFailure {
  let failure: ArithmeticFailure | undefined;
  evaluateAst(formula.ast, valueOf, ({ ast, value }) => {
    if (failure !== undefined || Number.isFinite(value)) return;
    failure = nameFailure(ast, valueOf);
  });
  return failure ?? { kind: 'too-large', at: formula.ast.at, text: formula.source };
}

function nameFailure(ast: Ast, valueOf: ValueOf): ArithmeticFailure {
  const { at } = ast;
  if (ast.type === 'binary' && ast.operator === '/')
    return { kind: 'divide-by-zero', at: ast.right.at, text: printFormula(ast.right) };
  const step = ast.type === 'call' ? ast.arguments[1] : undefined;
  if (step !== undefined && evaluateAst(step, valueOf) === 0)
    return { kind: 'divide-by-zero', at: step.at, text: printFormula(step) };
  const [operand] = childrenOf(ast);
  if (operand !== undefined && evaluateAst(operand, valueOf) < 0)
    return { kind: 'root-of-negative', at: operand.at, text: printFormula(operand) };
  return { kind: 'too-large', at, text: printFormula(ast) };
}
