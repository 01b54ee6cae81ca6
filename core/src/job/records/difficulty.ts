import * as z from 'zod';
import { idOf, nameField, orderField } from './fields.ts';

/** How hard a place is to work in: labor hours are taken times this. Several are multiplied. */
export const difficultySchema = z
  .strictObject({
    type: z.literal('difficulty'),
    id: idOf('difficulty'),
    name: nameField,
    factor: z.number().min(0.1).max(10),
    order: orderField,
  })
  .readonly();

export type Difficulty = z.infer<typeof difficultySchema>;
