const MB = 1024 ** 2;
const GB = 1024 ** 3;

/**
 * What is taken in at most, by what it is, in one place. A plan set is rarely over 300 MB; a list of prices for all trades has some
 * 100,000 items. What is beyond is refused with its limit, before memory is spent on it.
 */
export const LIMITS = {
  jobFile: { bytes: GB, unpackedBytes: GB, entries: 2_000 },
  pdf: {
    bytes: 500 * MB,
    pages: 1_000,
    /** One stream unpacked, and one image of it. */
    streamBytes: 96e6,
    imageBytes: 600e6,
    /** What a page may have drawn. */
    operations: 2_000_000,
    /** Lines of a page that can be snapped to. */
    segments: 400_000,
  },
  image: { pixels: 100_000_000, tiffPages: 200, tiffFields: 400 },
  /** Before it is made smaller. */
  logo: { bytes: 20 * MB },
  workbook: {
    bytes: 400 * MB,
    entries: 4_000,
    /** Cells that merges cover: a reader makes one of each, filled or not. */
    mergedCells: 500_000,
  },
  prices: { bytes: 300 * MB, rows: 1_048_576, columns: 400, items: 100_000 },
  assemblies: { bytes: 20 * MB },
  table: { bytes: 20 * MB },
  preset: { bytes: MB },
  /** Unpacked and filled on the page. */
  ownWorkbook: { bytes: 60 * MB },
} as const;

/** How long a worker may take with what it is asked, in milliseconds; then it is ended, and said so. */
export const BUDGETS_MS = {
  page: 40_000,
  job: 180_000,
  prices: 120_000,
  assemblies: 60_000,
  report: 180_000,
} as const;
