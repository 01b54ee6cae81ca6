import * as z from 'zod';
import { formulaField, idOf, keyField, nameField, orderField, shortField } from './fields.ts';

export const COLOR_COUNT = 12;

/** A named value of a scope. A bare number takes `unit`; anything else is a formula. */
const propertyField = z
  .strictObject({ key: keyField, name: nameField, value: formulaField, unit: shortField })
  .readonly();

/** One thing that is measured. Its key is its name in formulas, unique in the job. */
export const scopeSchema = z
  .strictObject({
    type: z.literal('scope'),
    id: idOf('scope'),
    key: keyField,
    name: nameField,
    kind: z.enum(['run', 'area', 'count']),
    color: z
      .number()
      .int()
      .min(0)
      .max(COLOR_COUNT - 1),
    sectionId: idOf('section').nullable(),
    order: orderField,
    properties: z.array(propertyField).max(60).readonly(),
  })
  .readonly();

export type Scope = z.infer<typeof scopeSchema>;
export type Property = z.infer<typeof propertyField>;
