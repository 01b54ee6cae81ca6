import { isPoints, isRing } from '@zest/core/job/markKinds';
import { flattenPath } from '@zest/core/geometry/path';
import type { Mark } from '@zest/core/job/records/mark';
import type { Opening } from '@zest/core/job/records/opening';
import { placeOfSeat } from '@zest/core/takeoff/seat';
import type { DrawnMark, DrawnStyle, MarksWorker, View } from '../../workers/marksProtocol.ts';
import { type Camera, type Size, toSheet } from '../camera.ts';

/** The bitmap reaches this much beyond the screen, so that a pan has something to show. */
const OVERSCAN = 2;
/** Quiet for this long, the marks are drawn properly again. */
const IDLE_MS = 110;

/** The committed marks as one bitmap, drawn in a worker and moved with the sheet by CSS. */
export interface MarksLayer {
  readonly load: (marks: readonly ShownMark[]) => void;
  readonly change: (put: readonly ShownMark[], removed: readonly string[]) => void;
  readonly style: (scopes: readonly DrawnStyle[]) => void;
  readonly label: (labels: readonly (readonly [id: string, text: string])[]) => void;
  /** Marks that the overlay draws instead, because they are in hand. */
  readonly skip: (ids: readonly string[]) => void;
  readonly look: (camera: Camera, screen: Size) => void;
  readonly end: () => void;
}

/** A mark with what is drawn with it. */
export interface ShownMark {
  readonly mark: Mark;
  readonly openings: readonly Opening[];
  /** By the scale where the mark is; openings are not drawn without one. */
  readonly metersPerPoint: number | undefined;
}

/** Marks of a scope look alike, save where zones tell them apart. */
export const styleOf = (scopeId: string, zoneId: string | undefined): string =>
  zoneId === undefined ? scopeId : `${scopeId} ${zoneId}`;

/** Arcs are cut into straight pieces this fine, in sheet points. */
const ARC_PT = 0.15;

export function packMark({ mark, openings, metersPerPoint }: ShownMark): DrawnMark {
  const closed = isRing(mark.kind);
  const strokes = mark.strokes.map((stroke) => {
    const points = isPoints(mark.kind) ? stroke : flattenPath(stroke, closed, ARC_PT);
    const flat = new Float32Array(points.length * 2);
    points.forEach(({ x, y }, i) => {
      flat[i * 2] = x;
      flat[i * 2 + 1] = y;
    });
    return flat;
  });
  const seats = openings.flatMap(({ seat, widthM }) => {
    const place = placeOfSeat(mark, seat);
    if (place === undefined || metersPerPoint === undefined) return [];
    const { at, direction } = place;
    return [at.x, at.y, Math.cos(direction), Math.sin(direction), widthM / metersPerPoint / 2];
  });
  return {
    id: mark.id,
    styleId: styleOf(mark.scopeId, mark.zoneId),
    kind: mark.kind,
    strokes,
    openings: Float32Array.from(seats),
  };
}

export function createMarksLayer(
  layer: HTMLElement,
  worker: MarksWorker & { readonly end: () => void },
  onDrawn: () => void,
): MarksLayer {
  const canvas = document.createElement('canvas');
  layer.append(canvas);
  let camera: Camera | undefined;
  let screen: Size = { width: 1, height: 1 };
  let skipped: readonly string[] = [];
  let drawing = false;
  let again: 'quick' | 'proper' | undefined;
  let drawn: View | undefined;
  let idle: ReturnType<typeof setTimeout> | undefined;
  let ended = false;

  const draw = async (quality: 'quick' | 'proper'): Promise<void> => {
    if (camera === undefined || ended) return;
    if (drawing) {
      again = quality === 'proper' || again === 'proper' ? 'proper' : 'quick';
      return;
    }
    drawing = true;
    const view = viewOf(camera, screen);
    const bitmap = await worker.draw(view, quality, skipped);
    drawing = false;
    if (ended) return;
    showView(canvas, bitmap, view);
    drawn = view;
    const next = again;
    again = undefined;
    if (next === undefined) onDrawn();
    else await draw(next);
  };

  const redraw = (): void => void draw('proper');

  return {
    load: (marks) => void worker.load(marks.map(packMark)).then(redraw),
    change: (put, removed) => void worker.change(put.map(packMark), removed).then(redraw),
    style: (scopes) => void worker.style(scopes).then(redraw),
    label: (labels) => void worker.label(labels).then(redraw),
    skip: (ids) => {
      skipped = ids;
      redraw();
    },
    look: (at, size) => {
      const resized = size.width !== screen.width || size.height !== screen.height;
      [camera, screen] = [at, size];
      if (resized || drawn === undefined) return redraw();
      if (!covers(drawn, at, screen)) void draw('quick');
      clearTimeout(idle);
      idle = setTimeout(redraw, IDLE_MS);
    },
    end: () => {
      ended = true;
      clearTimeout(idle);
      canvas.remove();
      worker.end();
    },
  };
}

/** What is drawn for a screen: more than it shows, so that a pan has something to show. */
function viewOf(at: Camera, screen: Size): View {
  const ratio = window.devicePixelRatio;
  const [width, height] = [Math.ceil(screen.width * OVERSCAN), Math.ceil(screen.height * OVERSCAN)];
  const corner = toSheet(at, { x: (screen.width - width) / 2, y: (screen.height - height) / 2 });
  return {
    x: corner.x,
    y: corner.y,
    scale: at.scale * ratio,
    width: width * ratio,
    height: height * ratio,
  };
}

function showView(canvas: HTMLCanvasElement, bitmap: ImageBitmap, view: View): void {
  canvas.width = view.width;
  canvas.height = view.height;
  canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
  // In sheet points: the layer's transform carries it with the sheet from here on.
  canvas.style.left = `${view.x}px`;
  canvas.style.top = `${view.y}px`;
  canvas.style.width = `${view.width / view.scale}px`;
  canvas.style.height = `${view.height / view.scale}px`;
}

/** True while the bitmap still covers the screen at nearly its own scale. */
function covers(drawn: View, at: Camera, screen: Size): boolean {
  const zoom = (at.scale * window.devicePixelRatio) / drawn.scale;
  const [from, to] = [toSheet(at, { x: 0, y: 0 }), toSheet(at, { x: screen.width, y: screen.height })];
  const right = drawn.x + drawn.width / drawn.scale;
  const bottom = drawn.y + drawn.height / drawn.scale;
  return zoom < 3 && zoom > 0.4 && from.x >= drawn.x && from.y >= drawn.y && to.x <= right && to.y <= bottom;
}
