import './pdfEnvironment.ts';
import * as Comlink from 'comlink';
import * as pdfjs from 'pdfjs-dist';
import pdfWorkerUrl from 'pdfjs-dist/build/pdf.worker.min.mjs?url';
import { checkPdf } from '@zest/core/formats/pdf/check';
import { sniffImage } from '@zest/core/formats/image/read';
import { closeImages, hasImages, imageInfo, openImages, renderImage } from './imagePages.ts';
import { type LineWork, type PackedLines, packLines } from '@zest/core/geometry/snap';
import type { Placing } from '@zest/core/job/records/sheet';
import { extractLineWork } from './lineWork.ts';
import { readPageInfo } from './pageInfo.ts';
import {
  isAsItIs,
  joinLines,
  matrixInTile,
  placeLines,
  placeTexts,
  renderPlaced,
  shareOfPage,
  takeBitmap,
} from './placedPages.ts';
import { bounded } from './operationBudget.ts';
import type { OpenAnswer, PageInfo, PageText, PlacedSheet, SheetWorker, Tile } from './sheetProtocol.ts';

type Document = pdfjs.PDFDocumentProxy;
type Page = pdfjs.PDFPageProxy;

const parser = new pdfjs.PDFWorker({ port: new Worker(pdfWorkerUrl, { type: 'module' }) as unknown as null });
const documents = new Map<
  string,
  { readonly document: Document; readonly pages: Map<number, Promise<Page>> }
>();

/** pdf.js makes its own canvases through this; in a worker they are off screen. */
class OffscreenCanvasFactory {
  create(width: number, height: number) {
    const canvas = new OffscreenCanvas(Math.max(1, width), Math.max(1, height));
    return { canvas, context: canvas.getContext('2d') };
  }

  reset(entry: { canvas: OffscreenCanvas }, width: number, height: number): void {
    entry.canvas.width = width;
    entry.canvas.height = height;
  }

  destroy(entry: { canvas: OffscreenCanvas }): void {
    entry.canvas.width = 0;
    entry.canvas.height = 0;
  }
}

/** Filters need a document with SVG; plans hardly ever use them, and without them nothing is lost but tint. */
class NoFilterFactory {
  addFilter(): string {
    return 'none';
  }
  addHCMFilter(): string {
    return 'none';
  }
  addAlphaFilter(): string {
    return 'none';
  }
  addLuminosityFilter(): string {
    return 'none';
  }
  addKnockoutFilter(): string {
    return 'none';
  }
  addHighlightHCMFilter(): string {
    return 'none';
  }
  destroy(): void {
    // Nothing is held.
  }
}

const stubDocument = {
  fonts: (self as unknown as { fonts: unknown }).fonts,
  createElement: () => new OffscreenCanvas(1, 1),
};

async function open(fileId: string, bytes: ArrayBuffer, isNew = false): Promise<OpenAnswer> {
  if (sniffImage(new Uint8Array(bytes)) !== undefined) return openImages(fileId, bytes);
  if (documents.has(fileId)) return { ok: true, pageCount: documents.get(fileId)?.document.numPages ?? 0 };
  const bomb = isNew ? checkPdf(new Uint8Array(bytes)) : undefined;
  if (bomb !== undefined) return { ok: false, problem: bomb };
  try {
    const base = self.location.origin;
    const document = await pdfjs.getDocument({
      data: bytes,
      worker: parser,
      useSystemFonts: false,
      useWorkerFetch: true,
      cMapUrl: `${base}/pdf/cmaps/`,
      cMapPacked: true,
      standardFontDataUrl: `${base}/pdf/fonts/`,
      wasmUrl: `${base}/pdf/wasm/`,
      iccUrl: `${base}/pdf/icc/`,
      CanvasFactory: OffscreenCanvasFactory,
      FilterFactory: NoFilterFactory,
      ownerDocument: stubDocument as never,
      isEvalSupported: false,
    } as unknown as Parameters<typeof pdfjs.getDocument>[0]).promise;
    documents.set(fileId, { document, pages: new Map() });
    return { ok: true, pageCount: document.numPages };
  } catch (error) {
    const name = error instanceof Error ? error.name : '';
    if (name === 'PasswordException') return { ok: false, problem: { kind: 'pdf-locked' } };
    return { ok: false, problem: { kind: 'pdf-damaged' } };
  }
}

function getPage(fileId: string, pageIndex: number): Promise<Page> {
  const entry = documents.get(fileId);
  if (entry === undefined) throw new Error(`getPage: the file ${fileId} is not open`);
  const known = entry.pages.get(pageIndex);
  const page = known ?? entry.document.getPage(pageIndex + 1);
  // Moved to the end: the page least lately seen is let go of first.
  entry.pages.delete(pageIndex);
  entry.pages.set(pageIndex, page);
  for (const [index, oldest] of entry.pages) {
    if (entry.pages.size <= PAGES_KEPT) break;
    entry.pages.delete(index);
    void oldest.then(letGo, () => undefined);
  }
  return page;
}

/** Parsed pages kept of one file: a set of hundreds would fill the memory once all were seen. */
const PAGES_KEPT = 5;

function letGo(page: Page): void {
  (page as unknown as { recordedBBoxes: Recorded | null }).recordedBBoxes = null;
  // False while it is being drawn; then it goes the next time it is the oldest.
  page.cleanup();
}

async function page(fileId: string, pageIndex: number): Promise<PageInfo> {
  if (hasImages(fileId)) return imageInfo(fileId, pageIndex);
  return readPageInfo(await getPage(fileId, pageIndex));
}

interface Recorded {
  isEmpty(index: number): boolean;
  minX(index: number): number;
  maxX(index: number): number;
  minY(index: number): number;
  maxY(index: number): number;
}

/** Renders a page once, small, so that it is known where every operation draws. */
async function record(proxy: Page): Promise<Recorded | null> {
  const kept = proxy as unknown as { recordedBBoxes: Recorded | null };
  if (kept.recordedBBoxes === null) {
    const viewport = proxy.getViewport({ scale: RECORDING_SCALE });
    const canvas = new OffscreenCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
    await paint(proxy, { canvas, viewport, recordOperations: true });
  }
  return kept.recordedBBoxes;
}

const RECORDING_SCALE = 0.25;

const paint = (proxy: Page, wanted: object): Promise<void> =>
  bounded(
    proxy,
    proxy.render({
      // Not 'print': that throws the page's parsed operations away after every rendering.
      intent: 'display',
      background: '#ffffff',
      ...wanted,
    } as unknown as Parameters<Page['render']>[0]).promise,
  );

/**
 * Renders the part of a page that a tile of its sheet shows. The first rendering of a page records
 * where every operation draws; later ones skip what lies outside, which keeps a sharp tile quick.
 */
async function drawPage(placing: Placing, tile: Tile): Promise<ImageBitmap> {
  const { fileId, pageIndex } = placing;
  if (hasImages(fileId)) return renderImage(placing, tile);
  const proxy = await getPage(fileId, pageIndex);
  const viewport = proxy.getViewport({ scale: tile.scale });
  const canvas = new OffscreenCanvas(tile.width, tile.height);
  const { left, right, top, bottom } = shareOfPage(placing, tile);
  const whole = left <= 0 && top <= 0 && right >= 0.999 && bottom >= 0.999;
  const records = whole && isAsItIs(placing);
  const known = (proxy as unknown as { recordedBBoxes: Recorded | null }).recordedBBoxes;
  const recorded = known ?? (records ? null : await record(proxy));
  const inside = (index: number): boolean =>
    recorded === null ||
    (!recorded.isEmpty(index) &&
      recorded.minX(index) <= right &&
      recorded.maxX(index) >= left &&
      recorded.minY(index) <= bottom &&
      recorded.maxY(index) >= top);
  await paint(proxy, {
    canvas,
    viewport,
    transform: [...matrixInTile(placing, tile)],
    recordOperations: recorded === null && records,
    ...(recorded === null || whole ? {} : { operationsFilter: inside }),
  });
  return takeBitmap(canvas);
}

/** A list of its own: rendering replaces the path data of the one it draws from. */
async function lineWork(fileId: string, pageIndex: number): Promise<LineWork> {
  if (hasImages(fileId)) return { lines: new Float32Array(0), bends: new Uint8Array(0) };
  const proxy = await getPage(fileId, pageIndex);
  const list = await bounded(proxy, proxy.getOperatorList());
  const layers = await documents.get(fileId)?.document.getOptionalContentConfig();
  const { transform } = proxy.getViewport({ scale: 1 });
  return extractLineWork(
    list,
    pdfjs.OPS,
    transform as never,
    (properties) => layers?.isVisible(properties as never) ?? true,
  );
}

async function placedLines({ placings }: PlacedSheet): Promise<PackedLines> {
  const parts = await Promise.all(
    placings.map(async (placing) => placeLines(await lineWork(placing.fileId, placing.pageIndex), placing)),
  );
  return packLines(joinLines(parts));
}

async function placedTexts({ placings }: PlacedSheet): Promise<readonly PageText[]> {
  const parts = await Promise.all(
    placings.map(async (placing) =>
      placeTexts((await page(placing.fileId, placing.pageIndex)).texts, placing),
    ),
  );
  return parts.flat();
}

async function close(fileId: string): Promise<void> {
  if (closeImages(fileId)) return;
  const entry = documents.get(fileId);
  documents.delete(fileId);
  await entry?.document.destroy();
}

const api: SheetWorker = {
  open,
  close,
  page,
  texts: placedTexts,
  lineWork: async (sheet) => {
    const packed = await placedLines(sheet);
    const { lines, ends, index } = packed;
    return Comlink.transfer(packed, [lines.buffer, ends.buffer, ...(index === undefined ? [] : [index])]);
  },
  render: async ({ placings, tone }, tile) => {
    const bitmap = await renderPlaced(placings, tone, tile, drawPage);
    return Comlink.transfer(bitmap, [bitmap]);
  },
};
Comlink.expose(api);
