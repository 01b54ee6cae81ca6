import { roundQuantity } from '../pricing/quantity.ts';
import type { AskedRow, PriceRequest } from '../job/records/request.ts';
import type { BuyRow } from './buyList.ts';

/** The row of the list of materials that was asked for; what the price book does not know goes by its name. */
const materialOf = ({ partNumber, itemCode, description, unit }: AskedRow): string =>
  [partNumber || itemCode || description, unit].join('|');

/**
 * Rows whose work needs another quantity now than when they were asked, by their key, with what it needs now: 0 where
 * the job has no such material any more. A request stays as it was asked, so it is told and not changed.
 */
export function changedNeeds(
  { rows }: Pick<PriceRequest, 'rows'>,
  materials: readonly BuyRow[],
): ReadonlyMap<string, number> {
  const now = new Map<string, number>();
  for (const { partNumber, item, description, code, unit, needed } of materials) {
    const name = partNumber || (item?.code ?? (description.slice(0, 200) || code));
    now.set([name, unit].join('|'), roundQuantity(needed));
  }
  return new Map(
    rows.flatMap((row) => {
      const needs = now.get(materialOf(row)) ?? 0;
      return needs === Number(row.needed) ? [] : [[row.key, needs] as const];
    }),
  );
}
