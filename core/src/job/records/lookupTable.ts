import * as z from 'zod';
import { idOf, keyField, nameField, orderField, shortField } from './fields.ts';

export const TABLE_COLUMN_LIMIT = 60;
export const TABLE_ROW_LIMIT = 5000;

const columnField = z
  .strictObject({ key: keyField, name: nameField, /** What a bare figure is in. */ unit: shortField })
  .readonly();

/** A table of sizes and the like, kept as data: formulas look figures up in it by its key. */
export const tableSchema = z
  .strictObject({
    type: z.literal('table'),
    id: idOf('table'),
    key: keyField,
    name: nameField,
    order: orderField,
    columns: z.array(columnField).min(1).max(TABLE_COLUMN_LIMIT).readonly(),
    /** Cells as they were typed, a row each; a short row has empty cells at its end. */
    rows: z.array(z.array(shortField).max(TABLE_COLUMN_LIMIT).readonly()).max(TABLE_ROW_LIMIT).readonly(),
  })
  .readonly();

export type TableRecord = z.infer<typeof tableSchema>;
export type TableColumn = z.infer<typeof columnField>;
