import type { PriceMapping } from '@zest/core/formats/prices/columns';
import type { ReadPrices } from '@zest/core/formats/prices/read';
import type { Craft } from '@zest/core/job/records/craft';
import type { Crew } from '@zest/core/job/records/crew';
import type { Result } from '@zest/core/problem/result';
import type { NumberFormat } from '@zest/core/units/numberFormat';
import type { OnProgress, PriceFileProblem } from './readPriceFile.ts';

/** What is shown of a sheet before it is read: its first rows, and how many there are. */
export interface SheetHead {
  readonly name: string;
  readonly first: readonly (readonly string[])[];
  readonly rows: number;
  readonly columns: number;
}

export interface PriceAsked {
  readonly sheet: number;
  readonly headRow: number;
  readonly mapping: PriceMapping;
  readonly numbers: NumberFormat;
  readonly crafts: readonly Craft[];
  readonly crews: readonly Crew[];
}

/** Reads price lists beside the page; the rows stay there, only what is asked for comes over. */
export interface PriceWorker {
  readonly open: (
    file: Blob,
    onProgress: OnProgress,
  ) => Promise<Result<readonly SheetHead[], PriceFileProblem>>;
  readonly read: (asked: PriceAsked) => Promise<ReadPrices>;
  /** The rows of a file's first sheet as they are. */
  readonly rows: (file: Blob) => Promise<Result<readonly (readonly string[])[], PriceFileProblem>>;
}
