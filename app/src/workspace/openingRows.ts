import { evaluateEntry } from '@zest/core/formula/evaluateEntry';
import { type Job, inOrder, settingsOf } from '@zest/core/job/job';
import { LENGTH } from '@zest/core/units/dimension';
import { findDefaultUnit } from '@zest/core/units/format';
import { formatsOf } from '../stores/context.tsx';

/** A row of a schedule that says how large an opening is. */
export interface OpeningRow {
  readonly scheduleId: string;
  readonly tag: string;
  readonly widthM: number;
  readonly heightM: number;
}

/** Rows of all schedules that have a width and a height that can be read. */
export function listOpeningRows(job: Job): readonly OpeningRow[] {
  const settings = settingsOf(job);
  const { numbers } = formatsOf(settings);
  const unit = findDefaultUnit(LENGTH, settings.unitSystem);
  const read = (text: string): number | undefined => {
    const entry = evaluateEntry(text, LENGTH, unit, numbers);
    return entry.ok && entry.value > 0 ? entry.value : undefined;
  };
  return inOrder(job.schedule.values()).flatMap(({ id, columns, rows }) => {
    const at = (word: RegExp): number => columns.findIndex((column) => word.test(column));
    const [width, height] = [at(/width/i), at(/height/i)];
    if (width < 0 || height < 0) return [];
    return rows.flatMap((row) => {
      const [widthM, heightM] = [read(row[width] ?? ''), read(row[height] ?? '')];
      const tag = (row[0] ?? '').trim();
      if (tag === '' || widthM === undefined || heightM === undefined) return [];
      return [{ scheduleId: id as string, tag, widthM, heightM }];
    });
  });
}

/** The first row after the given one, in its schedule, whose tag sits in no wall yet. */
export function nextOpeningRow(job: Job, { scheduleId, tag }: OpeningRow): OpeningRow | undefined {
  const rows = listOpeningRows(job).filter((row) => row.scheduleId === scheduleId);
  const used = new Set([...job.opening.values()].map((opening) => opening.tag));
  const at = rows.findIndex((row) => row.tag === tag);
  return [...rows.slice(at + 1), ...rows.slice(0, at + 1)].find((row) => !used.has(row.tag));
}
