import type { PackedLines } from '@zest/core/geometry/snap';
import type { Placing, Sheet } from '@zest/core/job/records/sheet';
import { placingsOf } from '@zest/core/takeoff/placing';
import type { SheetText } from '@zest/core/takeoff/pageText';
import type { PlacedSheet, Tile } from '../workers/sheetProtocol.ts';
import { WorkerEnded } from './guardedWorker.ts';
import type { Services } from './services.ts';

/** Sheets as pictures; files are opened in the worker the first time they are needed. */
export interface SheetFiles {
  readonly render: (sheet: Sheet, tile: Tile) => Promise<ImageBitmap>;
  /** Segments of the sheet's own line work; none where it is a scan. */
  readonly lineWork: (sheet: Sheet) => Promise<PackedLines>;
  /** Every piece of text on the sheet; none where it is a scan. */
  readonly texts: (sheet: Sheet) => Promise<readonly SheetText[]>;
  readonly thumbnail: (sheet: Sheet) => Promise<Blob>;
}

/** Tells pictures of a sheet apart: it changes with how its pages lie and are toned, not with its name. */
export function pictureKey({ id, placings, tone, widthPt, heightPt }: Sheet): string {
  if (placings === undefined && tone === undefined) return id;
  const text = JSON.stringify([placings, tone, widthPt, heightPt]);
  let hash = 0;
  for (let i = 0; i < text.length; i += 1) hash = (Math.imul(hash, 31) + text.charCodeAt(i)) | 0;
  return `${id}~${(hash >>> 0).toString(36)}`;
}

const THUMBNAIL_WIDTH = 520;
/** Texts are read once: a sheet's text only changes with its pages. */
const textsRead = new WeakMap<Services, Map<string, Promise<readonly SheetText[]>>>();
const opened = new WeakMap<Services, Map<string, Promise<boolean>>>();

function ensureOpen(services: Services, jobId: string, fileId: string): Promise<boolean> {
  const files = opened.get(services) ?? new Map<string, Promise<boolean>>();
  opened.set(services, files);
  const known = files.get(fileId);
  if (known !== undefined) return known;
  const opening = services.storage
    .readFile(jobId, fileId)
    .then(
      async (blob) => blob !== undefined && (await services.sheets.open(fileId, await blob.arrayBuffer())).ok,
    );
  files.set(fileId, opening);
  // What failed is tried again the next time it is asked for.
  opening.catch(() => files.delete(fileId));
  return opening;
}

export function createSheetFiles(services: Services, jobId: string): SheetFiles {
  /** The sheet's pages, once their files are open; pages of files that cannot be opened are left out. */
  const ensurePlaced = async (sheet: Sheet): Promise<PlacedSheet> => {
    const placings: Placing[] = [];
    for (const placing of placingsOf(sheet))
      if (await ensureOpen(services, jobId, placing.fileId)) placings.push(placing);
    return { placings, tone: sheet.tone };
  };
  /** A worker that was ended has none of the files open any more: the next who asks opens them again. */
  const asking = async <Value>(
    sheet: Sheet,
    ask: (placed: PlacedSheet) => Promise<Value>,
  ): Promise<Value> => {
    const once = async (): Promise<Value> => {
      try {
        return await ask(await ensurePlaced(sheet));
      } catch (error) {
        if (error instanceof WorkerEnded) opened.delete(services);
        throw error;
      }
    };
    try {
      return await once();
    } catch (error) {
      // It may have died of what another asked for; of its own fault it dies again.
      if (error instanceof WorkerEnded && error.reason === 'died') return once();
      throw error;
    }
  };
  const render = (sheet: Sheet, tile: Tile): Promise<ImageBitmap> =>
    asking(sheet, (placed) => {
      if (placed.placings.length === 0) throw new Error(`render: ${sheet.fileId} cannot be opened`);
      return services.sheets.render(placed, tile);
    });
  return {
    render,
    lineWork: (sheet) => asking(sheet, (placed) => services.sheets.lineWork(placed)),
    texts: (sheet) => {
      const read = textsRead.get(services) ?? new Map<string, Promise<readonly SheetText[]>>();
      textsRead.set(services, read);
      const key = `${jobId} ${pictureKey(sheet)}`;
      const reading = read.get(key) ?? asking(sheet, (placed) => services.sheets.texts(placed));
      read.set(key, reading);
      // What failed is tried again the next time it is asked for.
      reading.catch(() => read.delete(key));
      return reading;
    },
    thumbnail: async (sheet) => {
      // Another way of lying is another picture.
      const key = pictureKey(sheet);
      const kept = await services.storage.readThumbnail(jobId, key);
      if (kept !== undefined) return kept;
      const blob = await drawThumbnail(sheet, render);
      await services.storage.saveThumbnail(jobId, key, blob);
      return blob;
    },
  };
}

async function drawThumbnail(sheet: Sheet, render: SheetFiles['render']): Promise<Blob> {
  const scale = THUMBNAIL_WIDTH / sheet.widthPt;
  const tile = { scale, x: 0, y: 0, width: THUMBNAIL_WIDTH, height: Math.round(sheet.heightPt * scale) };
  const bitmap = await render(sheet, tile);
  const canvas = document.createElement('canvas');
  canvas.width = bitmap.width;
  canvas.height = bitmap.height;
  canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
  if (blob === null) throw new Error('drawThumbnail: the canvas gave no picture');
  return blob;
}
