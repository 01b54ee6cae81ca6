import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';

/** A request for prices that a supplier filled in. */
export const FILLED_REQUEST: FormatDescriptor = {
  id: 'filled-request',
  extensions: ['.xlsx'],
  mediaTypes: ['application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
  takenBy: 'filled-request',
  bytes: LIMITS.ownWorkbook.bytes,
  inWorker: true,
};
