import ExcelJS from 'exceljs';
import type { Figures } from '@zest/core/calculate/figures';
import type { Cell, CellStyle } from '@zest/core/formats/workbook/cell';
import { type WorkbookSheet, estimateWorkbook } from '@zest/core/formats/workbook/write';
import { settingsOf } from '@zest/core/job/job';
import { minorDigits } from '@zest/core/pricing/money';

const formatsFor = (digits: number): Readonly<Record<CellStyle, string>> => {
  const decimals = digits === 0 ? '' : `.${'0'.repeat(digits)}`;
  return {
    quantity: '#,##0.00##',
    'unit-cost': '#,##0.00##',
    money: `#,##0${decimals}`,
    hours: '#,##0.0',
    percent: '0.0###%',
  };
};

function fill(cell: ExcelJS.Cell, content: Cell, formats: Readonly<Record<CellStyle, string>>): void {
  if (content === undefined) return;
  if (content.kind === 'text') {
    cell.value = content.text;
    if (content.indent !== undefined && content.indent > 0) cell.alignment = { indent: content.indent };
  } else {
    cell.value =
      content.kind === 'number' ? content.value : { formula: content.formula, result: content.value };
    cell.numFmt = formats[content.style];
  }
  if (content.strong === true) cell.font = { bold: true };
}

/** Sheets as XLSX; formulas carry the value they have now. */
async function bytesOf(sheets: readonly WorkbookSheet[], currency: string): Promise<ArrayBuffer> {
  const workbook = new ExcelJS.Workbook();
  // The writer has no clock: equal estimates are equal files.
  workbook.created = new Date(0);
  workbook.modified = new Date(0);
  const formats = formatsFor(minorDigits(currency));
  for (const plan of sheets) {
    const sheet = workbook.addWorksheet(plan.name, { views: [{ state: 'frozen', ySplit: 2, xSplit: 2 }] });
    plan.widths.forEach((width, index) => {
      sheet.getColumn(index + 1).width = width;
    });
    plan.rows.forEach((cells, row) =>
      cells.forEach((content, column) => fill(sheet.getCell(row + 1, column + 1), content, formats)),
    );
  }
  return workbook.xlsx.writeBuffer() as Promise<ArrayBuffer>;
}

const asFile = (bytes: ArrayBuffer): Blob =>
  new Blob([bytes], { type: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet' });

/** The estimate as XLSX; totals are formulas, each with the value it has now. */
export const xlsxBytes = (figures: Figures): Promise<ArrayBuffer> =>
  bytesOf(estimateWorkbook(figures), settingsOf(figures.job).currency);

export const writeXlsx = async (figures: Figures): Promise<Blob> => asFile(await xlsxBytes(figures));
