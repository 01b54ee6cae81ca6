import * as z from 'zod';
import { idOf, nameField } from './fields.ts';

/** A picture for a letterhead is small; a photo of several megabytes would go along with every copy of a job. */
export const LOGO_LIMIT_BYTES = 256 * 1024;

/** The mark of the company on its letters, with its bytes as base64: it goes wherever the record goes. */
export const logoSchema = z
  .strictObject({
    type: z.literal('logo'),
    id: idOf('logo'),
    name: nameField,
    mediaType: z.enum(['image/png', 'image/jpeg']),
    data: z
      .string()
      .regex(/^[A-Za-z0-9+/]+={0,2}$/)
      .max(Math.ceil(LOGO_LIMIT_BYTES / 3) * 4),
    widthPx: z.number().int().min(1).max(20_000),
    heightPx: z.number().int().min(1).max(20_000),
  })
  .readonly();

export type Logo = z.infer<typeof logoSchema>;
