import * as z from 'zod';
import { formulaField, idOf, keyField, orderField } from './fields.ts';

/** An assembly applied to a scope, with the answers given there. An input left out takes its default. */
export const useSchema = z
  .strictObject({
    type: z.literal('use'),
    id: idOf('use'),
    scopeId: idOf('scope'),
    assemblyId: idOf('assembly'),
    order: orderField,
    answers: z.record(keyField, formulaField).readonly(),
  })
  .readonly();

export type Use = z.infer<typeof useSchema>;
