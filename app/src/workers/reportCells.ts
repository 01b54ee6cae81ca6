import type { PrintedRow, PrintedTable } from '@zest/core/formats/document/printed';
import { type PrintedReport, paperWordsOf, writingOf } from '@zest/core/formats/report/printed';
import type { Cell } from '@zest/core/reports/cell';
import type { ReportGroup } from '@zest/core/reports/report';
import { joinCellText, writeCell } from '@zest/core/reports/writeCell';

/** A report as a plain table: heads of groups, rows, totals. */
export function reportCells(printed: PrintedReport): PrintedTable {
  const { report } = printed;
  const writing = writingOf(printed);
  const words = paperWordsOf(printed);
  const said = (cell: Cell, at?: number): string =>
    joinCellText(writeCell(cell, at === undefined ? undefined : report.columns[at]?.places, writing));
  const nameOf = ({ label, heading }: ReportGroup): string => said(label) || words.without(heading);
  const rows: PrintedRow[] = [];
  const hasTotals = report.columns.some(({ total }) => total !== undefined);
  const totalRow = (group: ReportGroup, title: string): PrintedRow => {
    const cells = group.totals.map((cell, at) => ({ text: said(cell, at) }));
    const spare = cells.findIndex(({ text }) => text === '');
    return {
      look: group.depth === 0 ? 'total' : 'bold',
      indent: 0,
      cells: cells.map((cell, at) => (at === spare ? { text: title } : cell)),
    };
  };
  const visit = (group: ReportGroup): void => {
    const isClosed = group.depth > 0 && group.collapsed;
    if (group.depth > 0 && !isClosed)
      rows.push({ look: 'bold', indent: 0, cells: [{ text: nameOf(group) }] });
    if (!isClosed) {
      if (group.groups.length > 0) group.groups.forEach(visit);
      else
        for (const { cells } of report.rows.slice(group.from, group.to))
          rows.push({ look: 'plain', indent: 0, cells: cells.map((cell, at) => ({ text: said(cell, at) })) });
    }
    if (group.depth === 0) {
      if (hasTotals) rows.push(totalRow(group, words.total));
    } else if (hasTotals || isClosed)
      rows.push(totalRow(group, isClosed ? nameOf(group) : words.totalOf(nameOf(group))));
  };
  visit(report.root);
  return {
    hasHead: true,
    columns: report.columns.map(({ heading, align }, at) => ({ heading, align, isWide: at === 0 })),
    rows,
  };
}
