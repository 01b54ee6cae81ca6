import * as z from 'zod';
import { placeInAlternate } from './alternate.ts';
import { decimalField, formulaField, idOf, keyField, nameField, shortField } from './fields.ts';

/** Costs for one unit typed in the place of the price book's, by kind; hours are labor hours. */
export const typedCosts = z
  .strictObject({
    material: decimalField.optional(),
    labor: decimalField.optional(),
    equipment: decimalField.optional(),
    subcontract: decimalField.optional(),
    other: decimalField.optional(),
    hours: decimalField.optional(),
  })
  .readonly();

/** Takes the smallest item of a family that is big enough in every size that is asked for. */
export const sizingField = z
  .strictObject({ family: nameField, by: z.record(keyField, formulaField).readonly() })
  .readonly();

/** What a person may say of any line, typed or derived. */
export const lineChoices = {
  /** A quantity typed over the flowing one; a bare figure is in the line's unit. */
  pinned: formulaField.optional(),
  costs: typedCosts.optional(),
  wastePercent: decimalField.optional(),
  costCode: shortField.optional(),
  /** Percent in the place of the job's tax on materials; 0 for exempt. */
  taxPercent: decimalField.optional(),
  alternate: placeInAlternate.optional(),
  note: shortField.optional(),
  /** Who does its hours, in the place of the item's craft or crew. */
  craftId: idOf('craft').optional(),
};

/** The crew that does a line: of one counted in days or hours, its quantity is the crew's time. */
export const crewField = idOf('crew').optional();

export type TypedCosts = z.infer<typeof typedCosts>;
export type Sizing = z.infer<typeof sizingField>;
