import * as pdfjs from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { LineWork } from '@zest/core/geometry/snap';
import { extractLineWork } from '../lineWork.ts';

/** The line work of a PDF's first page, read outside of a browser as the worker reads it. */
export async function readLineWork(bytes: Uint8Array): Promise<LineWork> {
  const document = await pdfjs.getDocument({ data: bytes, verbosity: 0 }).promise;
  const page = await document.getPage(1);
  const list = await page.getOperatorList();
  const layers = await document.getOptionalContentConfig();
  const { transform } = page.getViewport({ scale: 1 });
  const lines = extractLineWork(list, pdfjs.OPS, transform as never, (layer) =>
    layers.isVisible(layer as never),
  );
  await document.destroy();
  return lines;
}
