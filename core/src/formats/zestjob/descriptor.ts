/** A job in one file: a zip of `job.json` and the job's files under `files/`. See docs/job-file.md. */
export const ZESTJOB = {
  extension: '.zestjob',
  mediaType: 'application/zip',
  format: 'zestjob',
  /**
   * 2 brought openings, levels, typed pieces, arcs and roof slopes; 3 zones, pages laid on sheets and parts
   * with a scale of their own; 4 named quantities, tables, difficulties and what assemblies learned;
   * 5 crews, regions, adjustments, changed lines, alternates, quotes, yardsticks and what was accepted.
   * 6 crafts and crews of lines, what waste acts on, factors on hours, lines that a quote replaces, and the
   * manifest. An older file is one without them.
   */
  version: 6,
  jobEntry: 'job.json',
  filesFolder: 'files/',
  /** Every other entry with its SHA-256; a file that was put together by hand may leave it out. */
  manifestEntry: 'manifest.json',
  /** Only in a job that has any. */
  snapshotsEntry: 'snapshots.json',
} as const;

/** What is taken in at most, unpacked. A plan set is rarely over 300 MB. */
export const UNPACKED_LIMIT = 1024 ** 3;
export const ENTRY_LIMIT = 2_000;
