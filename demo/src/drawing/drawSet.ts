import { PDFDocument, StandardFonts } from '@cantoo/pdf-lib';
import { type Pen, createPen } from './pen.ts';

export interface DrawnSheet {
  readonly number: string;
  readonly title: string;
  readonly scale: string;
  readonly draw: (pen: Pen) => void;
}

export interface SetContent {
  readonly title: string;
  readonly author: string;
  /** Sheet points. */
  readonly size: { readonly width: number; readonly height: number };
  readonly sheets: readonly DrawnSheet[];
}

/** Draws a set of sheets as one PDF. The same sheets always give the same bytes. */
export async function drawSet({ title, author, size, sheets }: SetContent): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  const issued = new Date('2026-10-23T09:00:00Z');
  document.setTitle(title);
  document.setAuthor(author);
  document.setCreationDate(issued);
  document.setModificationDate(issued);
  document.setProducer('Zest Line demo');
  document.setCreator('Zest Line demo');
  const fonts = {
    plain: await document.embedFont(StandardFonts.Helvetica),
    bold: await document.embedFont(StandardFonts.HelveticaBold),
  };
  for (const sheet of sheets) sheet.draw(createPen(document.addPage([size.width, size.height]), fonts));
  return document.save();
}
