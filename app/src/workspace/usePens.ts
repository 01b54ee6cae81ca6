import { useEffect, useMemo, useState } from 'react';
import { type Point, distance, subtract } from '@zest/core/geometry/point';
import { evaluateEntry } from '@zest/core/formula/evaluateEntry';
import { put, remove } from '@zest/core/job/change';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { Scope } from '@zest/core/job/records/scope';
import { worldDistance } from '@zest/core/takeoff/scale';
import { findDefaultUnit } from '@zest/core/units/format';
import { LENGTH } from '@zest/core/units/dimension';
import { tellProblem } from '../components/toaster.tsx';
import { describeProblem } from '../messages/describeProblem.ts';
import { plural } from '../messages/words.ts';
import { newScope } from '../stages/measure/newScope.ts';
import { type Stores, formatsOf, useOpenJob, useStores, useView } from '../stores/context.tsx';
import { type Tool, isShown } from '../stores/viewStore.ts';
import { settingsOf } from '@zest/core/job/job';
import type { Desk } from './desk.ts';
import { toSheet } from './camera.ts';
import {
  type DrawContext,
  type DrawEvent,
  type DrawState,
  EMPTY_DRAFT,
  currentStroke,
  drawPen,
} from './tools/draw.ts';
import {
  type Handle,
  type HitIndex,
  type Strokes,
  findHandle,
  handlesOf,
  moveHandle,
  moveStrokes,
  removeVertex,
} from './tools/edit.ts';
import { NO_POINTS, type TwoEvent, type TwoState, pickTwo } from './tools/measureTwo.ts';
import { useLatest } from './useLatest.ts';

/** Screen pixels within which a click means the thing under it. */
export const NEAR_PX = 8;
/** Edges shorter than this on the screen get no middle handle. */
const MIDDLE_ROOM_PX = 46;

/** A drag in progress on selected marks. */
export interface Drag {
  readonly start: Point;
  readonly handle: Handle | undefined;
  /** Strokes of the dragged marks as they would be now. */
  readonly moved: ReadonlyMap<string, Strokes>;
}

export interface Pens {
  readonly tool: Tool;
  readonly scope: Scope | undefined;
  readonly draft: DrawState;
  readonly two: TwoState;
  readonly drag: Drag | undefined;
  readonly vertex: Handle | undefined;
  readonly pointer: Point | undefined;
  readonly grabbing: boolean;
  readonly selected: readonly Mark[];
  readonly onDown: (screenPoint: Point, event: PointerEvent) => 'pan' | 'drag' | 'click';
  readonly onMove: (screenPoint: Point, event: PointerEvent) => void;
  readonly onDragged: (screenPoint: Point) => void;
  readonly onClick: (screenPoint: Point, event: PointerEvent) => void;
  readonly onDrop: () => void;
  readonly onCancelDrag: () => void;
  readonly onKey: (event: KeyboardEvent) => boolean;
  readonly setGrabbing: (grabbing: boolean) => void;
  readonly pick: (event: TwoEvent) => void;
  readonly lift: () => void;
  readonly complete: () => void;
}

/** The scope a pen draws: the one in hand if it is of the kind, else the last of the kind, else a new one. */
function scopeFor({ jobs, view, services }: Stores, kind: Mark['kind']): Scope | undefined {
  const job = jobs.getState().open?.job;
  if (job === undefined) return undefined;
  const inHand = job.scope.get(view.getState().penScope as Scope['id']);
  if (inHand?.kind === kind) return inHand;
  const last = [...job.scope.values()]
    .filter((scope) => scope.kind === kind)
    .sort((a, b) => a.order - b.order)
    .at(-1);
  const scope = last ?? newScope(job, kind, services.makeId);
  if (last === undefined && !jobs.actions.transact('new scope', put(scope)).ok) return undefined;
  view.setState({ penScope: scope.id });
  return scope;
}

export function usePens(sheet: Sheet, desk: Desk | undefined, hits: HitIndex): Pens {
  const stores = useStores();
  const { job } = useOpenJob();
  const tool = useView((state) => state.tool);
  const penScope = useView((state) => state.penScope);
  const selectedIds = useView((state) => state.selectedMarks);
  const [draft, setDraft] = useState<DrawState>(EMPTY_DRAFT);
  const [two, setTwo] = useState<TwoState>(NO_POINTS);
  const [drag, setDrag] = useState<Drag | undefined>();
  const [vertex, setVertex] = useState<Handle | undefined>();
  const [pointer, setPointer] = useState<Point | undefined>();
  const [grabbing, setGrabbing] = useState(false);
  const latest = useLatest({ draft, two, drag, vertex, pointer, sheet, tool, job, selectedIds });
  const scope = job.scope.get(penScope as Scope['id']);

  const pens = useMemo(() => {
    const { jobs, view } = stores;
    const sheetPoint = (screenPoint: Point): Point =>
      desk === undefined ? screenPoint : toSheet(desk.store.getState().camera, screenPoint);
    const nearPt = (): number => NEAR_PX / (desk?.store.getState().camera.scale ?? 1);

    const drawKind = (): 'run' | 'area' | undefined => {
      const { tool: now } = latest.current;
      return now === 'run' || now === 'area' ? now : undefined;
    };
    const contextFor = (kind: 'run' | 'area'): DrawContext => ({
      kind,
      nearPt: nearPt(),
      readLength: (text, from, toward) => {
        const { scale } = latest.current.sheet;
        const settings = settingsOf(latest.current.job);
        const unit = findDefaultUnit(LENGTH, settings.unitSystem);
        const entry = evaluateEntry(text, LENGTH, unit, formatsOf(settings).numbers);
        const drawn = distance(from, toward);
        if (!entry.ok || scale === null || drawn === 0) return undefined;
        return (entry.value * drawn) / worldDistance(from, toward, scale);
      },
    });
    const commit = (kind: Mark['kind'], strokes: Strokes): void => {
      const target = scopeFor(stores, kind);
      if (target === undefined) return;
      const mark: Mark = {
        type: 'mark',
        id: stores.services.makeId('mark'),
        scopeId: target.id,
        sheetId: latest.current.sheet.id,
        kind,
        strokes,
      };
      const done = jobs.actions.transact(`draw ${target.name}`, put(mark));
      if (done.ok) jobs.actions.select({ type: 'scope', id: target.id });
      else tellProblem(describeProblem(done.problem));
    };
    const draw = (event: DrawEvent, kind = drawKind()): void => {
      if (kind === undefined) return;
      const { state, effects } = drawPen(latest.current.draft, event, contextFor(kind));
      setDraft(state);
      (latest as { current: { draft: DrawState } }).current.draft = state;
      for (const effect of effects) {
        if (effect.type === 'commit') commit(kind, effect.strokes);
        if (effect.type === 'leave') view.setState({ tool: 'select' });
        if (effect.type === 'refuse') {
          const noScale = effect.reason === 'length-not-read' && latest.current.sheet.scale === null;
          const { typed } = latest.current.draft;
          if (noScale) tellProblem('Lengths can be typed once the sheet has a scale. Set it first.');
          else
            tellProblem(
              describeProblem(
                effect.reason === 'too-few-points'
                  ? { kind: 'too-few-points', kindOfMark: kind }
                  : { kind: 'number-not-read', text: typed },
              ),
            );
        }
      }
    };
    const shown = (mark: Mark): boolean => isShown(view.getState(), mark.scopeId);
    const selectedNow = (): readonly Mark[] =>
      [...latest.current.selectedIds]
        .map((id) => latest.current.job.mark.get(id as Mark['id']))
        .filter((mark) => mark !== undefined && mark.sheetId === latest.current.sheet.id) as Mark[];
    const handleAt = (at: Point): Handle | undefined => {
      const room = MIDDLE_ROOM_PX / (desk?.store.getState().camera.scale ?? 1);
      return findHandle(
        selectedNow().flatMap((mark) => handlesOf(mark, room)),
        at,
        nearPt(),
      );
    };
    const select = (mark: Mark | undefined, add: boolean): void => {
      setVertex(undefined);
      if (mark === undefined) {
        if (!add) view.setState({ selectedMarks: new Set() });
        return;
      }
      view.setState(({ selectedMarks }) => {
        const next = new Set(add ? selectedMarks : []);
        if (add && selectedMarks.has(mark.id)) next.delete(mark.id);
        else next.add(mark.id);
        return { selectedMarks: next, penScope: mark.scopeId };
      });
      jobs.actions.select({ type: 'mark', id: mark.id });
    };
    const count = (at: Point): void => commit('count', [[at]]);
    const takeBackCount = (): void => {
      const { job: now, sheet: on } = latest.current;
      const target = scopeFor(stores, 'count');
      const last = [...now.mark.values()]
        .filter((mark) => mark.scopeId === target?.id && mark.sheetId === on.id)
        .at(-1);
      if (last !== undefined)
        jobs.actions.transact(`take back ${target?.name ?? 'a point'}`, remove(last.id));
    };
    const removeSelected = (): void => {
      const { vertex: picked, job: now } = latest.current;
      const mark = picked === undefined ? undefined : now.mark.get(picked.markId);
      if (picked !== undefined && mark !== undefined && !picked.middle) {
        const strokes = removeVertex(mark, picked);
        setVertex(undefined);
        if (strokes === undefined) jobs.actions.transact('delete a mark', remove(mark.id));
        else jobs.actions.transact('delete a vertex', put({ ...mark, strokes }));
        return;
      }
      const marks = selectedNow();
      if (marks.length === 0) return;
      jobs.actions.transact(`delete ${plural(marks.length, 'mark')}`, remove(...marks.map(({ id }) => id)));
      view.setState({ selectedMarks: new Set() });
    };

    return {
      setGrabbing,
      lift: () => draw({ type: 'lift' }),
      complete: () => draw({ type: 'complete' }),
      interrupt: (kind: 'run' | 'area') => draw({ type: 'interrupt' }, kind),
      pick: (event: TwoEvent) => setTwo((state) => pickTwo(state, event)),
      onDown: (screenPoint: Point, event: PointerEvent): 'pan' | 'drag' | 'click' => {
        if (event.button === 1) return 'pan';
        if (latest.current.tool !== 'select') return 'click';
        const at = sheetPoint(screenPoint);
        const handle = handleAt(at);
        const hit =
          handle === undefined ? hits.find(at, nearPt(), shown) : latest.current.job.mark.get(handle.markId);
        const held = hit !== undefined && latest.current.selectedIds.has(hit.id);
        if (!held || event.shiftKey) return 'click';
        setDrag({ start: at, handle, moved: new Map() });
        return 'drag';
      },
      onMove: (screenPoint: Point, event: PointerEvent): void => {
        const at = sheetPoint(screenPoint);
        setPointer(at);
        draw({ type: 'move', at, square: event.shiftKey });
        if (latest.current.tool === 'scale' || latest.current.tool === 'check')
          setTwo((state) => pickTwo(state, { type: 'move', at, square: event.shiftKey }));
      },
      onDragged: (screenPoint: Point): void => {
        const now = latest.current.drag;
        if (now === undefined) return;
        const at = sheetPoint(screenPoint);
        const marks =
          now.handle === undefined
            ? selectedNow()
            : selectedNow().filter(({ id }) => id === now.handle?.markId);
        const moved = new Map(
          marks.map((mark) => [
            mark.id as string,
            now.handle === undefined
              ? moveStrokes(mark.strokes, subtract(at, now.start))
              : moveHandle(mark.strokes, now.handle, at),
          ]),
        );
        if (now.moved.size === 0) desk?.marks.skip([...moved.keys()]);
        setDrag({ ...now, moved });
      },
      onDrop: (): void => {
        const now = latest.current.drag;
        setDrag(undefined);
        if (now === undefined) return;
        if (now.moved.size === 0) {
          setVertex(now.handle);
          return;
        }
        const changed = [...now.moved].flatMap(([id, strokes]) => {
          const mark = latest.current.job.mark.get(id as Mark['id']);
          return mark === undefined ? [] : [{ ...mark, strokes }];
        });
        const label =
          now.handle === undefined
            ? `move ${plural(changed.length, 'mark')}`
            : now.handle.middle
              ? 'insert a vertex'
              : 'move a vertex';
        const done = jobs.actions.transact(label, put(...changed));
        if (!done.ok) tellProblem(describeProblem(done.problem));
        desk?.marks.skip([]);
      },
      onCancelDrag: (): void => {
        setDrag(undefined);
        desk?.marks.skip([]);
      },
      onClick: (screenPoint: Point, event: PointerEvent): void => {
        const at = sheetPoint(screenPoint);
        const square = event.shiftKey;
        switch (latest.current.tool) {
          case 'select':
            select(hits.find(at, nearPt(), shown), event.shiftKey);
            return;
          case 'count':
            count(at);
            return;
          case 'scale':
          case 'check':
            setTwo((state) => pickTwo(state, { type: 'click', at, square }));
            return;
          default:
            draw({ type: 'click', at, square, timeMs: event.timeStamp });
        }
      },
      onKey: (event: KeyboardEvent): boolean => {
        const { tool: now, draft: drawing } = latest.current;
        if (event.ctrlKey || event.metaKey || event.altKey) return false;
        if (event.key === 'Shift' && drawKind() !== undefined && latest.current.pointer !== undefined) {
          draw({ type: 'move', at: latest.current.pointer, square: event.type === 'keydown' });
          return true;
        }
        if (event.type === 'keyup') return false;
        if (drawKind() !== undefined) return onDrawKey(event, drawing, draw);
        if (event.key === 'Backspace' && now === 'count') takeBackCount();
        else if ((event.key === 'Escape' || event.key === 'Enter') && now !== 'select')
          view.setState({ tool: 'select' });
        else if (event.key === 'Backspace' && (now === 'scale' || now === 'check'))
          setTwo((state) => pickTwo(state, { type: 'back' }));
        else if (event.key === 'Escape') {
          setDrag(undefined);
          desk?.marks.skip([]);
          select(undefined, false);
          jobs.actions.select(undefined);
        } else if ((event.key === 'Delete' || event.key === 'Backspace') && now === 'select')
          removeSelected();
        else return false;
        return true;
      },
    };
  }, [stores, desk, hits, latest]);

  useToolChanges(tool, sheet.id, pens.interrupt, () => setTwo(NO_POINTS), stores);
  const selected = [...selectedIds]
    .map((id) => job.mark.get(id as Mark['id']))
    .filter((mark) => mark !== undefined && mark.sheetId === sheet.id) as Mark[];
  return { ...pens, tool, scope, draft, two, drag, vertex, pointer, grabbing, selected };
}

/** Letters that may stand in a typed length: units and their marks. */
const LENGTH_CHARACTER = /^[0-9.,'"′″/ \-+*a-z]$/i;

function onDrawKey(event: KeyboardEvent, draft: DrawState, draw: (event: DrawEvent) => void): boolean {
  const drawing = currentStroke(draft).length > 0;
  if (event.key === 'Enter') draw({ type: 'complete' });
  else if (event.key === 'Escape') draw({ type: 'cancel' });
  else if (event.key === 'Backspace') draw({ type: 'back' });
  else if (drawing && (draft.typed === '' ? /^\d$/.test(event.key) : LENGTH_CHARACTER.test(event.key)))
    draw({ type: 'type', character: event.key });
  else if (event.key === '.') draw({ type: 'lift' });
  else return false;
  return true;
}

/** Another pen or another sheet: what was being drawn is kept as a mark, and the new pen gets its scope. */
function useToolChanges(
  tool: Tool,
  sheetId: string,
  interrupt: (kind: 'run' | 'area') => void,
  clearTwo: () => void,
  stores: Stores,
): void {
  const act = useLatest({ interrupt, clearTwo });
  useEffect(() => {
    if (tool === 'run' || tool === 'area' || tool === 'count') scopeFor(stores, tool);
    // The latest of each is wanted at the time of the change, hence read inside.
    const latest = act;
    return () => {
      if (tool === 'run' || tool === 'area') latest.current.interrupt(tool);
      latest.current.clearTwo();
    };
  }, [tool, sheetId, stores, act]);
}
