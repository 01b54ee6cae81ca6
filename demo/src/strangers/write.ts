import { PDFDocument, PDFName, StandardFonts } from '@cantoo/pdf-lib';
import type { StrangerSheet } from './sheets.ts';

/** A stranger's sheet as a PDF of one page. The same sheet always gives the same bytes. */
export async function writeStranger(sheet: Pick<StrangerSheet, 'width' | 'height' | 'content' | 'hidden'>) {
  const document = await PDFDocument.create({ updateMetadata: false });
  const { context } = document;
  const page = document.addPage([sheet.width, sheet.height]);
  page.node.setFontDictionary(PDFName.of('F1'), (await document.embedFont(StandardFonts.Helvetica)).ref);
  const layer = context.register(context.obj({ Type: 'OCG', Name: context.obj('Setting out') }));
  document.catalog.set(
    PDFName.of('OCProperties'),
    context.obj({ OCGs: [layer], D: { ON: [], OFF: [layer], Order: [layer] } }),
  );
  const { Resources } = page.node.normalizedEntries();
  Resources.set(PDFName.of('Properties'), context.obj({ Layer0: layer }));
  const content = `q ${sheet.content} Q /OC /Layer0 BDC ${sheet.hidden} EMC`;
  page.node.set(PDFName.of('Contents'), context.register(context.flateStream(content)));
  return document.save();
}
