import type { Cell } from '../../reports/cell.ts';
import type { ReportGroup } from '../../reports/report.ts';
import { joinCellText, writeCell } from '../../reports/writeCell.ts';
import { escapeXml } from './escape.ts';
import { type PrintedReport, paperWordsOf, writingOf } from './printed.ts';

const STYLE = `
body { font: 13px/1.4 "IBM Plex Sans", system-ui, sans-serif; color: #18211c; margin: 24px; }
h1 { font-size: 20px; margin: 0; }
p { color: #56615a; margin: 2px 0; }
table { border-collapse: collapse; width: 100%; margin-top: 14px; font-variant-numeric: tabular-nums; }
th, td { padding: 3px 8px; text-align: left; vertical-align: top; border-bottom: 1px solid #d9d3c2; }
thead th { border-bottom: 2px solid #18211c; background: #f7f4ec; }
.right { text-align: right; white-space: nowrap; }
.group th { background: #efeadc; font-weight: 600; }
.total td, .total th { font-weight: 600; border-top: 1px solid #18211c; }
.whole td, .whole th { border-top: 2px solid #18211c; }
@media print { body { margin: 0; } thead { display: table-header-group; } tr { break-inside: avoid; } .group { break-after: avoid; } }
`;

/** A report as one page that any browser shows and prints: a real table, with its headings over every printed page. */
export function reportHtml(printed: PrintedReport): string {
  const { report } = printed;
  const words = paperWordsOf(printed);
  const lines = [
    [words.job, words.client].filter(Boolean).join(', '),
    [words.company, words.date].filter(Boolean).join(', '),
    words.leftOut,
  ].filter(Boolean);
  return htmlPage(printed.language, report.name, [
    `<h1>${escapeXml(report.name)}</h1>`,
    ...lines.map((line) => `<p>${escapeXml(line)}</p>`),
    ...reportTable(printed),
  ]);
}

/** One page by itself, with all it needs. */
export const htmlPage = (language: string, title: string, main: readonly string[], style = ''): string =>
  [
    `<!doctype html>`,
    `<html lang="${escapeXml(language)}">`,
    `<head><meta charset="utf-8"><meta name="viewport" content="width=device-width">`,
    `<title>${escapeXml(title)}</title><style>${STYLE}${style}</style></head>`,
    `<body><main>`,
    ...main,
    `</main></body></html>`,
    ``,
  ].join('\n');

/** The rows of a report under their headings. */
export function reportTable(printed: PrintedReport): readonly string[] {
  const heads = printed.report.columns
    .map(({ heading, align }) => `<th scope="col"${rightClass(align)}>${escapeXml(heading)}</th>`)
    .join('');
  return [
    `<table>`,
    `<thead><tr>${heads}</tr></thead>`,
    `<tbody>`,
    ...bodyRows(printed),
    `</tbody>`,
    `</table>`,
  ];
}

const rightClass = (align: 'left' | 'right'): string => (align === 'right' ? ' class="right"' : '');

function bodyRows(printed: PrintedReport): readonly string[] {
  const { report } = printed;
  const words = paperWordsOf(printed);
  const writing = writingOf(printed);
  const rows: string[] = [];
  const hasTotals = report.columns.some(({ total }) => total !== undefined);
  const text = (cell: Cell, column: number): string =>
    escapeXml(joinCellText(writeCell(cell, report.columns[column]?.places, writing)));
  const cells = (of: readonly Cell[]): string =>
    of
      .map((cell, at) => `<td${rightClass(report.columns[at]?.align ?? 'left')}>${text(cell, at)}</td>`)
      .join('');
  const nameOf = ({ label, heading }: ReportGroup): string => {
    const name = joinCellText(writeCell(label, undefined, writing));
    return name === '' ? words.without(heading) : name;
  };
  const total = (group: ReportGroup, title: string): string => {
    const span = Math.max(
      1,
      group.totals.findIndex((cell) => cell !== undefined),
    );
    const whole = group.depth === 0 ? ' whole' : '';
    // The words stand in front of the first total; a total of the first column comes after them.
    const first = group.totals[0] === undefined ? '' : ` ${text(group.totals[0], 0)}`;
    const rest = group.totals
      .slice(span)
      .map(
        (cell, at) =>
          `<td${rightClass(report.columns[at + span]?.align ?? 'left')}>${text(cell, at + span)}</td>`,
      )
      .join('');
    return `<tr class="total${whole}"><th scope="row" colspan="${span}">${escapeXml(title)}${first}</th>${rest}</tr>`;
  };
  const visit = (group: ReportGroup): void => {
    if (group.depth > 0 && !group.collapsed)
      rows.push(
        `<tr class="group"><th scope="rowgroup" colspan="${report.columns.length}">${escapeXml(nameOf(group))}</th></tr>`,
      );
    if (!group.collapsed) {
      if (group.groups.length > 0) group.groups.forEach(visit);
      else
        for (const row of report.rows.slice(group.from, group.to)) rows.push(`<tr>${cells(row.cells)}</tr>`);
    }
    if (group.depth === 0 && hasTotals) rows.push(total(group, words.total));
    else if (group.depth > 0 && (hasTotals || group.collapsed))
      rows.push(total(group, group.collapsed ? nameOf(group) : words.totalOf(nameOf(group))));
  };
  visit(report.root);
  return rows;
}
