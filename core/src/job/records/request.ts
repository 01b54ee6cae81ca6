import * as z from 'zod';
import {
  dateField,
  decimalField,
  idOf,
  keyField,
  nameField,
  orderField,
  shortField,
  textField,
} from './fields.ts';

export const REQUEST_ROW_LIMIT = 2000;
export const SUPPLIER_LIMIT = 30;

/** Where a part of what is bought goes. */
const placeField = z.strictObject({ name: shortField, quantity: decimalField }).readonly();

/** What is asked for, as it was when it was asked: later changes of the job do not change what a supplier has on paper. */
export const askedRow = z
  .strictObject({
    /** Unique in the request; it comes back with every answer. */
    key: keyField,
    /** Of the item that is priced; empty where none is. */
    itemCode: shortField,
    partNumber: shortField,
    description: nameField,
    unit: shortField,
    /** What is to be bought, and what the work needs of it. */
    quantity: decimalField,
    needed: decimalField,
    /** The quantity is so many whole packs of this size; left out where it is not sold in packs. */
    pack: decimalField.optional(),
    places: z.array(placeField).max(200).readonly(),
  })
  .readonly();

const askedSupplier = z
  .strictObject({
    key: keyField,
    name: nameField,
    /** Names the supplier's page at the quote desk; empty until it was sent there. */
    token: shortField,
  })
  .readonly();

/** Prices asked of several suppliers for the same things. */
export const requestSchema = z
  .strictObject({
    type: z.literal('request'),
    id: idOf('request'),
    number: z.number().int().min(1).max(99_999),
    name: nameField,
    date: dateField,
    /** By when answers are wanted. */
    due: dateField,
    note: textField,
    rows: z.array(askedRow).min(1).max(REQUEST_ROW_LIMIT).readonly(),
    suppliers: z.array(askedSupplier).max(SUPPLIER_LIMIT).readonly(),
    /** Opens the answers at the quote desk; only this job has it. */
    secret: shortField,
    /** Whose price is taken for a row. */
    approved: z.record(keyField, keyField).readonly(),
    /** What of a row others deliver, by their keys: whose price is taken for it delivers the rest. */
    parts: z.record(keyField, z.record(keyField, decimalField).readonly()).readonly().optional(),
    order: orderField,
  })
  .readonly();

export type PriceRequest = z.infer<typeof requestSchema>;
export type AskedRow = z.infer<typeof askedRow>;

/** What one supplier says to a request: the latest answer of each stands. */
export const offerSchema = z
  .strictObject({
    type: z.literal('offer'),
    id: idOf('offer'),
    requestId: idOf('request'),
    supplier: keyField,
    date: dateField,
    validUntil: dateField,
    note: textField,
    /** They do not want to offer. */
    declined: z.literal(true).optional(),
    /** It came after the day it was wanted by. */
    late: z.literal(true).optional(),
    rows: z
      .array(
        z
          .strictObject({
            key: keyField,
            /** For one of `unit`; empty for none. */
            price: decimalField,
            unit: shortField,
            leadDays: z.number().int().min(0).max(3650).optional(),
            /** What they would send instead; empty for what was asked. */
            substitute: shortField,
            note: shortField,
          })
          .readonly(),
      )
      .max(REQUEST_ROW_LIMIT)
      .readonly(),
    order: orderField,
  })
  .readonly();

export type Offer = z.infer<typeof offerSchema>;
export type OfferRow = Offer['rows'][number];

/** What is bought of one supplier. */
export const purchaseOrderSchema = z
  .strictObject({
    type: z.literal('purchaseOrder'),
    id: idOf('purchaseOrder'),
    number: z.number().int().min(1).max(99_999),
    supplier: nameField,
    date: dateField,
    deliverBy: dateField,
    note: textField,
    /** The request its prices came from; it may be gone since. */
    requestId: idOf('request').nullable(),
    rows: z
      .array(
        z
          .strictObject({
            key: keyField,
            partNumber: shortField,
            description: nameField,
            unit: shortField,
            quantity: decimalField,
            price: decimalField,
            pack: decimalField.optional(),
            places: z.array(placeField).max(200).readonly(),
          })
          .readonly(),
      )
      .min(1)
      .max(REQUEST_ROW_LIMIT)
      .readonly(),
    order: orderField,
  })
  .readonly();

export type PurchaseOrder = z.infer<typeof purchaseOrderSchema>;

/** So much of a material is there already, and is not bought. */
export const stockSchema = z
  .strictObject({
    type: z.literal('stock'),
    id: idOf('stock'),
    /** Of the material, as the list of what to buy tells its rows apart. */
    key: z.string().min(1).max(500),
    quantity: decimalField,
    order: orderField,
  })
  .readonly();

export type Stock = z.infer<typeof stockSchema>;
