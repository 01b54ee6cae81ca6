import type { Failure } from '../job/failure.ts';
import { unitOrLabel } from '../pricing/quantity.ts';
import { dimensionKey, isNumber } from '../units/dimension.ts';

/** What stands in one cell of a report: always with what it is, so that every format can write it its own way. */
export type Cell =
  /** `order` is where it stands among others of its kind, such as the sections of a job. */
  | { readonly kind: 'text'; readonly text: string; readonly order?: number }
  | { readonly kind: 'number'; readonly value: number }
  /** In `unit` as it is written: `12.5` of `yd³`. */
  | { readonly kind: 'quantity'; readonly value: number; readonly unit: string }
  /** Whole minor units. */
  | { readonly kind: 'money'; readonly minor: number }
  /** Major units of money for one of `per`; empty for one of whatever it is. */
  | { readonly kind: 'rate'; readonly amount: number; readonly per: string }
  /** 12.5 is 12.5 %. */
  | { readonly kind: 'percent'; readonly value: number }
  /** ISO date. */
  | { readonly kind: 'date'; readonly date: string }
  /** There is no figure, and why. */
  | { readonly kind: 'failure'; readonly failure: Failure | 'does-not-fit' }
  /** A total of what cannot be added: of these units. */
  | { readonly kind: 'mixed'; readonly units: readonly string[] }
  | undefined;

/** What a column holds, as far as it can be told before a row is read. */
export const CELL_KINDS = ['text', 'number', 'quantity', 'money', 'rate', 'percent', 'date'] as const;
export type CellKind = (typeof CELL_KINDS)[number];

export const isFigureKind = (kind: CellKind): boolean => kind !== 'text' && kind !== 'date';

/** A figure that can be added up: with others that have the same `of`, each times its factor. */
export interface CellFigure {
  readonly value: number;
  /** What it is a figure of: money, a dimension, a kind of piece. */
  readonly of: string;
  /** Of `of`'s base in one of the unit. */
  readonly factor: number;
  readonly unit: string;
}

const units = new Map<string, Pick<CellFigure, 'of' | 'factor'>>();

/** Lengths are lengths in whatever unit; sheets are not bags. */
function unitOf(unit: string): Pick<CellFigure, 'of' | 'factor'> {
  const known = units.get(unit);
  if (known !== undefined) return known;
  const { symbol, dimension, factor } = unitOrLabel(unit);
  const found = { of: isNumber(dimension) ? `piece ${symbol}` : dimensionKey(dimension), factor };
  if (units.size < 5000) units.set(unit, found);
  return found;
}

/** The figure of a cell; undefined for what is none. */
export function figureOf(cell: Cell): CellFigure | undefined {
  switch (cell?.kind) {
    case 'number':
      return { value: cell.value, of: 'number', factor: 1, unit: '' };
    case 'quantity':
      return { value: cell.value, unit: cell.unit, ...unitOf(cell.unit) };
    case 'money':
      return { value: cell.minor, of: 'money', factor: 1, unit: '' };
    case 'rate':
      return { value: cell.amount, of: `rate ${cell.per}`, factor: 1, unit: cell.per };
    case 'percent':
      return { value: cell.value, of: 'percent', factor: 1, unit: '%' };
    default:
      return undefined;
  }
}

/** One text for equal cells, to group by. */
export function cellKey(cell: Cell): string {
  switch (cell?.kind) {
    case undefined:
      return '';
    case 'text':
      return cell.order === undefined ? `t${cell.text}` : `t${cell.order}\n${cell.text}`;
    case 'date':
      return `d${cell.date}`;
    case 'failure':
      return 'failure';
    case 'mixed':
      return 'mixed';
    default: {
      const figure = figureOf(cell);
      // Three feet are a yard, whatever binary fractions make of them.
      return figure === undefined ? '' : `${figure.of}\n${(figure.value * figure.factor).toPrecision(12)}`;
    }
  }
}

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** How two cells stand to each other: by their place, their figure, their words; empty ones come last. */
export function compareCells(a: Cell, b: Cell): number {
  if (a === undefined || b === undefined) return a === b ? 0 : a === undefined ? 1 : -1;
  const [x, y] = [figureOf(a), figureOf(b)];
  if (x !== undefined && y !== undefined)
    return x.of === y.of ? x.value * x.factor - y.value * y.factor : x.of < y.of ? -1 : 1;
  if (x !== undefined || y !== undefined) return x === undefined ? 1 : -1;
  if (a.kind === 'text' && b.kind === 'text') {
    const byPlace = (a.order ?? 0) - (b.order ?? 0);
    return byPlace !== 0 ? byPlace : collator.compare(a.text, b.text);
  }
  if (a.kind === 'date' && b.kind === 'date') return a.date < b.date ? -1 : a.date > b.date ? 1 : 0;
  return a.kind < b.kind ? -1 : a.kind > b.kind ? 1 : 0;
}

export const textCell = (text: string, order?: number): Cell =>
  text === '' ? undefined : { kind: 'text', text, ...(order === undefined ? {} : { order }) };

export const dateCell = (date: string): Cell => (date === '' ? undefined : { kind: 'date', date });
