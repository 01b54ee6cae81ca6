import type { FormatDescriptor } from '../format.ts';

/** An order as UBL 2.1 (ISO/IEC 19845). */
export const UBL_ORDER: FormatDescriptor = {
  id: 'ubl-order',
  extensions: ['.xml'],
  mediaTypes: ['application/xml'],
};
