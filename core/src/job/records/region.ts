import * as z from 'zod';
import { idOf, nameField, orderField } from './fields.ts';

const factor = z.number().min(0.1).max(10);

/** What prices are taken times where the job is built. Hours stay as they are; their money moves. */
export const regionSchema = z
  .strictObject({
    type: z.literal('region'),
    id: idOf('region'),
    name: nameField,
    material: factor,
    labor: factor,
    equipment: factor,
    order: orderField,
  })
  .readonly();

export type Region = z.infer<typeof regionSchema>;
