import * as z from 'zod';
import { formulaField, idOf, keyField, orderField, shortField } from './fields.ts';

/** A piece of a scope that is on no sheet: typed, or read off a measuring wheel. */
export const pieceSchema = z
  .strictObject({
    type: z.literal('piece'),
    id: idOf('piece'),
    scopeId: idOf('scope'),
    /** What was typed: `96 ft + 2 * 8 ft`. A bare number is in the job's unit for the scope's figure. */
    text: formulaField,
    unit: shortField,
    note: shortField,
    source: z.enum(['typed', 'wheel']),
    order: orderField,
    /** Other figures of what it stands for, in SI: the perimeter of an area, the corners of a run. */
    also: z.record(keyField, z.number()).readonly().optional(),
    /** Came along from another job; nobody confirmed it yet. */
    unconfirmed: z.literal(true).optional(),
  })
  .readonly();

export type PieceRecord = z.infer<typeof pieceSchema>;
