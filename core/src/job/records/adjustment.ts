import * as z from 'zod';
import { COST_KINDS } from './assembly.ts';
import { decimalField, idOf, lineKeyField, nameField, orderField } from './fields.ts';

export const ADJUSTED_LINES_LIMIT = 20_000;

/** A percent change of costs that can be taken off again; the prices below it stay as they are. */
export const adjustmentSchema = z
  .strictObject({
    type: z.literal('adjustment'),
    id: idOf('adjustment'),
    name: nameField,
    kinds: z.array(z.enum(COST_KINDS)).min(1).max(COST_KINDS.length).readonly(),
    percent: decimalField,
    on: z.discriminatedUnion('what', [
      z.strictObject({ what: z.literal('all') }),
      z.strictObject({ what: z.literal('section'), sectionId: idOf('section') }),
      z.strictObject({
        what: z.literal('lines'),
        lines: z.array(lineKeyField).max(ADJUSTED_LINES_LIMIT).readonly(),
      }),
      /** Whatever is priced by items of a group, with a tag, or found by words; also what comes later. */
      z.strictObject({
        what: z.literal('items'),
        by: z.enum(['group', 'tag', 'words']),
        text: nameField,
      }),
    ]),
    order: orderField,
  })
  .readonly();

export type Adjustment = z.infer<typeof adjustmentSchema>;
