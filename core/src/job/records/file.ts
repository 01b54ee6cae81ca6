import * as z from 'zod';
import { idOf, nameField } from './fields.ts';

/** A file that came in and is kept with the job; its bytes lie beside the records. */
export const fileSchema = z
  .strictObject({
    type: z.literal('file'),
    id: idOf('file'),
    name: nameField,
    mediaType: z.enum(['application/pdf']),
    byteLength: z.number().int().min(1),
    pageCount: z.number().int().min(1),
  })
  .readonly();

export type FileRecord = z.infer<typeof fileSchema>;
