import type { TotalKind } from '../job/records/report.ts';
import { roundTo } from '../units/numberFormat.ts';
import { type Cell, figureOf } from './cell.ts';

/**
 * What is known of the cells of a column so far. Two can be added, so that a group's total comes of its inner groups
 * and a changed row is a matter of its own groups.
 */
export interface Sums {
  /** Cells that say something. */
  readonly count: number;
  /** Cells that have a figure. */
  readonly figures: number;
  /** Cells without a figure although there should be one. */
  readonly failures: number;
  readonly first: Cell;
  readonly least: Cell;
  readonly most: Cell;
  /** Their figures in the unit of the sum; not a number before the first. */
  readonly leastValue: number;
  readonly mostValue: number;
  /** What the figures are of; undefined before the first. */
  readonly of: string | undefined;
  readonly unit: string;
  /** In the first one's unit. */
  readonly sum: number;
  readonly factor: number;
  /** Units that cannot be added to the first one's. */
  readonly others: readonly string[];
  readonly weights: number;
  /** Sum of figure times weight. */
  readonly weighted: number;
}

export const NO_SUMS: Sums = {
  count: 0,
  figures: 0,
  failures: 0,
  first: undefined,
  least: undefined,
  most: undefined,
  leastValue: NaN,
  mostValue: NaN,
  of: undefined,
  unit: '',
  sum: 0,
  factor: 1,
  others: [],
  weights: 0,
  weighted: 0,
};

/** A weight as a plain figure; what cannot be added weighs nothing. */
const weightOf = (cell: Cell): number => {
  const figure = figureOf(cell);
  return figure === undefined ? 0 : figure.value * figure.factor;
};

type Adding = { -readonly [Key in keyof Sums]: Sums[Key] };

/**
 * The sums of many cells, in their order. This is the inner loop of every report: one object is filled, and most cells
 * are alike.
 */
export function sumCells(
  count: number,
  cellAt: (at: number) => Cell,
  weightAt: ((at: number) => Cell) | undefined,
): Sums {
  const sums: Adding = { ...NO_SUMS };
  for (let at = 0; at < count; at += 1) {
    const cell = cellAt(at);
    if (cell !== undefined) addCell(sums, cell, weightAt === undefined ? 0 : weightOf(weightAt(at)));
  }
  return sums;
}

function addCell(sums: Adding, cell: NonNullable<Cell>, weight: number): void {
  if (cell.kind === 'failure') {
    sums.failures += 1;
    return;
  }
  sums.count += 1;
  sums.first ??= cell;
  const value = valueIn(sums, cell);
  if (value === undefined) return;
  sums.sum += value;
  sums.weights += weight;
  sums.weighted += weight * value;
  if (!(value >= sums.leastValue)) [sums.least, sums.leastValue] = [cell, value];
  if (!(value <= sums.mostValue)) [sums.most, sums.mostValue] = [cell, value];
}

/** The figure of a cell in the unit of the first one; undefined where it has none, or one that cannot be added. */
function valueIn(sums: Adding, cell: NonNullable<Cell>): number | undefined {
  // Most cells are money, or in the unit of the one before.
  if (cell.kind === 'money' && sums.of === 'money') return count(sums, cell.minor);
  if (cell.kind === 'quantity' && sums.figures > 0 && cell.unit === sums.unit) return count(sums, cell.value);
  const figure = figureOf(cell);
  if (figure === undefined) return undefined;
  if (sums.of === undefined) {
    sums.of = figure.of;
    sums.unit = figure.unit;
    sums.factor = figure.factor;
  } else if (sums.of !== figure.of) {
    if (!sums.others.includes(figure.unit)) sums.others = [...sums.others, figure.unit];
    sums.figures += 1;
    return undefined;
  }
  return count(sums, (figure.value * figure.factor) / sums.factor);
}

function count(sums: Adding, value: number): number {
  sums.figures += 1;
  return value;
}

/** The sums of several groups together, in their order. */
export function addSums(groups: readonly Sums[]): Sums {
  const all: Adding = { ...NO_SUMS };
  for (const each of groups) addGroup(all, each);
  return all;
}

function addGroup(all: Adding, each: Sums): void {
  all.count += each.count;
  all.figures += each.figures;
  all.failures += each.failures;
  all.first ??= each.first;
  all.weights += each.weights;
  if (each.of === undefined) return;
  if (all.of === undefined) {
    all.of = each.of;
    all.unit = each.unit;
    all.factor = each.factor;
  }
  if (all.of !== each.of) return noteOthers(all, [each.unit, ...each.others]);
  if (each.others.length > 0) noteOthers(all, each.others);
  const times = each.factor === all.factor ? 1 : each.factor / all.factor;
  all.sum += each.sum * times;
  all.weighted += each.weighted * times;
  if (!(each.leastValue * times >= all.leastValue))
    [all.least, all.leastValue] = [each.least, each.leastValue * times];
  if (!(each.mostValue * times <= all.mostValue))
    [all.most, all.mostValue] = [each.most, each.mostValue * times];
}

function noteOthers(all: Adding, units: readonly string[]): void {
  all.others = [...new Set([...all.others, ...units])].slice(0, 20);
}

/** The total itself; undefined where there is nothing to total. */
export function totalOf(sums: Sums, by: TotalKind): Cell {
  if (by === 'count') return { kind: 'number', value: sums.count };
  if (by === 'first') return sums.first;
  if (sums.of === undefined) return undefined;
  if (sums.others.length > 0) return { kind: 'mixed', units: [...new Set([sums.unit, ...sums.others])] };
  switch (by) {
    case 'sum':
      return figureCell(sums, sums.sum);
    case 'mean':
      return figureCell(sums, sums.sum / sums.figures);
    case 'weighted':
      return sums.weights === 0 ? undefined : figureCell(sums, sums.weighted / sums.weights);
    case 'least':
      return sums.least;
    case 'most':
      return sums.most;
  }
}

/** A figure of the same kind as those it was made of. */
function figureCell({ first, unit, least }: Sums, value: number): Cell {
  const like = figureOf(first) === undefined ? least : first;
  switch (like?.kind) {
    case 'money':
      return { kind: 'money', minor: roundTo(value, 0) };
    case 'quantity':
      return { kind: 'quantity', value: roundTo(value, 8), unit };
    case 'rate':
      return { kind: 'rate', amount: value, per: unit };
    case 'percent':
      return { kind: 'percent', value };
    default:
      return { kind: 'number', value: roundTo(value, 8) };
  }
}
