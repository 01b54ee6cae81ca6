import type { Failure } from '../job/failure.ts';
import { COST_KINDS, type ComponentLabor, type CostKind } from '../job/records/assembly.ts';
import type { Item } from '../job/records/item.ts';
import type { TypedCosts } from '../job/records/pricing.ts';
import { type Result, accept, refuse } from '../problem/result.ts';
import { isNumber, sameDimension } from '../units/dimension.ts';
import { findUnit } from '../units/unit.ts';
import type { Unit } from '../units/unit.ts';
import { type CrewRates, type Workers, crewRatesOf, hoursPerUnit } from './labor.ts';
import { unitOrLabel } from './quantity.ts';

/** A cost in major units of money for `basis` units, of which one of the line has `factor`: 1/27 for ft³ at a price per yd³. */
export interface UnitCost {
  readonly kind: CostKind;
  readonly amount: number;
  readonly factor: number;
  readonly basis: number;
  /** Of the price book; a local adjustment acts on it. */
  readonly fromBook?: boolean;
}

/** What one unit of a line costs by kind, and the labor hours in it with those who work them. */
export interface UnitPrice {
  readonly costs: readonly UnitCost[];
  /** For one unit of the line, before difficulty. */
  readonly hours: number;
  readonly crewRates: CrewRates | undefined;
}

const toNumber = (decimal: string): number => (decimal === '' ? 0 : Number(decimal));

/** Pieces only convert to pieces of the same label: a box is not a sheet. */
function conversionFactor(from: Unit, to: Unit): number | undefined {
  if (!sameDimension(from.dimension, to.dimension)) return undefined;
  if (isNumber(from.dimension) && from.symbol !== to.symbol) return undefined;
  return from.factor / to.factor;
}

/** How many of the unit an item is priced in one unit of the line has; undefined where they do not convert. */
export const unitFactor = (lineUnit: string, pricedUnit: string): number | undefined =>
  conversionFactor(unitOrLabel(lineUnit), unitOrLabel(pricedUnit));

const BOOK_COSTS = ['material', 'equipment', 'subcontract', 'other'] as const;

/** The price of one `lineUnit` by an item of the price book, or why it has none. */
export function priceByItem(item: Item, lineUnit: string, workers: Workers): Result<UnitPrice, Failure> {
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
  const { basis } = item;
  const costs = BOOK_COSTS.filter((kind) => item[kind] !== '').map((kind): UnitCost => ({
    kind,
    amount: toNumber(item[kind]),
    factor,
    basis,
    fromBook: true,
  }));
  const labor = laborOfItem(item, factor, workers);
  if (costs.length === 0 && labor.hours === 0) return refuse({ kind: 'no-price' });
  return accept({ costs, ...labor });
}

/** Hours have a basis of their own; a rate or daily output is for single units. */
function laborOfItem(item: Item, factor: number, workers: Workers): Pick<UnitPrice, 'hours' | 'crewRates'> {
  if (toNumber(item.laborHours) === 0) return { hours: 0, crewRates: undefined };
  const crewRates = crewRatesOf(item, workers);
  const each = hoursPerUnit(item.laborBy ?? 'hours', item.laborHours, crewRates) ?? 0;
  const basis = item.laborBy === undefined ? (item.laborBasis ?? item.basis) : 1;
  return { hours: (each * factor) / basis, crewRates };
}

/** What a single unit of an item costs in its own unit, in major units, before region and adjustments. */
export interface OneUnitCost {
  readonly direct: number;
  readonly hours: number;
  /** Wages and machines of those who do it. */
  readonly labor: number;
}

export function costOfOne(item: Item, workers: Workers): Result<OneUnitCost, Failure> {
  const price = priceByItem(item, item.unit, workers);
  if (!price.ok) return price;
  const { costs, hours, crewRates } = price.value;
  if (hours !== 0 && crewRates?.noWage !== undefined) return refuse(crewRates.noWage);
  const direct = costs.reduce((sum, { amount, factor, basis }) => sum + (amount * factor) / basis, 0);
  const labor =
    crewRates === undefined ? 0 : (hours / crewRates.people) * (crewRates.wages + crewRates.machines);
  return accept({ direct, hours, labor });
}

/** The price with the component's own hours in the place of the item's; the hours alone where there is no item. */
export function priceWithLabor(
  price: Result<UnitPrice, Failure>,
  labor: ComponentLabor,
  workers: Workers,
): Result<UnitPrice, Failure> {
  const crewRates = crewRatesOf(labor, workers);
  if (labor.figure === '') return refuse({ kind: 'no-price' });
  const hours = hoursPerUnit(labor.by, labor.figure, crewRates);
  if (hours === undefined) return refuse({ kind: 'no-price' });
  if (!price.ok && price.problem.kind !== 'no-price') return price;
  return accept({ costs: price.ok ? price.value.costs : [], hours, crewRates });
}

const perUnit = (kind: CostKind, amount: string): UnitCost => ({
  kind,
  amount: Number(amount),
  factor: 1,
  basis: 1,
});

/** A cost typed on the line itself, per unit of the line. */
export const priceByHand = (kind: CostKind, amount: string): Result<UnitPrice, Failure> =>
  amount === ''
    ? refuse({ kind: 'no-price' })
    : accept({ costs: [perUnit(kind, amount)], hours: 0, crewRates: undefined });

/** The price with what was typed over it by kind. Labor typed as money has no hours, typed ones neither. */
export function priceWithTyped(
  price: Result<UnitPrice, Failure>,
  typed: TypedCosts,
  crewRates: CrewRates,
): Result<UnitPrice, Failure> {
  const kinds = COST_KINDS.filter((kind) => (typed[kind] ?? '') !== '');
  const hasHours = (typed.hours ?? '') !== '' && !kinds.includes('labor');
  if (kinds.length === 0 && !hasHours) return price;
  // A price that is there and does not fit stays wrong; one that is not there yet is what was typed.
  if (!price.ok && price.problem.kind !== 'no-price') return price;
  const under: UnitPrice = price.ok ? price.value : { costs: [], hours: 0, crewRates: undefined };
  const costs = [
    // Labor is one or the other: hours that are typed come in the place of money typed for it before.
    ...under.costs.filter(({ kind }) => !kinds.includes(kind) && !(hasHours && kind === 'labor')),
    ...kinds.map((kind) => perUnit(kind, typed[kind] ?? '')),
  ];
  if (hasHours) {
    return accept({ costs, hours: toNumber(typed.hours ?? ''), crewRates: under.crewRates ?? crewRates });
  }
  return kinds.includes('labor')
    ? accept({ costs, hours: 0, crewRates: undefined })
    : accept({ ...under, costs });
}

/** The price with its hours worked by those the line itself names. */
export function priceWithWorker(
  price: Result<UnitPrice, Failure>,
  crewRates: CrewRates,
): Result<UnitPrice, Failure> {
  return price.ok && price.value.hours !== 0 ? accept({ ...price.value, crewRates }) : price;
}

/** A crew by its own time: one unit of the line is a day or an hour of all of them. */
export function priceByCrew(crewRates: CrewRates, lineUnit: string): Result<UnitPrice, Failure> {
  const unit = unitOrLabel(lineUnit);
  const hour = findUnit('h');
  if (unit.symbol === 'day')
    return accept({ costs: [], hours: crewRates.people * crewRates.dayHours, crewRates });
  if (hour !== undefined && sameDimension(unit.dimension, hour.dimension))
    return accept({ costs: [], hours: (crewRates.people * unit.factor) / hour.factor, crewRates });
  return refuse({ kind: 'no-price' });
}
