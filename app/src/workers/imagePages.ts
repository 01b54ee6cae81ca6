import { isSoundTiff } from '@zest/core/formats/image/check';
import { readImageSize } from '@zest/core/formats/image/read';
import type { Placing } from '@zest/core/job/records/sheet';
import UTIF from 'utif2';
import { matrixInTile, shareOfPage, takeBitmap } from './placedPages.ts';
import type { OpenAnswer, PageInfo, Tile } from './sheetProtocol.ts';
import { LIMITS } from '@zest/core/formats/limits';

/** Dots an inch that are assumed of a photo or a scan that does not say. */
const USUAL_DPI = 150;

interface ImagePage {
  readonly widthPt: number;
  readonly heightPt: number;
  readonly decode: () => Promise<ImageBitmap>;
}

/** Scans and photos as pages. Pixels are unpacked one page at a time, when it is first drawn. */
const files = new Map<string, readonly ImagePage[]>();
/** The page unpacked last; a large scan must not stay beside the next. */
let unpacked: { readonly page: ImagePage; readonly bitmap: Promise<ImageBitmap> } | undefined;

const toPoints = (pixels: number, dpi: number | undefined): number => (pixels * 72) / (dpi ?? USUAL_DPI);

export const hasImages = (fileId: string): boolean => files.has(fileId);
export const closeImages = (fileId: string): boolean => files.delete(fileId);

/** Reads a scan's pages without unpacking them; what cannot be unpacked later is refused here. */
export async function openImages(fileId: string, bytes: ArrayBuffer): Promise<OpenAnswer> {
  if (hasImages(fileId)) return { ok: true, pageCount: files.get(fileId)?.length ?? 0 };
  const size = readImageSize(new Uint8Array(bytes));
  if (!size.ok) return size;
  const { dpi, width, height, format } = size.value;
  if (format !== 'image/tiff') {
    const blob = new Blob([bytes], { type: format });
    const page: ImagePage = {
      widthPt: toPoints(width, dpi),
      heightPt: toPoints(height, dpi),
      decode: () => createImageBitmap(blob),
    };
    try {
      (await page.decode()).close();
    } catch {
      return { ok: false, problem: { kind: 'image-damaged' } };
    }
    files.set(fileId, [page]);
    return { ok: true, pageCount: 1 };
  }
  return openTiff(fileId, bytes, dpi);
}

function openTiff(fileId: string, bytes: ArrayBuffer, dpi: number | undefined): OpenAnswer {
  // Checked before it is decoded: directories that lead in a ring would be followed for ever.
  if (!isSoundTiff(new Uint8Array(bytes))) return { ok: false, problem: { kind: 'image-damaged' } };
  let pages: readonly ImagePage[];
  try {
    const directories = UTIF.decode(bytes).slice(0, LIMITS.image.tiffPages);
    pages = directories.map((directory): ImagePage => {
      const [width = 0, height = 0] = [Number(directory['t256']), Number(directory['t257'])];
      return {
        widthPt: toPoints(width, dpi),
        heightPt: toPoints(height, dpi),
        decode: async () => {
          UTIF.decodeImage(bytes, directory);
          const pixels = new Uint8ClampedArray(UTIF.toRGBA8(directory));
          return createImageBitmap(new ImageData(pixels, width, height));
        },
      };
    });
  } catch {
    return { ok: false, problem: { kind: 'image-damaged' } };
  }
  const sound = pages.every(({ widthPt, heightPt }) => widthPt > 0 && heightPt > 0);
  if (pages.length === 0 || !sound) return { ok: false, problem: { kind: 'image-damaged' } };
  const scale = (dpi ?? USUAL_DPI) / 72;
  const large = pages.find(
    ({ widthPt, heightPt }) => widthPt * heightPt * scale * scale > LIMITS.image.pixels,
  );
  if (large !== undefined) {
    const [width, height] = [Math.round(large.widthPt * scale), Math.round(large.heightPt * scale)];
    return { ok: false, problem: { kind: 'image-too-large', width, height, limit: LIMITS.image.pixels } };
  }
  files.set(fileId, pages);
  return { ok: true, pageCount: pages.length };
}

function getPage(fileId: string, pageIndex: number): ImagePage {
  const page = files.get(fileId)?.[pageIndex];
  if (page === undefined) throw new Error(`getPage: ${fileId} has no page ${pageIndex}`);
  return page;
}

/** A scan has no text of its own. */
export function imageInfo(fileId: string, pageIndex: number): PageInfo {
  const { widthPt, heightPt } = getPage(fileId, pageIndex);
  return { widthPt, heightPt, texts: [] };
}

/** Draws the part of a scan that a tile of its sheet shows. */
export async function renderImage(placing: Placing, tile: Tile): Promise<ImageBitmap> {
  const page = getPage(placing.fileId, placing.pageIndex);
  if (unpacked?.page !== page) {
    void unpacked?.bitmap.then((bitmap) => bitmap.close());
    unpacked = { page, bitmap: page.decode() };
  }
  const bitmap = await unpacked.bitmap;
  const canvas = new OffscreenCanvas(tile.width, tile.height);
  const context = canvas.getContext('2d');
  if (context === null) throw new Error('renderImage: no canvas to draw on');
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, tile.width, tile.height);
  context.imageSmoothingQuality = 'high';
  context.setTransform(...(matrixInTile(placing, tile) as [number, number, number, number, number, number]));
  // Only the pixels that are seen: a large scan is not resampled whole for every tile.
  const { left, right, top, bottom } = shareOfPage(placing, tile);
  const clamp = (share: number): number => Math.min(1, Math.max(0, share));
  const [x0, x1, y0, y1] = [clamp(left), clamp(right), clamp(top), clamp(bottom)];
  if (x1 > x0 && y1 > y0)
    context.drawImage(
      bitmap,
      x0 * bitmap.width,
      y0 * bitmap.height,
      (x1 - x0) * bitmap.width,
      (y1 - y0) * bitmap.height,
      x0 * page.widthPt * tile.scale,
      y0 * page.heightPt * tile.scale,
      (x1 - x0) * page.widthPt * tile.scale,
      (y1 - y0) * page.heightPt * tile.scale,
    );
  return takeBitmap(canvas);
}
