import { isPoints, isRing } from '@zest/core/job/markKinds';
import fontkit from '@cantoo/fontkit';
import regularUrl from '@fontsource/ibm-plex-sans/files/ibm-plex-sans-latin-400-normal.woff?url';
import {
  type PDFFont,
  type PDFPage,
  PDFDocument,
  clip,
  closePath,
  concatTransformationMatrix,
  drawObject,
  endPath,
  lineTo,
  moveTo,
  popGraphicsState,
  pushGraphicsState,
  rgb,
} from '@cantoo/pdf-lib';
import { type Affine, composeAffine } from '@zest/core/geometry/affine';
import { flattenPath } from '@zest/core/geometry/path';
import type { Point } from '@zest/core/geometry/point';
import type { Mark } from '@zest/core/job/records/mark';
import type { Scope } from '@zest/core/job/records/scope';
import type { Placing, Sheet } from '@zest/core/job/records/sheet';
import { placingsOf } from '@zest/core/takeoff/placing';
import { scaleOfMark } from '@zest/core/job/scaleAt';
import { placeOfSeat } from '@zest/core/takeoff/seat';
import { traceGlyph } from '../../theme/glyphs.ts';
import { lookOf } from '../../theme/scopeColors.ts';
import { createSheetFiles } from '../../platform/sheetFiles.ts';
import { type Stores, formatsOf } from '../../stores/context.tsx';
import { settingsOf } from '@zest/core/job/job';
import { isMarkShown } from '../../stores/viewStore.ts';
import { colorChoice } from '../../workspace/colorChoice.ts';
import { LEGEND, legendRows } from '../../workspace/legendRows.ts';
import { labelOf, marksOnSheet } from './sheetContent.ts';
import { SvgTrace } from './svgTrace.ts';
import { t } from '../../messages/t.ts';

/** Scans and pages that cannot be taken over as they are, are drawn at this. */
const RASTER_DPI = 200;

/** The sheet as PDF: its pages as they are, vector for vector, the marks as vectors over them. */
export async function writeSheetPdf(stores: Stores, sheet: Sheet): Promise<Blob> {
  const { jobs, services } = stores;
  const open = jobs.getState().open;
  if (open === undefined) throw new Error('writeSheetPdf: no job is open');
  const document = await PDFDocument.create();
  document.registerFontkit(fontkit);
  const page = document.addPage([sheet.widthPt, sheet.heightPt]);
  const font = await document.embedFont(await (await fetch(regularUrl)).arrayBuffer(), { subset: true });
  if (sheet.tone === undefined)
    for (const placing of placingsOf(sheet)) {
      const blob = await services.storage.readFile(open.jobId, placing.fileId);
      const drawn = blob !== undefined && (await drawPlacing(document, page, placing, blob));
      if (!drawn) await drawRaster(document, page, { ...sheet, placings: [placing] }, stores, open.jobId);
    }
  else await drawRaster(document, page, sheet, stores, open.jobId);
  drawMarks(page, font, stores, sheet);
  drawLegend(page, font, stores, sheet);
  return new Blob([(await document.save()) as BlobPart], { type: 'application/pdf' });
}

/** User space of a page, unturned, to the page as shown: points from its upper left corner, y down. */
function shownFrom(turn: number, width: number, height: number): Affine {
  switch (((turn % 360) + 360) % 360) {
    case 90:
      return [0, 1, 1, 0, 0, 0];
    case 180:
      return [-1, 0, 0, 1, width, 0];
    case 270:
      return [0, -1, -1, 0, height, width];
    default:
      return [1, 0, 0, -1, 0, height];
  }
}

/** A page of a PDF laid as it lies on the sheet; false where it is no PDF or cannot be taken over. */
async function drawPlacing(
  document: PDFDocument,
  page: PDFPage,
  { pageIndex, matrix, clip: ring }: Placing,
  blob: Blob,
): Promise<boolean> {
  const bytes = new Uint8Array(await blob.arrayBuffer());
  if (bytes[0] !== 0x25 || bytes[1] !== 0x50) return false;
  try {
    const source = (await PDFDocument.load(bytes)).getPage(pageIndex);
    const box = source.getCropBox();
    const embedded = await document.embedPage(source, {
      left: box.x,
      bottom: box.y,
      right: box.x + box.width,
      top: box.y + box.height,
    });
    const shown = shownFrom(source.getRotation().angle, box.width, box.height);
    const flip: Affine = [1, 0, 0, -1, 0, page.getHeight()];
    const place = composeAffine(flip, composeAffine(matrix, shown));
    const name = page.node.newXObject(t('measure.sheet'), embedded.ref);
    const corners = ring.map(({ x, y }) => [x, page.getHeight() - y] as const);
    page.pushOperators(
      pushGraphicsState(),
      ...corners.map(([x, y], i) => (i === 0 ? moveTo(x, y) : lineTo(x, y))),
      closePath(),
      clip(),
      endPath(),
      concatTransformationMatrix(...(place as [number, number, number, number, number, number])),
      drawObject(name),
      popGraphicsState(),
    );
    return true;
  } catch {
    return false;
  }
}

/** What is no vector page, as a picture. */
async function drawRaster(
  document: PDFDocument,
  page: PDFPage,
  sheet: Sheet,
  { services }: Stores,
  jobId: string,
): Promise<void> {
  const scale = RASTER_DPI / 72;
  const tile = {
    scale,
    x: 0,
    y: 0,
    width: Math.ceil(sheet.widthPt * scale),
    height: Math.ceil(sheet.heightPt * scale),
  };
  const bitmap = await createSheetFiles(services, jobId).render(sheet, tile);
  const canvas = new OffscreenCanvas(tile.width, tile.height);
  canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
  const png = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 });
  const image = await document.embedJpg(await png.arrayBuffer());
  page.drawImage(image, { x: 0, y: 0, width: page.getWidth(), height: page.getHeight() });
}

const colorOf = (hex: string) =>
  rgb(
    ...([1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16) / 255) as [number, number, number]),
  );

const ARC_PT = 0.1;

function drawMarks(page: PDFPage, font: PDFFont, stores: Stores, sheet: Sheet): void {
  const open = stores.jobs.getState().open;
  if (open === undefined) return;
  const view = stores.view.getState();
  const { display } = formatsOf(settingsOf(open.job));
  const { figures } = open;
  const colorOfMark = colorChoice(open.job, view.colorBy, sheet.levelId);
  const shown = (mark: Mark, scope: Scope): boolean => isMarkShown(view, scope, mark.zoneId);
  for (const { mark, scope } of marksOnSheet(figures, sheet, shown)) {
    const look = lookOf(colorOfMark(scope, mark.zoneId));
    drawMark(page, mark, scope, look);
    const metersPerPoint = scaleOfMark(open.job, mark)?.xMetersPerPoint;
    for (const { seat, widthM } of figures.openingsOf(mark.id)) {
      const place = placeOfSeat(mark, seat);
      if (place === undefined || metersPerPoint === undefined) continue;
      const half = widthM / metersPerPoint / 2;
      const [cosine, sine] = [Math.cos(place.direction), Math.sin(place.direction)];
      const corner = (dx: number, dy: number): Point => ({
        x: place.at.x + dx * cosine - dy * sine,
        y: place.at.y + dx * sine + dy * cosine,
      });
      const trace = new SvgTrace();
      trace.ring([corner(-half, -4), corner(half, -4), corner(half, 4), corner(-half, 4)]);
      page.drawSvgPath(trace.path, {
        x: 0,
        y: page.getHeight(),
        color: rgb(1, 1, 1),
        borderColor: colorOf(look.color),
        borderWidth: 0.8,
      });
    }
    const label = labelOf(figures, mark, view.labels, display);
    if (label !== '') drawLabel(page, font, mark, label);
  }
}

function drawMark(page: PDFPage, mark: Mark, scope: Scope, look: ReturnType<typeof lookOf>): void {
  const color = colorOf(look.color);
  const at = { x: 0, y: page.getHeight() };
  const trace = new SvgTrace();
  if (isPoints(mark.kind)) {
    const { glyph, sizePt, turnDeg } = scope.sign ?? { glyph: look.glyph, sizePt: 12, turnDeg: 0 };
    for (const { x, y } of mark.strokes.flat())
      traceGlyph(trace, { x, y, r: sizePt / 2, turn: (turnDeg * Math.PI) / 180 }, glyph);
    const open = glyph === 'ring' || glyph === 'cross';
    page.drawSvgPath(trace.path, {
      ...at,
      borderColor: open ? color : rgb(1, 1, 1),
      borderWidth: open ? 2 : 0.6,
      ...(open ? {} : { color }),
    });
    return;
  }
  const closed = isRing(mark.kind);
  for (const stroke of mark.strokes) {
    const points = flattenPath(stroke, closed, ARC_PT);
    if (closed) trace.ring(points);
    else trace.chain(points);
  }
  page.drawSvgPath(trace.path, {
    ...at,
    borderColor: color,
    borderWidth: closed ? 1.4 : 3,
    ...(closed ? { color, opacity: 0.18 } : { borderDashArray: [...look.dash], borderOpacity: 0.9 }),
  });
}

const LABEL_PT = 8;

function drawLabel(page: PDFPage, font: PDFFont, mark: Mark, label: string): void {
  const points = mark.strokes[0] ?? [];
  const middle = {
    x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
    y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
  };
  drawText(page, font, label, middle.x - font.widthOfTextAtSize(label, LABEL_PT) / 2, middle.y, LABEL_PT);
}

const drawText = (page: PDFPage, font: PDFFont, text: string, x: number, y: number, size: number): void =>
  page.drawText(text, { x, y: page.getHeight() - y, size, font, color: rgb(0.09, 0.13, 0.11) });

function drawLegend(page: PDFPage, font: PDFFont, stores: Stores, sheet: Sheet): void {
  const open = stores.jobs.getState().open;
  if (sheet.legend === undefined || open === undefined) return;
  const view = stores.view.getState();
  const { display } = formatsOf(settingsOf(open.job));
  const rows = legendRows(open.figures, sheet, display, view);
  const { row, pad, swatch, text, width } = LEGEND;
  const { x, y } = sheet.legend;
  const high = 2 * pad + row * (rows.length + 1);
  page.drawRectangle({
    x,
    y: page.getHeight() - y - high,
    width,
    height: high,
    color: rgb(1, 1, 1),
    borderColor: rgb(0.09, 0.13, 0.11),
    borderWidth: 0.8,
  });
  drawText(page, font, t('measure.measured', { number: sheet.number }), x + pad, y + pad + text, text + 1);
  rows.forEach(({ scope, colors, figure }, index) => {
    const base = y + pad + row * (index + 1) + text;
    const part = (swatch - 8) / colors.length;
    colors.forEach((color, at) =>
      page.drawRectangle({
        x: x + pad + at * part,
        y: page.getHeight() - base,
        width: part,
        height: text - 2,
        color: colorOf(lookOf(color).color),
      }),
    );
    const room = width - 2 * pad - swatch - font.widthOfTextAtSize(figure, text) - 6;
    drawText(page, font, cut(font, scope.name, text, room), x + pad + swatch, base, text);
    drawText(page, font, figure, x + width - pad - font.widthOfTextAtSize(figure, text), base, text);
  });
}

/** As much of a name as there is room for. */
function cut(font: PDFFont, name: string, size: number, room: number): string {
  if (font.widthOfTextAtSize(name, size) <= room) return name;
  let kept = name;
  while (kept !== '' && font.widthOfTextAtSize(`${kept}…`, size) > room) kept = kept.slice(0, -1);
  return `${kept}…`;
}
