import type { Dimension } from '../units/dimension.ts';
import type { Span } from './problem.ts';

export type BinaryOperator =
  '+' | '-' | '*' | '/' | '^' | '<' | '<=' | '>' | '>=' | '=' | '!=' | 'and' | 'or';

/**
 * The syntax tree. `total` is a figure of another scope, over all its marks: `total(doors, width)`;
 * `count(doors)` is the same for the measure `count`.
 */
export type Ast =
  | {
      readonly type: 'number';
      readonly at: Span;
      /** SI value with the unit taken in. */
      readonly value: number;
      readonly dimension: Dimension;
      readonly text: string;
      /** A 0 without unit fits every dimension: `max(0, length - 3 ft)`. */
      readonly anyZero: boolean;
    }
  | { readonly type: 'name'; readonly at: Span; readonly name: string }
  | { readonly type: 'total'; readonly at: Span; readonly scope: string; readonly measure: string }
  | { readonly type: 'unary'; readonly at: Span; readonly operator: '-' | 'not'; readonly operand: Ast }
  | {
      readonly type: 'binary';
      readonly at: Span;
      readonly operator: BinaryOperator;
      readonly left: Ast;
      readonly right: Ast;
    }
  | { readonly type: 'call'; readonly at: Span; readonly name: string; readonly arguments: readonly Ast[] };

export type Reference =
  | { readonly type: 'name'; readonly name: string }
  | { readonly type: 'total'; readonly scope: string; readonly measure: string };

/** One text per reference: names hold no dot, so the two kinds cannot meet. */
export const referenceKey = (reference: Reference): string =>
  reference.type === 'name' ? reference.name : `${reference.scope}.${reference.measure}`;

/** The parts of a node, in reading order. */
export function childrenOf(ast: Ast): readonly Ast[] {
  switch (ast.type) {
    case 'unary':
      return [ast.operand];
    case 'binary':
      return [ast.left, ast.right];
    case 'call':
      return ast.arguments;
    default:
      return [];
  }
}

/** What the formula refers to, each once, in order of first appearance. */
export function listReferences(ast: Ast): readonly Reference[] {
  const found = new Map<string, Reference>();
  const visit = (node: Ast): void => {
    if (node.type === 'name' || node.type === 'total') {
      const reference: Reference =
        node.type === 'name'
          ? { type: 'name', name: node.name }
          : { type: 'total', scope: node.scope, measure: node.measure };
      const key = referenceKey(reference);
      if (!found.has(key)) found.set(key, reference);
    }
    childrenOf(node).forEach(visit);
  };
  visit(ast);
  return [...found.values()];
}
