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
  /** How many there are to be, in all rows of that name. */
  readonly expected: number | undefined;
  /** Where they are, as the rows say. */
  readonly location: string;
}

/** Headings that name a length; what stands under them becomes a property. */
const LENGTHS = /^(width|depth|height|thickness|length|sill|diameter)s?$/i;

const QUANTITIES =
  /^(?:qty|quantit(?:y|ies)|no\.?s?(?:\s*off)?|nr\.?|number|count|pcs\.?|pieces|total|each|ea\.?)$/i;
const LOCATIONS = /^(?:location|room|rooms|where|area|zone|level|floor|position|place)s?$/i;

const columnNamed = (columns: readonly string[], heading: RegExp, not: number): number | undefined => {
  const at = columns.findIndex((column, i) => i !== not && heading.test(column.trim()));
  return at < 0 ? undefined : at;
};

/** A whole number as schedules print it: `37`, `37 No.`; undefined for anything else. */
export function readScheduleCount(text: string): number | undefined {
  const found = /^(\d{1,5})\s*(?:no\.?|nr\.?|pcs\.?|ea\.?|x)?$/i.exec(text.trim())?.[1];
  return found === undefined ? undefined : Number(found);
}

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
  const [quantity, location] = [QUANTITIES, LOCATIONS].map((heading) =>
    columnNamed(schedule.columns, heading, nameColumn),
  );
  const byName = new Map<string, RowScope>();
  for (const row of schedule.rows) {
    const name = row[nameColumn]?.trim() ?? '';
    if (name === '' || name === '-') continue;
    const known = byName.get(name);
    const counted = quantity === undefined ? undefined : readScheduleCount(row[quantity] ?? '');
    const places = [known?.location ?? '', location === undefined ? '' : (row[location]?.trim() ?? '')];
    byName.set(name, {
      name,
      properties: known?.properties ?? propertiesOf(schedule, row, lengths, numbers, system),
      expected: counted === undefined ? known?.expected : (known?.expected ?? 0) + counted,
      location: [...new Set(places.filter((each) => each !== '' && each !== '-'))].join(', '),
    });
  }
  return [...byName.values()];
}

function propertiesOf(
  schedule: Pick<Schedule, 'columns'>,
  row: readonly string[],
  lengths: readonly number[],
  numbers: NumberFormat,
  system: UnitSystem,
): readonly Property[] {
  return lengths.flatMap((index): Property[] => {
    const text = row[index]?.trim() ?? '';
    if (readScheduleLength(text, numbers, system) === undefined) return [];
    const heading = (schedule.columns[index] ?? '').trim().toLowerCase().replace(/s$/, '');
    const unit = /^[\d.]+$/.test(text) ? BARE[system] : '';
    return [{ key: heading, name: heading.charAt(0).toUpperCase() + heading.slice(1), value: text, unit }];
  });
}
