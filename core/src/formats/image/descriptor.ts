import type { FormatDescriptor } from '../format.ts';
import { LIMITS } from '../limits.ts';

/** A picture for a letterhead. */
export const LOGO: FormatDescriptor = {
  id: 'logo',
  extensions: ['.png', '.jpg', '.jpeg'],
  mediaTypes: ['image/png', 'image/jpeg'],
  takenBy: 'logo',
  bytes: LIMITS.logo.bytes,
};

/** A photo or a rendering in a document. */
export const PICTURE: FormatDescriptor = {
  id: 'picture',
  extensions: ['.png', '.jpg', '.jpeg'],
  mediaTypes: ['image/png', 'image/jpeg'],
  takenBy: 'picture',
  bytes: LIMITS.logo.bytes,
};

/** Scans and photos of drawings. */
export const IMAGE: FormatDescriptor = {
  id: 'image',
  extensions: ['.png', '.jpg', '.jpeg', '.tif', '.tiff'],
  mediaTypes: ['image/png', 'image/jpeg', 'image/tiff'],
  takenBy: 'drawings',
  bytes: LIMITS.pdf.bytes,
  inWorker: true,
};
