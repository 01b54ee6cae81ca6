import { type Result, accept, refuse } from '../problem/result.ts';
import { NUMBER } from '../units/dimension.ts';
import { UNIT_SPELLINGS } from '../units/unit.ts';
import { type Ast, type BinaryOperator, LOOKUP_MODES } from './ast.ts';
import { getForm } from './functions.ts';
import { findNear } from './near.ts';
import type { FormulaProblem } from './problem.ts';
import type { Span } from './span.ts';
import { type Token, tokenize } from './tokenize.ts';

export const NESTING_LIMIT = 60;

/** Binding strength from loose to tight; `^` binds to the right and above the sign. */
const LEVELS: readonly (readonly string[])[] = [
  ['or'],
  ['and'],
  ['<', '<=', '>', '>=', '=', '!='],
  ['+', '-'],
  ['*', '/'],
];

class FormulaRefused extends Error {
  readonly problem: FormulaProblem;
  constructor(problem: FormulaProblem) {
    super(problem.kind);
    this.problem = problem;
  }
}

interface Cursor {
  readonly tokens: readonly Token[];
  readonly end: number;
  index: number;
  depth: number;
}

const refuseWith = (problem: FormulaProblem): never => {
  throw new FormulaRefused(problem);
};

const peek = (cursor: Cursor): Token | undefined => cursor.tokens[cursor.index];
const isOperator = (token: Token | undefined, text: string): boolean =>
  token !== undefined && token.text === text && token.type !== 'number' && token.type !== 'text';

function take(cursor: Cursor): Token {
  const token = peek(cursor);
  if (token === undefined)
    return refuseWith({ kind: 'formula-unfinished', at: { start: cursor.end, end: cursor.end } });
  cursor.index += 1;
  return token;
}

const join = (from: Span, to: Span): Span => ({ start: from.start, end: to.end });

function parseLevel(cursor: Cursor, level: number): Ast {
  const operators = LEVELS[level];
  if (operators === undefined) return parseUnary(cursor);
  let left = parseLevel(cursor, level + 1);
  for (;;) {
    const token = peek(cursor);
    if (token === undefined || token.type === 'number' || !operators.includes(token.text)) return left;
    cursor.index += 1;
    const right = parseLevel(cursor, level + 1);
    left = {
      type: 'binary',
      at: join(left.at, right.at),
      operator: token.text as BinaryOperator,
      left,
      right,
    };
  }
}

function parseUnary(cursor: Cursor): Ast {
  const token = peek(cursor);
  if (isOperator(token, '-') || isOperator(token, 'not')) {
    const { at, text } = take(cursor);
    return nested(cursor, () => {
      const operand = parseUnary(cursor);
      return { type: 'unary', at: join(at, operand.at), operator: text === '-' ? '-' : 'not', operand };
    });
  }
  return parsePower(cursor);
}

function parsePower(cursor: Cursor): Ast {
  const left = parsePrimary(cursor);
  if (!isOperator(peek(cursor), '^')) return left;
  cursor.index += 1;
  const right = nested(cursor, () => parseUnary(cursor));
  return { type: 'binary', at: join(left.at, right.at), operator: '^', left, right };
}

function nested(cursor: Cursor, parse: () => Ast): Ast {
  cursor.depth += 1;
  if (cursor.depth > NESTING_LIMIT) {
    const at = peek(cursor)?.at ?? { start: cursor.end, end: cursor.end };
    refuseWith({ kind: 'formula-too-deep', at, limit: NESTING_LIMIT });
  }
  const result = parse();
  cursor.depth -= 1;
  return result;
}

function parsePrimary(cursor: Cursor): Ast {
  const token = take(cursor);
  if (token.type === 'number') {
    const { at, value, dimension, text, bare } = token;
    return { type: 'number', at, value, dimension, text, anyZero: bare && value === 0 };
  }
  if (token.type === 'name' && token.text !== 'and' && token.text !== 'or') {
    if (isOperator(peek(cursor), '(')) return parseCall(cursor, token);
    if (token.text === 'pi')
      return { type: 'number', at: token.at, value: Math.PI, dimension: NUMBER, text: 'pi', anyZero: false };
    return { type: 'name', at: token.at, name: token.text };
  }
  if (token.type === 'text') return { type: 'text', at: token.at, value: token.text };
  if (!isOperator(token, '('))
    return refuseWith({ kind: 'formula-unexpected', at: token.at, found: token.text });
  const inner = nested(cursor, () => parseLevel(cursor, 0));
  close(cursor, token.at);
  return inner;
}

function close(cursor: Cursor, opened: Span): Span {
  const token = peek(cursor);
  if (token === undefined) return refuseWith({ kind: 'formula-unclosed', at: opened });
  if (!isOperator(token, ')')) return refuseWith(misplaced(token, cursor.tokens[cursor.index - 1]));
  cursor.index += 1;
  return token.at;
}

/** A word right after a figure was meant as its unit: `37 apples`. */
function misplaced({ type, at, text }: Token, before: Token | undefined): FormulaProblem {
  if (type === 'name' && before?.type === 'number' && before.bare)
    return { kind: 'formula-unit-unknown', at, unit: text, near: findNear(text, UNIT_SPELLINGS) };
  return { kind: 'formula-unexpected', at, found: text };
}

function parseCall(cursor: Cursor, name: Token): Ast {
  const opened = take(cursor).at;
  const parts: Ast[] = [];
  if (!isOperator(peek(cursor), ')')) {
    parts.push(nested(cursor, () => parseLevel(cursor, 0)));
    while (isOperator(peek(cursor), ',')) {
      cursor.index += 1;
      parts.push(nested(cursor, () => parseLevel(cursor, 0)));
    }
  }
  const at = join(name.at, close(cursor, opened));
  if (name.text === 'total' || name.text === 'count') return scopeTotal(name.text, parts, at);
  if (name.text === 'lookup') return tableLookup(parts, at);
  return { type: 'call', at, name: name.text, arguments: parts };
}

const nameOf = (part: Ast | undefined): string | undefined => (part?.type === 'name' ? part.name : undefined);

function scopeTotal(name: 'total' | 'count', parts: readonly Ast[], at: Span): Ast {
  const { usage } = getForm(name);
  const [scope, second, third] = parts;
  const [measure, filter] = name === 'total' ? [nameOf(second), third] : ['count', second];
  const scopeName = nameOf(scope);
  const most = name === 'total' ? 3 : 2;
  if (parts.length > most || scopeName === undefined || measure === undefined)
    return refuseWith({ kind: 'formula-arguments', at, name, usage });
  const total = { type: 'total' as const, at, scope: scopeName, measure };
  return filter === undefined ? total : { ...total, filter };
}

function tableLookup(parts: readonly Ast[], at: Span): Ast {
  const refuseForm = (): never =>
    refuseWith({ kind: 'formula-arguments', at, name: 'lookup', usage: getForm('lookup').usage });
  const [table, take, by] = parts.slice(0, 3).map(nameOf);
  const [needed, how] = parts.slice(3);
  if (table === undefined || take === undefined || by === undefined) return refuseForm();
  if (needed === undefined || parts.length > 5) return refuseForm();
  const mode = how === undefined ? 'enough' : LOOKUP_MODES.find((each) => each === nameOf(how));
  return mode === undefined ? refuseForm() : { type: 'lookup', at, table, take, by, needed, mode };
}

/** Assemblies bring the same few texts hundreds of times. Bounded, because texts come from what people type. */
const read = new Map<string, Result<Ast, FormulaProblem>>();
const READ_LIMIT = 2000;

/** Reads a formula's text into a tree, or says what is wrong and where. */
export function parseFormula(source: string): Result<Ast, FormulaProblem> {
  const known = read.get(source);
  if (known !== undefined) return known;
  if (read.size >= READ_LIMIT) read.clear();
  const made = parseAnew(source);
  read.set(source, made);
  return made;
}

function parseAnew(source: string): Result<Ast, FormulaProblem> {
  const tokens = tokenize(source);
  if (!tokens.ok) return tokens;
  if (tokens.value.length === 0)
    return refuse({ kind: 'formula-empty', at: { start: 0, end: source.length } });
  const cursor: Cursor = { tokens: tokens.value, end: source.length, index: 0, depth: 0 };
  try {
    const ast = parseLevel(cursor, 0);
    const left = peek(cursor);
    if (left !== undefined) return refuse(misplaced(left, tokens.value[cursor.index - 1]));
    return accept(ast);
  } catch (error) {
    if (error instanceof FormulaRefused) return refuse(error.problem);
    throw error;
  }
}
