import type { Dimension } from '../units/dimension.ts';
import type { LookupMode } from './ast.ts';
import type { Span } from './span.ts';

export type FormulaProblem = { readonly at: Span } & (
  | { readonly kind: 'formula-empty' }
  | { readonly kind: 'formula-too-long'; readonly length: number; readonly limit: number }
  | { readonly kind: 'formula-too-deep'; readonly limit: number }
  | { readonly kind: 'formula-unexpected'; readonly found: string }
  | { readonly kind: 'formula-unit-unknown'; readonly unit: string; readonly near: readonly string[] }
  | { readonly kind: 'formula-unfinished' }
  | { readonly kind: 'formula-unclosed' }
  | { readonly kind: 'formula-name-unknown'; readonly name: string; readonly near: readonly string[] }
  | { readonly kind: 'formula-function-unknown'; readonly name: string; readonly near: readonly string[] }
  | { readonly kind: 'formula-table-unknown'; readonly name: string; readonly near: readonly string[] }
  | {
      readonly kind: 'formula-column-unknown';
      readonly table: string;
      readonly name: string;
      readonly near: readonly string[];
    }
  | { readonly kind: 'formula-text' }
  | { readonly kind: 'formula-filter-measure'; readonly measure: string }
  /** Scopes that use one name for figures of different dimension cannot be added up. */
  | { readonly kind: 'formula-total-mixed'; readonly measure: string }
  | { readonly kind: 'formula-filter-text'; readonly known: readonly string[] }
  | { readonly kind: 'formula-arguments'; readonly name: string; readonly usage: string }
  | {
      readonly kind: 'formula-dimension-add';
      readonly operator: string;
      readonly left: Dimension;
      readonly right: Dimension;
      readonly leftText: string;
      readonly rightText: string;
    }
  | {
      readonly kind: 'formula-dimension-argument';
      readonly name: string;
      readonly wanted: 'number' | 'same' | 'condition' | 'square';
      readonly found: Dimension | 'condition';
    }
  | { readonly kind: 'formula-power' }
  | { readonly kind: 'formula-condition' }
  | { readonly kind: 'formula-not-a-figure' }
  | { readonly kind: 'formula-dimension-result'; readonly wanted: Dimension; readonly found: Dimension }
);

/** Why a formula that compiled gives no figure for the values at hand. */
export type ArithmeticFailure =
  | { readonly kind: 'divide-by-zero'; readonly at: Span; readonly text: string }
  | { readonly kind: 'root-of-negative'; readonly at: Span; readonly text: string }
  /** No row is big enough, or none is equal; never the last row in silence. */
  | {
      readonly kind: 'lookup-none';
      readonly at: Span;
      readonly table: string;
      readonly column: string;
      readonly dimension: Dimension;
      readonly needed: number;
      readonly mode: LookupMode;
      readonly least: number;
      readonly largest: number;
    }
  | { readonly kind: 'lookup-no-row'; readonly at: Span; readonly table: string; readonly wanted: string }
  | { readonly kind: 'lookup-empty'; readonly at: Span; readonly table: string }
  | { readonly kind: 'too-large'; readonly at: Span; readonly text: string };
