import { readImageSize } from '@zest/core/formats/image/read';
import { LIMITS } from '@zest/core/formats/limits';
import type { Id } from '@zest/core/job/id';
import { LOGO_LIMIT_BYTES, type Logo } from '@zest/core/job/records/logo';
import { base64OfBytes } from '../../platform/base64.ts';
import { t } from '../../messages/t.ts';
import { fileSize } from '../../messages/words.ts';

/** The logo as something a page or a document can show. */
export const addressOfLogo = ({ mediaType, data }: Pick<Logo, 'mediaType' | 'data'>): string =>
  `data:${mediaType};base64,${data}`;

const READ_BYTES = LIMITS.logo.bytes;
/** Sharp at the width of a letterhead, 80 mm at 250 dots an inch. */
const WIDTH_PX = 800;

/** A picture as a logo, made smaller where it is too large to go along with every job; or what is wrong, in words. */
export async function readLogo(file: File, id: Id<'logo'>): Promise<Logo | string> {
  if (file.size > READ_BYTES)
    return t('settings.logoTooLarge', { size: fileSize(file.size), limit: fileSize(READ_BYTES) });
  const bytes = new Uint8Array(await file.arrayBuffer());
  const size = readImageSize(bytes);
  if (!size.ok || size.value.format === 'image/tiff') return t('settings.logoUnknown', { name: file.name });
  const { format, width, height } = size.value;
  const name = file.name.slice(0, 200);
  if (bytes.length <= LOGO_LIMIT_BYTES)
    return {
      type: 'logo',
      id,
      name,
      mediaType: format,
      data: base64OfBytes(bytes),
      widthPx: width,
      heightPx: height,
    };
  const smaller = await shrink(file, width, height);
  if (smaller === undefined || smaller.bytes.length > LOGO_LIMIT_BYTES)
    return t('settings.logoTooLarge', { size: fileSize(file.size), limit: fileSize(LOGO_LIMIT_BYTES) });
  const { bytes: small, ...shape } = smaller;
  return { type: 'logo', id, name, mediaType: 'image/png', data: base64OfBytes(small), ...shape };
}

async function shrink(
  file: File,
  width: number,
  height: number,
): Promise<{ bytes: Uint8Array; widthPx: number; heightPx: number } | undefined> {
  const widthPx = Math.min(width, WIDTH_PX);
  const heightPx = Math.max(1, Math.round((height * widthPx) / width));
  try {
    const bitmap = await createImageBitmap(file, {
      resizeWidth: widthPx,
      resizeHeight: heightPx,
      resizeQuality: 'high',
    });
    const canvas = new OffscreenCanvas(widthPx, heightPx);
    canvas.getContext('2d')?.drawImage(bitmap, 0, 0);
    const blob = await canvas.convertToBlob({ type: 'image/png' });
    return { bytes: new Uint8Array(await blob.arrayBuffer()), widthPx, heightPx };
  } catch {
    // What cannot be decoded is not made smaller; the caller says that it is too large.
    return undefined;
  }
}
