import * as z from 'zod';
import { idOf, nameField, orderField, textField } from './fields.ts';

/** A version of part of the work, priced beside the base bid; in the bid once it is accepted. */
export const alternateSchema = z
  .strictObject({
    type: z.literal('alternate'),
    id: idOf('alternate'),
    name: nameField,
    note: textField,
    accepted: z.boolean(),
    order: orderField,
  })
  .readonly();

/** Whether something comes with an alternate, or goes with it. */
export const placeInAlternate = z
  .strictObject({ id: idOf('alternate'), as: z.enum(['adds', 'drops']) })
  .readonly();

export type Alternate = z.infer<typeof alternateSchema>;
export type PlaceInAlternate = z.infer<typeof placeInAlternate>;
