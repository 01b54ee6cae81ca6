import type { Doubt } from './doubt.ts';
import type { DoubtContext } from './context.ts';

/** Sheets that are measured on, or were printed with a scale, and have none set. */
export function sheetsWithoutScale({ job }: DoubtContext): readonly Doubt[] {
  const marks = new Map<string, number>();
  for (const { sheetId } of job.mark.values()) marks.set(sheetId, (marks.get(sheetId) ?? 0) + 1);
  return [...job.sheet.values()]
    .filter(({ id, scale, printedScale }) => scale === null && (marks.has(id) || printedScale !== ''))
    .map(({ id, number, title }) => ({
      key: `sheet-without-scale|${id}`,
      name: `${number} ${title}`.trim(),
      about: { rule: 'sheet-without-scale', marks: marks.get(id) ?? 0 },
      place: { at: 'sheet', id },
    }));
}
