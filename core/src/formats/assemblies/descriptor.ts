import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';

/** Assemblies to hand on: a pack of records, or a workbook that is filled in by hand. */
export const ASSEMBLIES: FormatDescriptor = {
  id: 'assemblies',
  extensions: ['.json', '.xlsx'],
  mediaTypes: ['application/json', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
  takenBy: 'assemblies',
  bytes: LIMITS.assemblies.bytes,
  inWorker: true,
};
