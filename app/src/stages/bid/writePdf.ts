import { bidDocument } from './bidDocument.ts';
import type { BidModel } from './bidModel.ts';

interface PdfMake {
  readonly addVirtualFileSystem: (fonts: unknown) => void;
  readonly createPdf: (document: unknown) => { readonly getBlob: () => Promise<Blob> };
}

/** Writes the bid as PDF; the writer and its fonts are only loaded here, they are large. */
export async function writeBidPdf(model: BidModel): Promise<Blob> {
  const [maker, fonts] = await Promise.all([
    import('pdfmake/build/pdfmake.min.js'),
    import('pdfmake/build/vfs_fonts.js'),
  ]);
  const pdfMake = (maker as unknown as { default: PdfMake }).default;
  pdfMake.addVirtualFileSystem((fonts as { default: unknown }).default);
  return pdfMake.createPdf(bidDocument(model)).getBlob();
}
