import * as z from 'zod';
import { dateField, idOf, nameField, orderField, shortField, textField } from './fields.ts';

/** A document as it was sent: its PDF, and the job's figures of that moment. */
export const versionSchema = z
  .strictObject({
    type: z.literal('version'),
    id: idOf('version'),
    /** The document it is of; it may be gone since. */
    documentId: idOf('document').nullable(),
    /** What the document was called. */
    name: nameField,
    /** Counted for each document, from 1. */
    number: z.number().int().min(1).max(9999),
    date: dateField,
    note: textField,
    /** The bid in whole minor units. */
    total: z.number().int(),
    currency: z.string().regex(/^[A-Z]{3}$/),
    fileId: idOf('file'),
    /** The state of the job that was kept with it, by its name among the snapshots; empty where it could not be kept. */
    snapshot: shortField,
    order: orderField,
  })
  .readonly();

export type Version = z.infer<typeof versionSchema>;
