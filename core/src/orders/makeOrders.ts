import type { MakeId } from '../job/id.ts';
import { orderAfter } from '../job/job.ts';
import type { PriceRequest, PurchaseOrder } from '../job/records/request.ts';
import { toMinor } from '../pricing/money.ts';
import { roundQuantity } from '../pricing/quantity.ts';
import type { Comparison } from './compareOffers.ts';
import { type BuyPlace, takePlaces } from './deliveries.ts';
import { deliveredOf } from './parts.ts';

interface OrderedOn {
  readonly date: string;
  readonly deliverBy: string;
  readonly note: string;
  /** The orders there are: what one of them buys of this request is not bought again, and numbers go on from theirs. */
  readonly had: readonly PurchaseOrder[];
}

/** What is ordered already of the rows of a request: in all, and of each supplier by name. */
function orderedOf(request: PriceRequest, had: readonly PurchaseOrder[]) {
  const quantities = new Map<string, number>();
  for (const { requestId, supplier, rows } of had) {
    if (requestId !== request.id) continue;
    for (const { key, quantity } of rows)
      for (const bought of [key, `${key} ${supplier}`])
        quantities.set(bought, (quantities.get(bought) ?? 0) + Number(quantity));
  }
  return (row: string, supplier?: string): number =>
    quantities.get(supplier === undefined ? row : `${row} ${supplier}`) ?? 0;
}

/** The rows as they are shared out: what each supplier delivers of which, and where to. */
function sharedOut(request: PriceRequest, had: readonly PurchaseOrder[]) {
  const ordered = orderedOf(request, had);
  const shared = new Map<
    string,
    { readonly at: number; readonly quantity: number; readonly places: readonly BuyPlace[] }[]
  >();
  request.rows.forEach((row, at) => {
    const places = row.places.map(({ name, quantity }) => ({ name, quantity: Number(quantity) }));
    const whole = Number(row.quantity);
    let goes = takePlaces(places, ordered(row.key)).left;
    let open = whole - ordered(row.key);
    for (const { supplier, quantity } of deliveredOf(request, row)) {
      const name = request.suppliers.find(({ key }) => key === supplier)?.name ?? '';
      const part = roundQuantity(Math.min(quantity - ordered(row.key, name), open));
      if (part <= 0) continue;
      const { taken, left } = takePlaces(goes, part);
      [goes, open] = [left, open - part];
      shared.set(supplier, [...(shared.get(supplier) ?? []), { at, quantity: part, places: taken }]);
    }
  });
  return shared;
}

/** An order to each supplier whose prices were approved, with just what it delivers. */
export function makeOrders(
  request: PriceRequest,
  { columns }: Comparison,
  makeId: MakeId,
  { date, deliverBy, note, had }: OrderedOn,
): readonly PurchaseOrder[] {
  const shared = sharedOut(request, had);
  const firstNumber = Math.max(0, ...had.map(({ number }) => number)) + 1;
  const firstOrder = orderAfter(had);
  const orders = columns.flatMap(({ supplier, name, cells }) => {
    const rows = (shared.get(supplier) ?? []).flatMap(({ at, quantity, places }) => {
      const [row, cell] = [request.rows[at], cells[at]];
      if (row === undefined || cell?.kind !== 'price') return [];
      const description = cell.row.substitute === '' ? row.description : cell.row.substitute;
      return [
        {
          key: row.key,
          partNumber: row.partNumber,
          description,
          unit: row.unit,
          quantity: String(quantity),
          price: String(Number(cell.unitPrice.toFixed(8))),
          ...(row.pack === undefined ? {} : { pack: row.pack }),
          places: places.map(({ name: place, quantity: part }) => ({ name: place, quantity: String(part) })),
        },
      ];
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
