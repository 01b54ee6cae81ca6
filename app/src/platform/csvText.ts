import Papa from 'papaparse';
import { guardRows } from '@zest/core/formats/csv/guard';

/** Rows as CSV (RFC 4180). What would run as a formula is guarded, and quoted so that the guard is kept. */
export const csvText = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(guardRows(rows), {
    newline: '\r\n',
    quotes: (value: unknown) => typeof value === 'string' && value.startsWith("'"),
  });

/** With a byte order mark, so that spreadsheets read it as UTF-8. */
export const csvBlob = (text: string): Blob => new Blob(['\ufeff', text], { type: 'text/csv;charset=utf-8' });
