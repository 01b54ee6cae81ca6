import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';

export const PDF: FormatDescriptor = {
  id: 'pdf',
  extensions: ['.pdf'],
  mediaTypes: ['application/pdf'],
  takenBy: 'drawings',
  bytes: LIMITS.pdf.bytes,
  inWorker: true,
};
