import { useMemo, useRef, useState } from 'react';
import { boundsOf } from '@zest/core/geometry/bounds';
import { type Point, subtract } from '@zest/core/geometry/point';
import type { Snap } from '@zest/core/geometry/snap';
import { put } from '@zest/core/job/change';
import type { Mark } from '@zest/core/job/records/mark';
import type { Sheet } from '@zest/core/job/records/sheet';
import type { Scope } from '@zest/core/job/records/scope';
import { tellProblem } from '../components/toaster.tsx';
import { describeProblem } from '../messages/describeProblem.ts';
import { plural } from '../messages/words.ts';
import { useOpenJob, useStores, useView } from '../stores/context.tsx';
import type { Tool } from '../stores/viewStore.ts';
import type { Desk } from './desk.ts';
import { toSheet } from './camera.ts';
import {
  type DrawContext,
  type DrawEvent,
  type DrawState,
  type DrawnKind,
  EMPTY_DRAFT,
  type Form,
  currentStroke,
  drawPen,
} from './tools/draw.ts';
import { type Handle, type Strokes, findHandle, handlesOf, moveHandle, moveStrokes } from './tools/edit.ts';
import type { HitIndex } from './tools/hitIndex.ts';
import { NO_POINTS, type TwoEvent, type TwoState, pickTwo, picksTwo } from './tools/measureTwo.ts';
import { NUDGES, createMarksInHand } from './marksInHand.ts';
import { onDrawKey } from './tools/drawKeys.ts';
import { type Box, caughtBy, drawsBox, finishBox } from './boxes.ts';
import { createPlacer } from './placer.ts';
import { levelSheet } from './straighten.ts';
import { describeTyped, readTyped } from './drawing.ts';
import { drawnKind, useToolChanges } from './toolChanges.ts';
import { useLatest } from './useLatest.ts';
import { type Snapper, snapReach } from './useSnap.ts';

/** Screen pixels within which a click means the thing under it. */
export const NEAR_PX = 8;
/** Screen pixels within which two clicks are one: a hand moves less in a double-click. */
const SAME_PX = 3;
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
  /** What the pen's point is drawn to. */
  readonly snap: Snap | undefined;
  /** True while only its kind draws the point. */
  readonly snapHeld: boolean;
  readonly box: Box | undefined;
  readonly vertex: Handle | undefined;
  readonly pointer: Point | undefined;
  readonly grabbing: boolean;
  /** Selected marks on this sheet, and all of them. */
  readonly selected: readonly Mark[];
  readonly held: readonly Mark[];
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
  readonly setForm: (form: Form) => void;
  /** The mark that would hold an opening placed there. */
  readonly hostAt: (at: Point) => Mark | undefined;
  readonly complete: () => void;
}

const isSame = (a: Mark['strokes'], b: Mark['strokes']): boolean => JSON.stringify(a) === JSON.stringify(b);

export function usePens(sheet: Sheet, desk: Desk | undefined, hits: HitIndex, snapper: Snapper): Pens {
  const stores = useStores();
  const { job } = useOpenJob();
  const tool = useView((state) => state.tool);
  const penScope = useView((state) => state.penScope);
  const selectedIds = useView((state) => state.selectedMarks);
  const [draft, setDraft] = useState<DrawState>(EMPTY_DRAFT);
  const [two, setTwo] = useState<TwoState>(NO_POINTS);
  const [drag, setDrag] = useState<Drag | undefined>();
  const [box, setBox] = useState<Box | undefined>();
  const [vertex, setVertex] = useState<Handle | undefined>();
  const [pointer, setPointer] = useState<Point | undefined>();
  const [grabbing, setGrabbing] = useState(false);
  const [snap, setSnap] = useState<Snap | undefined>();
  const raw = useRef<Point | undefined>(undefined);
  const latest = useLatest({
    snapper,
    snap,
    draft,
    two,
    drag,
    box,
    vertex,
    pointer,
    sheet,
    tool,
    job,
    selectedIds,
  });
  const scope = job.scope.get(penScope as Scope['id']);

  const pens = useMemo(() => {
    const { jobs, view } = stores;
    const sheetPoint = (screenPoint: Point): Point =>
      desk === undefined ? screenPoint : toSheet(desk.store.getState().camera, screenPoint);
    /** Where a pen's point goes: drawn to a line, an end or a crossing within reach. */
    const snapped = (at: Point): Point => {
      const { tool: now, snapper: drawnTo, draft: drawing, two: picked } = latest.current;
      const snaps = drawnKind(now) !== undefined || picksTwo(now);
      const from = currentStroke(drawing).at(-1) ?? (picked.b === undefined ? picked.a : undefined);
      const found = snaps
        ? drawnTo.snap(at, snapReach(desk?.store.getState().camera.scale ?? 1), from)
        : undefined;
      setSnap(found);
      return found?.at ?? at;
    };
    const nearPt = (): number => NEAR_PX / (desk?.store.getState().camera.scale ?? 1);

    const samePt = (): number => SAME_PX / (desk?.store.getState().camera.scale ?? 1);

    const drawKind = (): DrawnKind | undefined => drawnKind(latest.current.tool);
    const contextFor = (kind: DrawnKind): DrawContext => ({
      kind,
      nearPt: nearPt(),
      twicePt: samePt(),
      readTyped: (text, from, toward) =>
        readTyped(latest.current.job, latest.current.sheet, text, from, toward),
    });
    const place = createPlacer(stores, () => latest.current);
    const draw = (event: DrawEvent, kind = drawKind()): void => {
      if (kind === undefined) return;
      const { state, effects } = drawPen(latest.current.draft, event, contextFor(kind));
      setDraft(state);
      (latest as { current: { draft: DrawState } }).current.draft = state;
      for (const effect of effects) {
        if (effect.type === 'commit') place.mark(kind, effect.strokes);
        if (effect.type === 'leave') view.setState({ tool: 'select' });
        if (effect.type === 'refuse') {
          const noScale = effect.reason === 'length-not-read' && latest.current.sheet.scale === null;
          const { typed } = latest.current.draft;
          if (noScale) tellProblem('Lengths can be typed once the sheet has a scale. Set it first.');
          else
            tellProblem(
              effect.reason === 'too-few-points'
                ? describeProblem({ kind: 'too-few-points', kindOfMark: kind === 'run' ? 'run' : 'area' })
                : describeTyped(latest.current.job, typed),
            );
        }
      }
    };
    const hand = createMarksInHand(stores, () => latest.current, setVertex);
    const { selectedNow, shown } = hand;
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
    const hostAt = (at: Point): Mark | undefined =>
      hits.find(at, 2.5 * nearPt(), (mark) => mark.kind !== 'count' && shown(mark));
    return {
      setGrabbing,
      lift: () => draw({ type: 'lift' }),
      setForm: (form: Form) => draw({ type: 'form', form }),
      hostAt,
      complete: () => draw({ type: 'complete' }),
      interrupt: (kind: DrawnKind) => draw({ type: 'interrupt' }, kind),
      pick: (event: TwoEvent) => setTwo((state) => pickTwo(state, event)),
      onDown: (screenPoint: Point, event: PointerEvent): 'pan' | 'drag' | 'click' => {
        if (event.button === 1) return 'pan';
        const at = sheetPoint(screenPoint);
        if (drawsBox(latest.current.tool)) {
          setBox({ from: at, to: at });
          return 'drag';
        }
        if (latest.current.tool !== 'select') return 'click';
        if (event.ctrlKey || event.metaKey) {
          setBox({ from: at, to: at, lasso: [at] });
          return 'drag';
        }
        const handle = handleAt(at);
        const hit =
          handle === undefined ? hits.find(at, nearPt(), shown) : latest.current.job.mark.get(handle.markId);
        if (hit === undefined && event.shiftKey) {
          setBox({ from: at, to: at });
          return 'drag';
        }
        const held = hit !== undefined && hit.locked !== true && latest.current.selectedIds.has(hit.id);
        if (!held || event.shiftKey) return 'click';
        setDrag({ start: at, handle, moved: new Map() });
        return 'drag';
      },
      onMove: (screenPoint: Point, event: PointerEvent): void => {
        raw.current = sheetPoint(screenPoint);
        const at = snapped(raw.current);
        setPointer(at);
        draw({ type: 'move', at, square: event.shiftKey });
        if (picksTwo(latest.current.tool))
          setTwo((state) => pickTwo(state, { type: 'move', at, square: event.shiftKey }));
      },
      onDragged: (screenPoint: Point): void => {
        const at = sheetPoint(screenPoint);
        if (latest.current.box !== undefined) {
          const { lasso, ...drawn } = latest.current.box;
          setBox({ ...drawn, to: at, ...(lasso === undefined ? {} : { lasso: [...lasso, at] }) });
          return;
        }
        const now = latest.current.drag;
        if (now === undefined) return;
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
        const drawn = latest.current.box;
        if (drawn !== undefined) {
          setBox(undefined);
          const { tool: now, sheet: on } = latest.current;
          if (drawsBox(now)) finishBox(stores, now, on, boundsOf([drawn.from, drawn.to]));
          else hand.selectWhere(caughtBy(drawn));
          return;
        }
        const now = latest.current.drag;
        setDrag(undefined);
        if (now === undefined) return;
        if (now.moved.size === 0) {
          setVertex(now.handle);
          return;
        }
        const changed = [...now.moved].flatMap(([id, strokes]) => {
          const mark = latest.current.job.mark.get(id as Mark['id']);
          return mark === undefined || isSame(mark.strokes, strokes) ? [] : [{ ...mark, strokes }];
        });
        desk?.marks.skip([]);
        // Picked up and put back where it was: nothing changed, and there is nothing to undo.
        if (changed.length === 0) return setVertex(now.handle);
        const label =
          now.handle === undefined
            ? `move ${plural(changed.length, 'mark')}`
            : now.handle.middle
              ? 'insert a vertex'
              : 'move a vertex';
        const done = jobs.actions.transact(label, put(...changed));
        if (!done.ok) tellProblem(describeProblem(done.problem));
      },
      onCancelDrag: (): void => {
        setBox(undefined);
        setDrag(undefined);
        desk?.marks.skip([]);
      },
      onClick: (screenPoint: Point, event: PointerEvent): void => {
        const at = snapped(sheetPoint(screenPoint));
        const square = event.shiftKey;
        switch (latest.current.tool) {
          case 'select':
            select(hits.find(at, nearPt(), shown), event.shiftKey);
            return;
          case 'count':
            place.count(at, samePt());
            return;
          case 'opening':
            place.opening(hostAt(at), at, samePt());
            return;
          case 'level': {
            const next = pickTwo(latest.current.two, { type: 'click', at, square: false });
            const done = next.a !== undefined && next.b !== undefined;
            if (done) levelSheet(stores, latest.current.sheet, next.a, next.b);
            setTwo(done ? NO_POINTS : next);
            return;
          }
          case 'scale':
          case 'check':
            setTwo((state) => pickTwo(state, { type: 'click', at, square }));
            return;
          case 'straighten':
            return;
          default:
            draw({ type: 'click', at, square, timeMs: event.timeStamp });
        }
      },
      onKey: (event: KeyboardEvent): boolean => {
        const { tool: now, draft: drawing } = latest.current;
        if (event.altKey) return false;
        if (event.ctrlKey || event.metaKey)
          return event.type === 'keydown' && !event.shiftKey && hand.command(event);
        if (event.key === 'Shift' && drawKind() !== undefined && latest.current.pointer !== undefined) {
          draw({ type: 'move', at: latest.current.pointer, square: event.type === 'keydown' });
          return true;
        }
        if (event.type === 'keyup') return false;
        if (event.key.toLowerCase() === 'n' && now !== 'select') {
          latest.current.snapper.toggle();
          setSnap(undefined);
          return true;
        }
        if (event.key.toLowerCase() === 'x' && now !== 'select') {
          latest.current.snapper.hold(latest.current.snap?.kind);
          return true;
        }
        if (event.key === 'Tab' && latest.current.snap !== undefined && now !== 'select') {
          latest.current.snapper.cycle();
          const again = snapped(raw.current ?? latest.current.snap.at);
          setPointer(again);
          draw({ type: 'move', at: again, square: event.shiftKey });
          return true;
        }
        const kindNow = drawKind();
        if (kindNow !== undefined) return onDrawKey(event, drawing, kindNow, draw);
        const step = NUDGES[event.key];
        const far = event.shiftKey ? 10 : 1;
        if (step !== undefined && now === 'select') return hand.nudge(step[0] * far, step[1] * far);
        if (event.key === 'Backspace' && now === 'count') place.takeBackCount();
        else if (event.key === 'Backspace' && now === 'opening') place.takeBackOpening();
        else if ((event.key === 'Escape' || event.key === 'Enter') && now !== 'select')
          view.setState({ tool: 'select' });
        else if (event.key === 'Backspace' && picksTwo(now))
          setTwo((state) => pickTwo(state, { type: 'back' }));
        else if (event.key === 'Escape') {
          setDrag(undefined);
          desk?.marks.skip([]);
          select(undefined, false);
          jobs.actions.select(undefined);
        } else if ((event.key === 'Delete' || event.key === 'Backspace') && now === 'select')
          hand.removeSelected();
        else return false;
        return true;
      },
    };
  }, [stores, desk, hits, latest]);

  useToolChanges(tool, sheet.id, pens.interrupt, () => setTwo(NO_POINTS), stores);
  const held = [...selectedIds]
    .map((id) => job.mark.get(id as Mark['id']))
    .filter((mark) => mark !== undefined) as Mark[];
  const snapHeld = snapper.held !== undefined;
  const selected = held.filter((mark) => mark.sheetId === sheet.id);
  return {
    ...pens,
    tool,
    scope,
    draft,
    two,
    drag,
    snap,
    box,
    vertex,
    pointer,
    grabbing,
    selected,
    held,
    snapHeld,
  };
}
