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

/** The sheet's own drawing: one bitmap of the whole page, and sharp tiles over it when zoomed in. */
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

export function createSheetLayer(
  layer: HTMLElement,
  files: SheetFiles,
  onState: (state: SheetState) => void,
): SheetLayer {
  let sheet: Sheet | undefined;
  let generation = 0;
  const whole = new Map<number, HTMLCanvasElement>();
  const tiles = new Map<string, HTMLCanvasElement>();
  const asked = new Set<string>();
  let queue: { readonly key: string; readonly turn: number; readonly run: () => Promise<void> }[] = [];
  let busy = false;
  let failed: SheetState | undefined;

  const place = (bitmap: ImageBitmap, level: number, xPx: number, yPx: number): HTMLCanvasElement => {
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
  };

  const work = async (): Promise<void> => {
    if (busy) return;
    busy = true;
    for (let job = queue.shift(); job !== undefined; job = queue.shift()) {
      try {
        await job.run();
      } catch (error) {
        // Asked for again with every move it would only fail again: the sheet has to be shown anew.
        if (job.turn === generation) {
          failed = stateOf(error);
          queue = [];
        }
      }
      asked.delete(job.key);
    }
    busy = false;
    onState(failed ?? 'sharp');
  };

  const ask = (key: string, run: () => Promise<void>): void => {
    if (failed !== undefined || asked.has(key)) return;
    asked.add(key);
    queue.push({ key, turn: generation, run });
    onState('drawing');
    void work();
  };

  const askWhole = (of: Sheet, level: number): void => {
    if (whole.has(level)) return;
    const turn = generation;
    ask(`whole ${level}`, async () => {
      const tile = {
        scale: level,
        x: 0,
        y: 0,
        width: Math.ceil(of.widthPt * level),
        height: Math.ceil(of.heightPt * level),
      };
      const bitmap = await files.render(of, tile);
      if (turn !== generation || whole.has(level)) bitmap.close();
      else whole.set(level, place(bitmap, level, 0, 0));
    });
  };

  const askTile = (of: Sheet, level: number, column: number, row: number): void => {
    const key = `${level} ${column} ${row}`;
    const known = tiles.get(key);
    if (known !== undefined) {
      // Moved to the end: the least lately seen is dropped first.
      tiles.delete(key);
      tiles.set(key, known);
      return;
    }
    const turn = generation;
    ask(key, async () => {
      const [x, y] = [column * TILE_PX, row * TILE_PX];
      const width = Math.min(TILE_PX, Math.ceil(of.widthPt * level) - x);
      const height = Math.min(TILE_PX, Math.ceil(of.heightPt * level) - y);
      const began = performance.now();
      const bitmap = await files.render(of, { scale: level, x, y, width, height });
      // Read by the bench; costs nothing otherwise.
      performance.measure('sheet-tile', { start: began });
      if (turn !== generation) {
        bitmap.close();
        return;
      }
      tiles.set(key, place(bitmap, level, x, y));
      for (const [oldest, canvas] of tiles) {
        if (tiles.size <= TILES_KEPT) break;
        letGo(canvas);
        tiles.delete(oldest);
      }
    });
  };

  const clear = (): void => {
    generation += 1;
    failed = undefined;
    queue = [];
    asked.clear();
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
      if (sheet === undefined) return;
      const wanted = camera.scale * window.devicePixelRatio;
      const large = sheet.widthPt * sheet.heightPt > WHOLE_PIXELS;
      // What was asked for an earlier view and is not begun yet is no longer wanted.
      for (const { key } of queue) if (!key.startsWith('whole')) asked.delete(key);
      queue = queue.filter(({ key }) => key.startsWith('whole'));
      askWhole(sheet, WHOLE_LEVELS[0]);
      if (wanted > WHOLE_LEVELS[0] && !large) askWhole(sheet, WHOLE_LEVELS[1]);
      for (const [level, canvas] of whole)
        canvas.hidden = level > WHOLE_LEVELS[0] && wanted <= WHOLE_LEVELS[0];
      const level = Math.min(LARGEST_LEVEL, 2 ** Math.ceil(Math.log2(wanted)));
      for (const [key, canvas] of tiles) canvas.hidden = !key.startsWith(`${level} `);
      if (level < 2) return;
      for (const [column, row] of tilesInView(sheet, camera, screen, level))
        askTile(sheet, level, column, row);
    },
    end: () => {
      clear();
      sheet = undefined;
    },
  };
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
