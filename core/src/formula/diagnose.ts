import { type Ast, type LookupAst, childrenOf } from './ast.ts';
import { referenceKey } from './references.ts';
import { findFunction } from './functions.ts';
import type { Formula } from './compile.ts';
import { type LookupColumn, type LookupTable, createLookup, lookUpText, rangeOf } from './lookup.ts';
import { OPERATE } from './operators.ts';
import type { ArithmeticFailure } from './problem.ts';
import { printFormula } from './print.ts';

const NO_TABLES: ReadonlyMap<string, LookupTable> = new Map();

/** Values by slot key; only finite ones, since a failed operand never reaches the arithmetic. */
export type ValueOf = (key: string) => number;

/** One figured step of a formula. */
export interface FormulaStep {
  readonly ast: Ast;
  readonly value: number;
}

/** Figures a tree slowly; for explanations only. Untaken branches of `if` are left out. */
export function evaluateAst(
  ast: Ast,
  valueOf: ValueOf,
  tables: ReadonlyMap<string, LookupTable> = NO_TABLES,
  visit?: (step: FormulaStep) => void,
): number {
  const inner = (part: Ast): number => evaluateAst(part, valueOf, tables, visit);
  const value = ast.type === 'lookup' ? lookUp(ast, tables, inner) : evaluateNode(ast, valueOf, inner);
  visit?.({ ast, value });
  return value;
}

function columnsOf(
  ast: LookupAst,
  tables: ReadonlyMap<string, LookupTable>,
): readonly [take: LookupColumn | undefined, by: LookupColumn | undefined] {
  const columns = tables.get(ast.table)?.columns ?? [];
  const find = (key: string): LookupColumn | undefined => columns.find((column) => column.key === key);
  return [find(ast.take), find(ast.by)];
}

function lookUp(
  ast: LookupAst,
  tables: ReadonlyMap<string, LookupTable>,
  inner: (part: Ast) => number,
): number {
  const [take, by] = columnsOf(ast, tables);
  if (take === undefined || by === undefined) return Number.NaN;
  if (ast.needed.type === 'text') return lookUpText(take, by, ast.needed.value);
  return createLookup(take, by, ast.mode)(inner(ast.needed));
}

function evaluateNode(ast: Exclude<Ast, LookupAst>, valueOf: ValueOf, inner: (part: Ast) => number): number {
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
    case 'text':
      return Number.NaN;
    case 'binary':
      return OPERATE[ast.operator](inner(ast.left), inner(ast.right));
  }
}

/** Finds the innermost step of a formula that has no finite answer, and names it. */
export function diagnose(formula: Formula, valueOf: ValueOf): ArithmeticFailure {
  let failure: ArithmeticFailure | undefined;
  evaluateAst(formula.ast, valueOf, formula.tables, ({ ast, value }) => {
    if (failure !== undefined || Number.isFinite(value)) return;
    failure =
      ast.type === 'lookup' ? nameLookup(ast, formula, valueOf) : nameFailure(ast, valueOf, formula.tables);
  });
  return failure ?? { kind: 'too-large', at: formula.ast.at, text: formula.source };
}

function nameLookup(ast: LookupAst, formula: Formula, valueOf: ValueOf): ArithmeticFailure {
  const [, by] = columnsOf(ast, formula.tables);
  const range = by === undefined ? undefined : rangeOf(by);
  const { at, table, mode } = ast;
  if (ast.needed.type === 'text') return { kind: 'lookup-no-row', at, table, wanted: ast.needed.value };
  if (by === undefined || range === undefined) return { kind: 'lookup-empty', at, table };
  const needed = evaluateAst(ast.needed, valueOf, formula.tables);
  const [least, largest] = range;
  const { key: column, dimension } = by;
  return { kind: 'lookup-none', at, table, column, dimension, needed, mode, least, largest };
}

function nameFailure(
  ast: Ast,
  valueOf: ValueOf,
  tables: ReadonlyMap<string, LookupTable>,
): ArithmeticFailure {
  const { at } = ast;
  if (ast.type === 'binary' && ast.operator === '/')
    return { kind: 'divide-by-zero', at: ast.right.at, text: printFormula(ast.right) };
  const step = ast.type === 'call' ? ast.arguments[1] : undefined;
  if (step !== undefined && evaluateAst(step, valueOf, tables) === 0)
    return { kind: 'divide-by-zero', at: step.at, text: printFormula(step) };
  const [operand] = childrenOf(ast);
  if (operand !== undefined && evaluateAst(operand, valueOf, tables) < 0)
    return { kind: 'root-of-negative', at: operand.at, text: printFormula(operand) };
  return { kind: 'too-large', at, text: printFormula(ast) };
}
