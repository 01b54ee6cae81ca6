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
  const styleOf = createStyles();
  for (const plan of sheets) {
    const sheet = workbook.addWorksheet(plan.name, {
      views: plan.headRow === 0 ? [] : [{ state: 'frozen', ySplit: plan.headRow, xSplit: 1 }],
      properties: { outlineProperties: { summaryBelow: true, summaryRight: false } } as never,
      pageSetup: {
        orientation: plan.isUpright === true ? 'portrait' : 'landscape',
        fitToPage: true,
        fitToWidth: 1,
        fitToHeight: 0,
      },
    });
    plan.widths.forEach((width, at) => {
      const column = sheet.getColumn(at + 1);
      column.width = width;
      if (plan.align[at] === 'right') column.alignment = { horizontal: 'right' };
    });
    for (const at of plan.hiddenColumns) sheet.getColumn(at).hidden = true;
    for (const { cells, level, hidden, tinted } of plan.rows) {
      const row = sheet.addRow(cells.map(valueOf));
      cells.forEach((cell, at) => {
        if (cell.value !== undefined) row.getCell(at + 1).style = styleOf(cell, tinted === true);
      });
      if (level > 0) row.outlineLevel = Math.min(7, level);
      if (hidden === true) row.hidden = true;
      done += 1;
      if (done % 1000 === 0) onWritten(done);
    }
    if (plan.headRow > 0) sheet.pageSetup.printTitlesRow = `${plan.headRow}:${plan.headRow}`;
  }
  // Packing closely would take longer than all the rest, for a file a tenth smaller.
  const zip = { compression: 'DEFLATE', compressionOptions: { level: 1 } } as const;
  return workbook.xlsx.writeBuffer({ zip } as never) as Promise<ArrayBuffer>;
}

/** One style for all cells that look alike: the writer knows one it has seen before. */
function createStyles(): (cell: SheetCell, tinted: boolean) => Partial<ExcelJS.Style> {
  const known = new Map<string, Partial<ExcelJS.Style>>();
  return ({ format, bold, date }, tinted) => {
    const numFmt = date === undefined ? format : 'yyyy-mm-dd';
    const key = `${numFmt ?? ''}|${bold === true ? 'b' : ''}|${tinted ? 't' : ''}`;
    const had = known.get(key);
    if (had !== undefined) return had;
    const style: Partial<ExcelJS.Style> = {
      ...(numFmt === undefined ? {} : { numFmt }),
      ...(bold === true ? { font: { bold: true } } : {}),
      ...(tinted ? { fill: { type: 'pattern', pattern: 'solid', fgColor: { argb: TINT } } } : {}),
    };
    known.set(key, style);
    return style;
  };
}

function valueOf({ value, formula, date }: SheetCell): ExcelJS.CellValue {
  if (date !== undefined) return new Date(`${date}T00:00:00Z`);
  if (formula === undefined || value === undefined) return value ?? null;
  return { formula, result: value, date1904: false };
}
