import * as z from 'zod';
import { decimalField, idOf, nameField, orderField } from './fields.ts';

const count = z.number().min(0.05).max(200);

/** Who works together, and with what machines. A day of theirs has eight hours where it is left out. */
export const crewSchema = z
  .strictObject({
    type: z.literal('crew'),
    id: idOf('crew'),
    name: nameField,
    members: z
      .array(z.strictObject({ craftId: idOf('craft'), count }).readonly())
      .min(1)
      .max(40)
      .readonly(),
    /** Costs by the hour that the crew works. */
    machines: z
      .array(z.strictObject({ name: nameField, count, hourly: decimalField }).readonly())
      .max(40)
      .readonly(),
    dayHours: decimalField.optional(),
    order: orderField,
  })
  .readonly();

export type Crew = z.infer<typeof crewSchema>;
