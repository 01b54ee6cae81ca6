import type { Dimension } from '../units/dimension.ts';
import type { Span } from './span.ts';

export type BinaryOperator =
  '+' | '-' | '*' | '/' | '^' | '<' | '<=' | '>' | '>=' | '=' | '!=' | 'and' | 'or';

export const LOOKUP_MODES = ['enough', 'nearest', 'exact', 'between'] as const;
/** Which row a lookup takes: the smallest that is enough, the nearest, the same, or between two. */
export type LookupMode = (typeof LOOKUP_MODES)[number];

/** The scope name that stands for every scope, as in `total(any, area, level = "Upper floor")`. */
export const ANY_SCOPE = 'any';

/** A figure of another scope, or of the marks and scopes that a filter lets through. */
export interface TotalAst {
  readonly type: 'total';
  readonly at: Span;
  readonly scope: string;
  readonly measure: string;
  readonly filter?: Ast;
}

/** A figure out of a table of the job: `lookup(pipes, outside, inside, diameter)`. */
export interface LookupAst {
  readonly type: 'lookup';
  readonly at: Span;
  readonly table: string;
  /** The column the figure is taken from. */
  readonly take: string;
  /** The column that is searched. */
  readonly by: string;
  readonly needed: Ast;
  readonly mode: LookupMode;
}

/**
 * The syntax tree. `total` is a figure of another scope, over all its marks: `total(doors, width)`;
 * `count(doors)` is the same for the measure `count`. A `text` stands in comparisons of a filter only.
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
  | { readonly type: 'text'; readonly at: Span; readonly value: string }
  | TotalAst
  | LookupAst
  | { readonly type: 'unary'; readonly at: Span; readonly operator: '-' | 'not'; readonly operand: Ast }
  | {
      readonly type: 'binary';
      readonly at: Span;
      readonly operator: BinaryOperator;
      readonly left: Ast;
      readonly right: Ast;
    }
  | { readonly type: 'call'; readonly at: Span; readonly name: string; readonly arguments: readonly Ast[] };

/** The parts of a node, in reading order. */
export function childrenOf(ast: Ast): readonly Ast[] {
  switch (ast.type) {
    case 'unary':
      return [ast.operand];
    case 'binary':
      return [ast.left, ast.right];
    case 'call':
      return ast.arguments;
    case 'lookup':
      return [ast.needed];
    default:
      return [];
  }
}
