import type { PackedLines } from '@zest/core/geometry/snap';
import type { Placing, Tone } from '@zest/core/job/records/sheet';
import type { PdfBomb } from '@zest/core/formats/pdf/check';
import type { ImageProblem } from '@zest/core/formats/image/read';

/** What the sheet worker is asked and answers; plain data that can cross to it. */
export interface PageText {
  readonly text: string;
  /** Sheet points from the top left corner of the page as shown; the baseline's start. */
  readonly x: number;
  readonly y: number;
  readonly height: number;
  readonly width: number;
}

export interface PageInfo {
  readonly widthPt: number;
  readonly heightPt: number;
  readonly texts: readonly PageText[];
}

export type OpenAnswer =
  | { readonly ok: true; readonly pageCount: number }
  | { readonly ok: false; readonly problem: PdfProblem | ImageProblem };

export type PdfProblem =
  | { readonly kind: 'pdf-not-pdf' }
  | { readonly kind: 'pdf-damaged' }
  | { readonly kind: 'pdf-locked' }
  | { readonly kind: 'pdf-empty' }
  | { readonly kind: 'pdf-no-pages' }
  | { readonly kind: 'pdf-too-many-pages'; readonly pages: number; readonly limit: number }
  | { readonly kind: 'pdf-too-large'; readonly bytes: number; readonly limit: number }
  | PdfBomb;

export interface Tile {
  /** Pixels per sheet point. */
  readonly scale: number;
  /** Pixels from the page's corner at that scale. */
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The pages of a sheet as they lie on it, and the tone they are shown in. */
export interface PlacedSheet {
  readonly placings: readonly Placing[];
  readonly tone: Tone | undefined;
}

export interface SheetWorker {
  /** A file that is new is looked through before it is read; one that is kept was when it came. */
  readonly open: (fileId: string, bytes: ArrayBuffer, isNew?: boolean) => Promise<OpenAnswer>;
  readonly close: (fileId: string) => Promise<void>;
  readonly page: (fileId: string, pageIndex: number) => Promise<PageInfo>;
  /** Line work of a sheet as segments in sheet points, with its index for snapping. */
  readonly lineWork: (sheet: PlacedSheet) => Promise<PackedLines>;
  /** Texts of a sheet in sheet points. */
  readonly texts: (sheet: PlacedSheet) => Promise<readonly PageText[]>;
  readonly render: (sheet: PlacedSheet, tile: Tile) => Promise<ImageBitmap>;
}
