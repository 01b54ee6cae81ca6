import * as z from 'zod';
import { dateField, decimalField, formulaField, idOf, keyField, nameField, shortField } from './fields.ts';

const basisField = z.number().int().min(1).max(1_000_000);

/** One thing of the price book. Costs are for `basis` units, hours for `laborBasis` of them. */
export const itemSchema = z
  .strictObject({
    type: z.literal('item'),
    id: idOf('item'),
    code: nameField,
    description: nameField,
    unit: nameField,
    basis: basisField,
    material: decimalField,
    /** Labor hours, or with `laborBy` units that are done in an hour or a day of the craft or crew. */
    laborHours: decimalField,
    craftId: idOf('craft').nullable(),
    equipment: decimalField,
    subcontract: decimalField,
    other: decimalField,
    supplier: shortField,
    /** ISO date of the price. */
    date: dateField,
    group: shortField,
    /** Left out, hours are for as many units as the costs. */
    laborBasis: basisField.optional(),
    laborBy: z.enum(['hourly', 'daily']).optional(),
    /** In the place of the craft: several crafts and machines together. */
    crewId: idOf('crew').optional(),
    /** Items of one family differ in their sizes: the nearest that is big enough is taken. */
    family: shortField.optional(),
    sizes: z.record(keyField, formulaField).readonly().optional(),
    source: shortField.optional(),
    tags: shortField.optional(),
    /** Its price ships with the program and is nobody's: it is never taken for a real one. */
    sample: z.literal(true).optional(),
    /** Waste of a line that is priced by this, where the line says none. */
    wastePercent: decimalField.optional(),
    /** Sold only in packs of so many units; left out where any quantity can be bought. */
    packSize: decimalField.optional(),
  })
  .readonly();

export type Item = z.infer<typeof itemSchema>;
