import * as z from 'zod';
import { idOf, lineKeyField } from './fields.ts';

/** What a job took from its company: a print of each record as the company had it then, by its id there. */
export const companyCopySchema = z
  .strictObject({
    type: z.literal('companyCopy'),
    id: idOf('companyCopy'),
    prints: z.record(lineKeyField, z.string().max(20)).readonly(),
  })
  .readonly();

export type CompanyCopy = z.infer<typeof companyCopySchema>;
