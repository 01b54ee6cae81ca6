import * as z from 'zod';
import { MARK_KINDS } from '../markKinds.ts';
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
import { sizingField } from './pricing.ts';

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
    /** The smallest and largest answer that is taken, in `unit`. */
    min: decimalField.optional(),
    max: decimalField.optional(),
    /** Questions of one group stand together under its name. */
    group: shortField.optional(),
    /** Ask only if this comparison holds. */
    when: formulaField.optional(),
  })
  .readonly();

/** Production: hours for one unit, units in an hour, or units in a day of eight hours. */
const laborField = z
  .strictObject({
    by: z.enum(['hours', 'hourly', 'daily']),
    figure: decimalField,
    craftId: idOf('craft').nullable(),
    crewId: idOf('crew').optional(),
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
    /** Bought in multiples of this many units; empty for as it comes. */
    roundUpTo: decimalField,
    /** Price book code; empty while not priced. */
    itemCode: shortField,
    partNumber: shortField.optional(),
    /** The code it reports to, where that is not its section's. */
    costCode: shortField.optional(),
    /** Figured for each mark alone and added up; on the scope's totals where left out. */
    per: z.literal('mark').optional(),
    /** So many units more, for what breaks or gets lost. */
    spares: decimalField.optional(),
    /** The least that is bought, once anything is: a figure in `unit`, or a formula. */
    minimum: formulaField.optional(),
    /** The kinds of cost that waste is bought for; material alone where left out. */
    wasteOn: z.array(z.enum(COST_KINDS)).min(1).max(COST_KINDS.length).readonly().optional(),
    /** What the hours are taken times here: a plain number, or a formula such as a question's answer. */
    hoursFactor: formulaField.optional(),
    /** Rounded up once for the whole job, together with the same item elsewhere. */
    roundAt: z.literal('job').optional(),
    /** Include only if this comparison holds. */
    when: formulaField.optional(),
    /** The item is the nearest of a family that is big enough. */
    sizing: sizingField.optional(),
    /** Hours of its own, in the place of the item's. */
    labor: laborField.optional(),
  })
  .readonly();

/** Another assembly inside this one, on the amount that the formula gives. */
const innerField = z
  .strictObject({
    key: keyField,
    name: nameField,
    assemblyId: idOf('assembly'),
    formula: formulaField,
    answers: z.record(keyField, formulaField).readonly(),
    when: formulaField.optional(),
  })
  .readonly();

/** Something to watch, told where the comparison holds. The text may hold figures: `{fill, %}`. */
const checkField = z.strictObject({ when: formulaField, text: textField }).readonly();

/** A piece of the drawn section. Places and sizes are formulas; x runs right, y runs up. */
const shapeField = z
  .strictObject({
    shape: z.enum(['box', 'ring', 'line']),
    fill: z.enum(['ground', 'concrete', 'stone', 'sand', 'pipe', 'wood', 'board', 'water', 'none']),
    x: formulaField,
    y: formulaField,
    /** Width and height of a box (its left lower corner at x, y), run of a line; a ring's outer diameter. */
    width: formulaField,
    height: formulaField,
    /** How much wider a box is on each side at its top. */
    flare: formulaField.optional(),
    label: shortField.optional(),
    when: formulaField.optional(),
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
    inner: z.array(innerField).max(40).readonly().optional(),
    checks: z.array(checkField).max(20).readonly().optional(),
    /** How it was figured, for the bid; figures in braces stay true: `{volume, yd³} of concrete`. */
    note: textField.optional(),
    section: z.array(shapeField).max(60).readonly().optional(),
    /** Where it is found: `Concrete/Footings`. */
    folder: shortField.optional(),
    /** Search words. */
    tags: shortField.optional(),
    /** The assembly of the library it is a copy of, as it was then. */
    origin: z
      .strictObject({ key: nameField, version: z.number().int().min(1) })
      .readonly()
      .optional(),
  })
  .readonly();

export type Assembly = z.infer<typeof assemblySchema>;
export type AssemblyInput = z.infer<typeof inputField>;
export type InnerAssembly = z.infer<typeof innerField>;
export type ComponentLabor = z.infer<typeof laborField>;
export type AssemblyCheck = z.infer<typeof checkField>;
export type SectionShape = z.infer<typeof shapeField>;
export type Component = z.infer<typeof componentField>;
