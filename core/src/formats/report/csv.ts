import type { Cell } from '../../reports/cell.ts';
import { minorDigits } from '../../pricing/money.ts';
import { roundTo } from '../../units/numberFormat.ts';
import { type PrintedReport, paperWordsOf, writingOf } from './printed.ts';
import { joinCellText, writeCell } from '../../reports/writeCell.ts';
import type { ReportGroup } from '../../reports/report.ts';

/**
 * A report as plain rows, ready for any other program: figures with a decimal point and without a unit, units in a
 * column of their own beside columns of quantities, what rows are grouped by in columns before them. No totals: whoever
 * reads it adds up.
 */
export function reportRows(printed: PrintedReport): readonly (readonly string[])[] {
  const { report } = printed;
  const writing = writingOf(printed);
  const digits = minorDigits(report.currency);
  const hasUnit = report.columns.map((_, at) =>
    report.rows.some(({ cells }) => cells[at]?.kind === 'quantity'),
  );
  const groups = groupsOfRows(printed);
  const heads = [
    ...groups.headings,
    ...report.columns.flatMap(({ heading }, at) =>
      hasUnit[at] === true ? [heading, `${heading} (unit)`] : [heading],
    ),
  ];
  const rows = report.rows.map(({ cells }, row) => [
    ...(groups.ofRow[row] ?? []),
    ...report.columns.flatMap((_, at): readonly string[] => {
      const cell = cells[at];
      const text = plainText(cell, digits) ?? joinCellText(writeCell(cell, undefined, writing));
      return hasUnit[at] === true ? [text, cell?.kind === 'quantity' ? cell.unit : ''] : [text];
    }),
  ]);
  return [heads, ...rows];
}

/** A figure as other programs read it; undefined for what is none. */
function plainText(cell: Cell, digits: number): string | undefined {
  switch (cell?.kind) {
    case undefined:
      return '';
    case 'money':
      return (cell.minor / 10 ** digits).toFixed(digits);
    case 'rate':
      return String(roundTo(cell.amount, 6));
    case 'number':
    case 'quantity':
    case 'percent':
      return String(roundTo(cell.value, 8));
    case 'date':
      return cell.date;
    default:
      return undefined;
  }
}

/** What each row is grouped by, from the outermost group in. */
function groupsOfRows(printed: PrintedReport): {
  readonly headings: readonly string[];
  readonly ofRow: readonly (readonly string[])[];
} {
  const { report } = printed;
  const writing = writingOf(printed);
  const words = paperWordsOf(printed);
  const ofRow: (readonly string[])[] = report.rows.map(() => []);
  const headings: string[] = [];
  // What is grouped by may be a column as well.
  const shown = new Set(report.columns.map(({ heading }) => heading));
  const visit = (group: ReportGroup, around: readonly string[]): void => {
    const name = joinCellText(writeCell(group.label, undefined, writing));
    const isShown = shown.has(group.heading);
    const own =
      group.depth === 0 || isShown ? around : [...around, name === '' ? words.without(group.heading) : name];
    if (group.depth > 0 && !isShown && !headings.includes(group.heading)) headings.push(group.heading);
    if (group.groups.length === 0) for (let row = group.from; row < group.to; row += 1) ofRow[row] = own;
    else for (const inner of group.groups) visit(inner, own);
  };
  visit(report.root, []);
  return { headings, ofRow };
}
