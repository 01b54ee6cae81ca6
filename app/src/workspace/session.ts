import { type StoreApi, createStore } from 'zustand/vanilla';
import type { Point } from '@zest/core/geometry/point';
import { type Job, getRecord } from '@zest/core/job/job';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { Stores } from '../stores/context.tsx';
import type { Tool, ViewState } from '../stores/viewStore.ts';
import { toSheet } from './camera.ts';
import type { Viewport } from './viewport.ts';
import { createMarkSelection } from './markSelection.ts';
import { createPlacer } from './placer.ts';
import { cutOut } from '@zest/core/takeoff/holes';
import { t } from '../messages/t.ts';
import { tellProblem } from '../parts/toaster.tsx';
import { describeProblem } from '../messages/describeProblem.ts';
import { type Snapper, snapReach } from './snapper.ts';
import { type DrawEvent, EMPTY_DRAFT, currentStroke, isDrawnKind } from './tools/draw.ts';
import type { HitIndex } from './tools/hitIndex.ts';
import { NO_POINTS } from './tools/measureTwo.ts';
import { hostAt } from './tools/opening.ts';
import { draw } from './tools/pen.ts';
import type { Gesture, SessionState, ToolContext, ToolModule } from './tools/tool.ts';
import { TOOLBOX } from './tools/toolbox.ts';

/** How the pointer was held when a gesture was made. */
export type PointerKeys = Pick<PointerEvent, 'button' | 'shiftKey' | 'ctrlKey' | 'metaKey' | 'timeStamp'>;

/** What the pointer does on a sheet, in pixels of the screen from the corner of the desk. */
export interface PointerTarget {
  readonly onDown: (screenPoint: Point, keys: PointerKeys) => 'pan' | 'drag' | 'click';
  readonly onMove: (screenPoint: Point, keys: PointerKeys) => void;
  readonly onDragged: (screenPoint: Point) => void;
  readonly onClick: (screenPoint: Point, keys: PointerKeys) => void;
  readonly onDrop: () => void;
  readonly onCancelDrag: () => void;
}

/**
 * The work of a person at one sheet: the tool in use and what it has not put into the job yet. It runs outside React:
 * every gesture acts on what the one before has left, drawn or not.
 */
export interface Session extends PointerTarget {
  readonly store: StoreApi<SessionState>;
  /** True when the key meant something here. */
  readonly onKey: (event: KeyboardEvent) => boolean;
  /** Goes on to another sheet; what is being drawn is kept on the one before. */
  readonly show: (sheetId: Sheet['id']) => void;
  /** What the buttons of the dock tell the pen in use. */
  readonly draw: (event: DrawEvent) => void;
  /** Lets go of two points that were picked. */
  readonly pickAgain: () => void;
  readonly hostAt: (at: Point) => Mark | undefined;
  /** Makes the area that was just drawn a hole in the one around it; false where there is none. */
  readonly cutOutInside: () => boolean;
  readonly end: () => void;
}

const AT_REST: SessionState = {
  draft: EMPTY_DRAFT,
  two: NO_POINTS,
  drag: undefined,
  box: undefined,
  vertex: undefined,
  pointer: undefined,
  rawPointer: undefined,
  snap: undefined,
  inside: undefined,
};

interface Held {
  readonly stores: Stores;
  readonly viewport: Viewport;
  readonly hits: HitIndex;
  readonly snapper: Snapper;
}

export function createSession(held: Held, sheetId: Sheet['id']): Session {
  const { stores, viewport } = held;
  const store = createStore<SessionState>(() => AT_REST);
  let shown = sheetId;
  const context = createContext(held, store, () => shown);
  const tool = (): ToolModule => TOOLBOX[stores.view.getState().tool];
  const stop = followTool(context, () => shown);
  return {
    store,
    ...createPointerTarget(context, viewport, tool),
    onKey: (event) => onKey(context, viewport, tool(), event),
    show: (next) => {
      if (next === shown) return;
      leave(context, stores.view.getState().tool, shown);
      shown = next;
      tool().begin?.(context);
    },
    draw: (event) => {
      const { id } = tool();
      if (isDrawnKind(id)) draw(context, id, event);
    },
    pickAgain: () => store.setState({ two: NO_POINTS }),
    hostAt: (at) => hostAt(context, at),
    cutOutInside: () => cutOutInside(context),
    end: () => {
      stop();
      leave(context, stores.view.getState().tool, shown);
    },
  };
}

/** Everything tools work with, asked for when they act. */
function createContext(
  { stores, viewport, hits, snapper }: Held,
  store: StoreApi<SessionState>,
  sheetId: () => Sheet['id'],
): ToolContext {
  const job = (): Job => {
    const { open } = stores.jobs.getState();
    if (open === undefined) throw new Error('session: no job is open');
    return open.job;
  };
  const sheet = (): Sheet => getRecord(job(), sheetId());
  const now = () => ({
    job: job(),
    sheet: sheet(),
    selectedIds: stores.view.getState().selectedMarks,
    vertex: store.getState().vertex,
  });
  return {
    stores,
    hits,
    snapper,
    job,
    sheet,
    marks: createMarkSelection(stores, now, (vertex) => store.setState({ vertex })),
    place: createPlacer(stores, now, (inside) => store.setState({ inside })),
    state: store.getState,
    set: store.setState,
    toSheetPt: (pixels) => pixels / viewport.store.getState().camera.scale,
    hideMarks: viewport.marks.skip,
  };
}

/** What a tool has begun on a sheet is kept, or let go of where the sheet is gone. */
function leave(context: ToolContext, tool: Tool, sheetId: Sheet['id']): void {
  const { jobs, view } = context.stores;
  if (jobs.getState().open?.job.sheet.has(sheetId) === true) TOOLBOX[tool].interrupt?.(context);
  const { draft } = context.state();
  context.set({ ...AT_REST, draft: { ...EMPTY_DRAFT, form: draft.form } });
  context.hideMarks([]);
  if (view.getState().part !== undefined) view.setState({ part: undefined });
}

/** Whoever chooses another tool: the one in use is told first, and the new one begins. */
function followTool(context: ToolContext, sheetId: () => Sheet['id']): () => void {
  const { view } = context.stores;
  TOOLBOX[view.getState().tool].begin?.(context);
  return view.subscribe((state: ViewState, before: ViewState) => {
    if (state.tool === before.tool) return;
    const { pointer, rawPointer } = context.state();
    // What was being drawn belongs to the scope it was drawn for, not to the one chosen with the new tool.
    if (state.penScope !== before.penScope) view.setState({ penScope: before.penScope });
    leave(context, before.tool, sheetId());
    if (state.penScope !== before.penScope) view.setState({ penScope: state.penScope });
    context.set({ pointer, rawPointer });
    TOOLBOX[state.tool].begin?.(context);
  });
}

const gestureOf = (at: Point, keys: PointerKeys): Gesture => ({
  at,
  shift: keys.shiftKey,
  ctrl: keys.ctrlKey || keys.metaKey,
  timeMs: keys.timeStamp,
});

function createPointerTarget(
  context: ToolContext,
  viewport: Viewport,
  tool: () => ToolModule,
): PointerTarget {
  const onSheet = (screenPoint: Point): Point => toSheet(viewport.store.getState().camera, screenPoint);
  const snapped = (at: Point): Point => snapPoint(context, viewport, tool(), at);
  return {
    onDown: (screenPoint, keys) => {
      if (keys.button === 1) return 'pan';
      return tool().press?.(context, gestureOf(onSheet(screenPoint), keys)) ?? 'click';
    },
    onMove: (screenPoint, keys) => {
      const rawPointer = onSheet(screenPoint);
      const at = snapped(rawPointer);
      context.set({ pointer: at, rawPointer });
      tool().move?.(context, gestureOf(at, keys));
    },
    onDragged: (screenPoint) => tool().drag?.(context, onSheet(screenPoint)),
    onDrop: () => tool().drop?.(context),
    onClick: (screenPoint, keys) => tool().click?.(context, gestureOf(snapped(onSheet(screenPoint)), keys)),
    onCancelDrag: () => {
      context.set({ box: undefined, drag: undefined });
      context.hideMarks([]);
    },
  };
}

/** Where a tool's point goes: to a line, an end or a crossing in reach. */
function snapPoint(context: ToolContext, viewport: Viewport, { snaps }: ToolModule, at: Point): Point {
  const { draft, two } = context.state();
  const from = currentStroke(draft).at(-1) ?? (two.b === undefined ? two.a : undefined);
  const reach = snapReach(viewport.store.getState().camera.scale);
  const snap = snaps ? context.snapper.snap(at, reach, from) : undefined;
  context.set({ snap });
  return snap?.at ?? at;
}

function onKey(context: ToolContext, viewport: Viewport, tool: ToolModule, event: KeyboardEvent): boolean {
  if (event.altKey) return false;
  if (event.ctrlKey || event.metaKey)
    return event.type === 'keydown' && !event.shiftKey && context.marks.command(event);
  // The tool first: while a length is typed, its letters are nobody else's.
  if (tool.key?.(context, event) === true) return true;
  if (event.type === 'keyup') return false;
  if (event.key.toLowerCase() === 'u' && cutOutInside(context)) return true;
  if (tool.id === 'select') return false;
  if (event.key === 'Escape' || event.key === 'Enter') {
    context.stores.view.setState({ tool: 'select' });
    return true;
  }
  return onSnapKey(context, viewport, tool, event);
}

function cutOutInside({ stores, state, set, job }: ToolContext): boolean {
  const { inside, draft } = state();
  if (inside === undefined || draft.strokes.length > 0) return false;
  const host = job().mark.get(inside.hostId);
  set({ inside: undefined });
  if (host === undefined || !job().mark.has(inside.holeId)) return false;
  const name = job().scope.get(host.scopeId)?.name ?? '';
  const done = stores.jobs.actions.transact(
    t('workspace.cutOutOf', { name }),
    cutOut(inside.hostId, inside.holeId),
  );
  if (!done.ok) tellProblem(describeProblem(done.problem));
  return done.ok;
}

/** Keys that say what the point is drawn to. */
function onSnapKey(
  context: ToolContext,
  viewport: Viewport,
  tool: ToolModule,
  event: KeyboardEvent,
): boolean {
  const { snapper } = context;
  const { snap, rawPointer } = context.state();
  switch (event.key.toLowerCase()) {
    case 'n':
      snapper.toggle();
      context.set({ snap: undefined });
      return true;
    case 'x':
      snapper.hold(snap?.kind);
      return true;
    case 'tab': {
      if (snap === undefined || rawPointer === undefined) return false;
      snapper.cycle();
      const at = snapPoint(context, viewport, tool, rawPointer);
      context.set({ pointer: at });
      tool.move?.(context, { at, shift: event.shiftKey, ctrl: false, timeMs: event.timeStamp });
      return true;
    }
    default:
      return false;
  }
}
