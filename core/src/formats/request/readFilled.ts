import type { OfferRow, PriceRequest } from '../../job/records/request.ts';
import { type Result, accept, refuse } from '../../problem/result.ts';
import { type NumberFormat, POINT_FORMAT, parseNumber } from '../../units/numberFormat.ts';
import { REQUEST_COLUMNS, type RequestColumn } from './sheet.ts';

export type FilledProblem =
  /** No row has the id of a request. */
  | { readonly kind: 'filled-not-a-request' }
  | { readonly kind: 'filled-other-request' }
  /** No row of it has a line of the request. */
  | { readonly kind: 'filled-no-lines' };

/** What of a file could not be taken, by its row as a spreadsheet counts it. */
export type FilledNote =
  | { readonly kind: 'row-added'; readonly row: number; readonly text: string }
  | { readonly kind: 'row-twice'; readonly row: number; readonly text: string }
  | { readonly kind: 'part-changed'; readonly row: number; readonly found: string; readonly asked: string }
  | { readonly kind: 'price-not-number'; readonly row: number; readonly text: string }
  | { readonly kind: 'days-not-number'; readonly row: number; readonly text: string };

export interface FilledRequest {
  readonly rows: readonly OfferRow[];
  readonly notes: readonly FilledNote[];
}

const ID = /^request:[0-9a-z-]{1,40}$/;
const TEXT_LIMIT = 200;

/** What a supplier filled in, its rows matched by line and part number; what does not fit is told and left out. */
export function readFilled(
  cells: readonly (readonly string[])[],
  request: PriceRequest,
  numbers: NumberFormat,
): Result<FilledRequest, FilledProblem> {
  const id = cells
    .flat()
    .find((text) => ID.test(text.trim()))
    ?.trim();
  if (id === undefined) return refuse({ kind: 'filled-not-a-request' });
  if (id !== request.id) return refuse({ kind: 'filled-other-request' });
  const asked = new Map(request.rows.map((row) => [row.key, row]));
  const first = cells.findIndex(([line = '']) => asked.has(line.trim()));
  if (first < 0) return refuse({ kind: 'filled-no-lines' });
  const notes: FilledNote[] = [];
  const rows: OfferRow[] = [];
  const seen = new Set<string>();
  cells.slice(first).forEach((row, at) => {
    const number = first + at + 1;
    const cell = (column: RequestColumn): string =>
      (row[REQUEST_COLUMNS.indexOf(column)] ?? '').trim().slice(0, TEXT_LIMIT);
    if (row.every((text) => text.trim() === '')) return;
    const line = asked.get(cell('line'));
    const name = cell('description') || cell('partNumber') || cell('line');
    if (line === undefined) return void notes.push({ kind: 'row-added', row: number, text: name });
    if (seen.has(line.key)) return void notes.push({ kind: 'row-twice', row: number, text: name });
    seen.add(line.key);
    const found = cell('partNumber');
    // A line whose part is another may be about another thing: its price is not taken unseen.
    if (found !== line.partNumber)
      return void notes.push({ kind: 'part-changed', row: number, found, asked: line.partNumber });
    const price = readAmount(cell('price'), numbers);
    const leadDays = cell('leadDays') === '' ? undefined : Number(cell('leadDays'));
    if (price === undefined) notes.push({ kind: 'price-not-number', row: number, text: cell('price') });
    const areDays =
      leadDays === undefined || (Number.isInteger(leadDays) && leadDays >= 0 && leadDays <= 3650);
    if (!areDays) notes.push({ kind: 'days-not-number', row: number, text: cell('leadDays') });
    const [substitute, note] = [cell('substitute'), cell('note')];
    if ((price ?? '') === '' && substitute === '' && note === '') return;
    rows.push({
      key: line.key,
      price: price ?? '',
      unit: cell('priceUnit') || line.unit,
      ...(leadDays !== undefined && areDays ? { leadDays } : {}),
      substitute,
      note,
    });
  });
  return accept({ rows, notes });
}

/** A price as a plain decimal: as spreadsheets keep it, or as the job writes it. Empty for none; undefined for words. */
function readAmount(text: string, numbers: NumberFormat): string | undefined {
  const bare = text.replace(/^[$€£]\s*/, '').trim();
  if (bare === '') return '';
  const value = parseNumber(bare, { ...POINT_FORMAT, group: '' }) ?? parseNumber(bare, numbers);
  return value === undefined || value < 0 ? undefined : String(Number(value.toFixed(8)));
}
