import * as z from 'zod';
import { formulaField, idOf, lineKeyField, orderField, shortField } from './fields.ts';
import { crewField, lineChoices } from './pricing.ts';

/** What a person changed on a line that is derived. Without one, the line is as its assembly says. */
export const overrideSchema = z
  .strictObject({
    type: z.literal('override'),
    id: idOf('override'),
    /** The component's line: `use:…/component/studs`, or what is rounded up: `purchase:FR-2X4`. */
    line: lineKeyField,
    itemCode: shortField.optional(),
    description: formulaField.optional(),
    /** Where it stands instead of under what was measured. */
    sectionId: idOf('section').optional(),
    order: orderField.optional(),
    crewId: crewField,
    ...lineChoices,
  })
  .readonly();

export type Override = z.infer<typeof overrideSchema>;
