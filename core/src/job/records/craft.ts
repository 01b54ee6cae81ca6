import * as z from 'zod';
import { decimalField, idOf, nameField } from './fields.ts';

/** Who does the work, and what an hour of it costs: the wage, and the burden in percent of it. */
export const craftSchema = z
  .strictObject({
    type: z.literal('craft'),
    id: idOf('craft'),
    name: nameField,
    wage: decimalField,
    burden: decimalField.optional(),
    /** Its wage ships with the program and is nobody's. */
    sample: z.literal(true).optional(),
  })
  .readonly();

export type Craft = z.infer<typeof craftSchema>;
