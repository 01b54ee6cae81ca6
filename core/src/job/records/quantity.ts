import * as z from 'zod';
import { formulaField, idOf, keyField, nameField, orderField, shortField } from './fields.ts';

/** A figure with a name that every formula of the job may use. A bare number is in `unit`. */
export const quantitySchema = z
  .strictObject({
    type: z.literal('quantity'),
    id: idOf('quantity'),
    key: keyField,
    name: nameField,
    formula: formulaField,
    unit: shortField,
    order: orderField,
  })
  .readonly();

export type NamedQuantity = z.infer<typeof quantitySchema>;
