import * as z from 'zod';
import { useChoice } from '../stores/useChoice.ts';

/** How a person arranged a table: what the columns themselves do not say. */
export interface Arrangement {
  /** Widths given by hand, px, by column. */
  readonly sizes: Readonly<Record<string, number>>;
  /** Sorted by one column, or in the order the rows come in. */
  readonly sorting: readonly { readonly id: string; readonly desc: boolean }[];
}

export const AS_MADE: Arrangement = { sizes: {}, sorting: [] };
export const LEAST_COLUMN_PX = 36;
const MOST_COLUMN_PX = 1200;

const schema: z.ZodType<Arrangement> = z.object({
  sizes: z.record(z.string().max(60), z.number().min(LEAST_COLUMN_PX).max(MOST_COLUMN_PX)),
  sorting: z.array(z.object({ id: z.string().max(60), desc: z.boolean() })).max(1),
});

/** The arrangement of the table of this name, remembered on this machine. */
export const useArrangement = (name: string): readonly [Arrangement, (next: Arrangement) => void] =>
  useChoice(`arrangement-${name}`, AS_MADE, schema);

export const sizeInPx = (px: number): number =>
  Math.round(Math.max(LEAST_COLUMN_PX, Math.min(MOST_COLUMN_PX, px)));
