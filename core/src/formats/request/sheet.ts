import type { PriceRequest } from '../../job/records/request.ts';
import type { ReportSheet, SheetCell } from '../report/sheet.ts';
import { sheetName } from '../report/sheet.ts';

/** What the columns of the file are, in their order. */
export const REQUEST_COLUMNS = [
  'line',
  'partNumber',
  'description',
  'quantity',
  'unit',
  'price',
  'priceUnit',
  'leadDays',
  'substitute',
  'note',
] as const;
export type RequestColumn = (typeof REQUEST_COLUMNS)[number];

const WIDTHS: Readonly<Record<RequestColumn, number>> = {
  line: 8,
  partNumber: 16,
  description: 44,
  quantity: 12,
  unit: 10,
  price: 14,
  priceUnit: 12,
  leadDays: 10,
  substitute: 30,
  note: 30,
};

export interface RequestWords {
  readonly heads: Readonly<Record<RequestColumn, string>>;
  /** What it is, who asks and by when, one below the other. */
  readonly lines: readonly string[];
}

/** The row of the headings, from 1: the request's id, its lines of words, then the headings. */
const headRowOf = ({ lines }: RequestWords): number => lines.length + 2;

/** A request as a sheet to fill. Its first cell says which request it is, so that it finds back. */
export function requestSheet(request: PriceRequest, words: RequestWords): ReportSheet {
  const row = (cells: readonly SheetCell[], tinted = false): ReportSheet['rows'][number] => ({
    level: 0,
    cells,
    ...(tinted ? { tinted: true as const } : {}),
  });
  return {
    name: sheetName(request.name),
    widths: REQUEST_COLUMNS.map((column) => WIDTHS[column]),
    align: REQUEST_COLUMNS.map((column) =>
      ['quantity', 'price', 'leadDays'].includes(column) ? 'right' : 'left',
    ),
    headRow: headRowOf(words),
    hiddenColumns: [],
    rows: [
      row([{ value: request.id }]),
      ...words.lines.map((text) =>
        row([{ value: undefined }, { value: undefined }, { value: text, bold: true }]),
      ),
      row(
        REQUEST_COLUMNS.map((column) => ({ value: words.heads[column], bold: true as const })),
        true,
      ),
      ...request.rows.map(({ key, partNumber, description, quantity, unit }) =>
        row([
          { value: key },
          { value: partNumber },
          { value: description },
          { value: Number(quantity), format: '#,##0.00##' },
          { value: unit },
          { value: undefined },
          { value: unit },
        ]),
      ),
    ],
  };
}
