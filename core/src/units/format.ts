import { AREA, type Dimension, LENGTH, MASS, TIME, VOLUME, dimensionKey, isNumber } from './dimension.ts';
import { formatFeetInch } from './feetInch.ts';
import { type NumberFormat, formatNumber } from './numberFormat.ts';
import { type Unit, getUnit } from './unit.ts';

export type UnitSystem = 'us' | 'metric';

export interface Display {
  readonly system: UnitSystem;
  readonly numbers: NumberFormat;
}

/** A figure ready to be shown: digits, and the unit in a lighter weight after them. */
export interface FigureText {
  readonly figure: string;
  /** Empty for plain numbers and for feet and inches, which carry their own marks. */
  readonly unit: string;
}

const DEFAULT_UNITS: Readonly<Record<UnitSystem, Readonly<Record<string, string>>>> = {
  us: {
    [dimensionKey(LENGTH)]: 'ft',
    [dimensionKey(AREA)]: 'ft²',
    [dimensionKey(VOLUME)]: 'yd³',
    [dimensionKey(MASS)]: 'lb',
    [dimensionKey(TIME)]: 'h',
  },
  metric: {
    [dimensionKey(LENGTH)]: 'm',
    [dimensionKey(AREA)]: 'm²',
    [dimensionKey(VOLUME)]: 'm³',
    [dimensionKey(MASS)]: 'kg',
    [dimensionKey(TIME)]: 'h',
  },
};

/** The unit a job shows a dimension in when nothing else is asked for; undefined for odd products. */
export function findDefaultUnit(dimension: Dimension, system: UnitSystem): Unit | undefined {
  const symbol = DEFAULT_UNITS[system][dimensionKey(dimension)];
  return symbol === undefined ? undefined : getUnit(symbol);
}

const PLACES: Readonly<Record<string, number>> = { ft: 2, m: 2, mm: 0, 'ft²': 1, 'm²': 2, 'yd³': 2, 'm³': 2 };

/** Decimals a figure in the unit is shown with; small figures get more so that they never read 0. */
export function displayPlaces(value: number, unit: Unit): number {
  const usual = isNumber(unit.dimension) ? 2 : (PLACES[unit.symbol] ?? 2);
  const size = Math.abs(value);
  if (size === 0 || size >= 1) return usual;
  return Math.min(8, Math.max(usual, 2 - Math.floor(Math.log10(size))));
}

/** Writes a quantity (SI value) in a given unit: `13.33 yd³`. */
export function formatInUnit(valueSi: number, unit: Unit, display: Display): FigureText {
  const value = valueSi / unit.factor;
  const trim = isNumber(unit.dimension);
  return {
    figure: formatNumber(value, displayPlaces(value, unit), display.numbers, trim),
    unit: unit.symbol,
  };
}

/** Writes a quantity the way the job shows its dimension; US lengths in feet and inches. */
export function formatQuantity(valueSi: number, dimension: Dimension, display: Display): FigureText {
  if (isNumber(dimension)) return { figure: formatNumber(valueSi, 4, display.numbers, true), unit: '' };
  if (display.system === 'us' && dimensionKey(dimension) === dimensionKey(LENGTH)) {
    const group = display.numbers.group === '' ? '' : display.numbers.group;
    return { figure: formatFeetInch(valueSi, 4, group), unit: '' };
  }
  const unit = findDefaultUnit(dimension, display.system);
  if (unit !== undefined) return formatInUnit(valueSi, unit, display);
  return { figure: formatNumber(valueSi, 4, display.numbers, true), unit: composeUnit(dimension) };
}

/** A figure and its unit in one text. */
export const joinFigure = (text: FigureText): string =>
  text.unit === '' ? text.figure : `${text.figure} ${text.unit}`;

/** For odd products, SI symbols: `kg/m`, so that a figure is never shown without a unit. */
function composeUnit(dimension: Dimension): string {
  const parts: readonly (readonly [string, number])[] = [
    ['kg', dimension.mass],
    ['m', dimension.length],
    ['s', dimension.time],
    ['money', dimension.money],
  ];
  const write = ([symbol, power]: readonly [string, number]): string =>
    Math.abs(power) === 1 ? symbol : `${symbol}^${Math.abs(power)}`;
  const over = parts.filter(([, power]) => power > 0).map(write);
  const under = parts.filter(([, power]) => power < 0).map(write);
  return (over.length === 0 ? '1' : over.join('·')) + (under.length === 0 ? '' : `/${under.join('·')}`);
}
