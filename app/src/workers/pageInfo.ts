import type { PDFPageProxy } from 'pdfjs-dist';
import { type Affine, composeAffine } from '@zest/core/geometry/affine';
import type { PageInfo, PageText } from './sheetProtocol.ts';

/** The size of a page and the texts on it, in sheet points from its upper left corner as it is shown. */
export async function readPageInfo(page: PDFPageProxy): Promise<PageInfo> {
  const viewport = page.getViewport({ scale: 1 });
  const content = await page.getTextContent();
  const texts: PageText[] = [];
  for (const item of content.items) {
    if (!('str' in item) || item.str.trim() === '') continue;
    const [a, b, c, d, x, y] = composeAffine(
      viewport.transform as unknown as Affine,
      item.transform as unknown as Affine,
    );
    texts.push({
      text: item.str,
      x,
      y,
      height: Math.hypot(c, d),
      width: item.width * Math.sign(Math.hypot(a, b)),
    });
  }
  return { widthPt: viewport.width, heightPt: viewport.height, texts };
}
