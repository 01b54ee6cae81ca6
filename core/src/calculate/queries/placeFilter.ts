import type { Ast, TotalAst } from '../../formula/ast.ts';
import { childrenOf } from '../../formula/ast.ts';
import type { NameSpace } from '../../formula/checkDimensions.ts';
import { compileAst } from '../../formula/compile.ts';
import type { FormulaProblem } from '../../formula/problem.ts';
import type { Span } from '../../formula/span.ts';
import { isJunction } from '../../job/measures.ts';
import { NUMBER } from '../../units/dimension.ts';
import { asFigure } from './names.ts';

/** What a mark can be told apart by, beside the properties of its scope. */
const PLACES = ['level', 'zone', 'sheet', 'section'] as const;
type Place = (typeof PLACES)[number];
export type Where = Readonly<Record<Place, string>>;

const isPlace = (name: string): name is Place => (PLACES as readonly string[]).includes(name);
export const NOWHERE: Where = { level: '', zone: '', sheet: '', section: '' };

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** `level = "Upper floor"` in either order. */
function placeComparison(ast: Ast): { readonly place: Place; readonly text: string } | undefined {
  if (ast.type !== 'binary' || (ast.operator !== '=' && ast.operator !== '!=')) return undefined;
  const [name, text] = ast.left.type === 'text' ? [ast.right, ast.left] : [ast.left, ast.right];
  if (name.type !== 'name' || text.type !== 'text' || !isPlace(name.name)) return undefined;
  return { place: name.name, text: text.value };
}

const truth = (holds: boolean, { at }: Pick<Ast, 'at'>): Ast => {
  const one = { type: 'number', at, value: 1, dimension: NUMBER, text: '1', anyZero: false } as const;
  const two = { ...one, value: holds ? 1 : 2, text: holds ? '1' : '2' };
  return { type: 'binary', at, operator: '=', left: one, right: two };
};

/** The filter of a total that has none: all of it. */
export const everything = (at: Span): Ast => truth(true, { at });

/** The filter for one place: comparisons with a place are decided, what is left is arithmetic. */
export function decide(ast: Ast, where: Where): Ast {
  const found = placeComparison(ast);
  if (found !== undefined && ast.type === 'binary')
    return truth(same(where[found.place], found.text) === (ast.operator === '='), ast);
  if (ast.type === 'unary') return { ...ast, operand: decide(ast.operand, where) };
  if (ast.type === 'binary')
    return { ...ast, left: decide(ast.left, where), right: decide(ast.right, where) };
  return ast;
}

function mentions(ast: Ast, places: readonly Place[]): boolean {
  const found = placeComparison(ast);
  return (
    (found !== undefined && places.includes(found.place)) ||
    childrenOf(ast).some((each) => mentions(each, places))
  );
}

function findText(ast: Ast): Ast | undefined {
  if (ast.type === 'text') return ast;
  return childrenOf(ast)
    .map(findText)
    .find((each) => each !== undefined);
}

/** What is wrong with a filter where a scope's names are known. */
export function checkFilter({ filter, measure }: TotalAst, names: NameSpace): FormulaProblem | undefined {
  if (filter === undefined) return undefined;
  const decided = decide(filter, NOWHERE);
  const text = findText(decided);
  if (text !== undefined) return { kind: 'formula-filter-text', at: text.at, known: PLACES };
  if (tellsMarksApart(filter) && isJunction(measure))
    return { kind: 'formula-filter-measure', at: filter.at, measure };
  const compiled = compileAst(asFigure(decided), '', names, NUMBER);
  return compiled.ok ? undefined : compiled.problem;
}

/** Whether a filter tells the marks of one scope apart, and not only scopes from one another. */
export const tellsMarksApart = (filter: Ast): boolean => mentions(filter, ['level', 'zone', 'sheet']);
