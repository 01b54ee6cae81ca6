import { compileFormula } from '../formula/compile.ts';
import { EMPTY_NAMES } from '../formula/checkDimensions.ts';
import type { Comparison, ReportCondition, ReportFilter } from '../job/records/report.ts';
import { dimensionKey, isNumber } from '../units/dimension.ts';
import { type Cell, type CellKind, figureOf, isFigureKind } from './cell.ts';
import type { ReportProblem } from './problem.ts';

export type Condition = ReportCondition;
type Part = ReportFilter['of'][number];
export const isCondition = (part: Part | ReportFilter): part is Condition => 'is' in part;

/** All conditions of a filter, however deep. */
export function* conditionsOf(filter: ReportFilter | undefined): Generator<Condition> {
  for (const part of filter?.of ?? [])
    if (isCondition(part)) yield part;
    else yield* conditionsOf(part as ReportFilter);
}

/** How a field is read; undefined for one that rows of the source do not have. */
export type FindField = (
  fieldId: string,
) => { readonly kind: CellKind; readonly read: (row: number) => Cell } | undefined;

/** What filters ask of whoever has the rows. */
export interface FilterBy {
  readonly find: FindField;
  readonly tell: (problem: ReportProblem) => void;
  /** Minor units of money in one. */
  readonly minorsInOne: number;
}

/** Whether a row passes. A condition that cannot be held against anything lets every row through, and is told. */
export function createFilter(
  filter: ReportFilter | undefined,
  by: FilterBy,
): ((row: number) => boolean) | undefined {
  if (filter === undefined) return undefined;
  const parts = filter.of.flatMap((part) => {
    const made = isCondition(part) ? createCondition(part, by) : createFilter(part as ReportFilter, by);
    return made === undefined ? [] : [made];
  });
  if (parts.length === 0) return undefined;
  return filter.join === 'all'
    ? (row) => parts.every((passes) => passes(row))
    : (row) => parts.some((passes) => passes(row));
}

function createCondition(
  { field, is, value }: Condition,
  { find, tell, minorsInOne }: FilterBy,
): ((row: number) => boolean) | undefined {
  const found = find(field);
  if (found === undefined) {
    tell({ kind: 'report-condition', field });
    return undefined;
  }
  const { kind, read } = found;
  if (is === 'empty') return (row) => isEmpty(read(row));
  if (is === 'filled') return (row) => !isEmpty(read(row));
  const wanted = readWanted(value);
  if (isFigureKind(kind) && wanted === undefined && is !== 'contains' && is !== 'lacks') {
    tell({ kind: 'report-value', field, value });
    return undefined;
  }
  return (row) => compare(read(row), is, value.trim(), wanted, minorsInOne);
}

/** What has no figure for whatever reason says nothing either. */
const isEmpty = (cell: Cell): boolean => cell === undefined || cell.kind === 'failure';

interface Wanted {
  readonly value: number;
  /** Empty for a bare number, which is in the unit of whatever it is held against. */
  readonly of: string;
}

/** `12`, `2.4 m`, `1/2 in`: what a condition is held against, with or without a unit. */
function readWanted(text: string): Wanted | undefined {
  const formula = compileFormula(text.trim(), EMPTY_NAMES);
  if (!formula.ok) return undefined;
  const value = formula.value.run(new Float64Array(0), new Int32Array(0));
  if (!Number.isFinite(value)) return undefined;
  const { dimension } = formula.value;
  return { value, of: isNumber(dimension) ? '' : dimensionKey(dimension) };
}

const plain = (text: string): string => text.trim().toLowerCase();

function compare(
  cell: Cell,
  is: Comparison,
  text: string,
  wanted: Wanted | undefined,
  minorsInOne: number,
): boolean {
  const figure = figureOf(cell);
  if (figure !== undefined && wanted !== undefined) {
    if (wanted.of !== '' && wanted.of !== figure.of) return is === 'is-not' || is === 'lacks';
    const shown = cell?.kind === 'money' ? figure.value / minorsInOne : figure.value;
    const value = wanted.of === '' ? shown : figure.value * figure.factor;
    return compareOrder(nearlyEqual(value, wanted.value) ? 0 : value - wanted.value, is);
  }
  const words =
    cell === undefined ? '' : cell.kind === 'text' ? cell.text : cell.kind === 'date' ? cell.date : '';
  if (is === 'contains') return plain(words).includes(plain(text));
  if (is === 'lacks') return !plain(words).includes(plain(text));
  if (words === '' && (is === 'more' || is === 'less')) return false;
  return compareOrder(plain(words) === plain(text) ? 0 : plain(words) < plain(text) ? -1 : 1, is);
}

const nearlyEqual = (a: number, b: number): boolean =>
  Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b));

function compareOrder(order: number, is: Comparison): boolean {
  switch (is) {
    case 'is':
    case 'contains':
      return order === 0;
    case 'is-not':
    case 'lacks':
      return order !== 0;
    case 'more':
      return order > 0;
    case 'less':
      return order < 0;
    default:
      return true;
  }
}
