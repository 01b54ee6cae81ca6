import * as z from 'zod';
import { decimalField, idOf, nameField, orderField } from './fields.ts';

/** What a markup is taken on. `running` is everything above it, tax and earlier markups included. */
export const MARKUP_BASES = ['cost', 'material', 'labor', 'running'] as const;
export type MarkupBase = (typeof MARKUP_BASES)[number];

export const markupSchema = z
  .strictObject({
    type: z.literal('markup'),
    id: idOf('markup'),
    name: nameField,
    percent: decimalField,
    base: z.enum(MARKUP_BASES),
    order: orderField,
  })
  .readonly();

export type Markup = z.infer<typeof markupSchema>;
