import type { LaidPages } from '@zest/core/reports/pages/page';
import type { PrintedDocument } from '@zest/core/formats/document/printed';
import type { ReportSheet } from '@zest/core/formats/report/sheet';
import type { PrintedReport } from '@zest/core/formats/report/printed';

/** The kinds of file a report is written as. */
export const REPORT_FILES = ['pdf', 'xlsx', 'csv', 'html', 'xml'] as const;
export type ReportFile = (typeof REPORT_FILES)[number];

/** The kinds of file a document is written as. */
export const DOCUMENT_FILES = ['pdf', 'docx', 'xlsx', 'html'] as const;
export type DocumentFile = (typeof DOCUMENT_FILES)[number];

export type OnWritten = (done: number, of: number) => void;

/** Some of the pages, and how many there are. */
export type CountedPages = LaidPages & { readonly count: number };

/** Writes reports and documents beside the page. */
export interface ReportWorker {
  readonly write: (printed: PrintedReport, as: ReportFile, onWritten: OnWritten) => Promise<Blob>;
  /** Several reports as the sheets of one workbook. */
  readonly writeWorkbook: (printed: readonly PrintedReport[], onWritten: OnWritten) => Promise<Blob>;
  /** The pages as they will be printed; no more of them than that. */
  readonly layOut: (printed: PrintedReport, most: number) => Promise<CountedPages>;
  readonly writeDocument: (printed: PrintedDocument, as: DocumentFile, onWritten: OnWritten) => Promise<Blob>;
  /** Sheets that are made already, as a workbook. */
  readonly writePlain: (sheets: readonly ReportSheet[]) => Promise<Blob>;
  readonly layOutDocument: (printed: PrintedDocument, most: number) => Promise<CountedPages>;
}
