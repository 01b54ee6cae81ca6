import { type Result, accept, refuse } from '../../problem/result.ts';
import { openings } from './001-openings.ts';
import { zones } from './002-zones.ts';
import { quantities } from './003-quantities.ts';
import { money } from './004-money.ts';
import { waste } from './005-waste.ts';
import { samples } from './006-samples.ts';
import { company } from './007-company.ts';
import { reports } from './008-reports.ts';
import { documents } from './009-documents.ts';
import type { Migration, RawRecord } from './migration.ts';

/** One for each version there was, in their order. */
export const MIGRATIONS: readonly Migration[] = [
  openings,
  zones,
  quantities,
  money,
  waste,
  samples,
  company,
  reports,
  documents,
];

/** The version that is written now. */
export const JOB_VERSION = MIGRATIONS.length + 1;

/** A version of the program that is newer wrote it: what its records mean is not known here. */
export interface NewerVersion {
  readonly kind: 'records-newer';
  readonly version: number;
  readonly known: number;
}

/** The records of a version as this one means them. */
export function migrateRecords(
  records: readonly RawRecord[],
  version: number,
): Result<readonly RawRecord[], NewerVersion> {
  if (version > JOB_VERSION) return refuse({ kind: 'records-newer', version, known: JOB_VERSION });
  return accept(
    MIGRATIONS.filter(({ from }) => from >= version).reduce(
      (migrated, { migrate }) => migrate(migrated),
      records,
    ),
  );
}
