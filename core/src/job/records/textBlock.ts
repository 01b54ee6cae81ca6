import * as z from 'zod';
import { idOf, nameField, orderField, textField } from './fields.ts';

/** A text that is written once and used in many bids. */
export const textBlockSchema = z
  .strictObject({
    type: z.literal('textBlock'),
    id: idOf('textBlock'),
    name: nameField,
    /** Where on the bid it is offered. */
    for: z.enum(['inclusions', 'exclusions']),
    text: textField,
    order: orderField,
  })
  .readonly();

export type TextBlock = z.infer<typeof textBlockSchema>;
