import * as z from 'zod';
import { COST_KINDS } from './assembly.ts';
import { decimalField, formulaField, idOf, nameField, orderField, shortField } from './fields.ts';

/** A typed line of the estimate. Lines that come from components are derived and never kept. */
export const lineSchema = z
  .strictObject({
    type: z.literal('line'),
    id: idOf('line'),
    sectionId: idOf('section').nullable(),
    order: orderField,
    description: nameField,
    /** A figure or a formula over the job's scopes; a bare number is in `unit`. */
    quantity: formulaField,
    unit: nameField,
    itemCode: shortField,
    /** A cost per unit typed in place of a price book item. */
    typedCost: z
      .strictObject({ kind: z.enum(COST_KINDS), amount: decimalField })
      .readonly()
      .nullable(),
  })
  .readonly();

export type Line = z.infer<typeof lineSchema>;
