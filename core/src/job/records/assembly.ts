import * as z from 'zod';
import { MARK_KINDS } from '../../takeoff/measures.ts';
import {
  decimalField,
  formulaField,
  idOf,
  keyField,
  nameField,
  orderField,
  shortField,
  textField,
} from './fields.ts';

export const COST_KINDS = ['material', 'labor', 'equipment', 'subcontract', 'other'] as const;
export type CostKind = (typeof COST_KINDS)[number];

const inputField = z
  .strictObject({
    key: keyField,
    question: nameField,
    /** What a bare number is in; empty for a plain number. */
    unit: shortField,
    value: formulaField,
    hint: shortField,
    choices: z
      .array(z.strictObject({ label: nameField, value: formulaField }).readonly())
      .max(40)
      .readonly(),
  })
  .readonly();

const componentField = z
  .strictObject({
    key: keyField,
    name: nameField,
    kind: z.enum(COST_KINDS),
    unit: nameField,
    formula: formulaField,
    wastePercent: decimalField,
    /** Bought in whole multiples of this many units; empty for as it comes. */
    roundUpTo: decimalField,
    /** Price book code; empty while not priced. */
    itemCode: shortField,
  })
  .readonly();

/** The rule that turns one measured unit into components. */
export const assemblySchema = z
  .strictObject({
    type: z.literal('assembly'),
    id: idOf('assembly'),
    name: nameField,
    description: textField,
    measures: z.enum(MARK_KINDS),
    order: orderField,
    inputs: z.array(inputField).max(60).readonly(),
    components: z.array(componentField).max(200).readonly(),
  })
  .readonly();

export type Assembly = z.infer<typeof assemblySchema>;
export type AssemblyInput = z.infer<typeof inputField>;
export type Component = z.infer<typeof componentField>;
