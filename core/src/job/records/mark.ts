import * as z from 'zod';
import { idOf, pointField } from './fields.ts';

export const STROKE_LIMIT = 5_000;

/** One drawn piece of a scope on a sheet: open strokes of a run, rings of an area, or counted points. */
export const markSchema = z
  .strictObject({
    type: z.literal('mark'),
    id: idOf('mark'),
    scopeId: idOf('scope'),
    sheetId: idOf('sheet'),
    kind: z.enum(['run', 'area', 'count']),
    strokes: z
      .array(z.array(pointField).min(1).max(STROKE_LIMIT).readonly())
      .min(1)
      .max(STROKE_LIMIT)
      .readonly(),
  })
  .readonly();

export type Mark = z.infer<typeof markSchema>;
