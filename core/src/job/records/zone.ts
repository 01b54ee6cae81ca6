import * as z from 'zod';
import { idOf, nameField, orderField } from './fields.ts';
import { REPEAT_LIMIT } from './mark.ts';

/** A part of the building or the site: a wing, a phase. One that is built several times counts so often. */
export const zoneSchema = z
  .strictObject({
    type: z.literal('zone'),
    id: idOf('zone'),
    name: nameField,
    order: orderField,
    /** How hard it is to work in, for what is drawn there. */
    difficulty: z.array(idOf('difficulty')).max(20).readonly().optional(),
    repeat: z.number().int().min(1).max(REPEAT_LIMIT),
  })
  .readonly();

export type Zone = z.infer<typeof zoneSchema>;
