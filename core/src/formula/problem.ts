import type { Dimension } from '../units/dimension.ts';

/** The place in the formula's text a problem points at: [start, end). */
export interface Span {
  readonly start: number;
  readonly end: number;
}

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
  | { readonly kind: 'too-large'; readonly at: Span; readonly text: string };
