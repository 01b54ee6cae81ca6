import * as z from 'zod';
import {
  decimalField,
  formulaField,
  idOf,
  lineKeyField,
  nameField,
  orderField,
  shortField,
} from './fields.ts';

/** The estimator's own rule of thumb: what a thing costs, or how long it takes, for each unit of a driver. */
export const yardstickSchema = z
  .strictObject({
    type: z.literal('yardstick'),
    id: idOf('yardstick'),
    name: nameField,
    /** Money of the bid with everything in it, direct cost, or labor hours. */
    of: z.enum(['price', 'cost', 'hours']),
    on: z.discriminatedUnion('what', [
      z.strictObject({ what: z.literal('bid') }),
      z.strictObject({ what: z.literal('section'), sectionId: idOf('section') }),
      z.strictObject({ what: z.literal('line'), line: lineKeyField }),
      /** Several lines together, wherever they stand. */
      z.strictObject({
        what: z.literal('lines'),
        lines: z.array(lineKeyField).min(1).max(5_000).readonly(),
      }),
    ]),
    /** `total(slab, area)`, or a plain figure in `unit`. */
    driver: formulaField,
    unit: shortField,
    low: decimalField,
    high: decimalField,
    order: orderField,
  })
  .readonly();

export type Yardstick = z.infer<typeof yardstickSchema>;
