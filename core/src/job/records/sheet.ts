import * as z from 'zod';
import {
  coordinateField,
  formulaField,
  idOf,
  nameField,
  orderField,
  pointField,
  shortField,
} from './fields.ts';

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

const sideField = z.number().positive().max(20_000);
const ringField = z.array(pointField).min(3).max(64).readonly();

/** A page of a file as it lies on a sheet. */
const placingField = z
  .strictObject({
    fileId: idOf('file'),
    pageIndex: z.number().int().min(0),
    /** The page's own size in its own points. */
    widthPt: sideField,
    heightPt: sideField,
    /** Page points to sheet points, as geometry/affine. */
    matrix: z.tuple([
      coordinateField,
      coordinateField,
      coordinateField,
      coordinateField,
      coordinateField,
      coordinateField,
    ]),
    /** The part of it that shows: a convex ring in sheet points. */
    clip: ringField,
  })
  .readonly();

/** A part of a sheet that is drawn at a scale of its own, such as a detail. */
const scaleAreaField = z
  .strictObject({
    name: shortField,
    x: coordinateField,
    y: coordinateField,
    width: sideField,
    height: sideField,
    scale: scaleField,
  })
  .readonly();

export const SCALE_AREA_LIMIT = 40;
/** The same two places, and perhaps more, on the first and on the second sheet. */
export const JOIN_PAIR_LIMIT = 8;

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
    widthPt: sideField,
    heightPt: sideField,
    /** The scale the sheet says it has; an offer, never taken by itself. */
    printedScale: shortField,
    scale: scaleField.nullable(),
    /** A known dimension measured back after the scale was set. */
    check: z.strictObject({ a: pointField, b: pointField, text: formulaField }).readonly().nullable(),
    levelId: idOf('level').optional(),
    discipline: shortField.optional(),
    /** How pages lie on the sheet, once it was turned, cropped or joined. Left out: the page as it is. */
    placings: z.array(placingField).min(1).max(16).readonly().optional(),
    /** For scans: above 1 the ink gets darker, below lighter; white and black stay. */
    tone: z
      .strictObject({ ink: z.number().min(0.2).max(5), invert: z.boolean() })
      .readonly()
      .optional(),
    scaleAreas: z.array(scaleAreaField).max(SCALE_AREA_LIMIT).readonly().optional(),
    /** Where the legend of the marks stands, its top left corner. */
    legend: pointField.optional(),
    /** What a joined sheet was made of. */
    join: z
      .strictObject({
        first: idOf('sheet'),
        second: idOf('sheet'),
        pairs: z
          .array(z.tuple([pointField, pointField]).readonly())
          .min(2)
          .max(JOIN_PAIR_LIMIT)
          .readonly(),
      })
      .readonly()
      .optional(),
  })
  .readonly();

export type Sheet = z.infer<typeof sheetSchema>;
export type Placing = NonNullable<Sheet['placings']>[number];
export type ScaleArea = NonNullable<Sheet['scaleAreas']>[number];
export type Tone = NonNullable<Sheet['tone']>;
export type SheetScale = NonNullable<Sheet['scale']>;
