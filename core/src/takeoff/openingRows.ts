import { type Job, inOrder } from '../job/job.ts';
import type { NumberFormat } from '../units/numberFormat.ts';
import type { UnitSystem } from '../units/format.ts';
import { lengthColumns, readScheduleLength } from './scheduleScopes.ts';

/** A row of a schedule that says how large an opening is. */
export interface OpeningRow {
  readonly scheduleId: string;
  readonly tag: string;
  readonly widthM: number;
  readonly heightM: number;
}

/** Rows of all schedules that have a width and a height that can be read. */
export function listOpeningRows(job: Job, numbers: NumberFormat, system: UnitSystem): readonly OpeningRow[] {
  return inOrder(job.schedule.values()).flatMap((schedule) => {
    const { id, columns, rows } = schedule;
    const lengths = lengthColumns(schedule, numbers, system);
    const [width, height] = [/^width/i, /^height/i].map((word) =>
      lengths.find((index) => word.test(columns[index]?.trim() ?? '')),
    );
    if (width === undefined || height === undefined) return [];
    return rows.flatMap((row) => {
      const [widthM, heightM] = [width, height].map((index) =>
        readScheduleLength(row[index] ?? '', numbers, system),
      );
      const tag = (row[0] ?? '').trim();
      if (tag === '' || widthM === undefined || heightM === undefined) return [];
      return [{ scheduleId: id as string, tag, widthM, heightM }];
    });
  });
}

/** The first row after the given one, in its schedule, whose tag sits in no wall yet. */
export function nextOpeningRow(
  job: Job,
  rows: readonly OpeningRow[],
  { scheduleId, tag }: OpeningRow,
): OpeningRow | undefined {
  const own = rows.filter((row) => row.scheduleId === scheduleId);
  const used = new Set([...job.opening.values()].map((opening) => opening.tag));
  const at = own.findIndex((row) => row.tag === tag);
  return [...own.slice(at + 1), ...own.slice(0, at + 1)].find((row) => !used.has(row.tag));
}
