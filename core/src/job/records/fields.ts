import * as z from 'zod';
import type { Id, RecordType } from '../id.ts';

/** Longest texts a record takes; a name must fit a table cell, a note a page. */
export const NAME_LIMIT = 200;
export const TEXT_LIMIT = 20_000;
export const FORMULA_LIMIT = 2_000;

export const idOf = <Type extends RecordType>(type: Type): z.ZodType<Id<Type>> =>
  z.templateLiteral([
    z.literal(type),
    z.literal(':'),
    z.string().regex(/^[0-9a-z-]{1,40}$/),
  ]) as unknown as z.ZodType<Id<Type>>;

export const nameField = z.string().trim().min(1).max(NAME_LIMIT);
/** A short text that may be left empty. */
export const shortField = z.string().max(NAME_LIMIT);
export const textField = z.string().max(TEXT_LIMIT);
/** Formula text is kept as typed, right or wrong: what someone wrote is never thrown away. */
export const formulaField = z.string().max(FORMULA_LIMIT);
export const keyField = z
  .string()
  .max(60)
  .regex(/^(?!__proto__$)[a-z_][a-z0-9_]*$/);
/** Keys one inside the other: `board.screws`. */
export const pathField = z
  .string()
  .max(400)
  .regex(/^[a-z_][a-z0-9_]*(\.[a-z_][a-z0-9_]*)*$/);
/** A decimal number in plain notation; empty for none. */
export const decimalField = z.string().regex(/^(-?\d{1,12}(\.\d{1,8})?)?$/);
/** A line of the estimate by its key, or anything else known by a path. */
export const lineKeyField = z.string().min(1).max(600);
/** ISO date; empty for none. */
export const dateField = z.string().regex(/^(\d{4}-\d{2}-\d{2})?$/);
export const orderField = z.number();
/** Sheet points. Far beyond any sheet is a damaged file, not a drawing. */
const COORDINATE_LIMIT = 1e6;
export const coordinateField = z.number().min(-COORDINATE_LIMIT).max(COORDINATE_LIMIT);
/** Vertical lengths, widths and heights in meters. */
export const lengthField = z.number().min(0).max(1e5);
export const pointField = z.strictObject({ x: coordinateField, y: coordinateField }).readonly();

const isCoordinate = (value: unknown): boolean =>
  typeof value === 'number' && value >= -COORDINATE_LIMIT && value <= COORDINATE_LIMIT;

/** What the schema of a point asks, at once: an object of two coordinates and nothing else. */
export function isPlainPoint(value: unknown): boolean {
  if (typeof value !== 'object' || value === null || Object.getPrototypeOf(value) !== Object.prototype)
    return false;
  const { x, y } = value as { x?: unknown; y?: unknown };
  return isCoordinate(x) && isCoordinate(y) && Object.keys(value).length === 2;
}

export const isListOf = (
  value: unknown,
  limit: number,
  isMember: (member: unknown) => boolean,
): value is readonly unknown[] =>
  Array.isArray(value) && value.length > 0 && value.length <= limit && value.every(isMember);

/**
 * A schema that takes what is surely right by a plain test and asks the schema only about the rest, which says what is
 * wrong: corners are nine tenths of a large job. Everything the test takes, the schema must take unchanged.
 */
export const quickly = <Schema extends z.ZodType>(
  isRight: (value: unknown) => boolean,
  schema: Schema,
): z.ZodType<z.infer<Schema>> =>
  z.unknown().transform((value, context) => {
    if (isRight(value)) return value as z.infer<Schema>;
    const parsed = schema.safeParse(value);
    if (parsed.success) return parsed.data;
    for (const issue of parsed.error.issues) context.issues.push({ ...issue, input: value } as never);
    return z.NEVER;
  }) as unknown as z.ZodType<z.infer<Schema>>;

/** A corner of a mark: `through` makes the segment that ends here an arc; `riseM` goes up or down from here. */
export const vertexField = z
  .strictObject({
    x: coordinateField,
    y: coordinateField,
    through: pointField.optional(),
    riseM: z.number().min(-1e4).max(1e4).optional(),
  })
  .readonly();
