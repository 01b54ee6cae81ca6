import { unguarded } from '../csv/guard.ts';
import type { Craft } from '../../job/records/craft.ts';
import type { Crew } from '../../job/records/crew.ts';
import type { Item } from '../../job/records/item.ts';
import { checkRecord } from '../../job/checkRecord.ts';
import type { FieldFault } from '../../job/problem.ts';
import { type Result, accept, refuse } from '../../problem/result.ts';
import { type NumberFormat, parseNumber } from '../../units/numberFormat.ts';
import { BLANK_ITEM } from '../../pricing/blankItem.ts';
import { unitOrLabel } from '../../pricing/quantity.ts';
import { PRICE_COLUMNS, type PriceColumn, type PriceField, type PriceMapping } from './columns.ts';

/** A price for one unit beyond this is a slip of a column, not a price. */
export const PRICE_LIMIT = 100_000_000;
export const HOURS_LIMIT = 1_000_000;

/** What of an item a row says; a column that is not mapped, or an empty cell, says nothing. */
export type PriceDraft = Partial<Omit<Item, 'type' | 'id'>> & { readonly code: string };

export type RowFault =
  | { readonly kind: 'no-code' }
  | { readonly kind: 'code-twice'; readonly code: string; readonly firstRow: number }
  | { readonly kind: 'not-a-number'; readonly column: string; readonly text: string }
  | { readonly kind: 'negative'; readonly column: string; readonly text: string }
  | { readonly kind: 'absurd'; readonly column: string; readonly text: string; readonly limit: number }
  | { readonly kind: 'not-a-date'; readonly column: string; readonly text: string }
  | { readonly kind: 'cell-error'; readonly column: string; readonly text: string }
  | { readonly kind: 'no-such-craft'; readonly column: string; readonly text: string }
  | { readonly kind: 'not-a-size'; readonly column: string; readonly text: string }
  | { readonly kind: 'quotes' }
  | { readonly kind: 'field'; readonly field: string; readonly reason: FieldFault };

export interface RefusedRow {
  /** As the file counts them, from 1. */
  readonly row: number;
  readonly fault: RowFault;
  readonly cells: readonly string[];
}

export interface ReadPrices {
  readonly drafts: readonly { readonly row: number; readonly draft: PriceDraft }[];
  readonly refused: readonly RefusedRow[];
  /** Rows with nothing in them. */
  readonly empty: number;
}

export interface PriceSource {
  readonly rows: readonly (readonly string[])[];
  /** The row of the heads, from 0. */
  readonly headRow: number;
  readonly mapping: PriceMapping;
  readonly numbers: NumberFormat;
  readonly crafts: Iterable<Craft>;
  readonly crews: Iterable<Crew>;
  /** Rows, from 0, in which quotes do not close. */
  readonly brokenRows?: ReadonlySet<number>;
}

type Read<Value> = Result<Value, RowFault>;

const spreadsheetError = /^#(REF!|N\/A|VALUE!|DIV\/0!|NAME\?|NUM!|NULL!|SPILL!)$/i;
const byField = new Map<PriceField, PriceColumn>(PRICE_COLUMNS.map((column) => [column.field, column]));

/** A figure as price lists write them: `$1,204.50`, `1.204,50 €`. */
function readFigure(text: string, column: PriceColumn, numbers: NumberFormat, limit: number): Read<string> {
  const bare = text
    .replace(/[\s\u00a0]*(?:[$€£¥]|[A-Z]{3})[\s\u00a0]*/g, '')
    .replace(/%$/, '')
    .trim();
  const value = parseNumber(bare, numbers) ?? parseNumber(bare, { decimal: '.', group: ',' });
  const fault = { column: column.title, text: text.slice(0, 60) };
  if (value === undefined || !Number.isFinite(value)) return refuse({ kind: 'not-a-number', ...fault });
  if (value < 0) return refuse({ kind: 'negative', ...fault });
  if (value > limit) return refuse({ kind: 'absurd', ...fault, limit });
  return accept(String(Number(value.toFixed(8))));
}

/** Dates as standards and lists write them; a day that is not there is refused. */
export function readDate(text: string): string | undefined {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:T.*)?$/.exec(text);
  const american = /^(\d{1,2})\/(\d{1,2})\/(\d{4})$/.exec(text);
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(text);
  const parts =
    iso !== null
      ? [iso[1], iso[2], iso[3]]
      : american !== null
        ? [american[3], american[1], american[2]]
        : dotted !== null
          ? [dotted[3], dotted[2], dotted[1]]
          : undefined;
  if (parts === undefined) return undefined;
  const [year = 0, month = 0, day = 0] = parts.map(Number);
  const days = [
    31,
    year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0) ? 29 : 28,
    31,
    30,
    31,
    30,
    31,
    31,
    30,
    31,
    30,
    31,
  ];
  if (month < 1 || month > 12 || day < 1 || day > (days[month - 1] ?? 0)) return undefined;
  return `${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
}

/** `width 20 in; depth 30 in` as sizes by name. */
export function readSizes(text: string): Readonly<Record<string, string>> | undefined {
  const sizes: Record<string, string> = {};
  for (const part of text
    .split(';')
    .map((each) => each.trim())
    .filter(Boolean)) {
    const match = /^([a-z_][a-z0-9_]*)\s*[:= ]\s*(\S.*)$/i.exec(part);
    if (match === null) return undefined;
    sizes[(match[1] ?? '').toLowerCase()] = match[2] ?? '';
  }
  return sizes;
}

function readCell(text: string, column: PriceColumn, source: PriceSource): Read<Partial<PriceDraft>> {
  const { field, title, kind } = column;
  const fault = { column: title, text: text.slice(0, 60) };
  if (spreadsheetError.test(text)) return refuse({ kind: 'cell-error', ...fault });
  if (kind === 'money' || kind === 'number') {
    const figure = readFigure(text, column, source.numbers, kind === 'money' ? PRICE_LIMIT : HOURS_LIMIT);
    return figure.ok ? accept({ [field]: figure.value }) : figure;
  }
  if (kind === 'count') {
    // Price lists write the hundred as C and the thousand as M.
    const letters: Readonly<Record<string, string>> = { c: '100', m: '1000', e: '1', ea: '1', each: '1' };
    const figure = readFigure(letters[text.toLowerCase()] ?? text, column, source.numbers, 1_000_000);
    if (!figure.ok) return figure;
    const count = Number(figure.value);
    return Number.isInteger(count) && count >= 1
      ? accept({ [field]: count })
      : refuse({ kind: 'not-a-number', ...fault });
  }
  if (kind === 'date') {
    const date = readDate(text);
    return date === undefined ? refuse({ kind: 'not-a-date', ...fault }) : accept({ date });
  }
  if (field === 'sizes') {
    const sizes = readSizes(text);
    return sizes === undefined ? refuse({ kind: 'not-a-size', ...fault }) : accept({ sizes });
  }
  if (field === 'craft' || field === 'crew') {
    const wanted = text.toLowerCase();
    const all = field === 'craft' ? source.crafts : source.crews;
    const found = [...all].find(({ name }) => name.toLowerCase() === wanted);
    if (found === undefined) return refuse({ kind: 'no-such-craft', ...fault });
    return accept(found.type === 'craft' ? { craftId: found.id } : { crewId: found.id });
  }
  return accept({ [field]: field === 'unit' ? unitOrLabel(text).symbol : unguarded(text) });
}

function readRow(cells: readonly string[], source: PriceSource): Read<PriceDraft> {
  let draft: Partial<PriceDraft> = {};
  for (const [field, at] of Object.entries(source.mapping) as [PriceField, number][]) {
    const text = (cells[at] ?? '').trim();
    const column = byField.get(field);
    if (text === '' || column === undefined) continue;
    const read = readCell(text, column, source);
    if (!read.ok) return read;
    draft = { ...draft, ...read.value };
  }
  const { code } = draft;
  if (code === undefined || code === '') return refuse({ kind: 'no-code' });
  const checked = checkRecord('item', { ...BLANK_ITEM, description: '-', ...draft, id: 'item:x' });
  if (!checked.ok)
    return checked.problem.kind === 'record-invalid'
      ? refuse({ kind: 'field', field: checked.problem.field, reason: checked.problem.reason })
      : refuse({ kind: 'no-code' });
  return accept({ ...draft, code });
}

/** Reads a price list row by row. A row that is wrong is refused by itself, with the reason. */
export function readPrices(source: PriceSource): ReadPrices {
  const drafts: { row: number; draft: PriceDraft }[] = [];
  const refused: RefusedRow[] = [];
  const seen = new Map<string, number>();
  let empty = 0;
  const kept: PriceSource = { ...source, crafts: [...source.crafts], crews: [...source.crews] };
  for (let at = source.headRow + 1; at < source.rows.length; at += 1) {
    const cells = source.rows[at] ?? [];
    if (cells.every((cell) => cell.trim() === '')) {
      empty += 1;
      continue;
    }
    const row = at + 1;
    const refuseRow = (fault: RowFault): void => {
      refused.push({ row, fault, cells: cells.slice(0, 12) });
    };
    if (source.brokenRows?.has(at) === true) {
      refuseRow({ kind: 'quotes' });
      continue;
    }
    const read = readRow(cells, kept);
    if (!read.ok) {
      refuseRow(read.problem);
      continue;
    }
    const { code } = read.value;
    const first = seen.get(code);
    if (first !== undefined) {
      refuseRow({ kind: 'code-twice', code, firstRow: first });
      continue;
    }
    seen.set(code, row);
    drafts.push({ row, draft: read.value });
  }
  return { drafts, refused, empty };
}
