import type { BidReport } from '@zest/core/reports/bidReport';
import type { MoneyFormat } from '@zest/core/pricing/money';
import { bidDocument } from './bidDocument.ts';

interface PdfMake {
  readonly addVirtualFileSystem: (fonts: unknown) => void;
  readonly createPdf: (document: unknown) => { readonly getBlob: () => Promise<Blob> };
}

/** Writes the bid as PDF; the writer and its fonts are only loaded here, they are large. */
export async function writeBidPdf(report: BidReport, money: MoneyFormat): Promise<Blob> {
  const [maker, fonts] = await Promise.all([
    import('pdfmake/build/pdfmake.min.js'),
    import('pdfmake/build/vfs_fonts.js'),
  ]);
  const pdfMake = (maker as unknown as { default: PdfMake }).default;
  pdfMake.addVirtualFileSystem((fonts as { default: unknown }).default);
  return pdfMake.createPdf(bidDocument(report, money)).getBlob();
}
