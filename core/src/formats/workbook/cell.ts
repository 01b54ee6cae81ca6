import { columnLetters } from './columns.ts';

/** A cell of an exported workbook; a formula carries the value it has now. */
export type Cell =
  | { readonly kind: 'text'; readonly text: string; readonly strong?: boolean; readonly indent?: number }
  | { readonly kind: 'number'; readonly value: number; readonly style: CellStyle; readonly strong?: boolean }
  | {
      readonly kind: 'formula';
      readonly formula: string;
      readonly value: number;
      readonly style: CellStyle;
      readonly strong?: boolean;
    }
  | undefined;

export type CellStyle = 'quantity' | 'unit-cost' | 'money' | 'hours' | 'percent';

/** The column of a sheet by its place from 0. */
export const letter = (column: number): string => columnLetters(column + 1);

/** The columns of the estimate's sheet, in their order. */
export const COLUMNS = [
  ['code', 'Code', 10],
  ['description', 'Description', 44],
  ['quantity', 'Quantity', 11],
  ['unit', 'Unit', 8],
  ['worked', 'Before waste', 11],
  ['costCode', 'Cost code', 10],
  ['partNumber', 'Part number', 12],
  ['unitMaterial', 'Material / unit', 12],
  ['unitHours', 'Hours / unit', 10],
  ['wage', 'Wage', 9],
  ['unitLabor', 'Labor / unit', 10],
  ['unitEquipment', 'Equipment / unit', 12],
  ['unitSubcontract', 'Subcontract / unit', 12],
  ['unitOther', 'Other / unit', 10],
  ['material', 'Material', 14],
  ['hours', 'Hours', 10],
  ['labor', 'Labor', 14],
  ['equipment', 'Equipment', 13],
  ['subcontract', 'Subcontract', 14],
  ['other', 'Other', 12],
  ['cost', 'Extension', 15],
] as const;
export type ColumnName = (typeof COLUMNS)[number][0];

export const columnIndex = (column: ColumnName): number => COLUMNS.findIndex(([name]) => name === column);

/** The letter of a column, as formulas name it. */
export const AT = Object.fromEntries(COLUMNS.map(([name], index) => [name, letter(index)])) as Readonly<
  Record<ColumnName, string>
>;

export const text = (value: string, strong = false, indent = 0): Cell => ({
  kind: 'text',
  text: value,
  strong,
  indent,
});
