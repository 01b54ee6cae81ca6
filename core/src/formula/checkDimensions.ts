import { type Result, accept, refuse } from '../problem/result.ts';
import {
  type Dimension,
  NUMBER,
  divideDimensions,
  isNumber,
  multiplyDimensions,
  raiseDimension,
  sameDimension,
} from '../units/dimension.ts';
import { ANY_SCOPE, type Ast, type LookupAst, type TotalAst } from './ast.ts';
import { type Reference, referenceKey } from './references.ts';
import { FUNCTIONS, type FormulaFunction, findFunction } from './functions.ts';
import type { LookupTable } from './lookup.ts';
import { findNear } from './near.ts';
import type { FormulaProblem } from './problem.ts';
import { printFormula } from './print.ts';

/** What a formula may refer to. */
export interface NameSpace {
  /** The tables that `lookup` may be asked of. */
  readonly findTable?: (key: string) => LookupTable | undefined;
  readonly listTables?: () => readonly string[];
  /** What is wrong with the filter of a `total`; undefined where nothing is. */
  readonly checkFilter?: (total: TotalAst) => FormulaProblem | undefined;
  readonly findDimension: (reference: Reference) => Dimension | undefined;
  /** For suggestions when a name is not known. */
  readonly listNames: () => readonly string[];
}

export const EMPTY_NAMES: NameSpace = { findDimension: () => undefined, listNames: () => [] };

/** 'any' is the bare zero; 'condition' is a comparison. */
type Kind = Dimension | 'any' | 'condition';
type Checked = Result<Kind, FormulaProblem>;

const toDimension = (kind: Dimension | 'any'): Dimension => (kind === 'any' ? NUMBER : kind);

/**
 * The dimension of a formula, checked once when it is compiled. Sums and comparisons need equal
 * dimensions, powers a whole exponent; anything else points at its place in the text.
 */
export function checkDimensions(ast: Ast, names: NameSpace): Result<Dimension, FormulaProblem> {
  const result = check(ast, names);
  if (!result.ok) return result;
  if (result.value === 'condition') return refuse({ kind: 'formula-not-a-figure', at: ast.at });
  return accept(toDimension(result.value));
}

function check(ast: Ast, names: NameSpace): Checked {
  switch (ast.type) {
    case 'number':
      return accept(ast.anyZero ? 'any' : ast.dimension);
    case 'name':
    case 'total':
      return checkReference(ast, names);
    case 'unary':
      return checkUnary(ast, names);
    case 'binary':
      return checkBinary(ast, names);
    case 'call':
      return checkCall(ast, names);
    case 'lookup':
      return checkLookup(ast, names);
    case 'text':
      return refuse({ kind: 'formula-text', at: ast.at });
  }
}

function checkLookup(ast: LookupAst, names: NameSpace): Checked {
  const table = names.findTable?.(ast.table);
  if (table === undefined) {
    const near = findNear(ast.table, names.listTables?.() ?? []);
    return refuse({ kind: 'formula-table-unknown', at: ast.at, name: ast.table, near });
  }
  const [take, by] = [ast.take, ast.by].map((key) => table.columns.find((column) => column.key === key));
  if (take === undefined || by === undefined) {
    const name = take === undefined ? ast.take : ast.by;
    const near = findNear(
      name,
      table.columns.map(({ key }) => key),
    );
    return refuse({ kind: 'formula-column-unknown', at: ast.at, table: ast.table, name, near });
  }
  const { needed } = ast;
  if (needed.type === 'text') return accept(take.dimension);
  const kind = check(needed, names);
  if (!kind.ok) return kind;
  if (kind.value === 'condition') return refuse({ kind: 'formula-condition', at: needed.at });
  if (kind.value === 'any' || sameDimension(kind.value, by.dimension)) return accept(take.dimension);
  return refuse({
    kind: 'formula-dimension-result',
    at: needed.at,
    wanted: by.dimension,
    found: kind.value,
  });
}

function checkReference(ast: Ast & { type: 'name' | 'total' }, names: NameSpace): Checked {
  if (ast.type === 'total' && (ast.filter !== undefined || ast.scope === ANY_SCOPE)) {
    const problem = names.checkFilter?.(ast);
    if (problem !== undefined) return refuse(problem);
  }
  const dimension = names.findDimension(ast);
  if (dimension !== undefined) return accept(dimension);
  const name = ast.type === 'name' ? ast.name : referenceKey(ast);
  return refuse({ kind: 'formula-name-unknown', at: ast.at, name, near: findNear(name, names.listNames()) });
}

function checkUnary(ast: Ast & { type: 'unary' }, names: NameSpace): Checked {
  const operand = check(ast.operand, names);
  if (!operand.ok) return operand;
  const wantsCondition = ast.operator === 'not';
  if ((operand.value === 'condition') !== wantsCondition)
    return refuse({ kind: 'formula-condition', at: ast.operand.at });
  return operand;
}

function checkBinary(ast: Ast & { type: 'binary' }, names: NameSpace): Checked {
  const left = check(ast.left, names);
  if (!left.ok) return left;
  const right = check(ast.right, names);
  if (!right.ok) return right;
  const { operator } = ast;
  if (operator === 'and' || operator === 'or') {
    if (left.value !== 'condition') return refuse({ kind: 'formula-condition', at: ast.left.at });
    if (right.value !== 'condition') return refuse({ kind: 'formula-condition', at: ast.right.at });
    return accept('condition');
  }
  if (left.value === 'condition') return refuse({ kind: 'formula-condition', at: ast.left.at });
  if (right.value === 'condition') return refuse({ kind: 'formula-condition', at: ast.right.at });
  if (operator === '^') return checkPower(ast, left.value, right.value);
  if (operator === '*') return accept(multiplyDimensions(toDimension(left.value), toDimension(right.value)));
  if (operator === '/') return accept(divideDimensions(toDimension(left.value), toDimension(right.value)));
  const joined = unify(left.value, right.value);
  if (joined === undefined) {
    return refuse({
      kind: 'formula-dimension-add',
      at: ast.at,
      operator,
      left: toDimension(left.value),
      right: toDimension(right.value),
      leftText: printFormula(ast.left),
      rightText: printFormula(ast.right),
    });
  }
  return accept(operator === '+' || operator === '-' ? joined : 'condition');
}

function unify(a: Dimension | 'any', b: Dimension | 'any'): Dimension | 'any' | undefined {
  if (a === 'any') return b;
  if (b === 'any') return a;
  return sameDimension(a, b) ? a : undefined;
}

function checkPower(
  ast: Ast & { type: 'binary' },
  left: Dimension | 'any',
  right: Dimension | 'any',
): Checked {
  if (!isNumber(toDimension(right))) return refuse({ kind: 'formula-power', at: ast.right.at });
  const base = toDimension(left);
  if (isNumber(base)) return accept(NUMBER);
  const exponent = wholeExponent(ast.right);
  if (exponent === undefined) return refuse({ kind: 'formula-power', at: ast.right.at });
  return accept(raiseDimension(base, exponent));
}

function wholeExponent(ast: Ast): number | undefined {
  if (ast.type === 'unary' && ast.operator === '-') {
    const inner = wholeExponent(ast.operand);
    return inner === undefined ? undefined : -inner;
  }
  return ast.type === 'number' && Number.isInteger(ast.value) ? ast.value : undefined;
}

function checkCall(ast: Ast & { type: 'call' }, names: NameSpace): Checked {
  const found = findFunction(ast.name);
  if (found === undefined) {
    const near = findNear(
      ast.name,
      FUNCTIONS.map((each) => each.name),
    );
    return refuse({ kind: 'formula-function-unknown', at: ast.at, name: ast.name, near });
  }
  const { length } = ast.arguments;
  if (length < found.least || length > found.most)
    return refuse({ kind: 'formula-arguments', at: ast.at, name: found.name, usage: found.usage });
  const kinds: Kind[] = [];
  for (const argument of ast.arguments) {
    const kind = check(argument, names);
    if (!kind.ok) return kind;
    kinds.push(kind.value);
  }
  return applyRule(ast, found, kinds);
}

function applyRule(ast: Ast & { type: 'call' }, found: FormulaFunction, kinds: readonly Kind[]): Checked {
  const complain = (index: number, wanted: 'number' | 'same' | 'condition' | 'square'): Checked => {
    const kind = kinds[index] ?? 'any';
    const at = ast.arguments[index]?.at ?? ast.at;
    const shown = kind === 'any' ? NUMBER : kind;
    return refuse({ kind: 'formula-dimension-argument', at, name: found.name, wanted, found: shown });
  };
  if (found.rule === 'cut') {
    const [pieces, piece, stick] = kinds;
    if (pieces === 'condition' || (pieces !== 'any' && pieces !== undefined && !isNumber(pieces)))
      return complain(0, 'number');
    const lengths = [piece, stick].filter((kind) => kind !== undefined && kind !== 'any');
    const odd = lengths.findIndex((kind) => kind === 'condition');
    if (odd >= 0) return complain(odd + 1, 'same');
    const [a, b] = lengths as readonly Dimension[];
    return a !== undefined && b !== undefined && !sameDimension(a, b) ? complain(2, 'same') : accept(NUMBER);
  }
  const figures = found.rule === 'choose' ? kinds.slice(1) : kinds;
  const offset = kinds.length - figures.length;
  if (offset === 1 && kinds[0] !== 'condition') return complain(0, 'condition');
  let joined: Dimension | 'any' = 'any';
  for (const [index, kind] of figures.entries()) {
    if (kind === 'condition') return complain(index + offset, 'same');
    const next: Dimension | 'any' | undefined = unify(joined, kind);
    if (next === undefined) return complain(index + offset, 'same');
    joined = next;
  }
  const dimension = toDimension(joined);
  const mustBeNumber =
    found.rule === 'number' || (found.rule === 'number-or-same-step' && kinds.length === 1);
  if (mustBeNumber && !isNumber(dimension)) return complain(0, 'number');
  if (found.rule !== 'square-root') return accept(joined);
  const half = raiseDimension(dimension, 0.5);
  const whole = [half.length, half.mass, half.time, half.money].every(Number.isInteger);
  return whole ? accept(half) : complain(0, 'square');
}
