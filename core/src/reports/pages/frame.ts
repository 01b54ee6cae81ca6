import type { ReportPage } from '../../job/records/report.ts';
import type { Report } from '../report.ts';
import type { CellWriting } from '../writeCell.ts';
import type { MeasureText } from './page.ts';

/** What a report on paper says besides its figures. */
export interface PaperWords {
  readonly job: string;
  readonly client: string;
  readonly company: string;
  readonly date: string;
  readonly total: string;
  readonly totalOf: (name: string) => string;
  readonly without: (heading: string) => string;
  /** The usual foot of a page, with braces as a person may write them. */
  readonly footer: string;
  /** How much of the job the filter leaves out; empty where nothing. */
  readonly leftOut: string;
}

export interface LayoutBy {
  readonly measure: MeasureText;
  readonly writing: CellWriting;
  readonly words: PaperWords;
  /** Where the report and the job say nothing. */
  readonly paper: NonNullable<ReportPage['paper']>;
  /** Width over height of the logo; undefined for none. */
  readonly logoRatio?: number | undefined;
}

/** Where things stand on the paper. */
export interface Frame {
  readonly by: LayoutBy;
  readonly report: Report;
  readonly widthPt: number;
  readonly heightPt: number;
  readonly margin: number;
  readonly size: number;
  readonly lineHeight: number;
  readonly rowGap: number;
  readonly tinted: boolean;
  /** Left edge and width of each column. */
  readonly columns: readonly { readonly x: number; readonly width: number }[];
}
