import { type Result, accept, refuse } from '../problem/result.ts';
import { type Dimension, sameDimension } from '../units/dimension.ts';
import type { Ast, BinaryOperator, LookupAst } from './ast.ts';
import { type Reference, listReferences, referenceKey, listTables } from './references.ts';
import { type NameSpace, checkDimensions } from './checkDimensions.ts';
import { type FormulaFunction, findFunction } from './functions.ts';
import { type LookupTable, createLookup, lookUpText } from './lookup.ts';
import { OPERATE } from './operators.ts';
import { parseFormula } from './parse.ts';
import type { FormulaProblem } from './problem.ts';
import { printShape } from './references.ts';

/**
 * Reads its operands from `values` at the indexes in `at`, one per slot. Not finite when the
 * arithmetic has no answer; `diagnose` then says why.
 */
export type Run = (values: Float64Array, at: Int32Array) => number;

export interface Formula {
  readonly source: string;
  readonly ast: Ast;
  readonly dimension: Dimension;
  /** What the slots stand for, in slot order. */
  readonly references: readonly Reference[];
  /** The tables it looks figures up in, by key. */
  readonly tables: ReadonlyMap<string, LookupTable>;
  readonly run: Run;
}

/**
 * Equal shapes share one closure, whatever their names: five thousand lines have a few dozen
 * shapes, and the machine keeps those hot. Bounded, because shapes come from what people type.
 */
const shared = new Map<string, Run>();
const SHARED_LIMIT = 5000;

/** Parses, checks dimensions against `names` (and `wanted`), and compiles. */
export function compileFormula(
  source: string,
  names: NameSpace,
  wanted?: Dimension,
): Result<Formula, FormulaProblem> {
  const parsed = parseFormula(source);
  return parsed.ok ? compileAst(parsed.value, source, names, wanted) : parsed;
}

/** The same for a tree that was read or put together before. */
export function compileAst(
  ast: Ast,
  source: string,
  names: NameSpace,
  wanted?: Dimension,
): Result<Formula, FormulaProblem> {
  const dimension = checkDimensions(ast, names);
  if (!dimension.ok) return dimension;
  const bareZero = ast.type === 'number' && ast.anyZero;
  if (wanted !== undefined && !bareZero && !sameDimension(dimension.value, wanted))
    return refuse({ kind: 'formula-dimension-result', at: ast.at, wanted, found: dimension.value });
  const references = listReferences(ast);
  const tables = new Map<string, LookupTable>();
  for (const key of listTables(ast)) {
    const table = names.findTable?.(key);
    if (table !== undefined) tables.set(key, table);
  }
  return accept({
    source,
    ast,
    dimension: wanted ?? dimension.value,
    references,
    tables,
    run: shareRun(ast, references, tables),
  });
}

type Tables = ReadonlyMap<string, LookupTable>;

function shareRun(ast: Ast, references: readonly Reference[], tables: Tables): Run {
  const slots = new Map(references.map((reference, slot) => [referenceKey(reference), slot]));
  // What is looked up rests on rows, not on the shape alone.
  if (tables.size > 0) return build(ast, slots, tables);
  const shape = printShape(ast, slots);
  const known = shared.get(shape);
  if (known !== undefined) return known;
  const run = build(ast, slots, tables);
  if (shared.size >= SHARED_LIMIT) shared.clear();
  shared.set(shape, run);
  return run;
}

function build(ast: Ast, slots: ReadonlyMap<string, number>, tables: Tables): Run {
  switch (ast.type) {
    case 'number': {
      const { value } = ast;
      return () => value;
    }
    case 'name':
    case 'total': {
      const slot = slots.get(referenceKey(ast)) ?? -1;
      return (values, at) => values[at[slot] as number] as number;
    }
    case 'unary': {
      const operand = build(ast.operand, slots, tables);
      return ast.operator === '-'
        ? (values, at) => -operand(values, at)
        : (values, at) => (operand(values, at) === 0 ? 1 : 0);
    }
    case 'binary':
      return buildBinary(ast.operator, build(ast.left, slots, tables), build(ast.right, slots, tables));
    case 'call': {
      const found = findFunction(ast.name);
      if (found === undefined) throw new Error(`build: no function is called ${ast.name}`);
      return buildCall(
        found,
        ast.arguments.map((each) => build(each, slots, tables)),
      );
    }
    case 'lookup':
      return buildLookup(ast, slots, tables);
    case 'text':
      throw new Error(`build: a text has no figure: ${ast.value}`);
  }
}

function buildLookup(ast: LookupAst, slots: ReadonlyMap<string, number>, tables: Tables): Run {
  const columns = tables.get(ast.table)?.columns ?? [];
  const [take, by] = [ast.take, ast.by].map((key) => columns.find((column) => column.key === key));
  if (take === undefined || by === undefined) throw new Error(`buildLookup: ${ast.table} has no such column`);
  if (ast.needed.type === 'text') {
    const value = lookUpText(take, by, ast.needed.value);
    return () => value;
  }
  const find = createLookup(take, by, ast.mode);
  const needed = build(ast.needed, slots, tables);
  return (values, at) => find(needed(values, at));
}

/** The four that carry nearly all the work are spelled out, so that the machine can inline them. */
function buildBinary(operator: BinaryOperator, left: Run, right: Run): Run {
  switch (operator) {
    case '+':
      return (values, at) => left(values, at) + right(values, at);
    case '-':
      return (values, at) => left(values, at) - right(values, at);
    case '*':
      return (values, at) => left(values, at) * right(values, at);
    default: {
      const operate = OPERATE[operator];
      return (values, at) => operate(left(values, at), right(values, at));
    }
  }
}

function buildCall(found: FormulaFunction, parts: readonly Run[]): Run {
  const [first, second, third] = parts;
  // Only the branch that holds is figured: `if(spacing > 0, length / spacing, 0)` must not fail.
  if (found.name === 'if' && first !== undefined && second !== undefined && third !== undefined)
    return (values, at) => (first(values, at) !== 0 ? second(values, at) : third(values, at));
  if (parts.length === 1 && first !== undefined) return (values, at) => found.run([first(values, at)]);
  return (values, at) => found.run(parts.map((part) => part(values, at)));
}
