import * as z from 'zod';
import { MARK_KINDS } from '../markKinds.ts';
import { placeInAlternate } from './alternate.ts';
import { formulaField, idOf, keyField, nameField, orderField, shortField } from './fields.ts';

export const COLOR_COUNT = 12;
export const GLYPHS = ['disc', 'square', 'triangle', 'diamond', 'ring', 'cross'] as const;
export type Glyph = (typeof GLYPHS)[number];
export const FACES = ['center', 'left', 'right'] as const;

/** A named value of a scope. A bare number takes `unit`; anything else is a formula. */
const propertyField = z
  .strictObject({ key: keyField, name: nameField, value: formulaField, unit: shortField })
  .readonly();

/** One thing that is measured. Its key is its name in formulas, unique in the job. */
export const scopeSchema = z
  .strictObject({
    type: z.literal('scope'),
    id: idOf('scope'),
    key: keyField,
    name: nameField,
    kind: z.enum(MARK_KINDS),
    color: z
      .number()
      .int()
      .min(0)
      .max(COLOR_COUNT - 1),
    sectionId: idOf('section').nullable(),
    order: orderField,
    properties: z.array(propertyField).max(60).readonly(),
    /** Which face of the thickness the runs are traced on, looking along the run. Center where left out. */
    face: z.enum(FACES).optional(),
    /** Other scopes whose runs it meets: their ends and sides make corners, tees and crossings with its own. */
    meets: z.array(idOf('scope')).max(500).readonly().optional(),
    /** How many a schedule says there are; held against what was counted. */
    expected: z.number().int().min(0).max(99_999).optional(),
    /** Where a schedule says they are. */
    location: shortField.optional(),
    /** The levels it must be measured on before the tally is quiet about it. */
    dueOn: z.array(idOf('level')).max(500).readonly().optional(),
    /** How the points of a count are shown: size in sheet points, turned clockwise. */
    sign: z
      .strictObject({
        glyph: z.enum(GLYPHS),
        sizePt: z.number().min(2).max(60),
        turnDeg: z.number().min(-360).max(360),
      })
      .readonly()
      .optional(),
    /** All lines of its assemblies come with an alternate, or go with it. */
    alternate: placeInAlternate.optional(),
    /** How hard the place is to work in, for all assemblies on it. */
    difficulty: z.array(idOf('difficulty')).max(20).readonly().optional(),
    /** Which openings are deducted. All where it is left out. */
    deduct: z
      .discriminatedUnion('rule', [
        z.strictObject({ rule: z.literal('all') }),
        z.strictObject({ rule: z.literal('none') }),
        /** Only openings larger than this, square meters. */
        z.strictObject({ rule: z.literal('above'), areaM2: z.number().min(0).max(1e4) }),
      ])
      .readonly()
      .optional(),
  })
  .readonly();

export type Scope = z.infer<typeof scopeSchema>;
export type Property = z.infer<typeof propertyField>;
export type CountSign = NonNullable<Scope['sign']>;
export type Face = (typeof FACES)[number];
export type DeductRule = NonNullable<Scope['deduct']>;
