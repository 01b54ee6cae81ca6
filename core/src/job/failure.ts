import type { NodeId } from './nodeId.ts';
import type { ArithmeticFailure, FormulaProblem } from '../formula/problem.ts';
import type { Dimension } from '../units/dimension.ts';

/**
 * Why a figure is not known. A failure is a value: it flows through the graph to everything that
 * needs the figure, so that a cell shows the reason where a number would stand.
 */
export type Failure =
  | { readonly kind: 'no-scale'; readonly sheetId: string }
  | { readonly kind: 'arithmetic'; readonly node: NodeId; readonly failure: ArithmeticFailure }
  | {
      readonly kind: 'formula';
      readonly node: NodeId;
      readonly source: string;
      readonly problem: FormulaProblem;
    }
  | { readonly kind: 'loop'; readonly members: readonly NodeId[] }
  | { readonly kind: 'missing'; readonly node: NodeId }
  | { readonly kind: 'no-price' }
  | { readonly kind: 'no-quantity' }
  | { readonly kind: 'item-unknown'; readonly code: string }
  /** An answer outside of what its question takes; the limits are in the question's unit. */
  | {
      readonly kind: 'out-of-range';
      readonly question: string;
      readonly min: string;
      readonly max: string;
      readonly unit: string;
    }
  /** A component inside an inner assembly has an amount, but no marks. */
  | { readonly kind: 'no-marks-inside'; readonly component: string }
  /** A length or a count below zero is a mistake in its formula. */
  | { readonly kind: 'negative'; readonly component: string }
  | { readonly kind: 'no-pitch'; readonly pitch: string }
  | {
      readonly kind: 'units-do-not-convert';
      readonly measured: Dimension;
      readonly measuredUnit: string;
      readonly priced: string;
      readonly code: string;
    }
  | { readonly kind: 'no-wage'; readonly craft: string }
  /** No item of the family is big enough; sizes in SI, in the order they were asked for. */
  | {
      readonly kind: 'no-size';
      readonly family: string;
      readonly sizes: readonly number[];
      /** What each size is called, and its dimension, in the same order. */
      readonly keys?: readonly string[];
      readonly dimensions?: readonly Dimension[];
    }
  /** Several were asked for a price, and none is taken yet. */
  | { readonly kind: 'no-quote'; readonly package: string };
