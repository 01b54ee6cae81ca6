import { evaluateEntry } from '../formula/evaluateEntry.ts';
import type { Schedule } from '../job/records/schedule.ts';
import type { Property } from '../job/records/scope.ts';
import { LENGTH } from '../units/dimension.ts';
import type { NumberFormat } from '../units/numberFormat.ts';
import type { UnitSystem } from '../units/format.ts';
import { getUnit } from '../units/unit.ts';

/** A scope that a schedule's row asks for: its name and the figures the row gives. */
export interface RowScope {
  readonly name: string;
  readonly properties: readonly Property[];
}

/** Headings that name a length; what stands under them becomes a property. */
const LENGTHS = /^(width|depth|height|thickness|length|sill|diameter)s?$/i;

/** What a bare figure of a schedule is in: drawings leave the smallest usual unit out. */
const BARE: Readonly<Record<UnitSystem, string>> = { us: 'in', metric: 'mm' };

/** A length as schedules print it, meters; undefined for what is none. */
export function readScheduleLength(
  text: string,
  numbers: NumberFormat,
  system: UnitSystem,
): number | undefined {
  const entry = evaluateEntry(text, LENGTH, getUnit(BARE[system]), numbers);
  return entry.ok && entry.value > 0 ? entry.value : undefined;
}

/** Columns whose figures become properties: a length heading with a readable length in most rows. */
export function lengthColumns(
  schedule: Pick<Schedule, 'columns' | 'rows'>,
  numbers: NumberFormat,
  system: UnitSystem,
): readonly number[] {
  return schedule.columns.flatMap((column, index) => {
    if (!LENGTHS.test(column.trim())) return [];
    const given = schedule.rows
      .map((row) => row[index]?.trim() ?? '')
      .filter((text) => text !== '' && text !== '-');
    const read = given.filter((text) => readScheduleLength(text, numbers, system) !== undefined);
    return given.length > 0 && read.length * 2 >= given.length ? [index] : [];
  });
}

/** The scopes of a schedule's rows, named by one column; rows without a name are left out. */
export function scopesOfRows(
  schedule: Pick<Schedule, 'columns' | 'rows'>,
  nameColumn: number,
  numbers: NumberFormat,
  system: UnitSystem,
): readonly RowScope[] {
  const lengths = lengthColumns(schedule, numbers, system);
  const seen = new Set<string>();
  return schedule.rows.flatMap((row) => {
    const name = row[nameColumn]?.trim() ?? '';
    if (name === '' || name === '-' || seen.has(name)) return [];
    seen.add(name);
    const properties = lengths.flatMap((index): Property[] => {
      const text = row[index]?.trim() ?? '';
      if (readScheduleLength(text, numbers, system) === undefined) return [];
      const heading = (schedule.columns[index] ?? '').trim().toLowerCase().replace(/s$/, '');
      const unit = /^[\d.]+$/.test(text) ? BARE[system] : '';
      return [{ key: heading, name: heading.charAt(0).toUpperCase() + heading.slice(1), value: text, unit }];
    });
    return [{ name, properties }];
  });
}
