import * as z from 'zod';
import { idOf, keyField, formulaField, nameField, orderField, shortField } from './fields.ts';

/** What the rows of a report are. */
export const REPORT_SOURCES = [
  'lines',
  'places',
  'components',
  'purchases',
  'marks',
  'openings',
  'scopes',
  'sheets',
  'items',
  'hours',
  'quotes',
  'alternates',
  'doubts',
  'changes',
] as const;
export type ReportSource = (typeof REPORT_SOURCES)[number];

/** What stands at the foot of a column and of each group of it. */
export const TOTALS = ['sum', 'mean', 'weighted', 'least', 'most', 'count', 'first'] as const;
export type TotalKind = (typeof TOTALS)[number];

/** How a value is held against the one that was typed. */
export const COMPARISONS = ['is', 'is-not', 'contains', 'lacks', 'more', 'less', 'empty', 'filled'] as const;
export type Comparison = (typeof COMPARISONS)[number];

/** A field of the rows: `line.quantity`, `property.height`; `column.` and a key for a calculated column. */
const fieldField = z
  .string()
  .max(140)
  .regex(/^[a-z]+\.[a-z0-9_]+$/);

const totalField = z
  .strictObject({
    by: z.enum(TOTALS),
    /** The column a mean is weighted by. */
    weight: keyField.optional(),
  })
  .readonly();

/** One column: a field of the rows, or a formula over the other columns. */
const columnField = z
  .strictObject({
    /** Its name in formulas, unique in the report. */
    key: keyField,
    of: z.union([
      z.strictObject({ field: fieldField }).readonly(),
      z.strictObject({ formula: formulaField }).readonly(),
    ]),
    /** In the place of the field's own name. */
    heading: shortField.optional(),
    /** Screen pixels; on paper columns share the width in these proportions. */
    width: z.number().min(20).max(1200).optional(),
    align: z.enum(['left', 'right']).optional(),
    places: z.number().int().min(0).max(8).optional(),
    /** There to be grouped, sorted, filtered and calculated by. */
    hidden: z.literal(true).optional(),
    total: totalField.optional(),
  })
  .readonly();

const groupField = z
  .strictObject({
    column: keyField,
    descending: z.literal(true).optional(),
    /** Groups are put in order by their total of this column, not by what they are called. */
    sortBy: keyField.optional(),
    /** On paper each begins a page. */
    startsPage: z.literal(true).optional(),
    /** Only its totals show. */
    collapsed: z.literal(true).optional(),
  })
  .readonly();

const sortField = z.strictObject({ column: keyField, descending: z.literal(true).optional() }).readonly();

const conditionField = z
  .strictObject({ field: fieldField, is: z.enum(COMPARISONS), value: shortField })
  .readonly();
const allOf = <Part extends z.ZodType>(part: Part) =>
  z.strictObject({ join: z.enum(['all', 'any']), of: z.array(part).max(40).readonly() }).readonly();
/** Conditions three deep: 'a, and (b or (c and d))'. */
const innermost = allOf(conditionField);
const inner = allOf(z.union([conditionField, innermost]));
const filterField = allOf(z.union([conditionField, inner]));

export const PAPERS = ['letter', 'tabloid', 'a4', 'a3'] as const;
export type Paper = (typeof PAPERS)[number];
export const DENSITIES = ['close', 'usual', 'wide'] as const;

/** How it is printed; what is left out is as the job has it. */
export const pageField = z
  .strictObject({
    paper: z.enum(PAPERS).optional(),
    landscape: z.boolean().optional(),
    marginMm: z.number().min(5).max(60).optional(),
    /** Texts that may name the job, the client, the date and pages in braces: `{job}, page {page} of {pages}`. */
    header: shortField.optional(),
    footer: shortField.optional(),
    density: z.enum(DENSITIES).optional(),
    /** Headings and groups lie on a tint. */
    tinted: z.boolean().optional(),
    logo: z.boolean().optional(),
  })
  .readonly();

export const COLUMN_LIMIT = 60;

/** Figures of the job in columns, groups and filters. What comes of it is figured, never kept. */
export const reportSchema = z
  .strictObject({
    type: z.literal('report'),
    id: idOf('report'),
    name: nameField,
    folder: shortField,
    source: z.enum(REPORT_SOURCES),
    columns: z.array(columnField).min(1).max(COLUMN_LIMIT).readonly(),
    groups: z.array(groupField).max(12).readonly(),
    sorts: z.array(sortField).max(12).readonly(),
    filter: filterField.optional(),
    page: pageField,
    order: orderField,
  })
  .readonly();

export type ReportRecord = z.infer<typeof reportSchema>;
export type ReportColumnSpec = z.infer<typeof columnField>;
export type ReportGroupSpec = z.infer<typeof groupField>;
export type ReportFilter = z.infer<typeof filterField>;
export type ReportCondition = z.infer<typeof conditionField>;
export type ReportPage = z.infer<typeof pageField>;
/** What is of a report apart from who keeps it: presets and reports of other sources have no id. */
export type ReportSpec = Omit<ReportRecord, 'type' | 'id' | 'order'>;
