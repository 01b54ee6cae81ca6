import { remember } from '../job/remember.ts';
import type { Job } from '../job/job.ts';
import type { Sheet } from '../job/records/sheet.ts';

/**
 * Marks on each sheet that measures something and has no scale, or was printed with one and has none set.
 * A count needs none: a sheet that is only counted on is not among them unless a scale is printed on it.
 */
export const unscaledSheets = remember((job: Job): ReadonlyMap<Sheet, number> => {
  const unscaled = new Map(
    [...job.sheet.values()].flatMap((sheet) => (sheet.scale === null ? [[sheet.id, sheet] as const] : [])),
  );
  // Most jobs have none, and need not look at every mark for it.
  if (unscaled.size === 0) return new Map();
  const marks = new Map<string, number>();
  for (const { sheetId, kind } of job.mark.values())
    if (kind !== 'count') marks.set(sheetId, (marks.get(sheetId) ?? 0) + 1);
  return new Map(
    [...unscaled.values()]
      .filter(({ id, printedScale }) => marks.has(id) || printedScale !== '')
      .map((sheet) => [sheet, marks.get(sheet.id) ?? 0]),
  );
});
