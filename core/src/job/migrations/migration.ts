/** A record as an earlier version of the program wrote it: nothing is known of it but what it says. */
export interface RawRecord {
  readonly type: string;
  readonly [field: string]: unknown;
}

/**
 * What turns the records of one version into those of the next, so that the job means what it meant. A pure function;
 * it must take whatever was ever written, and leaves alone what it does not know.
 */
export interface Migration {
  /** The version it takes; it gives the next. */
  readonly from: number;
  readonly name: string;
  readonly migrate: (records: readonly RawRecord[]) => readonly RawRecord[];
}

/** For a version that only brought what could be left out: its records are read as they are. */
export const asItIs = (records: readonly RawRecord[]): readonly RawRecord[] => records;
