import type { RecordType } from '../../job/id.ts';
import type { JobProblem } from '../../job/problem.ts';
import type { RecordOf } from '../../job/record.ts';

/** Assemblies in one JSON file, with the items, crafts, crews and tables they need, as records of a job. */
export const ASSEMBLY_PACK = {
  format: 'zest-assemblies',
  version: 1,
  extension: '.assemblies.json',
} as const;

export const PACKED_TYPES = [
  'assembly',
  'item',
  'craft',
  'crew',
  'table',
] as const satisfies readonly RecordType[];
export type PackedRecord = RecordOf<(typeof PACKED_TYPES)[number]>;

export type PackProblem =
  | { readonly kind: 'pack-not-json' }
  | { readonly kind: 'pack-other-format' }
  | { readonly kind: 'pack-newer'; readonly version: number; readonly known: number }
  | { readonly kind: 'pack-record'; readonly index: number; readonly problem: JobProblem }
  | { readonly kind: 'pack-record-type'; readonly index: number; readonly type: string }
  | { readonly kind: 'pack-incomplete'; readonly name: string };

/** Records of a pack, and the currency their prices are in; a file of an earlier version does not say. */
export interface Pack {
  readonly records: readonly PackedRecord[];
  readonly currency?: string | undefined;
}
