import type { Figures } from '../calculate/figures.ts';
import { type Command, put } from '../job/change.ts';
import type { Item } from '../job/records/item.ts';
import type { AskedRow, PriceRequest } from '../job/records/request.ts';
import type { Comparison } from './compareOffers.ts';
import { factorBetween } from './compareOffers.ts';

/** A price of the price book with the one that was approved in its place. */
export interface TakenPrice {
  readonly row: AskedRow;
  readonly from: Item;
  readonly to: Item;
}

export interface TakenPrices {
  readonly taken: readonly TakenPrice[];
  /** Approved, and no item of the price book could take it. */
  readonly left: readonly AskedRow[];
}

/** What the price book would hold with the approved prices: each with its supplier and day. */
export function planPrices(figures: Figures, request: PriceRequest, comparison: Comparison): TakenPrices {
  const taken: TakenPrice[] = [];
  const left: AskedRow[] = [];
  request.rows.forEach((row, at) => {
    const column = comparison.columns.find(({ supplier }) => supplier === request.approved[row.key]);
    const cell = column?.cells[at];
    if (column === undefined || cell?.kind !== 'price') return;
    const item = row.itemCode === '' ? undefined : figures.findItem(row.itemCode);
    const factor = item === undefined ? undefined : factorBetween(row.unit, item.unit);
    if (item === undefined || factor === undefined) {
      left.push(row);
      return;
    }
    const { sample: _sample, ...own } = item;
    taken.push({
      row,
      from: item,
      to: {
        ...own,
        material: decimal(cell.unitPrice * factor * item.basis),
        supplier: column.name,
        date: column.offer?.date ?? '',
        source: request.name,
      },
    });
  });
  return { taken, left };
}

/** At most eight decimals, and no idle ones: as records keep money. */
const decimal = (amount: number): string => String(Number(amount.toFixed(8)));

export const takePrices = ({ taken }: TakenPrices): Command => put(...taken.map(({ to }) => to));
