import { type RefObject, useEffect } from 'react';
import { useNavigate } from 'react-router';
import { type Point, distance } from '@zest/core/geometry/point';
import { inOrder } from '@zest/core/job/job';
import { isBesideField } from '../actions/besideField.ts';
import { isInDialog, isTyping } from '../actions/typing.ts';
import { useJobNow } from '../stores/context.tsx';
import { useJobId } from '../stores/jobHooks.ts';
import { panBy, zoomAbout } from './camera.ts';
import type { Viewport } from './viewport.ts';
import type { PointerTarget, Session } from './session.ts';

/** A press that moves less than this is a click. */
const CLICK_PX = 5;
const PAN_KEY_PX = 60;

/** Turns what hand and keys do on the desk into pans, zooms, clicks and drags. */
export function usePointer(
  element: RefObject<HTMLDivElement | null>,
  viewport: Viewport | undefined,
  session: Session | undefined,
): void {
  usePanePointer(element, viewport, session);
  useViewportKeys(viewport, session);
}

/** Pans, zooms and clicks on a sheet that is only looked at, or picked on. */
export function usePanePointer(
  element: RefObject<HTMLDivElement | null>,
  viewport: Viewport | undefined,
  target: PointerTarget | undefined,
): void {
  useEffect(() => {
    if (element.current === null || viewport === undefined || target === undefined) return undefined;
    const unbind = [bindPress(element.current, viewport, target), bindWheel(element.current, viewport)];
    return () => unbind.forEach((each) => each());
  }, [element, viewport, target]);
}

const placeOf = (target: HTMLElement, event: MouseEvent): Point => {
  const box = target.getBoundingClientRect();
  return { x: event.clientX - box.left, y: event.clientY - box.top };
};

type Listener = readonly [name: string, handle: (event: never) => void, options?: AddEventListenerOptions];

function listen(target: HTMLElement, ...listeners: readonly Listener[]): () => void {
  for (const [name, handle, options] of listeners)
    target.addEventListener(name, handle as EventListener, options);
  return () => {
    for (const [name, handle] of listeners) target.removeEventListener(name, handle as EventListener);
  };
}

/** On the sheet itself, not on what lies over it. */
const isOnDesk = (event: Event): boolean =>
  !(event.target as HTMLElement).closest('.zoom, .desk-note, .mark-bar, .legend, .hole-note, .scope-ask');

function bindPress(target: HTMLElement, viewport: Viewport, session: PointerTarget): () => void {
  let press:
    | { readonly start: Point; last: Point; mode: 'pan' | 'drag' | 'click' | 'panning'; moved: boolean }
    | undefined;
  const down = (event: PointerEvent): void => {
    if (!isOnDesk(event) || event.button > 1) return;
    target.focus({ preventScroll: true });
    const at = placeOf(target, event);
    press = { start: at, last: at, mode: session.onDown(at, event), moved: false };
    target.setPointerCapture(event.pointerId);
  };
  const move = (event: PointerEvent): void => {
    const at = placeOf(target, event);
    if (press === undefined) {
      if (isOnDesk(event)) session.onMove(at, event);
      return;
    }
    if (!press.moved && distance(press.start, at) < CLICK_PX) return;
    press.moved = true;
    if (press.mode === 'drag') session.onDragged(at);
    else {
      target.dataset['grabbing'] = '';
      press.mode = 'panning';
      viewport.setCamera(panBy(viewport.store.getState().camera, at.x - press.last.x, at.y - press.last.y));
    }
    press.last = at;
  };
  const up = (event: PointerEvent): void => {
    const ended = press;
    press = undefined;
    if (ended === undefined) return;
    delete target.dataset['grabbing'];
    if (ended.mode === 'drag') session.onDrop();
    else if (!ended.moved && ended.mode === 'click') session.onClick(ended.start, event);
  };
  const cancel = (): void => {
    if (press?.mode === 'drag') session.onCancelDrag();
    press = undefined;
    delete target.dataset['grabbing'];
  };
  return listen(
    target,
    ['pointerdown', down],
    ['pointermove', move],
    ['pointerup', up],
    ['pointercancel', cancel],
  );
}

/** How much a pixel of a pinch zooms, and one of a wheel: a notch of 100 px is 15 %. */
const PINCH_RATE = 0.008;
const NOTCH_RATE = 0.0014;

/** A wheel's steps zoom; a trackpad's two fingers pan, its pinch zooms. */
function bindWheel(target: HTMLElement, viewport: Viewport): () => void {
  const wheel = (event: WheelEvent): void => {
    // A list over the sheet scrolls.
    if (!isOnDesk(event)) return;
    event.preventDefault();
    const { camera } = viewport.store.getState();
    const stepped =
      event.deltaMode !== WheelEvent.DOM_DELTA_PIXEL || (event.deltaX === 0 && Math.abs(event.deltaY) >= 50);
    if (event.ctrlKey || event.metaKey || stepped) {
      const lines = event.deltaMode === WheelEvent.DOM_DELTA_PIXEL ? event.deltaY : event.deltaY * 33;
      const factor = Math.exp(
        -Math.max(-250, Math.min(250, lines)) * (event.ctrlKey && !stepped ? PINCH_RATE : NOTCH_RATE),
      );
      viewport.setCamera(zoomAbout(camera, placeOf(target, event), factor));
    } else viewport.setCamera(panBy(camera, -event.deltaX, -event.deltaY));
  };
  return listen(target, ['wheel', wheel, { passive: false }]);
}

function useViewportKeys(viewport: Viewport | undefined, session: Session | undefined): void {
  const navigate = useNavigate();
  const jobId = useJobId();
  const jobNow = useJobNow();
  useEffect(() => {
    if (viewport === undefined || session === undefined) return undefined;
    const turnSheet = (step: number): void => {
      const sheets = inOrder(jobNow().sheet.values());
      const at = sheets.findIndex(({ id }) => location.pathname.endsWith(encodeURIComponent(id)));
      const next = sheets[at + step];
      if (next !== undefined) void navigate(`/job/${jobId}/measure/${encodeURIComponent(next.id)}`);
    };
    const onKey = (event: KeyboardEvent): void => {
      if (isTyping(event.target) || isInDialog() || pressesControl(event) || isLetterBeside(event)) return;
      const handled =
        session.onKey(event) || (event.type === 'keydown' && moveByKey(event, viewport, turnSheet));
      if (!handled) return;
      event.preventDefault();
      event.stopPropagation();
    };
    // Before the actions' keys: a digit or a letter of a length belongs to the pen while it draws.
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('keyup', onKey, true);
    return () => {
      window.removeEventListener('keydown', onKey, true);
      window.removeEventListener('keyup', onKey, true);
    };
  }, [viewport, session, jobNow, jobId, navigate]);
}

/** Letters and figures only: Escape and the keys with Ctrl are meant wherever the pointer was. */
const isLetterBeside = (event: KeyboardEvent): boolean =>
  event.key.length === 1 && !event.ctrlKey && !event.metaKey && isBesideField();

/** Enter and space work the button that has the focus, unless it is the desk's own. */
const pressesControl = (event: KeyboardEvent): boolean =>
  (event.key === 'Enter' || event.key === ' ') &&
  event.target instanceof HTMLElement &&
  event.target.closest('button, a, [role="button"], summary') !== null &&
  event.target.closest('.dock') === null;

function moveByKey(event: KeyboardEvent, viewport: Viewport, turnSheet: (step: number) => void): boolean {
  // Arrow keys in a list or table move there.
  if (event.ctrlKey || event.metaKey || event.altKey) return false;
  const { camera, screen } = viewport.store.getState();
  const far = event.shiftKey ? 4 * PAN_KEY_PX : PAN_KEY_PX;
  const middle = { x: screen.width / 2, y: screen.height / 2 };
  const onDesk =
    document.activeElement === document.body || document.activeElement?.classList.contains('desk') === true;
  const moves: Readonly<Record<string, () => void>> = {
    ...(onDesk
      ? {
          ArrowLeft: () => viewport.setCamera(panBy(camera, far, 0)),
          ArrowRight: () => viewport.setCamera(panBy(camera, -far, 0)),
          ArrowUp: () => viewport.setCamera(panBy(camera, 0, far)),
          ArrowDown: () => viewport.setCamera(panBy(camera, 0, -far)),
        }
      : {}),
    '+': () => viewport.setCamera(zoomAbout(camera, middle, 1.4)),
    '=': () => viewport.setCamera(zoomAbout(camera, middle, 1.4)),
    '-': () => viewport.setCamera(zoomAbout(camera, middle, 1 / 1.4)),
    '0': viewport.fit,
    '[': () => turnSheet(-1),
    ']': () => turnSheet(1),
  };
  const move = moves[event.key];
  move?.();
  return move !== undefined;
}
