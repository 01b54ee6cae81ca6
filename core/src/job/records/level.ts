import * as z from 'zod';
import { idOf, nameField, orderField } from './fields.ts';
import { REPEAT_LIMIT } from './mark.ts';

/** Where in the building a sheet lies. A level that is built several times counts so often. */
export const levelSchema = z
  .strictObject({
    type: z.literal('level'),
    id: idOf('level'),
    name: nameField,
    order: orderField,
    repeat: z.number().int().min(1).max(REPEAT_LIMIT),
  })
  .readonly();

export type Level = z.infer<typeof levelSchema>;
