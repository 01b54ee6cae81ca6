import type { ReportPage } from '../../job/records/report.ts';
import type { NumberFormat } from '../../units/numberFormat.ts';
import type { PrintedReport } from '../report/printed.ts';

/** How a figure of a table follows from others, for formats that can say so. */
export type CellFormula =
  /** Of these rows of its own column, counted from 0. */
  | { readonly kind: 'sum'; readonly rows: readonly number[] }
  /** Of two cells of its own row. */
  | { readonly kind: 'product'; readonly columns: readonly [number, number] }
  /** Of another row of its own column. */
  | { readonly kind: 'percent'; readonly row: number; readonly percent: string };

/** How a figure is written in a workbook. */
export type FigureKind = 'money' | 'rate' | 'quantity';

export interface PrintedCell {
  readonly text: string;
  /** Major units of money, or a quantity in the unit beside it; undefined for words. */
  readonly value?: number;
  readonly kind?: FigureKind;
  /** Of a quantity. */
  readonly unit?: string;
  readonly formula?: CellFormula;
  /** The key of the block it leads to. */
  readonly link?: string;
  /** In its place comes the number of the page that this block begins on. */
  readonly pageOf?: string;
}

export interface PrintedRow {
  readonly cells: readonly PrintedCell[];
  readonly look: 'plain' | 'bold' | 'soft' | 'total';
  /** How deep it stands under the bold row above it. */
  readonly indent: number;
}

export interface PrintedColumn {
  readonly heading: string;
  readonly align: 'left' | 'right';
  /** The column of words that takes the room the others leave. */
  readonly isWide: boolean;
}

export interface PrintedTable {
  readonly columns: readonly PrintedColumn[];
  /** Whether the headings of the columns show. */
  readonly hasHead: boolean;
  /** It goes to the next page as a whole where it does not fit on this one. */
  readonly staysTogether?: true;
  readonly rows: readonly PrintedRow[];
}

export interface PrintedParagraph {
  readonly text: string;
  readonly look: 'plain' | 'bold' | 'soft' | 'title' | 'warn';
}

interface BlockHead {
  readonly key: string;
  readonly heading: string;
  /** It stands on one page with what begins the next block. */
  readonly keepsNext?: true;
}

/** A part of a document with all its words. */
export type PrintedBlock = BlockHead &
  (
    | {
        readonly kind: 'letterhead';
        readonly company: string;
        readonly address: readonly string[];
        readonly title: string;
        readonly dated: string;
      }
    | { readonly kind: 'paragraphs'; readonly paragraphs: readonly PrintedParagraph[] }
    | { readonly kind: 'list'; readonly items: readonly string[] }
    | { readonly kind: 'table'; readonly table: PrintedTable }
    | { readonly kind: 'signatures'; readonly names: readonly string[] }
    | {
        readonly kind: 'picture';
        /** Its name among the pictures; empty for one that is not there. */
        readonly picture: string;
        /** Width over height. */
        readonly ratio: number;
        readonly widthPercent: number;
        readonly caption: string;
        /** What is said in its place where it is missing, and to whoever cannot see it. */
        readonly words: string;
      }
    | { readonly kind: 'report'; readonly printed: PrintedReport }
    | { readonly kind: 'break' }
  );

export interface Picture {
  readonly mediaType: 'image/png' | 'image/jpeg';
  /** Base64. */
  readonly data: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** The name of the logo among the pictures. */
export const LOGO = 'logo';

/**
 * A document ready to be written by whoever has neither the job nor the words: plain data, so that it goes to a worker.
 */
export interface PrintedDocument {
  readonly title: string;
  readonly author: string;
  /** BCP 47 tag of the language the words are in. */
  readonly language: string;
  readonly currency: string;
  readonly numbers: NumberFormat;
  readonly page: ReportPage;
  readonly paper: 'letter' | 'a4';
  /** Above and below every page, with `{page}` and `{pages}` still to be filled in. */
  readonly header: string;
  readonly footer: string;
  readonly blocks: readonly PrintedBlock[];
  readonly pictures: Readonly<Record<string, Picture>>;
}
