import type { FormatDescriptor } from '../format.ts';

/** A document for word processors (ISO/IEC 29500). */
export const DOCX: FormatDescriptor = {
  id: 'docx',
  extensions: ['.docx'],
  mediaTypes: ['application/vnd.openxmlformats-officedocument.wordprocessingml.document'],
  inWorker: true,
};
