import * as z from 'zod';
import { decimalField, idOf, nameField, shortField } from './fields.ts';

/** One thing of the price book. All costs and hours are for `basis` units. */
export const itemSchema = z
  .strictObject({
    type: z.literal('item'),
    id: idOf('item'),
    code: nameField,
    description: nameField,
    unit: nameField,
    basis: z.number().int().min(1).max(1_000_000),
    material: decimalField,
    laborHours: decimalField,
    craftId: idOf('craft').nullable(),
    equipment: decimalField,
    subcontract: decimalField,
    other: decimalField,
    supplier: shortField,
    /** ISO date of the price. */
    date: z.string().regex(/^(\d{4}-\d{2}-\d{2})?$/),
    group: shortField,
  })
  .readonly();

export type Item = z.infer<typeof itemSchema>;
