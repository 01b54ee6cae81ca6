import type { Failure } from '../graph/failure.ts';
import type { ComponentLabor, CostKind } from '../job/records/assembly.ts';
import type { Craft } from '../job/records/craft.ts';
import type { Item } from '../job/records/item.ts';
import { type Result, accept, refuse } from '../problem/result.ts';
import { isNumber, sameDimension } from '../units/dimension.ts';
import type { Unit } from '../units/unit.ts';
import { unitOrLabel } from './quantity.ts';

/** What one unit of a line costs, by kind, in major units of money; labor as hours and wage. */
export interface UnitPrice {
  readonly costs: readonly { readonly kind: CostKind; readonly amount: number }[];
  readonly hours: number;
  readonly wage: number;
  /** Units the price is for in one unit of the line: 1/27 where ft³ is priced per yd³. */
  readonly factor: number;
  readonly basis: number;
}

const toNumber = (decimal: string): number => (decimal === '' ? 0 : Number(decimal));

/** Pieces only convert to pieces of the same label: a box is not a sheet. */
function conversionFactor(from: Unit, to: Unit): number | undefined {
  if (!sameDimension(from.dimension, to.dimension)) return undefined;
  if (isNumber(from.dimension) && from.symbol !== to.symbol) return undefined;
  return from.factor / to.factor;
}

/** The price of one `lineUnit` by an item of the price book, or why it has none. */
export function priceByItem(
  item: Item,
  lineUnit: string,
  findCraft: (id: NonNullable<Item['craftId']>) => Craft | undefined,
): Result<UnitPrice, Failure> {
  const measured = unitOrLabel(lineUnit);
  const factor = conversionFactor(measured, unitOrLabel(item.unit));
  if (factor === undefined)
    return refuse({
      kind: 'units-do-not-convert',
      measured: measured.dimension,
      measuredUnit: measured.symbol,
      priced: item.unit,
      code: item.code,
    });
  const kinds = ['material', 'equipment', 'subcontract', 'other'] as const;
  const costs = kinds
    .filter((kind) => item[kind] !== '')
    .map((kind) => ({ kind, amount: toNumber(item[kind]) }));
  const hours = toNumber(item.laborHours);
  if (costs.length === 0 && hours === 0) return refuse({ kind: 'no-price' });
  const craft = item.craftId === null ? undefined : findCraft(item.craftId);
  if (hours !== 0 && (craft === undefined || craft.wage === ''))
    return refuse({ kind: 'no-wage', craft: craft?.name ?? '' });
  return accept({ costs, hours, wage: toNumber(craft?.wage ?? ''), factor, basis: item.basis });
}

const DAY_HOURS = 8;

/** Hours for one unit of the line, from how the production was said; undefined while there is no figure. */
export function hoursByLabor({ by, figure }: ComponentLabor): number | undefined {
  const value = toNumber(figure);
  if (by === 'hours') return figure === '' ? undefined : value;
  if (value <= 0) return undefined;
  return (by === 'hourly' ? 1 : DAY_HOURS) / value;
}

/** The price with the component's own hours in the place of the item's; the hours alone where there is no item. */
export function priceWithLabor(
  price: Result<UnitPrice, Failure>,
  labor: ComponentLabor,
  findCraft: (id: NonNullable<Item['craftId']>) => Craft | undefined,
): Result<UnitPrice, Failure> {
  const craft = labor.craftId === null ? undefined : findCraft(labor.craftId);
  const hours = hoursByLabor(labor);
  if (hours === undefined) return refuse({ kind: 'no-price' });
  if (craft === undefined || craft.wage === '') return refuse({ kind: 'no-wage', craft: craft?.name ?? '' });
  if (!price.ok && price.problem.kind !== 'no-price') return price;
  const { costs, factor, basis } = price.ok ? price.value : { costs: [], factor: 1, basis: 1 };
  // The item's own factor and basis are taken out: these hours are for a unit of the line.
  return accept({ costs, factor, basis, hours: (hours * basis) / factor, wage: toNumber(craft.wage) });
}

/** A cost typed on the line itself, per unit of the line. */
export const priceByHand = (kind: CostKind, amount: string): Result<UnitPrice, Failure> =>
  amount === ''
    ? refuse({ kind: 'no-price' })
    : accept({ costs: [{ kind, amount: Number(amount) }], hours: 0, wage: 0, factor: 1, basis: 1 });
