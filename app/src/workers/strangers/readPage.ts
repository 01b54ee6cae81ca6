import * as pdfjs from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { LineWork } from '@zest/core/geometry/snap';
import { extractLineWork } from '../lineWork.ts';
import { readPageInfo } from '../pageInfo.ts';
import type { PageInfo } from '../sheetProtocol.ts';

/** What is read of a PDF's first page outside of a browser, as the worker reads it. */
async function readFirst<Read>(
  bytes: Uint8Array,
  read: (page: pdfjs.PDFPageProxy, document: pdfjs.PDFDocumentProxy) => Promise<Read>,
): Promise<Read> {
  const document = await pdfjs.getDocument({ data: bytes, verbosity: 0 }).promise;
  try {
    return await read(await document.getPage(1), document);
  } finally {
    await document.destroy();
  }
}

export const readLineWork = (bytes: Uint8Array): Promise<LineWork> =>
  readFirst(bytes, async (page, document) => {
    const list = await page.getOperatorList();
    const layers = await document.getOptionalContentConfig();
    const { transform } = page.getViewport({ scale: 1 });
    return extractLineWork(list, pdfjs.OPS, transform as never, (layer) => layers.isVisible(layer as never));
  });

export const readFirstPage = (bytes: Uint8Array): Promise<PageInfo> => readFirst(bytes, readPageInfo);
