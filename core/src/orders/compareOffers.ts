import type { AskedRow, Offer, OfferRow, PriceRequest } from '../job/records/request.ts';
import { toMinor } from '../pricing/money.ts';
import { isNumber, sameDimension } from '../units/dimension.ts';
import { findUnit } from '../units/unit.ts';

/** What a supplier says of one row, brought to the unit that was asked. */
export type OfferCell =
  | {
      readonly kind: 'price';
      /** Major units for one of the unit asked. */
      readonly unitPrice: number;
      /** For the quantity asked, whole minor units. */
      readonly amount: number;
      readonly row: OfferRow;
      /** The unit it was given in, where that is another. */
      readonly givenIn: string;
    }
  /** In a unit that cannot be brought to the one asked, such as feet for kilograms. */
  | { readonly kind: 'wrong-unit'; readonly row: OfferRow }
  | { readonly kind: 'missing' };

export interface OfferColumn {
  readonly supplier: string;
  readonly name: string;
  /** Undefined while nothing has come. */
  readonly offer: Offer | undefined;
  readonly cells: readonly OfferCell[];
  /** What was offered, whole minor units. */
  readonly given: number;
  /** What the rows that were not offered cost at the best price of another; whole minor units. */
  readonly allowed: number;
  /** Rows that were not offered, or in a wrong unit. */
  readonly missing: number;
  /** Rows that nobody offered: no sum of anybody holds them. */
  readonly unpriced: number;
}

export interface Comparison {
  readonly columns: readonly OfferColumn[];
  /** Of each row the supplier with the least price; undefined where nobody offers it. */
  readonly cheapest: readonly (string | undefined)[];
}

/** The latest answer of a supplier. */
export function latestOffer(offers: Iterable<Offer>, requestId: string, supplier: string): Offer | undefined {
  let latest: Offer | undefined;
  for (const offer of offers)
    if (offer.requestId === requestId && offer.supplier === supplier)
      if (latest === undefined || offer.order > latest.order) latest = offer;
  return latest;
}

/** Who is still to be asked or can change an answer at the desk: not those whose answer came in another way. */
export const suppliersToAsk = (request: PriceRequest, offers: readonly Offer[]): PriceRequest['suppliers'] =>
  request.suppliers.filter(
    ({ key, token }) => token !== '' || latestOffer(offers, request.id, key) === undefined,
  );

/** Answers side by side: units brought together, the missing ones allowed for, the least of each row. */
export function compareOffers(request: PriceRequest, offers: Iterable<Offer>, digits: number): Comparison {
  const all = [...offers];
  const columns = request.suppliers.map(({ key, name }) => {
    const offer = latestOffer(all, request.id, key);
    return { supplier: key, name, offer, cells: request.rows.map((row) => cellOf(row, offer, digits)) };
  });
  const best = request.rows.map((_, at) => {
    const priced = columns.flatMap(({ supplier, cells }) => {
      const cell = cells[at];
      return cell?.kind === 'price' ? [{ supplier, amount: cell.amount }] : [];
    });
    return priced.sort((a, b) => a.amount - b.amount)[0];
  });
  return {
    cheapest: best.map((each) => each?.supplier),
    columns: columns.map((column) => {
      let [given, allowed, missing, unpriced] = [0, 0, 0, 0];
      column.cells.forEach((cell, at) => {
        if (cell.kind === 'price') {
          given += cell.amount;
          return;
        }
        missing += 1;
        const other = best[at];
        if (other === undefined) unpriced += 1;
        else allowed += other.amount;
      });
      return { ...column, given, allowed, missing, unpriced };
    }),
  };
}

function cellOf(asked: AskedRow, offer: Offer | undefined, digits: number): OfferCell {
  const row = offer?.rows.find(({ key }) => key === asked.key);
  if (row === undefined || row.price === '') return { kind: 'missing' };
  const factor = factorBetween(row.unit, asked.unit);
  if (factor === undefined) return { kind: 'wrong-unit', row };
  const unitPrice = Number(row.price) * factor;
  return {
    kind: 'price',
    unitPrice,
    amount: toMinor(unitPrice * Number(asked.quantity), digits),
    row,
    givenIn: factor === 1 ? '' : row.unit,
  };
}

/** How many of one unit are in one of another: a price times it is for the other. Undefined where they measure different things. */
export function factorBetween(from: string, to: string): number | undefined {
  if (from.trim().toLowerCase() === to.trim().toLowerCase() || from.trim() === '') return 1;
  // Other words for what is bought, as bag and roll, are never the same thing.
  const [given, asked] = [findUnit(from), findUnit(to)];
  if (given === undefined || asked === undefined) return undefined;
  if (!sameDimension(given.dimension, asked.dimension)) return undefined;
  return isNumber(given.dimension) && given.symbol !== asked.symbol ? undefined : asked.factor / given.factor;
}
