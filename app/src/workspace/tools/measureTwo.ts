import type { Point } from '@zest/core/geometry/point';
import { squareTo } from '@zest/core/geometry/polyline';

/** Picks two points, for setting the scale and for measuring back. */
export interface TwoState {
  readonly a: Point | undefined;
  readonly b: Point | undefined;
  readonly hover: Point | undefined;
}

export const NO_POINTS: TwoState = { a: undefined, b: undefined, hover: undefined };

export type TwoEvent =
  | { readonly type: 'move' | 'click'; readonly at: Point; readonly square: boolean }
  | { readonly type: 'back' | 'cancel' };

const aimed = ({ a }: TwoState, at: Point, square: boolean): Point =>
  square && a !== undefined ? squareTo(a, at) : at;

export function pickTwo(state: TwoState, event: TwoEvent): TwoState {
  switch (event.type) {
    case 'move':
      return state.b === undefined ? { ...state, hover: aimed(state, event.at, event.square) } : state;
    case 'click':
      if (state.a === undefined) return { ...state, a: event.at };
      return state.b === undefined
        ? { ...state, b: aimed(state, event.at, event.square) }
        : { ...NO_POINTS, a: event.at };
    case 'back':
      return state.b === undefined ? NO_POINTS : { ...state, b: undefined };
    case 'cancel':
      return NO_POINTS;
  }
}
