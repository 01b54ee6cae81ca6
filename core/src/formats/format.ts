/** Where a file is taken in. */
export type FormatTarget =
  | 'drawings'
  | 'job'
  | 'prices'
  | 'assemblies'
  | 'table'
  | 'logo'
  | 'report'
  | 'own-workbook'
  | 'picture'
  | 'filled-request';

/** A kind of file, as far as buttons, dialogs and places to drop a file have to know it. */
export interface FormatDescriptor {
  readonly id: string;
  /** Endings of names; files are written with the first. */
  readonly extensions: readonly [string, ...string[]];
  readonly mediaTypes: readonly [string, ...string[]];
  /** Where it is taken in; undefined for what is only written. */
  readonly takenBy?: FormatTarget;
  /** What is taken in at most. */
  readonly bytes?: number;
  /** Read off the page, with a time it may take, and stopped when asked. */
  readonly inWorker?: boolean;
}
