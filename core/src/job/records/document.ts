import * as z from 'zod';
import { idOf, keyField, lineKeyField, nameField, orderField, shortField, textField } from './fields.ts';
import { pageField } from './report.ts';

/**
 * How much of the prices the client sees: `lines` lists all of them and prices their sections, `items` prices each, and
 * `split` says what each is spent on. The total is the same in each.
 */
export const BID_DETAILS = [
  'total',
  'sections',
  'scopes',
  'lines',
  'items',
  'split',
  'zones',
  'levels',
] as const;
export type BidDetail = (typeof BID_DETAILS)[number];

export const BLOCK_LIMIT = 80;

const common = {
  /** Unique in the document. */
  key: keyField,
  /** In the place of the usual heading; empty for none. */
  heading: shortField.optional(),
};

/** A sheet may show all its marks, those of some scopes, or none. */
const marksField = z.union([z.literal('all'), z.literal('none'), z.array(idOf('scope')).max(500).readonly()]);

/** One part of a document. What it says is of the job at that moment; only what was chosen is kept. */
const blockField = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('letterhead'), ...common }).readonly(),
  z.strictObject({ kind: z.literal('client'), ...common }).readonly(),
  /** Paragraphs; what stands in braces is a formula of the job: `{p2.length, ft}`. */
  z.strictObject({ kind: z.literal('text'), ...common, text: textField }).readonly(),
  z
    .strictObject({
      kind: z.literal('prices'),
      ...common,
      detail: z.enum(BID_DETAILS),
      /** They stand below the prices by themselves; left out, they are shared into them. */
      tax: z.literal('shown').optional(),
      markups: z.literal('shown').optional(),
    })
    .readonly(),
  z.strictObject({ kind: z.literal('alternates'), ...common }).readonly(),
  z.strictObject({ kind: z.literal('allowances'), ...common }).readonly(),
  z.strictObject({ kind: z.literal('inclusions'), ...common }).readonly(),
  z.strictObject({ kind: z.literal('exclusions'), ...common }).readonly(),
  z.strictObject({ kind: z.literal('notes'), ...common }).readonly(),
  /** What one of each costs, of the lines chosen; of all where none is. */
  z
    .strictObject({
      kind: z.literal('unit-prices'),
      ...common,
      lines: z.array(lineKeyField).max(2000).readonly(),
    })
    .readonly(),
  z.strictObject({ kind: z.literal('values'), ...common }).readonly(),
  z.strictObject({ kind: z.literal('terms'), ...common, text: textField }).readonly(),
  /** Names below lines to sign on; the company and the client where none is given. */
  z
    .strictObject({ kind: z.literal('signatures'), ...common, names: z.array(nameField).max(12).readonly() })
    .readonly(),
  z
    .strictObject({
      kind: z.literal('picture'),
      ...common,
      fileId: idOf('file'),
      caption: shortField,
      /** Of the width between the margins. */
      widthPercent: z.number().min(10).max(100),
    })
    .readonly(),
  z
    .strictObject({
      kind: z.literal('sheet'),
      ...common,
      sheetId: idOf('sheet'),
      caption: shortField,
      marks: marksField,
    })
    .readonly(),
  /** A report of the job by its id, or one that ships by its name. */
  z.strictObject({ kind: z.literal('report'), ...common, report: lineKeyField }).readonly(),
  z.strictObject({ kind: z.literal('break'), ...common }).readonly(),
]);

/** What goes to somebody outside: parts one below the other. A job without any has the usual bid. */
export const documentSchema = z
  .strictObject({
    type: z.literal('document'),
    id: idOf('document'),
    name: nameField,
    blocks: z.array(blockField).max(BLOCK_LIMIT).readonly(),
    page: pageField,
    order: orderField,
  })
  .readonly();

export type DocumentRecord = z.infer<typeof documentSchema>;
export type DocumentBlock = z.infer<typeof blockField>;
export type BlockKind = DocumentBlock['kind'];
export type BlockOf<Kind extends BlockKind> = Extract<DocumentBlock, { kind: Kind }>;
/** What is of a document apart from who keeps it. */
export type DocumentSpec = Omit<DocumentRecord, 'type' | 'id' | 'order'>;
