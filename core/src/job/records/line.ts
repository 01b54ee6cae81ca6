import * as z from 'zod';
import { COST_KINDS } from './assembly.ts';
import { decimalField, formulaField, idOf, nameField, orderField, shortField } from './fields.ts';
import { crewField, lineChoices, sizingField } from './pricing.ts';

export const ALLOWANCES = ['with-markup', 'without-markup'] as const;
export type Allowance = (typeof ALLOWANCES)[number];

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
    /** Words alone, or the sum of the lines above it in its section. A priced line where left out. */
    is: z.enum(['text', 'subtotal']).optional(),
    /** Money set aside for what is not known yet; named as such on the bid. Percentages of markup are taken on it, or not. */
    allowance: z.enum(ALLOWANCES).optional(),
    crewId: crewField,
    sizing: sizingField.optional(),
    /** Came along from another job; its quantity was not looked at yet. */
    unconfirmed: z.literal(true).optional(),
    /** Where it came from: the name of another job, or of a file. */
    source: shortField.optional(),
    ...lineChoices,
  })
  .readonly();

export type Line = z.infer<typeof lineSchema>;
