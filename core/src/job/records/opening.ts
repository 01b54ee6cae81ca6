import * as z from 'zod';
import { coordinateField, idOf, lengthField, shortField } from './fields.ts';

/** A door, window or hole in a run or an area. It sits in its host and moves with it. */
export const openingSchema = z
  .strictObject({
    type: z.literal('opening'),
    id: idOf('opening'),
    markId: idOf('mark'),
    /** The count it is one of; null for a hole that is counted nowhere. */
    scopeId: idOf('scope').nullable(),
    tag: shortField,
    widthM: lengthField,
    heightM: lengthField,
    seat: z.discriminatedUnion('on', [
      /** In a run: the share of the stroke's length at which its middle sits. */
      z.strictObject({
        on: z.literal('run'),
        stroke: z.number().int().min(0),
        along: z.number().min(0).max(1),
      }),
      /** In an area: sheet points from the first corner of its first ring. */
      z.strictObject({ on: z.literal('area'), dx: coordinateField, dy: coordinateField }),
    ]),
  })
  .readonly();

export type Opening = z.infer<typeof openingSchema>;
