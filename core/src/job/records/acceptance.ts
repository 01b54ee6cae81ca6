import * as z from 'zod';
import { dateField, idOf, lineKeyField, nameField, textField } from './fields.ts';

/** A doubt of the second look that was looked at and is fine, with the reason. */
export const acceptanceSchema = z
  .strictObject({
    type: z.literal('acceptance'),
    id: idOf('acceptance'),
    /** Which doubt: the rule and what it is about. */
    doubt: lineKeyField,
    /** What it said then, for the report. */
    subject: nameField,
    /** The figures it was accepted with; when they change, it is a doubt again. */
    facts: textField,
    reason: nameField,
    date: dateField,
  })
  .readonly();

export type Acceptance = z.infer<typeof acceptanceSchema>;
