import type { AskedRow, PriceRequest } from '../job/records/request.ts';
import { toMinor } from '../pricing/money.ts';
import { roundQuantity } from '../pricing/quantity.ts';
import type { Comparison, OfferColumn } from './compareOffers.ts';

/** Who delivers how much of a row, in the order of the suppliers; nobody while no price of it is taken. */
export interface Delivered {
  readonly supplier: string;
  readonly quantity: number;
}

/** The supplier whose price is taken delivers what others have no part of. */
export function deliveredOf(request: PriceRequest, { key, quantity }: AskedRow): readonly Delivered[] {
  const approved = request.approved[key];
  if (approved === undefined) return [];
  const parts = request.parts?.[key] ?? {};
  let rest = Number(quantity);
  const others = new Map<string, number>();
  for (const { key: supplier } of request.suppliers) {
    const part = supplier === approved ? 0 : Math.min(Number(parts[supplier] ?? 0), rest);
    if (part <= 0) continue;
    others.set(supplier, part);
    rest -= part;
  }
  return request.suppliers
    .map(({ key: supplier }) => ({
      supplier,
      quantity: roundQuantity(supplier === approved ? rest : (others.get(supplier) ?? 0)),
    }))
    .filter((each) => each.quantity > 0);
}

export type PartProblem = 'nothing-taken' | 'not-positive' | 'too-much';

/**
 * The request with so much of a row delivered by another supplier than the one whose price is taken; nothing for an
 * empty quantity. Refused where it would leave nothing for the one whose price is taken: then take the other's whole.
 */
export function givePart(
  request: PriceRequest,
  row: AskedRow,
  supplier: string,
  quantity: number | undefined,
): PriceRequest | PartProblem {
  if (request.approved[row.key] === undefined) return 'nothing-taken';
  const { [supplier]: _had, ...others } = request.parts?.[row.key] ?? {};
  if (quantity === undefined) return withParts(request, row.key, others);
  if (!(quantity > 0)) return 'not-positive';
  const parts = { ...others, [supplier]: String(roundQuantity(quantity)) };
  const given = Object.values(parts).reduce((sum, part) => sum + Number(part), 0);
  return given >= Number(row.quantity) ? 'too-much' : withParts(request, row.key, parts);
}

/** Whose prices are taken; parts of a row are given up once its price is taken of another, or of nobody. */
export function approveRows(request: PriceRequest, approved: PriceRequest['approved']): PriceRequest {
  const kept = Object.entries(request.parts ?? {}).filter(
    ([key]) => approved[key] !== undefined && approved[key] === request.approved[key],
  );
  return { ...request, approved, parts: Object.fromEntries(kept) };
}

function withParts(
  request: PriceRequest,
  key: string,
  parts: Readonly<Record<string, string>>,
): PriceRequest {
  const { [key]: _had, ...others } = request.parts ?? {};
  return { ...request, parts: Object.keys(parts).length === 0 ? others : { ...others, [key]: parts } };
}

/** What is taken of one supplier, whole minor units. */
export const takenFrom = (
  request: PriceRequest,
  { supplier, cells }: Pick<OfferColumn, 'supplier' | 'cells'>,
  digits: number,
): number =>
  request.rows.reduce((sum, row, at) => {
    const cell = cells[at];
    const own = deliveredOf(request, row).find((each) => each.supplier === supplier);
    return own === undefined || cell?.kind !== 'price'
      ? sum
      : sum + toMinor(cell.unitPrice * own.quantity, digits);
  }, 0);

/** Rows that are chosen of a supplier who has no price for them any more: a later answer took it back. */
export const chosenWithoutPrice = (
  request: PriceRequest,
  { columns }: Pick<Comparison, 'columns'>,
): readonly AskedRow[] =>
  request.rows.filter((row, at) =>
    deliveredOf(request, row).some(({ supplier }) => {
      const column = columns.find((each) => each.supplier === supplier);
      return column?.cells[at]?.kind !== 'price';
    }),
  );
