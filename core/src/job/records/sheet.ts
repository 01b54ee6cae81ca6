import * as z from 'zod';
import { formulaField, idOf, nameField, orderField, pointField, shortField } from './fields.ts';

const scaleField = z
  .strictObject({
    xMetersPerPoint: z.number().positive().max(1e6),
    yMetersPerPoint: z.number().positive().max(1e6),
    source: z.discriminatedUnion('by', [
      z.strictObject({ by: z.literal('ratio'), text: shortField }),
      z.strictObject({ by: z.literal('two-points'), a: pointField, b: pointField, text: formulaField }),
      /** Two known distances, one mostly each way: for a scan that is stretched. */
      z.strictObject({
        by: z.literal('two-distances'),
        across: z.strictObject({ a: pointField, b: pointField, text: formulaField }).readonly(),
        upright: z.strictObject({ a: pointField, b: pointField, text: formulaField }).readonly(),
      }),
    ]),
  })
  .readonly();

/** One page of drawings. Sizes are PDF points of the page as shown. */
export const sheetSchema = z
  .strictObject({
    type: z.literal('sheet'),
    id: idOf('sheet'),
    fileId: idOf('file'),
    pageIndex: z.number().int().min(0),
    order: orderField,
    number: shortField,
    title: nameField,
    widthPt: z.number().positive().max(20_000),
    heightPt: z.number().positive().max(20_000),
    /** The scale the sheet says it has; an offer, never taken by itself. */
    printedScale: shortField,
    scale: scaleField.nullable(),
    /** A known dimension measured back after the scale was set. */
    check: z.strictObject({ a: pointField, b: pointField, text: formulaField }).readonly().nullable(),
    levelId: idOf('level').optional(),
    discipline: shortField.optional(),
  })
  .readonly();

export type Sheet = z.infer<typeof sheetSchema>;
export type SheetScale = NonNullable<Sheet['scale']>;
