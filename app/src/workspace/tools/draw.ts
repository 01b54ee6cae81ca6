import { type Point, distance } from '@zest/core/geometry/point';
import { pointToward, squareTo } from '@zest/core/geometry/polyline';

/**
 * The pen for runs and areas: a pure state machine. The draft lives here and not in the job; one mark
 * is one step of undo.
 */
export interface DrawState {
  /** Strokes so far; the last one is being drawn. */
  readonly strokes: readonly (readonly Point[])[];
  readonly hover: Point | undefined;
  readonly square: boolean;
  /** A length typed for the next segment. */
  readonly typed: string;
  readonly lastClick: { readonly at: Point; readonly timeMs: number } | undefined;
}

export type DrawEvent =
  | { readonly type: 'move'; readonly at: Point; readonly square: boolean }
  | { readonly type: 'click'; readonly at: Point; readonly square: boolean; readonly timeMs: number }
  | { readonly type: 'type'; readonly character: string }
  | { readonly type: 'back' }
  | { readonly type: 'lift' }
  | { readonly type: 'complete' }
  | { readonly type: 'cancel' }
  /** Something else takes over: another pen, another sheet. What is drawn is kept. */
  | { readonly type: 'interrupt' };

export interface DrawContext {
  readonly kind: 'run' | 'area';
  /** Sheet points within which two clicks are one place. */
  readonly nearPt: number;
  /** Reads a typed length as sheet points along a direction; undefined when it is no length. */
  readonly readLength: (text: string, from: Point, toward: Point) => number | undefined;
}

export type DrawEffect =
  | { readonly type: 'commit'; readonly strokes: readonly (readonly Point[])[] }
  | { readonly type: 'leave' }
  | { readonly type: 'refuse'; readonly reason: 'too-few-points' | 'length-not-read' };

export interface DrawStep {
  readonly state: DrawState;
  readonly effects: readonly DrawEffect[];
}

export const EMPTY_DRAFT: DrawState = {
  strokes: [],
  hover: undefined,
  square: false,
  typed: '',
  lastClick: undefined,
};

/** A second click this soon in one place is a double-click, which never adds a point. */
const DOUBLE_CLICK_MS = 400;

export const currentStroke = (state: DrawState): readonly Point[] => state.strokes.at(-1) ?? [];

const leastPoints = (kind: 'run' | 'area'): number => (kind === 'run' ? 2 : 3);

const keep = (state: DrawState): DrawStep => ({ state, effects: [] });

/** Where the next point would go: under the pointer, or squared to the segment before. */
export function aim(state: DrawState, at: Point, square: boolean): Point {
  const stroke = currentStroke(state);
  const [from, before] = [stroke.at(-1), stroke.at(-2)];
  if (!square || from === undefined) return at;
  return before === undefined
    ? squareTo(from, at)
    : squareTo(from, at, { x: from.x - before.x, y: from.y - before.y });
}

export function drawPen(state: DrawState, event: DrawEvent, context: DrawContext): DrawStep {
  switch (event.type) {
    case 'move':
      return keep({ ...state, hover: event.at, square: event.square });
    case 'click':
      return click(state, event, context);
    case 'type':
      return state.strokes.length === 0
        ? keep(state)
        : keep({ ...state, typed: (state.typed + event.character).slice(0, 40) });
    case 'back':
      return keep(takeBack(state));
    case 'lift':
      return currentStroke(state).length === 0
        ? keep(state)
        : keep({ ...state, strokes: [...state.strokes, []], typed: '' });
    case 'complete':
      return state.typed === '' ? finish(state, context, false) : placeTyped(state, context);
    case 'cancel':
      return finish(state, context, true);
    case 'interrupt':
      return finish(state, context, true);
  }
}

function addPoint(state: DrawState, point: Point): DrawState {
  const done = state.strokes.slice(0, -1);
  return { ...state, strokes: [...done, [...currentStroke(state), point]], typed: '' };
}

function click(state: DrawState, event: DrawEvent & { type: 'click' }, context: DrawContext): DrawStep {
  const { lastClick } = state;
  const twice =
    lastClick !== undefined &&
    event.timeMs - lastClick.timeMs < DOUBLE_CLICK_MS &&
    distance(lastClick.at, event.at) <= context.nearPt;
  const clicked = {
    ...state,
    hover: event.at,
    square: event.square,
    lastClick: { at: event.at, timeMs: event.timeMs },
  };
  if (twice) return keep(clicked);
  const point = aim(state, event.at, event.square);
  const stroke = currentStroke(state);
  const [first] = stroke;
  const closes = first !== undefined && stroke.length >= 3 && distance(first, event.at) <= context.nearPt;
  if (closes) {
    // Back at the start an area is done; a run goes on from there, closed.
    if (context.kind === 'area') return finish(clicked, context, false);
    return finish(addPoint(clicked, first), context, false);
  }
  const last = stroke.at(-1);
  if (last !== undefined && distance(last, point) < 1e-6) return keep(clicked);
  return keep(addPoint(clicked, point));
}

function placeTyped(state: DrawState, context: DrawContext): DrawStep {
  const from = currentStroke(state).at(-1);
  if (from === undefined || state.hover === undefined) return keep({ ...state, typed: '' });
  const toward = aim(state, state.hover, state.square);
  const reach = context.readLength(state.typed, from, toward);
  if (reach === undefined || reach <= 0 || distance(from, toward) === 0)
    return { state, effects: [{ type: 'refuse', reason: 'length-not-read' }] };
  return keep(addPoint(state, pointToward(from, toward, reach)));
}

function takeBack(state: DrawState): DrawState {
  if (state.typed !== '') return { ...state, typed: state.typed.slice(0, -1) };
  const rest = state.strokes.slice(0, -1);
  const stroke = currentStroke(state).slice(0, -1);
  // An emptied stroke goes; the pen then stands at the end of the one before it.
  const strokes = stroke.length === 0 ? rest : [...rest, stroke];
  return { ...state, strokes, lastClick: undefined };
}

function finish(state: DrawState, { kind }: DrawContext, leaves: boolean): DrawStep {
  const strokes = state.strokes.filter((stroke) => stroke.length >= leastPoints(kind));
  const leave: readonly DrawEffect[] = leaves ? [{ type: 'leave' }] : [];
  if (strokes.length > 0)
    return {
      state: { ...EMPTY_DRAFT, hover: state.hover },
      effects: [{ type: 'commit', strokes }, ...leave],
    };
  if (leaves) return { state: EMPTY_DRAFT, effects: leave };
  const drawn = state.strokes.some((stroke) => stroke.length > 0);
  return drawn ? { state, effects: [{ type: 'refuse', reason: 'too-few-points' }] } : keep(state);
}
