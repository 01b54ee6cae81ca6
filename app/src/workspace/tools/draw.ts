import type { Vertex } from '@zest/core/geometry/path';
import { type Point, distance } from '@zest/core/geometry/point';
import { pointToward, squareTo } from '@zest/core/geometry/polyline';
import { boxOf, circleOf, routeBetween, slantedBoxOf } from './forms.ts';

/** A corner that is being drawn, with what rises from it. */
export type DraftVertex = Vertex & { readonly riseM?: number };
export type DraftStroke = readonly DraftVertex[];

/**
 * How the next piece is drawn: straight, over a middle point, at right angles between two clicks; or
 * a whole ring as a box by two corners, a slanted box by three, a circle by center and rim.
 */
export const RUN_FORMS = ['line', 'arc', 'route'] as const;
export const RING_FORMS = ['line', 'arc', 'box', 'slant', 'circle'] as const;
export type Form = (typeof RUN_FORMS)[number] | (typeof RING_FORMS)[number];
export type DrawnKind = 'run' | 'area' | 'slope';

/** True for what is drawn point by point. */
export const isDrawnKind = (tool: string): tool is DrawnKind =>
  tool === 'run' || tool === 'area' || tool === 'slope';

/**
 * The pen for runs, areas and roof slopes: a pure state machine. The draft lives here and not in the
 * job; one mark is one step of undo.
 */
export interface DrawState {
  /** Strokes so far; the last one is being drawn. */
  readonly strokes: readonly DraftStroke[];
  readonly hover: Point | undefined;
  readonly square: boolean;
  readonly form: Form;
  /** The place an arc goes over, once it was clicked. */
  readonly bend: Point | undefined;
  /** What is typed for the next piece: a length, `12' @ 30`, or a rise such as `+8 ft`. */
  readonly typed: string;
  readonly lastClick: { readonly at: Point; readonly timeMs: number } | undefined;
}

export type DrawEvent =
  | { readonly type: 'move'; readonly at: Point; readonly square: boolean }
  | { readonly type: 'click'; readonly at: Point; readonly square: boolean; readonly timeMs: number }
  | { readonly type: 'type'; readonly character: string }
  | { readonly type: 'form'; readonly form: Form }
  | { readonly type: 'back' }
  | { readonly type: 'lift' }
  | { readonly type: 'complete' }
  | { readonly type: 'cancel' }
  /** Something else takes over: another pen, another sheet. What is drawn is kept. */
  | { readonly type: 'interrupt' };

/** What a typed text means at the end of the pen. */
export type TypedPiece =
  { readonly is: 'point'; readonly at: Point } | { readonly is: 'rise'; readonly riseM: number };

export interface DrawContext {
  readonly kind: DrawnKind;
  /** Sheet points within which two clicks are one place. */
  readonly nearPt: number;
  /** Sheet points within which a quick second click is the same one again. */
  readonly twicePt: number;
  /** Reads what was typed, along the direction of the pointer; undefined when it is no length. */
  readonly readTyped: (text: string, from: Point, toward: Point) => TypedPiece | undefined;
}

export type DrawEffect =
  | { readonly type: 'commit'; readonly strokes: readonly DraftStroke[] }
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
  form: 'line',
  bend: undefined,
  typed: '',
  lastClick: undefined,
};

/** A second click this soon in one place is a double-click, which never adds a point. */
const DOUBLE_CLICK_MS = 400;

export const currentStroke = (state: DrawState): DraftStroke => state.strokes.at(-1) ?? [];

export const formsOf = (kind: DrawnKind): readonly Form[] => (kind === 'run' ? RUN_FORMS : RING_FORMS);
const isRingForm = (form: Form): boolean => form === 'box' || form === 'slant' || form === 'circle';

/** A ring needs three corners, or two where arcs join them. */
const isEnough = (kind: DrawnKind, stroke: DraftStroke): boolean => {
  if (kind === 'run') return stroke.length >= 2;
  return stroke.length >= 3 || (stroke.length === 2 && stroke.some(({ through }) => through !== undefined));
};

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

/** The corners a click at `at` would add after the last one. */
export function piecesTo(state: DrawState, at: Point): DraftStroke {
  const stroke = currentStroke(state);
  const from = stroke.at(-1);
  if (from === undefined) return [at];
  if (state.form === 'arc') return state.bend === undefined ? [] : [{ ...at, through: state.bend }];
  return state.form === 'route' ? routeBetween(stroke.at(-2), from, at) : [at];
}

/** The whole ring that a box or circle would be with its next click at `at`; undefined while it is open. */
export function ringTo(state: DrawState, at: Point): DraftStroke | undefined {
  const [first, second] = currentStroke(state);
  if (first === undefined) return undefined;
  if (state.form === 'box') return boxOf(first, at);
  if (state.form === 'circle') return circleOf(first, at);
  if (state.form === 'slant' && second !== undefined) return slantedBoxOf(first, second, at);
  return undefined;
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
    case 'form':
      return keep(changeForm(state, event.form));
    case 'back':
      return keep(takeBack(state));
    case 'lift':
      return currentStroke(state).length === 0
        ? keep(state)
        : // A click after a lift is meant, also where the last one was.
          keep({
            ...state,
            strokes: [...state.strokes, []],
            typed: '',
            bend: undefined,
            lastClick: undefined,
          });
    case 'complete':
      return state.typed === '' ? finish(state, context, false) : placeTyped(state, context);
    case 'cancel':
      return finish(state, context, true);
    case 'interrupt':
      return interrupt(state, context);
  }
}

/** A ring form begins anew; the corners of an unfinished outline would mean nothing to it. */
function changeForm(state: DrawState, form: Form): DrawState {
  const fresh = isRingForm(form) !== isRingForm(state.form) && currentStroke(state).length > 0;
  return { ...state, form, bend: undefined, strokes: fresh ? state.strokes.slice(0, -1) : state.strokes };
}

function addVertices(state: DrawState, vertices: DraftStroke): DrawState {
  const done = state.strokes.slice(0, -1);
  // An arc is one piece; what follows it is straight again unless it is asked for anew.
  const form =
    state.form === 'arc' && vertices.some(({ through }) => through !== undefined) ? 'line' : state.form;
  const strokes = [...done, [...currentStroke(state), ...vertices]];
  return { ...state, form, strokes, typed: '', bend: undefined };
}

function click(state: DrawState, event: DrawEvent & { type: 'click' }, context: DrawContext): DrawStep {
  const { lastClick } = state;
  const twice =
    lastClick !== undefined &&
    event.timeMs - lastClick.timeMs < DOUBLE_CLICK_MS &&
    distance(lastClick.at, event.at) <= context.twicePt;
  const clicked = {
    ...state,
    hover: event.at,
    square: event.square,
    lastClick: { at: event.at, timeMs: event.timeMs },
  };
  if (twice) return keep(clicked);
  const point = aim(state, event.at, event.square);
  const stroke = currentStroke(state);
  const last = stroke.at(-1);
  if (last !== undefined && distance(last, point) < 1e-6) return keep(clicked);
  if (isRingForm(state.form)) return clickRing(clicked, point, context);
  if (state.form === 'arc' && last !== undefined && state.bend === undefined)
    return keep({ ...clicked, bend: point });
  const [first] = stroke;
  const closes = first !== undefined && stroke.length >= 3 && distance(first, event.at) <= context.nearPt;
  if (!closes) return keep(addVertices(clicked, piecesTo(state, point)));
  // Back at the start an area is done; a run goes on to its own start, closed.
  const end = piecesTo(state, first);
  if (context.kind === 'run') return finish(addVertices(clicked, end), context, false);
  return finish(closeRing(clicked, end), context, false);
}

/** The last piece of a ring ends at its first corner; an arc there belongs to that corner. */
function closeRing(state: DrawState, end: DraftStroke): DrawState {
  const through = end.at(-1)?.through;
  if (through === undefined) return state;
  const [first, ...rest] = currentStroke(state);
  if (first === undefined) return state;
  return { ...state, strokes: [...state.strokes.slice(0, -1), [{ ...first, through }, ...rest]] };
}

function clickRing(state: DrawState, point: Point, context: DrawContext): DrawStep {
  const ring = ringTo(state, point);
  if (ring === undefined) return keep(addVertices(state, [point]));
  const strokes = [...state.strokes.slice(0, -1), ring];
  return finish({ ...state, strokes }, context, false);
}

function placeTyped(state: DrawState, context: DrawContext): DrawStep {
  const stroke = currentStroke(state);
  const from = stroke.at(-1);
  if (from === undefined) return keep({ ...state, typed: '' });
  const toward = aim(state, state.hover ?? from, state.square);
  const piece = context.readTyped(state.typed, from, toward);
  if (piece === undefined) return { state, effects: [{ type: 'refuse', reason: 'length-not-read' }] };
  if (piece.is === 'point') return keep(addVertices(state, [piece.at]));
  const risen = { ...from, riseM: (from.riseM ?? 0) + piece.riseM };
  return keep({
    ...state,
    typed: '',
    strokes: [...state.strokes.slice(0, -1), [...stroke.slice(0, -1), risen]],
  });
}

function takeBack(state: DrawState): DrawState {
  if (state.typed !== '') return { ...state, typed: state.typed.slice(0, -1) };
  if (state.bend !== undefined) return { ...state, bend: undefined };
  const rest = state.strokes.slice(0, -1);
  const stroke = currentStroke(state).slice(0, -1);
  // An emptied stroke goes; the pen then stands at the end of the one before it.
  const strokes = stroke.length === 0 ? rest : [...rest, stroke];
  return { ...state, strokes, lastClick: undefined };
}

function finish(state: DrawState, { kind }: DrawContext, leaves: boolean): DrawStep {
  const strokes = state.strokes.filter((stroke) => isEnough(kind, stroke));
  const leave: readonly DrawEffect[] = leaves ? [{ type: 'leave' }] : [];
  const empty = { ...EMPTY_DRAFT, form: state.form === 'arc' ? ('line' as const) : state.form };
  if (strokes.length > 0)
    return {
      state: { ...empty, hover: state.hover, lastClick: state.lastClick },
      effects: [{ type: 'commit', strokes }, ...leave],
    };
  if (leaves) return { state: empty, effects: leave };
  const drawn = state.strokes.some((stroke) => stroke.length > 0);
  return drawn ? { state, effects: [{ type: 'refuse', reason: 'too-few-points' }] } : keep(state);
}

/** What is enough for a mark is kept, the rest goes without a word; which tool follows is not the pen's to say. */
function interrupt(state: DrawState, context: DrawContext): DrawStep {
  const { state: after, effects } = finish(state, context, true);
  return { state: after, effects: effects.filter(({ type }) => type === 'commit') };
}

/** The place at `reachPt` from `from`: toward the pointer, or at an angle from the sheet's level, upward. */
export function placeTypedAt(
  from: Point,
  toward: Point,
  reachPt: number,
  angleDeg: number | undefined,
): Point {
  if (angleDeg === undefined) return pointToward(from, toward, reachPt);
  const angle = (-angleDeg * Math.PI) / 180;
  return { x: from.x + reachPt * Math.cos(angle), y: from.y + reachPt * Math.sin(angle) };
}
