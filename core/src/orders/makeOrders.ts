import type { MakeId } from '../job/id.ts';
import { orderAfter } from '../job/job.ts';
import type { PriceRequest, PurchaseOrder } from '../job/records/request.ts';
import { toMinor } from '../pricing/money.ts';
import type { Comparison } from './compareOffers.ts';

interface OrderedOn {
  readonly date: string;
  readonly deliverBy: string;
  readonly note: string;
  /** The orders there are: what one of them buys of this request is not bought again, and numbers go on from theirs. */
  readonly had: readonly PurchaseOrder[];
}

/** An order to each supplier whose prices were approved, with just those rows. */
export function makeOrders(
  request: PriceRequest,
  { columns }: Comparison,
  makeId: MakeId,
  { date, deliverBy, note, had }: OrderedOn,
): readonly PurchaseOrder[] {
  const ordered = new Set(
    had.filter(({ requestId }) => requestId === request.id).flatMap(({ rows }) => rows.map(({ key }) => key)),
  );
  const firstNumber = Math.max(0, ...had.map(({ number }) => number)) + 1;
  const firstOrder = orderAfter(had);
  const orders = columns.flatMap(({ supplier, name, cells }) => {
    const rows = request.rows.flatMap((row, at) => {
      const cell = cells[at];
      if (request.approved[row.key] !== supplier || cell?.kind !== 'price' || ordered.has(row.key)) return [];
      const { key, partNumber, unit, quantity, places } = row;
      const description = cell.row.substitute === '' ? row.description : cell.row.substitute;
      const price = String(Number(cell.unitPrice.toFixed(8)));
      return [{ key, partNumber, description, unit, quantity, price, places }];
    });
    return rows.length === 0 ? [] : [{ name, rows }];
  });
  return orders.map(({ name, rows }, at) => ({
    type: 'purchaseOrder',
    id: makeId('purchaseOrder'),
    number: firstNumber + at,
    supplier: name,
    date,
    deliverBy,
    note,
    requestId: request.id,
    rows,
    order: firstOrder + at,
  }));
}

/** What a row of an order comes to, whole minor units. */
export const amountOfRow = (
  { quantity, price }: Pick<PurchaseOrder['rows'][number], 'quantity' | 'price'>,
  digits: number,
): number => toMinor(Number(quantity) * Number(price), digits);

export const totalOfOrder = ({ rows }: PurchaseOrder, digits: number): number =>
  rows.reduce((sum, row) => sum + amountOfRow(row, digits), 0);
