import type { Cell } from '../../reports/cell.ts';
import { minorDigits } from '../../pricing/money.ts';
import { roundTo } from '../../units/numberFormat.ts';
import type { ReportGroup } from '../../reports/report.ts';
import { escapeXml } from './escape.ts';
import { type PrintedReport, paperWordsOf, writingOf } from './printed.ts';
import { joinCellText, writeCell } from '../../reports/writeCell.ts';

/** The namespace of the schema in docs/report.xsd. */
export const REPORT_NAMESPACE = 'urn:zest-line:report:1';

/** A report as XML, with its groups one inside the other and every value typed; docs/report.xsd says how. */
export function reportXml(printed: PrintedReport): string {
  const { report } = printed;
  const words = paperWordsOf(printed);
  const attributes = attributesOf({
    xmlns: REPORT_NAMESPACE,
    name: report.name,
    job: words.job,
    client: words.client,
    currency: report.currency,
    leftOut: String(report.leftOut),
  });
  return [
    `<?xml version="1.0" encoding="UTF-8"?>`,
    `<report${attributes}>`,
    `  <columns>`,
    ...report.columns.map(
      ({ key, heading, kind, total, formula }) =>
        `    <column${attributesOf({ key, heading, kind, total, formula })}/>`,
    ),
    `  </columns>`,
    ...groupLines(printed, report.root, '  '),
    `</report>`,
    ``,
  ].join('\n');
}

const attributesOf = (values: Readonly<Record<string, string | undefined>>): string =>
  Object.entries(values)
    .flatMap(([name, value]) =>
      value === undefined || value === '' ? [] : [` ${name}="${escapeXml(value)}"`],
    )
    .join('');

function* groupLines(printed: PrintedReport, group: ReportGroup, indent: string): Generator<string> {
  const { report } = printed;
  const writing = writingOf(printed);
  const digits = minorDigits(report.currency);
  const label = joinCellText(writeCell(group.label, undefined, writing));
  const inside = `${indent}  `;
  yield `${indent}<group${attributesOf({ by: group.heading, label })}>`;
  if (group.groups.length > 0) for (const inner of group.groups) yield* groupLines(printed, inner, inside);
  else
    for (const { key, cells } of report.rows.slice(group.from, group.to)) {
      const values = cells
        .map((cell, at) => valueOf(report.columns[at]?.key ?? '', cell, digits, printed))
        .join('');
      yield `${inside}<row${attributesOf({ key })}>${values}</row>`;
    }
  const totals = group.totals
    .map((cell, at) => valueOf(report.columns[at]?.key ?? '', cell, digits, printed))
    .join('');
  if (totals !== '') yield `${inside}<totals>${totals}</totals>`;
  yield `${indent}</group>`;
}

function valueOf(column: string, cell: Cell, digits: number, printed: PrintedReport): string {
  const of = (tag: string, text: string, more: Readonly<Record<string, string>> = {}): string =>
    `<${tag}${attributesOf({ column, ...more })}>${escapeXml(text)}</${tag}>`;
  switch (cell?.kind) {
    case undefined:
      return '';
    case 'text':
      return of('text', cell.text);
    case 'number':
      return of('number', plain(cell.value));
    case 'quantity':
      return of('quantity', plain(cell.value), { unit: cell.unit });
    case 'money':
      return of('money', (cell.minor / 10 ** digits).toFixed(digits));
    case 'rate':
      return of('rate', plain(cell.amount), { per: cell.per });
    case 'percent':
      return of('percent', plain(cell.value));
    case 'date':
      return of('date', cell.date);
    case 'failure':
      return of('missing', writingOf(printed).failure(cell.failure));
    case 'mixed':
      return of('missing', writingOf(printed).mixed(cell.units));
  }
}

/** A decimal as XML Schema has it: never with an exponent. */
function plain(value: number): string {
  const text = String(roundTo(value, 8));
  return text.includes('e') ? value.toFixed(8) : text;
}
