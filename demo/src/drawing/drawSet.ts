import { PDFDocument, StandardFonts } from 'pdf-lib';
import type { DrawnSheet } from '../boathouse/sheets.ts';
import { createPen } from './pen.ts';
import { SHEET_SIZE } from './titleBlock.ts';

/** Draws a set of sheets as one PDF. The same sheets always give the same bytes. */
export async function drawSet(title: string, sheets: readonly DrawnSheet[]): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  const issued = new Date('2026-10-23T09:00:00Z');
  document.setTitle(title);
  document.setAuthor('Odd & Evenson, Architects');
  document.setCreationDate(issued);
  document.setModificationDate(issued);
  document.setProducer('Zest Line demo');
  document.setCreator('Zest Line demo');
  const fonts = {
    plain: await document.embedFont(StandardFonts.Helvetica),
    bold: await document.embedFont(StandardFonts.HelveticaBold),
  };
  for (const sheet of sheets)
    sheet.draw(createPen(document.addPage([SHEET_SIZE.width, SHEET_SIZE.height]), fonts));
  return document.save();
}
