import { defineRule } from '../rule.ts';
import { unscaledSheets } from '../unscaledSheets.ts';

/** Sheets that are measured on, or were printed with a scale, and have none set. */
export const sheetWithoutScale = defineRule('sheet-without-scale', 'sheets', ({ job }) =>
  [...unscaledSheets(job)].map(([{ id, number, title }, marks]) => ({
    of: id,
    name: `${number} ${title}`.trim(),
    place: { at: 'sheet' as const, id },
    facts: { marks },
  })),
);
