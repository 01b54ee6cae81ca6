import * as z from 'zod';
import { idOf, nameField, orderField, shortField } from './fields.ts';

/** A group of lines, nested as deep as wanted. */
export const sectionSchema = z
  .strictObject({
    type: z.literal('section'),
    id: idOf('section'),
    code: shortField,
    name: nameField,
    parentId: idOf('section').nullable(),
    order: orderField,
  })
  .readonly();

export type Section = z.infer<typeof sectionSchema>;
