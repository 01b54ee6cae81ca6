import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';

/** The person's own workbook, whose named cells are filled. */
export const OWN_WORKBOOK: FormatDescriptor = {
  id: 'own-workbook',
  extensions: ['.xlsx'],
  mediaTypes: ['application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
  takenBy: 'own-workbook',
  bytes: LIMITS.ownWorkbook.bytes,
};
