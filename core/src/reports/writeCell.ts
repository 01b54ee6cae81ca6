import { formatMoney, formatUnitCost } from '../pricing/money.ts';
import { quantityPlaces, unitOrLabel } from '../pricing/quantity.ts';
import { isNumber } from '../units/dimension.ts';
import { type NumberFormat, formatNumber } from '../units/numberFormat.ts';
import type { Cell } from './cell.ts';

/** How cells are written: the job's numbers and money, and the words for what is no figure. */
export interface CellWriting {
  readonly numbers: NumberFormat;
  readonly currency: string;
  readonly date: (isoDate: string) => string;
  readonly failure: (failure: Extract<Cell, { kind: 'failure' }>['failure']) => string;
  readonly mixed: (units: readonly string[]) => string;
}

/** What stands in a cell, and its unit in a lighter weight after it; empty for none. */
export interface CellText {
  readonly text: string;
  readonly unit: string;
}

const EMPTY: CellText = { text: '', unit: '' };
const HOUR_PLACES = 1;

/** A cell as it is read; `places` are decimals that were asked for. */
export function writeCell(cell: Cell, places: number | undefined, by: CellWriting): CellText {
  const { numbers, currency } = by;
  switch (cell?.kind) {
    case undefined:
      return EMPTY;
    case 'text':
      return { text: cell.text, unit: '' };
    case 'number':
      return { text: formatNumber(cell.value, places ?? 4, numbers, places === undefined), unit: '' };
    case 'quantity':
      return { text: writeQuantity(cell, places, numbers), unit: cell.unit };
    case 'money':
      return { text: formatMoney(cell.minor, { currency, numbers }), unit: '' };
    case 'rate': {
      const text = formatUnitCost(cell.amount, { currency, numbers });
      return { text, unit: cell.per === '' ? '' : `/ ${cell.per}` };
    }
    case 'percent':
      return { text: formatNumber(cell.value, places ?? 2, numbers, places === undefined), unit: '%' };
    case 'date':
      return { text: by.date(cell.date), unit: '' };
    case 'failure':
      return { text: by.failure(cell.failure), unit: '' };
    case 'mixed':
      return { text: by.mixed(cell.units), unit: '' };
  }
}

/** Pieces without idle decimals, measures always with two, hours with one. */
function writeQuantity(
  { value, unit }: { readonly value: number; readonly unit: string },
  places: number | undefined,
  numbers: NumberFormat,
): string {
  if (places !== undefined) return formatNumber(value, places, numbers);
  if (unit === 'h') return formatNumber(value, HOUR_PLACES, numbers);
  return formatNumber(value, quantityPlaces(value), numbers, isNumber(unitOrLabel(unit).dimension));
}

export const joinCellText = ({ text, unit }: CellText): string => (unit === '' ? text : `${text} ${unit}`);
