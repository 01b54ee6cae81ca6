import type { Sheet } from '@zest/core/job/records/sheet';
import type { SheetText } from '@zest/core/takeoff/sheetText';
import type { Tile } from '../workers/sheetProtocol.ts';
import type { Services } from './services.ts';

/** Sheets as pictures; files are opened in the worker the first time they are needed. */
export interface SheetFiles {
  readonly render: (sheet: Sheet, tile: Tile) => Promise<ImageBitmap>;
  /** Segments of the sheet's own line work; none where it is a scan. */
  readonly lineWork: (sheet: Sheet) => Promise<Float32Array>;
  /** Every piece of text on the sheet; none where it is a scan. */
  readonly texts: (sheet: Sheet) => Promise<readonly SheetText[]>;
  readonly thumbnail: (sheet: Sheet) => Promise<Blob>;
}

const THUMBNAIL_WIDTH = 520;
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
  return opening;
}

export function createSheetFiles(services: Services, jobId: string): SheetFiles {
  const render = async (sheet: Sheet, tile: Tile): Promise<ImageBitmap> => {
    if (!(await ensureOpen(services, jobId, sheet.fileId)))
      throw new Error(`render: ${sheet.fileId} cannot be opened`);
    return services.sheets.render(sheet.fileId, sheet.pageIndex, tile);
  };
  return {
    render,
    lineWork: async (sheet) => {
      if (!(await ensureOpen(services, jobId, sheet.fileId))) return new Float32Array(0);
      return services.sheets.lineWork(sheet.fileId, sheet.pageIndex);
    },
    texts: async (sheet) => {
      if (!(await ensureOpen(services, jobId, sheet.fileId))) return [];
      return (await services.sheets.page(sheet.fileId, sheet.pageIndex)).texts;
    },
    thumbnail: async (sheet) => {
      const kept = await services.storage.readThumbnail(jobId, sheet.id);
      if (kept !== undefined) return kept;
      const scale = THUMBNAIL_WIDTH / sheet.widthPt;
      const tile = { scale, x: 0, y: 0, width: THUMBNAIL_WIDTH, height: Math.round(sheet.heightPt * scale) };
      const bitmap = await render(sheet, tile);
      const canvas = document.createElement('canvas');
      canvas.width = bitmap.width;
      canvas.height = bitmap.height;
      canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
      const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
      if (blob === null) throw new Error('thumbnail: the canvas gave no picture');
      await services.storage.saveThumbnail(jobId, sheet.id, blob);
      return blob;
    },
  };
}
