import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { LaidPages, PageItem } from '@zest/core/reports/pages/page';
import { type DocumentFonts, createMeasure, readFontPart } from './fonts.ts';
import { type DocumentInfo, writePages } from './writePages.ts';

/** The font as it ships, from its package. */
function shippedFonts(): DocumentFonts {
  const part = (file: string) =>
    readFontPart(
      new Uint8Array(
        readFileSync(require.resolve(`@fontsource/ibm-plex-sans/files/ibm-plex-sans-${file}.woff`)),
      ),
    );
  return {
    plain: [part('latin-400-normal'), part('latin-ext-400-normal')],
    bold: [part('latin-600-normal'), part('latin-ext-600-normal')],
  };
}

const INFO: DocumentInfo = { title: 'Bid, Boathouse', author: 'Quill', language: 'en-GB', pictures: {} };
const text = (
  words: string,
  y: number,
  more: Partial<Extract<PageItem, { kind: 'text' }>> = {},
): PageItem => ({
  kind: 'text',
  x: 40,
  y,
  size: 10,
  text: words,
  look: 'plain',
  ...more,
});
const pagesOf = (...pages: readonly (readonly PageItem[])[]): LaidPages => ({
  pages: pages.map((items) => ({ items })),
  widthPt: 600,
  heightPt: 800,
});

let fonts: DocumentFonts;
beforeAll(() => {
  fonts = shippedFonts();
});

/** What another program finds in a PDF. */
async function readBack(bytes: Uint8Array) {
  const pdf = await getDocument({ data: bytes.slice(), isEvalSupported: false, useWorkerFetch: false })
    .promise;
  const pages = await Promise.all(
    Array.from({ length: pdf.numPages }, async (_, at) => {
      const page = await pdf.getPage(at + 1);
      const { items } = await page.getTextContent();
      return {
        size: page.view,
        links: await page.getAnnotations(),
        texts: items.flatMap((item) => ('str' in item ? [item] : [])),
      };
    }),
  );
  return { pages, info: (await pdf.getMetadata()).info as Readonly<Record<string, unknown>>, pdf };
}

const write = (laid: LaidPages, info = INFO): Promise<Uint8Array> =>
  writePages(laid, fonts, info, () => undefined);

describe('pages as PDF', () => {
  it('hold their words where they were laid, measured from the top', async () => {
    const { pages } = await readBack(
      await write(pagesOf([text('Fondation: 12,5 m³', 100)], [text('Page two', 700)])),
    );
    expect(pages.map(({ texts }) => texts.map(({ str }) => str).join(''))).toEqual([
      'Fondation: 12,5 m³',
      'Page two',
    ]);
    expect(pages[0]?.size).toEqual([0, 0, 600, 800]);
    expect(pages[0]?.texts[0]?.transform.slice(4)).toEqual([40, 700]);
    expect(pages[1]?.texts[0]?.transform.slice(4)).toEqual([40, 100]);
  });

  it('write letters that only another part of the font has, and a sign for what none has', async () => {
    const { pages } = await readBack(await write(pagesOf([text('Łódź Škoda 漢', 100)])));
    expect(pages[0]?.texts.map(({ str }) => str).join('')).toBe('Łódź Škoda ?');
  });

  it('are as wide as was measured when they were laid', async () => {
    const words = 'Reinforcing bar No. 5, Žďár';
    const { pages } = await readBack(await write(pagesOf([text(words, 100, { size: 12 })])));
    const width = pages[0]?.texts.reduce((sum, item) => sum + item.width, 0) ?? 0;
    expect(width).toBeCloseTo(createMeasure(fonts)(words, false) * 12, 1);
    // Bold is wider, and its own measure.
    expect(createMeasure(fonts)(words, true)).toBeGreaterThan(createMeasure(fonts)(words, false));
  });

  it('lead from a link to the page and the height it stands for, and nowhere where that is gone', async () => {
    const link = (to: string): PageItem => ({ kind: 'link', x: 40, y: 90, width: 100, height: 12, to });
    const { pages, pdf } = await readBack(
      await write(
        pagesOf([text('See', 100), link('wall'), link('gone')], [{ kind: 'anchor', name: 'wall', y: 250 }]),
      ),
    );
    expect(pages[0]?.links).toHaveLength(1);
    const [first] = pages[0]?.links ?? [];
    expect(first.rect).toEqual([40, 698, 140, 710]);
    const [target, how, , top] = first.dest as readonly [
      { num: number; gen: number },
      { name: string },
      null,
      number,
    ];
    expect(await pdf.getPageIndex(target)).toBe(1);
    expect([how.name, top]).toEqual(['XYZ', 550]);
  });

  it('hold each picture once, however often it stands', async () => {
    // One white point.
    const dot =
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mP8/x8AAwMCAO+ip1sAAAAASUVORK5CYII=';
    const picture: PageItem = { kind: 'picture', x: 40, y: 40, width: 100, height: 50, of: 'logo' };
    const missing: PageItem = { ...picture, of: 'nobody' };
    const info: DocumentInfo = { ...INFO, pictures: { logo: { mediaType: 'image/png', data: dot } } };
    const once = await write(pagesOf([picture]), info);
    const often = await write(pagesOf([picture, picture], [picture], [picture, missing]), info);
    const images = (bytes: Uint8Array): number =>
      Buffer.from(bytes).toString('latin1').split('/Subtype /Image').length - 1;
    expect(images(once)).toBeGreaterThan(0);
    expect(images(often)).toBe(images(once));
  });

  it('say what they are and in which language', async () => {
    const { info } = await readBack(await write(pagesOf([text('A', 100)])));
    expect(info).toMatchObject({ Title: 'Bid, Boathouse', Author: 'Quill', Language: 'en-GB' });
  });

  it('are the same file for the same pages, and tell how far they are', async () => {
    const laid = pagesOf(...Array.from({ length: 25 }, (_, at) => [text(`Page ${at}`, 100)]));
    const told: number[] = [];
    const first = await writePages(laid, fonts, INFO, (done) => told.push(done));
    expect(await write(laid)).toEqual(first);
    expect(told).toEqual([10, 20]);
  });
});
