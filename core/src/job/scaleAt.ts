import type { Point } from '../geometry/point.ts';
import type { Id } from './id.ts';
import type { Job } from './job.ts';
import { query } from './query.ts';
import type { Mark } from './records/mark.ts';
import type { ScaleArea, Sheet, SheetScale } from './records/sheet.ts';

const holds = ({ x, y, width, height }: ScaleArea, p: Point): boolean =>
  p.x >= x && p.x <= x + width && p.y >= y && p.y <= y + height;

/** The scale area a place lies in, the smallest where they overlap; undefined outside of all. */
export function findScaleArea(sheet: Pick<Sheet, 'scaleAreas'>, p: Point): ScaleArea | undefined {
  return (sheet.scaleAreas ?? [])
    .filter((area) => holds(area, p))
    .sort((a, b) => a.width * a.height - b.width * b.height)[0];
}

/** The scale at a place of a sheet: that of the area it lies in, else the sheet's own. */
export const scaleAt = (sheet: Pick<Sheet, 'scaleAreas' | 'scale'>, p: Point): SheetScale | undefined =>
  findScaleArea(sheet, p)?.scale ?? sheet.scale ?? undefined;

/** What of a sheet its marks are measured by: not its title, nor its number. */
const scalesOf = query((job, sheetId): Pick<Sheet, 'scale' | 'scaleAreas'> | undefined => {
  const sheet = job.sheet.get(sheetId as Id<'sheet'>);
  return sheet === undefined ? undefined : { scale: sheet.scale, scaleAreas: sheet.scaleAreas };
});

/** A mark has the scale of the place where it begins. */
export function scaleOfMark(job: Job, mark: Pick<Mark, 'sheetId' | 'strokes'>): SheetScale | undefined {
  const sheet = scalesOf(job, mark.sheetId);
  const start = mark.strokes[0]?.[0];
  return sheet === undefined || start === undefined ? undefined : scaleAt(sheet, start);
}
