import * as z from 'zod';
import { idOf, nameField } from './fields.ts';

export const MEDIA_TYPES = ['application/pdf', 'image/png', 'image/jpeg', 'image/tiff'] as const;
export type MediaType = (typeof MEDIA_TYPES)[number];

/** A file that came in and is kept with the job; its bytes lie beside the records. */
export const fileSchema = z
  .strictObject({
    type: z.literal('file'),
    id: idOf('file'),
    name: nameField,
    mediaType: z.enum(MEDIA_TYPES),
    byteLength: z.number().int().min(1),
    pageCount: z.number().int().min(1),
  })
  .readonly();

export type FileRecord = z.infer<typeof fileSchema>;
