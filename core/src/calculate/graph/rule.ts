import type { Failure } from '../../job/failure.ts';
import type { NodeId } from '../../job/nodeId.ts';

/** Reads its operands from `values` at `at`; a result that is not finite asks `explain` for the reason. */
export type Compute = (values: Float64Array, at: Int32Array) => number;
export type Explain = (values: Float64Array, at: Int32Array) => Failure;

export type Rule =
  | { readonly kind: 'value'; readonly value: number; readonly failure?: Failure }
  /** A costly value: worked out only once something reads it or asks for it. */
  | { readonly kind: 'when-asked'; readonly value: () => number }
  | {
      readonly kind: 'compute';
      readonly inputs: readonly NodeId[];
      readonly run: Compute;
      readonly explain?: Explain;
      /** Sums over what is known: a missing price must not hide every other one. */
      readonly skipsFailures?: boolean;
    };

/** A figure: its SI value, or why there is none. */
export type Figure = { readonly value: number; readonly failure?: undefined } | { readonly failure: Failure };

/** A figure that is what it is until it is defined otherwise. */
export const valued = (value: number): Rule => ({ kind: 'value', value });
export const failed = (failure: Failure): Rule => ({ kind: 'value', value: 0, failure });

/** Sums of any number of operands share one closure. */
export const sumOf: Compute = (values, at) => {
  let total = 0;
  for (let slot = 0; slot < at.length; slot += 1) total += values[at[slot] as number] as number;
  return total;
};
