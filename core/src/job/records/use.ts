import * as z from 'zod';
import { formulaField, idOf, keyField, orderField, pathField } from './fields.ts';

/** An assembly applied to a scope, with the answers given there. An input left out takes its default. */
export const useSchema = z
  .strictObject({
    type: z.literal('use'),
    id: idOf('use'),
    scopeId: idOf('scope'),
    assemblyId: idOf('assembly'),
    order: orderField,
    answers: z.record(keyField, formulaField).readonly(),
    /** Components left out here, by their path: `studs`, or `board.screws` inside an inner assembly. */
    off: z.array(pathField).max(500).readonly().optional(),
    /** Its questions were read: what has no answer here is meant to have the usual one. */
    usualKept: z.literal(true).optional(),
    /** How hard the place is to work in, for this assembly alone. */
    difficulty: z.array(idOf('difficulty')).max(20).readonly().optional(),
  })
  .readonly();

export type Use = z.infer<typeof useSchema>;
