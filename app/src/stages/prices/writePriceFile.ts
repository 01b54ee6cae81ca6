import type { Workbook } from 'exceljs';
import Papa from 'papaparse';
import { isFigureColumn, writePrices } from '@zest/core/formats/prices/write';
import type { Job } from '@zest/core/job/job';
import type { Item } from '@zest/core/job/records/item';
import { t } from '../../messages/t.ts';

type Workers = Pick<Job, 'craft' | 'crew'>;

/** With a byte order mark, so that spreadsheets read it as UTF-8. Texts cannot run as formulas. */
export function writePriceCsv(items: Iterable<Item>, job: Workers): Blob {
  const text = Papa.unparse(writePrices(items, job) as string[][], { newline: '\r\n' });
  return new Blob(['\ufeff', text], { type: 'text/csv;charset=utf-8' });
}

export async function writePriceXlsx(items: Iterable<Item>, job: Workers): Promise<Blob> {
  const { default: ExcelJS } = await import('exceljs');
  const book: Workbook = new ExcelJS.Workbook();
  book.created = new Date(0);
  book.modified = new Date(0);
  const sheet = book.addWorksheet(t('prices.prices'), { views: [{ state: 'frozen', ySplit: 1 }] });
  const [heads = [], ...rows] = writePrices(items, job);
  sheet.addRow([...heads]).font = { bold: true };
  for (const row of rows)
    sheet.addRow(row.map((cell, at) => (isFigureColumn(at) && cell !== '' ? Number(cell) : cell)));
  sheet.columns.forEach((column, at) => {
    column.width = at === 1 ? 40 : 14;
  });
  return new Blob([await book.xlsx.writeBuffer()], {
    type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  });
}
