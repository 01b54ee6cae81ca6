import { expose } from 'comlink';
import { documentHtml } from '@zest/core/formats/document/html';
import { layoutDocument } from '@zest/core/formats/document/layoutDocument';
import type { PrintedDocument } from '@zest/core/formats/document/printed';
import { documentSheets } from '@zest/core/formats/document/sheet';
import { reportRows } from '@zest/core/formats/report/csv';
import { reportHtml } from '@zest/core/formats/report/html';
import { type PrintedReport, paperWordsOf, writingOf } from '@zest/core/formats/report/printed';
import { reportSheet, withOwnNames } from '@zest/core/formats/report/sheet';
import { reportXml } from '@zest/core/formats/report/xml';
import type { LaidPages } from '@zest/core/reports/pages/page';
import { layoutReport } from '@zest/core/reports/pages/layoutReport';
import { csvBlob, csvText } from '../platform/csvText.ts';
import { createMeasure, loadFonts } from './fonts.ts';
import type { DocumentFile, OnWritten, ReportFile, ReportWorker } from './reportProtocol.ts';
import { writePages } from './writePages.ts';

async function layOut(printed: PrintedReport): Promise<LaidPages> {
  const fonts = await loadFonts();
  return layoutReport(printed.report, {
    measure: createMeasure(fonts),
    writing: writingOf(printed),
    words: paperWordsOf(printed),
    paper: printed.paper,
    logoRatio: printed.logo?.ratio,
  });
}

const PDF = 'application/pdf';
const HTML = 'text/html;charset=utf-8';
const DOCX = 'application/vnd.openxmlformats-officedocument.wordprocessingml.document';
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

async function writeWorkbook(all: readonly PrintedReport[], onWritten: OnWritten): Promise<Blob> {
  const sheets = withOwnNames(all.map(reportSheet));
  const rows = sheets.reduce((sum, { rows: own }) => sum + own.length, 0);
  const { writeSheets } = await import('./writeSheets.ts');
  return new Blob([await writeSheets(sheets, (done) => onWritten(done, rows))], { type: XLSX });
}

const WRITERS: Readonly<Record<ReportFile, (printed: PrintedReport, onWritten: OnWritten) => Promise<Blob>>> =
  {
    pdf: async (printed, onWritten) => {
      const laid = await layOut(printed);
      const { pages } = laid;
      const { report, words, language, logo } = printed;
      const pictures = logo === undefined ? {} : { logo };
      const info = { title: report.name, author: words.company, language, pictures };
      const bytes = await writePages(laid, await loadFonts(), info, (done) => onWritten(done, pages.length));
      return new Blob([bytes as BlobPart], { type: PDF });
    },
    xlsx: (printed, onWritten) => writeWorkbook([printed], onWritten),
    csv: (printed) => Promise.resolve(csvBlob(csvText(reportRows(printed)))),
    html: (printed) => Promise.resolve(new Blob([reportHtml(printed)], { type: HTML })),
    xml: (printed) => Promise.resolve(new Blob([reportXml(printed)], { type: 'application/xml' })),
  };

const DOCUMENT_WRITERS: Readonly<
  Record<DocumentFile, (printed: PrintedDocument, onWritten: OnWritten) => Promise<Blob>>
> = {
  pdf: async (printed, onWritten) => {
    const fonts = await loadFonts();
    const laid = layoutDocument(printed, createMeasure(fonts));
    const { title, author, language, pictures } = printed;
    const bytes = await writePages(laid, fonts, { title, author, language, pictures }, (done) =>
      onWritten(done, laid.pages.length),
    );
    return new Blob([bytes as BlobPart], { type: PDF });
  },
  docx: async (printed) =>
    new Blob([await (await import('./writeDocx.ts')).writeDocx(printed)], { type: DOCX }),
  xlsx: async (printed, onWritten) => {
    const sheets = documentSheets(printed);
    const { writeSheets } = await import('./writeSheets.ts');
    return new Blob([await writeSheets(sheets, (done) => onWritten(done, done))], { type: XLSX });
  },
  html: (printed) => Promise.resolve(new Blob([documentHtml(printed)], { type: HTML })),
};

const worker: ReportWorker = {
  write: (printed, as, onWritten) => WRITERS[as](printed, (done, of) => void onWritten(done, of)),
  writeWorkbook: (all, onWritten) => writeWorkbook(all, (done, of) => void onWritten(done, of)),
  writeDocument: (printed, as, onWritten) =>
    DOCUMENT_WRITERS[as](printed, (done, of) => void onWritten(done, of)),
  writePlain: async (sheets) => {
    const { writeSheets } = await import('./writeSheets.ts');
    return new Blob([await writeSheets(sheets, () => undefined)], { type: XLSX });
  },
  layOutDocument: async (printed, most) => {
    const laid = layoutDocument(printed, createMeasure(await loadFonts()));
    return { ...laid, pages: laid.pages.slice(0, most), count: laid.pages.length };
  },
  layOut: async (printed, most) => {
    const laid = await layOut(printed);
    return { ...laid, pages: laid.pages.slice(0, most), count: laid.pages.length };
  },
};

expose(worker);
