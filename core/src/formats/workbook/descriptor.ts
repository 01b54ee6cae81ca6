import type { FormatDescriptor } from '../format.ts';

/** The estimate as a workbook with live formulas. */
export const WORKBOOK: FormatDescriptor = {
  id: 'workbook',
  extensions: ['.xlsx'],
  mediaTypes: ['application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'],
};
