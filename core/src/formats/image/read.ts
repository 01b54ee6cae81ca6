import { type Result, accept, refuse } from '../../problem/result.ts';
import { LIMITS } from '../limits.ts';

export type ImageFormat = 'image/png' | 'image/jpeg' | 'image/tiff';

/** What an image says of itself before any pixel is unpacked. */
export interface ImageSize {
  readonly format: ImageFormat;
  readonly width: number;
  readonly height: number;
  /** Dots an inch; undefined where the file does not say, or says what no scanner does. */
  readonly dpi: number | undefined;
}

export type ImageProblem =
  | { readonly kind: 'image-unknown' }
  | { readonly kind: 'image-damaged' }
  | {
      readonly kind: 'image-too-large';
      readonly width: number;
      readonly height: number;
      readonly limit: number;
    };

type Read = Result<ImageSize, ImageProblem>;

/** Which format the first bytes are of; undefined for anything else. */
export function sniffImage(bytes: Uint8Array): ImageFormat | undefined {
  const [a, b, c, d] = bytes;
  if (a === 0x89 && b === 0x50 && c === 0x4e && d === 0x47) return 'image/png';
  if (a === 0xff && b === 0xd8 && c === 0xff) return 'image/jpeg';
  if (a === 0x49 && b === 0x49 && c === 42 && d === 0) return 'image/tiff';
  if (a === 0x4d && b === 0x4d && c === 0 && d === 42) return 'image/tiff';
  return undefined;
}

/** Reads the size of a PNG, JPEG or the first page of a TIFF; refuses what is too large to unpack. */
export function readImageSize(bytes: Uint8Array): Read {
  const format = sniffImage(bytes);
  if (format === undefined) return refuse({ kind: 'image-unknown' });
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  let found: Omit<ImageSize, 'format'> | undefined;
  try {
    found = { 'image/png': readPng, 'image/jpeg': readJpeg, 'image/tiff': readTiff }[format](view);
  } catch (error) {
    // A view read past its end: the file was cut off.
    if (!(error instanceof RangeError)) throw error;
  }
  if (found === undefined || found.width < 1 || found.height < 1) return refuse({ kind: 'image-damaged' });
  const { width, height, dpi } = found;
  if (width * height > LIMITS.image.pixels)
    return refuse({ kind: 'image-too-large', width, height, limit: LIMITS.image.pixels });
  return accept({
    format,
    width,
    height,
    dpi: dpi !== undefined && dpi >= 36 && dpi <= 2400 ? dpi : undefined,
  });
}

const INCHES_A_METER = 1 / 0.0254;

/** PNG (ISO/IEC 15948): the header chunk comes first, pHYs gives pixels a meter. */
function readPng(view: DataView): Omit<ImageSize, 'format'> {
  const [width, height] = [view.getUint32(16), view.getUint32(20)];
  for (let at = 8; at + 20 < view.byteLength; at += view.getUint32(at) + 12) {
    const name = view.getUint32(at + 4);
    if (name === 0x70485973 && view.getUint8(at + 16) === 1)
      return { width, height, dpi: view.getUint32(at + 8) / INCHES_A_METER };
    if (name === 0x49444154) break;
  }
  return { width, height, dpi: undefined };
}

/** JPEG (ISO/IEC 10918-1): the size stands in the frame header, the density in JFIF's APP0. */
function readJpeg(view: DataView): Omit<ImageSize, 'format'> | undefined {
  let dpi: number | undefined;
  for (let at = 2; at + 4 < view.byteLength;) {
    if (view.getUint8(at) !== 0xff) return undefined;
    const marker = view.getUint8(at + 1);
    if (marker === 0xe0 && view.getUint32(at + 4) === 0x4a464946) {
      const [unit, density] = [view.getUint8(at + 11), view.getUint16(at + 12)];
      dpi = unit === 1 ? density : unit === 2 ? density * 2.54 : undefined;
    }
    const isFrame = marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
    if (isFrame) return { height: view.getUint16(at + 5), width: view.getUint16(at + 7), dpi };
    at += 2 + view.getUint16(at + 2);
  }
  return undefined;
}

const TAG = { width: 256, height: 257, resolution: 282, unit: 296 } as const;

/** TIFF 6.0: the first directory's entries, either byte order. */
function readTiff(view: DataView): Omit<ImageSize, 'format'> | undefined {
  const little = view.getUint8(0) === 0x49;
  const start = view.getUint32(4, little);
  const values = new Map<number, number>();
  for (let i = 0; i < view.getUint16(start, little); i += 1) {
    const at = start + 2 + 12 * i;
    const [tag, type] = [view.getUint16(at, little), view.getUint16(at + 2, little)];
    if (type === 3) values.set(tag, view.getUint16(at + 8, little));
    if (type === 4) values.set(tag, view.getUint32(at + 8, little));
    if (type === 5) {
      const fraction = view.getUint32(at + 8, little);
      values.set(tag, view.getUint32(fraction, little) / view.getUint32(fraction + 4, little));
    }
  }
  const [width, height] = [values.get(TAG.width), values.get(TAG.height)];
  if (width === undefined || height === undefined) return undefined;
  const resolution = values.get(TAG.resolution);
  const perCentimeter = values.get(TAG.unit) === 3;
  return {
    width,
    height,
    dpi: resolution === undefined ? undefined : resolution * (perCentimeter ? 2.54 : 1),
  };
}
