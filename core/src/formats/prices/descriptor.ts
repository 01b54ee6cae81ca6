import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';

/** A list of prices, whose columns are named when it is read. */
export const PRICE_LIST: FormatDescriptor = {
  id: 'prices',
  extensions: ['.csv', '.xlsx', '.txt'],
  mediaTypes: ['text/csv', 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet', 'text/plain'],
  takenBy: 'prices',
  bytes: LIMITS.prices.bytes,
  inWorker: true,
};
