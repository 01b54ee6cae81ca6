import { EMPTY_NAMES } from '../formula/checkDimensions.ts';
import { compileFormula } from '../formula/compile.ts';
import type { LookupTable } from '../formula/lookup.ts';
import type { TableColumn, TableRecord } from '../job/records/lookupTable.ts';
import { NUMBER } from '../units/dimension.ts';
import { POINT_FORMAT, parseNumber } from '../units/numberFormat.ts';
import { findUnit } from '../units/unit.ts';

const CELL_NUMBERS = { ...POINT_FORMAT, group: '' } as const;

/** The SI value of a cell: a bare number in the column's unit, or a figure with its own. */
export function readCell(text: string, { unit }: TableColumn): number | undefined {
  if (text.trim() === '') return undefined;
  const { factor, dimension } = findUnit(unit) ?? { factor: 1, dimension: NUMBER };
  const bare = parseNumber(text, CELL_NUMBERS);
  if (bare !== undefined) return bare * factor;
  const formula = compileFormula(text, EMPTY_NAMES, dimension);
  if (!formula.ok) return undefined;
  const value = formula.value.run(new Float64Array(0), new Int32Array(0));
  return Number.isFinite(value) ? value : undefined;
}

const read = new WeakMap<TableRecord, LookupTable>();

/** A table as formulas look figures up in it; read once for each state of the table. */
export function lookupTableOf(table: TableRecord): LookupTable {
  const known = read.get(table);
  if (known !== undefined) return known;
  const made: LookupTable = {
    key: table.key,
    columns: table.columns.map((column, at) => ({
      key: column.key,
      dimension: findUnit(column.unit)?.dimension ?? NUMBER,
      values: table.rows.map((row) => readCell(row[at] ?? '', column)),
      texts: table.rows.map((row) => row[at] ?? ''),
    })),
  };
  read.set(table, made);
  return made;
}
