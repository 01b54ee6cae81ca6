import type { Sheet } from '@zest/core/job/records/sheet';
import { WorkerEnded } from '../../platform/guardedWorker.ts';
import { type SheetFiles, pictureKey } from '../../platform/sheetFiles.ts';
import type { Camera, Size } from '../camera.ts';
import { toSheet } from '../camera.ts';

/** Pixels per sheet point of the two bitmaps that show a whole page. */
const WHOLE_LEVELS = [0.5, 1] as const;
const TILE_PX = 1024;
const LARGEST_LEVEL = 16;
const TILES_KEPT = 36;
/** A page larger than this is only ever shown whole at the coarser level. */
const WHOLE_PIXELS = 14_000_000;

/** 'sharp' once everything in view is drawn at its final quality. */
export type SheetState = 'drawing' | 'sharp' | 'damaged' | 'too-dense' | 'too-long';

const stateOf = (error: unknown): SheetState => {
  if (error instanceof WorkerEnded) return 'too-long';
  return error instanceof Error && error.name === 'PageTooDense' ? 'too-dense' : 'damaged';
};

export interface SheetLayer {
  readonly show: (sheet: Sheet) => void;
  readonly look: (camera: Camera, screen: Size) => void;
  readonly end: () => void;
}

/** The sheet's own drawing: one bitmap of the whole page, and sharp tiles over it when zoomed in. */
export function createSheetLayer(
  layer: HTMLElement,
  files: SheetFiles,
  onState: (state: SheetState) => void,
): SheetLayer {
  let sheet: Sheet | undefined;
  const drawing: Drawing = {
    layer,
    files,
    queue: createDrawQueue(onState),
    whole: new Map(),
    tiles: new Map(),
  };
  const clear = (): void => {
    const { queue, whole, tiles } = drawing;
    queue.clear();
    for (const canvas of [...whole.values(), ...tiles.values()]) letGo(canvas);
    whole.clear();
    tiles.clear();
  };
  return {
    show: (next) => {
      if (sheet !== undefined && pictureKey(sheet) === pictureKey(next)) return;
      clear();
      sheet = next;
    },
    look: (camera, screen) => {
      if (sheet !== undefined) drawInView(drawing, sheet, camera, screen);
    },
    end: () => {
      clear();
      sheet = undefined;
    },
  };
}

interface Drawing {
  readonly layer: HTMLElement;
  readonly files: SheetFiles;
  readonly queue: DrawQueue;
  /** By their pixels per sheet point. */
  readonly whole: Map<number, HTMLCanvasElement>;
  /** By level, column and row; the least lately seen first. */
  readonly tiles: Map<string, HTMLCanvasElement>;
}

interface DrawQueue {
  /** Counts the sheets that were shown: what was asked for an earlier one is thrown away. */
  readonly turn: () => number;
  readonly ask: (key: string, run: () => Promise<void>) => void;
  /** Drops what is not begun yet. */
  readonly drop: (isUnwanted: (key: string) => boolean) => void;
  readonly clear: () => void;
}

/** One drawing after the other; after one that failed nothing more is drawn until another sheet is shown. */
function createDrawQueue(onState: (state: SheetState) => void): DrawQueue {
  const asked = new Set<string>();
  let waiting: { readonly key: string; readonly turn: number; readonly run: () => Promise<void> }[] = [];
  let turn = 0;
  let busy = false;
  let failed: SheetState | undefined;
  const work = async (): Promise<void> => {
    if (busy) return;
    busy = true;
    for (let job = waiting.shift(); job !== undefined; job = waiting.shift()) {
      try {
        await job.run();
      } catch (error) {
        // Asked for again with every move it would only fail again: the sheet has to be shown again.
        if (job.turn === turn) {
          failed = stateOf(error);
          waiting = [];
        }
      }
      asked.delete(job.key);
    }
    busy = false;
    onState(failed ?? 'sharp');
  };
  return {
    turn: () => turn,
    ask: (key, run) => {
      if (failed !== undefined || asked.has(key)) return;
      asked.add(key);
      waiting.push({ key, turn, run });
      onState('drawing');
      void work();
    },
    drop: (isUnwanted) => {
      for (const { key } of waiting) if (isUnwanted(key)) asked.delete(key);
      waiting = waiting.filter(({ key }) => !isUnwanted(key));
    },
    clear: () => {
      turn += 1;
      failed = undefined;
      waiting = [];
      asked.clear();
    },
  };
}

function drawInView(drawing: Drawing, sheet: Sheet, camera: Camera, screen: Size): void {
  const { queue, whole, tiles } = drawing;
  const wanted = camera.scale * window.devicePixelRatio;
  const large = sheet.widthPt * sheet.heightPt > WHOLE_PIXELS;
  // What was asked for an earlier view and is not begun yet is no longer wanted.
  queue.drop((key) => !key.startsWith('whole'));
  askWhole(drawing, sheet, WHOLE_LEVELS[0]);
  if (wanted > WHOLE_LEVELS[0] && !large) askWhole(drawing, sheet, WHOLE_LEVELS[1]);
  for (const [level, canvas] of whole) canvas.hidden = level > WHOLE_LEVELS[0] && wanted <= WHOLE_LEVELS[0];
  const level = Math.min(LARGEST_LEVEL, 2 ** Math.ceil(Math.log2(wanted)));
  for (const [key, canvas] of tiles) canvas.hidden = !key.startsWith(`${level} `);
  if (level < 2) return;
  for (const [column, row] of tilesInView(sheet, camera, screen, level))
    askTile(drawing, sheet, level, column, row);
}

function askWhole({ layer, files, queue, whole }: Drawing, sheet: Sheet, level: number): void {
  if (whole.has(level)) return;
  const turn = queue.turn();
  queue.ask(`whole ${level}`, async () => {
    const width = Math.ceil(sheet.widthPt * level);
    const height = Math.ceil(sheet.heightPt * level);
    const bitmap = await files.render(sheet, { scale: level, x: 0, y: 0, width, height });
    if (turn !== queue.turn() || whole.has(level)) bitmap.close();
    else whole.set(level, place(layer, bitmap, level, 0, 0));
  });
}

function askTile(
  { layer, files, queue, tiles }: Drawing,
  sheet: Sheet,
  level: number,
  column: number,
  row: number,
): void {
  const key = `${level} ${column} ${row}`;
  const known = tiles.get(key);
  if (known !== undefined) {
    // Moved to the end: the least lately seen is dropped first.
    tiles.delete(key);
    tiles.set(key, known);
    return;
  }
  const turn = queue.turn();
  queue.ask(key, async () => {
    const [x, y] = [column * TILE_PX, row * TILE_PX];
    const width = Math.min(TILE_PX, Math.ceil(sheet.widthPt * level) - x);
    const height = Math.min(TILE_PX, Math.ceil(sheet.heightPt * level) - y);
    const began = performance.now();
    const bitmap = await files.render(sheet, { scale: level, x, y, width, height });
    // Read by the bench; costs nothing otherwise.
    performance.measure('sheet-tile', { start: began });
    if (turn !== queue.turn()) return bitmap.close();
    tiles.set(key, place(layer, bitmap, level, x, y));
    dropOldest(tiles);
  });
}

function dropOldest(tiles: Map<string, HTMLCanvasElement>): void {
  for (const [oldest, canvas] of tiles) {
    if (tiles.size <= TILES_KEPT) break;
    letGo(canvas);
    tiles.delete(oldest);
  }
}

/** Puts a picture where it belongs on the sheet, in sheet points. */
function place(
  layer: HTMLElement,
  bitmap: ImageBitmap,
  level: number,
  xPx: number,
  yPx: number,
): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.width = bitmap.width;
  canvas.height = bitmap.height;
  canvas.style.left = `${xPx / level}px`;
  canvas.style.top = `${yPx / level}px`;
  canvas.style.width = `${bitmap.width / level}px`;
  canvas.style.height = `${bitmap.height / level}px`;
  canvas.style.zIndex = String(Math.round(level * 2));
  canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
  layer.append(canvas);
  return canvas;
}

/** Takes a picture off the desk and gives its pixels back at once; left to itself the browser keeps gigabytes. */
function letGo(canvas: HTMLCanvasElement): void {
  canvas.remove();
  canvas.width = 0;
  canvas.height = 0;
}

/** Columns and rows of the tiles in view, from the middle of the screen outward. */
function tilesInView(
  sheet: Sheet,
  camera: Camera,
  screen: Size,
  level: number,
): readonly (readonly [number, number])[] {
  const from = toSheet(camera, { x: 0, y: 0 });
  const to = toSheet(camera, { x: screen.width, y: screen.height });
  const size = TILE_PX / level;
  const clamp = (value: number, limit: number): number =>
    Math.max(0, Math.min(Math.ceil(limit / size) - 1, Math.floor(value / size)));
  const [left, right] = [clamp(from.x, sheet.widthPt), clamp(to.x, sheet.widthPt)];
  const [top, bottom] = [clamp(from.y, sheet.heightPt), clamp(to.y, sheet.heightPt)];
  const found: [number, number][] = [];
  for (let row = top; row <= bottom; row += 1)
    for (let column = left; column <= right; column += 1) found.push([column, row]);
  const [middleX, middleY] = [(left + right) / 2, (top + bottom) / 2];
  return found.sort(
    (a, b) => Math.hypot(a[0] - middleX, a[1] - middleY) - Math.hypot(b[0] - middleX, b[1] - middleY),
  );
}
