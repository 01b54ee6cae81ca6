import * as z from 'zod';
import { decimalField, idOf, lineKeyField, nameField, orderField } from './fields.ts';

/** What a markup is taken on. `running` is everything above it, tax and earlier markups included. */
export const MARKUP_BASES = [
  'cost',
  'material',
  'labor',
  'equipment',
  'subcontract',
  'other',
  'running',
] as const;
export type MarkupBase = (typeof MARKUP_BASES)[number];

const rateField = z.strictObject({ on: lineKeyField, percent: decimalField }).readonly();
/** The rate of the part of the base up to a sum; empty for all that is beyond the others. */
const gradeField = z.strictObject({ upTo: decimalField, percent: decimalField }).readonly();

export const markupSchema = z
  .strictObject({
    type: z.literal('markup'),
    id: idOf('markup'),
    name: nameField,
    /** Percent, or with `as: 'sum'` money. */
    percent: decimalField,
    base: z.enum(MARKUP_BASES),
    order: orderField,
    /** A percentage of the base where left out; margin is a percentage of base and markup together. */
    as: z.enum(['margin', 'graded', 'sum']).optional(),
    grades: z.array(gradeField).max(20).readonly().optional(),
    /** Other rates for sections and lines, by their key. */
    rates: z.array(rateField).max(500).readonly().optional(),
  })
  .readonly();

export type Markup = z.infer<typeof markupSchema>;
export type Grade = z.infer<typeof gradeField>;
