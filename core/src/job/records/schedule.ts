import * as z from 'zod';
import { idOf, nameField, orderField, shortField } from './fields.ts';

/** Larger than any schedule on a sheet: what is beyond was no schedule. */
export const SCHEDULE_ROW_LIMIT = 500;
export const SCHEDULE_COLUMN_LIMIT = 40;

const rowField = z.array(z.string().max(500)).max(SCHEDULE_COLUMN_LIMIT).readonly();

/** A table printed on a sheet, kept as data beside the plan. */
export const scheduleSchema = z
  .strictObject({
    type: z.literal('schedule'),
    id: idOf('schedule'),
    sheetId: idOf('sheet').nullable(),
    title: nameField,
    columns: z.array(shortField).max(SCHEDULE_COLUMN_LIMIT).readonly(),
    rows: z.array(rowField).max(SCHEDULE_ROW_LIMIT).readonly(),
    order: orderField,
  })
  .readonly();

export type Schedule = z.infer<typeof scheduleSchema>;
