import * as z from 'zod';
import { idOf, nameField, orderField, textField } from './fields.ts';

/** Where texts are offered: in the lists of the bid, in the texts of its documents, in its terms. */
export const TEXT_PLACES = ['inclusions', 'exclusions', 'text', 'terms'] as const;

/** A text that is written once and used in many bids. */
export const textBlockSchema = z
  .strictObject({
    type: z.literal('textBlock'),
    id: idOf('textBlock'),
    name: nameField,
    /** Where on the bid it is offered. */
    for: z.enum(TEXT_PLACES),
    text: textField,
    order: orderField,
  })
  .readonly();

export type TextBlock = z.infer<typeof textBlockSchema>;
