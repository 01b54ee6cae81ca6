import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';

/** Scans and photos of drawings. */
export const IMAGE: FormatDescriptor = {
  id: 'image',
  extensions: ['.png', '.jpg', '.jpeg', '.tif', '.tiff'],
  mediaTypes: ['image/png', 'image/jpeg', 'image/tiff'],
  takenBy: 'drawings',
  bytes: LIMITS.pdf.bytes,
  inWorker: true,
};
