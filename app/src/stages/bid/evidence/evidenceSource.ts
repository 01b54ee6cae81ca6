import type { Figures } from '@zest/core/calculate/figures';
import type { Picture, PrintedCell, PrintedRow } from '@zest/core/formats/document/printed';
import type { Evidence } from '@zest/core/reports/evidence';
import type { Formats } from '../../../stores/context.tsx';

/** What a book of evidence is printed from. */
export interface EvidenceSource {
  readonly evidence: Evidence;
  readonly figures: Figures;
  readonly formats: Formats;
  /** ISO day. */
  readonly today: string;
  /** What of the bid it is for, in words. */
  readonly about: string;
  /** By the names of `pictureKey`. */
  readonly pictures: Readonly<Record<string, Picture>>;
}

/** The keys of blocks that others lead to. */
export const lineKey = (number: number): string => `line_${number}`;
export const scopeKey = (at: number): string => `scope_${at}`;
export const SHEETS_KEY = 'sheets';
/** The name of the picture of a scope's marks on one of its sheets. */
export const pictureKey = (scope: number, part: number): string => `marks_${scope}_${part}`;

export const words = (text: string): PrintedCell => ({ text });
export const row = (...cells: readonly PrintedCell[]): PrintedRow => ({ look: 'plain', indent: 0, cells });
export const boldRow = (...cells: readonly PrintedCell[]): PrintedRow => ({ look: 'bold', indent: 0, cells });
