import type { Report } from '../../reports/report.ts';
import type { ReportPage } from '../../job/records/report.ts';
import type { CellWriting } from '../../reports/writeCell.ts';
import type { PaperWords } from '../../reports/pages/frame.ts';
import type { NumberFormat } from '../../units/numberFormat.ts';

/** What a report says besides its figures; braces stand for names that are put in. */
export interface PrintedWords {
  readonly job: string;
  readonly client: string;
  readonly company: string;
  readonly date: string;
  readonly total: string;
  /** `Total {name}` */
  readonly totalOf: string;
  /** `No {field}`: of a group whose cells say nothing. */
  readonly without: string;
  /** `{job}, page {page} of {pages}` */
  readonly footer: string;
  readonly leftOut: string;
  /** `several units: {units}` */
  readonly mixed: string;
}

/**
 * A report ready to be written by whoever has neither the job nor the words: plain data, so that it goes to a worker.
 * Why a figure is missing is a text already.
 */
export interface PrintedReport {
  readonly report: Report;
  readonly numbers: NumberFormat;
  /** BCP 47 tag of the language the words are in. */
  readonly language: string;
  readonly words: PrintedWords;
  /** ISO dates as they are written. */
  readonly dates: Readonly<Record<string, string>>;
  readonly failures: Readonly<Record<string, string>>;
  readonly paper: NonNullable<ReportPage['paper']>;
  readonly logo?: {
    readonly mediaType: 'image/png' | 'image/jpeg';
    /** Base64. */
    readonly data: string;
    readonly ratio: number;
  };
}

const fillIn = (template: string, name: string, value: string): string =>
  template.replace(`{${name}}`, value);

/** How its cells are written. */
export const writingOf = ({ numbers, report, dates, failures, words }: PrintedReport): CellWriting => ({
  numbers,
  currency: report.currency,
  date: (day) => dates[day] ?? day,
  failure: (failure) => failures[typeof failure === 'string' ? failure : failure.kind] ?? '',
  mixed: (units) => fillIn(words.mixed, 'units', units.filter((unit) => unit !== '').join(', ')),
});

/** What stands on its pages. */
export const paperWordsOf = ({ words }: PrintedReport): PaperWords => ({
  ...words,
  totalOf: (name) => fillIn(words.totalOf, 'name', name),
  without: (field) => fillIn(words.without, 'field', field),
});
