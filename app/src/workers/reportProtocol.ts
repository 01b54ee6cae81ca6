import type { LaidPages } from '@zest/core/reports/pages/page';
import type { PrintedReport } from '@zest/core/formats/report/printed';

/** The kinds of file a report is written as. */
export const REPORT_FILES = ['pdf', 'xlsx', 'csv', 'html', 'xml'] as const;
export type ReportFile = (typeof REPORT_FILES)[number];

export type OnWritten = (done: number, of: number) => void;

/** Writes reports beside the page. */
export interface ReportWorker {
  readonly write: (printed: PrintedReport, as: ReportFile, onWritten: OnWritten) => Promise<Blob>;
  /** Several reports as the sheets of one workbook. */
  readonly writeWorkbook: (printed: readonly PrintedReport[], onWritten: OnWritten) => Promise<Blob>;
  /** The pages as they will be printed; no more of them than that. */
  readonly layOut: (printed: PrintedReport, most: number) => Promise<LaidPages & { readonly count: number }>;
}
