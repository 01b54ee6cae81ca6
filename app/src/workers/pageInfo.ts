import type { PDFPageProxy } from 'pdfjs-dist';
import type { PageInfo, PageText } from './sheetProtocol.ts';

type Six = readonly [number, number, number, number, number, number];

const compose = ([a, b, c, d, e, f]: Six, [p, q, r, s, t, u]: Six): Six => [
  a * p + c * q,
  b * p + d * q,
  a * r + c * s,
  b * r + d * s,
  a * t + c * u + e,
  b * t + d * u + f,
];

/** The size of a page and the texts on it, in sheet points from its upper left corner as it is shown. */
export async function readPageInfo(page: PDFPageProxy): Promise<PageInfo> {
  const viewport = page.getViewport({ scale: 1 });
  const content = await page.getTextContent();
  const texts: PageText[] = [];
  for (const item of content.items) {
    if (!('str' in item) || item.str.trim() === '') continue;
    const [a, b, c, d, x, y] = compose(
      viewport.transform as unknown as Six,
      item.transform as unknown as Six,
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
