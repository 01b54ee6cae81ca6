import fontkit from '@cantoo/fontkit';
import {
  type PDFFont,
  type PDFImage,
  type PDFOperator,
  type PDFPage,
  PDFDocument,
  PDFHexString,
  PDFName,
  PDFString,
  beginText,
  endText,
  rgb,
  setFillingRgbColor,
  setFontAndSize,
  setTextMatrix,
  showText,
} from '@cantoo/pdf-lib';
import {
  type LaidPages,
  type PageItem,
  type TextLook,
  type Tint,
  isBoldLook,
} from '@zest/core/reports/pages/page';
import { type DocumentFonts, UNKNOWN_LETTER, inFont, partOf } from './fonts.ts';

type Color = readonly [number, number, number];
const INK: Color = [0.094, 0.129, 0.11];
const SOFT: Color = [0.337, 0.38, 0.353];
const TINTS: Readonly<Record<Tint, Color>> = { heading: [0.937, 0.918, 0.863], group: [0.969, 0.957, 0.925] };
const RULE = rgb(0.851, 0.827, 0.761);
const HEAVY = rgb(0.094, 0.129, 0.11);
const WARN: Color = [0.639, 0.125, 0.247];
const COLORS: Readonly<Record<TextLook, Color>> = { plain: INK, bold: INK, soft: SOFT, warn: WARN };

/** What a document says of itself. */
export interface DocumentInfo {
  readonly title: string;
  readonly author: string;
  readonly language: string;
  /** By the names the pages have for them. */
  readonly pictures: Readonly<Record<string, PictureBytes>>;
}

export interface PictureBytes {
  readonly mediaType: 'image/png' | 'image/jpeg';
  /** Base64. */
  readonly data: string;
}

/** A piece of text in one part of a font. */
interface Run {
  readonly font: PDFFont;
  readonly hex: PDFHexString;
  /** At one point. */
  readonly width: number;
}

interface Drawing {
  readonly runsOf: (text: string, bold: boolean) => readonly Run[];
  readonly pictures: ReadonlyMap<string, PDFImage>;
  readonly heightPt: number;
}

/** Laid pages as PDF. It has no clock: equal pages are equal files. */
export async function writePages(
  { pages, widthPt, heightPt }: LaidPages,
  fonts: DocumentFonts,
  info: DocumentInfo,
  onWritten: (done: number) => void,
): Promise<Uint8Array> {
  const document = await PDFDocument.create({ updateMetadata: false });
  document.registerFontkit(fontkit);
  document.setTitle(info.title, { showInWindowTitleBar: true });
  document.setAuthor(info.author);
  document.setProducer('Zest Line');
  document.setCreationDate(new Date(0));
  document.setModificationDate(new Date(0));
  document.catalog.set(PDFName.of('Lang'), PDFString.of(info.language));
  const pictures = await embedPictures(document, info.pictures);
  const drawing: Drawing = { runsOf: await createRuns(document, fonts), pictures, heightPt };
  const written = pages.map(() => document.addPage([widthPt, heightPt]));
  const anchors = anchorsOf(pages);
  pages.forEach(({ items }, at) => {
    const page = written[at];
    if (page === undefined) return;
    drawPage(page, items, drawing);
    for (const item of items) if (item.kind === 'link') addLink(page, item, anchors, written, heightPt);
    if (at % 10 === 9) onWritten(at + 1);
  });
  return document.save();
}

interface Place {
  readonly page: number;
  readonly y: number;
}

function anchorsOf(pages: LaidPages['pages']): ReadonlyMap<string, Place> {
  const anchors = new Map<string, Place>();
  pages.forEach(({ items }, page) => {
    for (const item of items) if (item.kind === 'anchor') anchors.set(item.name, { page, y: item.y });
  });
  return anchors;
}

/** A part of a page that leads to a place in the document (ISO 32000-1, 12.5.6.5); one that leads nowhere is left out. */
function addLink(
  page: PDFPage,
  { x, y, width, height, to }: Extract<PageItem, { kind: 'link' }>,
  anchors: ReadonlyMap<string, Place>,
  pages: readonly PDFPage[],
  heightPt: number,
): void {
  const place = anchors.get(to);
  const target = place === undefined ? undefined : pages[place.page];
  if (place === undefined || target === undefined) return;
  const { context } = page.doc;
  const annotation = context.obj({
    Type: 'Annot',
    Subtype: 'Link',
    Rect: [x, heightPt - y - height, x + width, heightPt - y],
    Border: [0, 0, 0],
    Dest: [target.ref, 'XYZ', null, heightPt - place.y, null],
  });
  page.node.addAnnot(context.register(annotation));
}

/** Each picture once, on however many pages it stands. */
async function embedPictures(
  document: PDFDocument,
  pictures: DocumentInfo['pictures'],
): Promise<ReadonlyMap<string, PDFImage>> {
  const embedded = new Map<string, PDFImage>();
  for (const [name, { mediaType, data }] of Object.entries(pictures))
    embedded.set(name, await (mediaType === 'image/png' ? document.embedPng(data) : document.embedJpg(data)));
  return embedded;
}

/** A letter as a part of the font writes it. */
interface Letter {
  readonly part: number;
  readonly hex: string;
  readonly width: number;
}

/**
 * Texts as the fonts write them, letter by letter: a report has few letters and many texts, and laying each text out by
 * itself would take longer than all the rest.
 */
async function createRuns(document: PDFDocument, fonts: DocumentFonts): Promise<Drawing['runsOf']> {
  const embed = async (parts: DocumentFonts['plain']): Promise<readonly PDFFont[]> =>
    Promise.all(parts.map(({ bytes }) => document.embedFont(bytes, { subset: true })));
  const embedded = { plain: await embed(fonts.plain), bold: await embed(fonts.bold) };
  const known = { plain: new Map<string, Letter>(), bold: new Map<string, Letter>() };
  const letterOf = (letter: string, look: 'plain' | 'bold'): Letter => {
    const had = known[look].get(letter);
    if (had !== undefined) return had;
    const shown = inFont(letter);
    const found = partOf(fonts[look], shown);
    const own = found === undefined ? UNKNOWN_LETTER : shown;
    const part = found === undefined ? 0 : fonts[look].indexOf(found);
    const made = {
      part,
      hex: embedded[look][part]?.encodeText(own).asString() ?? '',
      width: fonts[look][part]?.advanceOf(own.codePointAt(0) ?? 0) ?? 0.5,
    };
    known[look].set(letter, made);
    return made;
  };
  return (text, bold) => {
    const look = bold ? 'bold' : 'plain';
    const runs: { font: PDFFont; hex: string; width: number; part: number }[] = [];
    for (const each of text) {
      const { part, hex, width } = letterOf(each, look);
      const last = runs.at(-1);
      const font = embedded[look][part];
      if (last?.part === part) {
        last.hex += hex;
        last.width += width;
      } else if (font !== undefined) runs.push({ font, hex, width, part });
    }
    return runs.map(({ font, hex, width }) => ({ font, hex: PDFHexString.of(hex), width }));
  };
}

function drawPage(page: PDFPage, items: readonly PageItem[], drawing: Drawing): void {
  const { heightPt, pictures } = drawing;
  // What lies below is drawn first.
  for (const item of items)
    if (item.kind === 'fill') {
      const { x, y, width, height, tint } = item;
      const [red, green, blue] = TINTS[tint];
      page.drawRectangle({ x, y: heightPt - y - height, width, height, color: rgb(red, green, blue) });
    }
  for (const item of items) {
    if (item.kind === 'rule') {
      const { x, y, width, heavy } = item;
      const at = heightPt - y;
      page.drawLine({
        start: { x, y: at },
        end: { x: x + width, y: at },
        thickness: heavy ? 0.8 : 0.4,
        color: heavy ? HEAVY : RULE,
      });
    }
    const picture = item.kind === 'picture' ? pictures.get(item.of) : undefined;
    if (item.kind === 'picture' && picture !== undefined) {
      const { x, y, width, height } = item;
      const scale = Math.min(width / picture.width, height / picture.height);
      page.drawImage(picture, {
        x: x + width - picture.width * scale,
        y: heightPt - y - picture.height * scale,
        width: picture.width * scale,
        height: picture.height * scale,
      });
    }
  }
  page.pushOperators(...textOperators(page, items, drawing));
}

/** All texts of a page between one beginning and one end: a page of a report has hundreds. */
function textOperators(
  page: PDFPage,
  items: readonly PageItem[],
  { runsOf, heightPt }: Drawing,
): PDFOperator[] {
  const operators: PDFOperator[] = [beginText()];
  const names = new Map<PDFFont, PDFName>();
  const nameOf = (font: PDFFont): PDFName => {
    const name = names.get(font) ?? page.node.newFontDictionary(font.name, font.ref);
    names.set(font, name);
    return name;
  };
  for (const item of items) {
    if (item.kind !== 'text') continue;
    const { text, size, look } = item;
    let { x } = item;
    operators.push(setFillingRgbColor(...(COLORS[look] as [number, number, number])));
    for (const { font, hex, width } of runsOf(text, isBoldLook(look))) {
      operators.push(
        setFontAndSize(nameOf(font), size),
        setTextMatrix(1, 0, 0, 1, x, heightPt - item.y),
        showText(hex),
      );
      x += width * size;
    }
  }
  return [...operators, endText()];
}
