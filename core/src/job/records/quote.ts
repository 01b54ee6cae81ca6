import * as z from 'zod';
import {
  dateField,
  decimalField,
  idOf,
  keyField,
  lineKeyField,
  nameField,
  orderField,
  shortField,
  textField,
} from './fields.ts';
import { placeInAlternate } from './alternate.ts';

/** Work or goods that several are asked to price, and which of their quotes is taken. */
export const packageSchema = z
  .strictObject({
    type: z.literal('package'),
    id: idOf('package'),
    name: nameField,
    sectionId: idOf('section').nullable(),
    order: orderField,
    kind: z.enum(['subcontract', 'material']),
    /** One sum for all, or a price for each of the lines. */
    by: z.enum(['sum', 'lines']),
    /** What every quote is held against. */
    asks: z
      .array(z.strictObject({ key: keyField, text: nameField }).readonly())
      .max(100)
      .readonly(),
    lines: z.array(lineKeyField).max(2000).readonly(),
    takenId: idOf('quote').nullable(),
    costCode: shortField.optional(),
    alternate: placeInAlternate.optional(),
  })
  .readonly();

/** One price that came in. What it leaves out is leveled with an allowance, so that sums compare. */
export const quoteSchema = z
  .strictObject({
    type: z.literal('quote'),
    id: idOf('quote'),
    packageId: idOf('package'),
    company: nameField,
    amount: decimalField,
    date: dateField,
    validUntil: dateField,
    note: textField,
    /** Asks that it does not cover, each with what that would cost besides. */
    leftOut: z.record(keyField, decimalField).readonly(),
    adjustments: z
      .array(z.strictObject({ text: nameField, amount: decimalField }).readonly())
      .max(60)
      .readonly(),
    /** For one unit of each line, where it is priced by line. */
    prices: z.record(lineKeyField, decimalField).readonly(),
    order: orderField,
  })
  .readonly();

export type Package = z.infer<typeof packageSchema>;
export type Quote = z.infer<typeof quoteSchema>;
