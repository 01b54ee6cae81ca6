import ExcelJS from 'exceljs';
import type { ReportSheet, SheetCell } from '@zest/core/formats/report/sheet';

const TINT = 'FFEFEADC';

/** Reports as the sheets of one workbook. It has no clock: equal reports are equal files. */
export async function writeSheets(
  sheets: readonly ReportSheet[],
  onWritten: (done: number) => void,
): Promise<ArrayBuffer> {
  const workbook = new ExcelJS.Workbook();
  workbook.created = new Date(0);
  workbook.modified = new Date(0);
  let done = 0;
  for (const plan of sheets) {
    const sheet = workbook.addWorksheet(plan.name, {
      views: [{ state: 'frozen', ySplit: plan.headRow, xSplit: 1 }],
      properties: { outlineProperties: { summaryBelow: true, summaryRight: false } } as never,
      pageSetup: { orientation: 'landscape', fitToPage: true, fitToWidth: 1, fitToHeight: 0 },
    });
    plan.widths.forEach((width, at) => {
      const column = sheet.getColumn(at + 1);
      column.width = width;
      if (plan.align[at] === 'right') column.alignment = { horizontal: 'right' };
    });
    for (const at of plan.hiddenColumns) sheet.getColumn(at).hidden = true;
    for (const { cells, level, hidden, tinted } of plan.rows) {
      const row = sheet.addRow([]);
      cells.forEach((cell, at) => fill(row.getCell(at + 1), cell));
      if (level > 0) row.outlineLevel = Math.min(7, level);
      if (hidden === true) row.hidden = true;
      if (tinted === true) row.fill = { type: 'pattern', pattern: 'solid', fgColor: { argb: TINT } };
      done += 1;
      if (done % 1000 === 0) onWritten(done);
    }
    sheet.pageSetup.printTitlesRow = `${plan.headRow}:${plan.headRow}`;
  }
  return workbook.xlsx.writeBuffer() as Promise<ArrayBuffer>;
}

function fill(cell: ExcelJS.Cell, { value, formula, format, bold, date }: SheetCell): void {
  if (value === undefined) return;
  cell.value =
    date !== undefined
      ? new Date(`${date}T00:00:00Z`)
      : formula === undefined
        ? value
        : { formula, result: value, date1904: false };
  if (date !== undefined) cell.numFmt = 'yyyy-mm-dd';
  if (format !== undefined) cell.numFmt = format;
  if (bold === true) cell.font = { bold: true };
}
