import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';

/** A table to look figures up in. */
export const TABLE: FormatDescriptor = {
  id: 'table',
  extensions: ['.csv'],
  mediaTypes: ['text/csv'],
  takenBy: 'table',
  bytes: LIMITS.table.bytes,
};
