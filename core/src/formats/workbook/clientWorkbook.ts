import type { Figures } from '../../calculate/figures.ts';
import { settingsOf } from '../../job/job.ts';
import { minorDigits } from '../../pricing/money.ts';
import { type BidDetail, type BidReport, bidReport } from '../../reports/bidReport.ts';
import { type Cell, text } from './cell.ts';
import type { WorkbookSheet } from './write.ts';

/** The column of amounts. */
const AMOUNT = 'E';
const HEADS = ['Code', 'Description', 'Quantity', 'Unit', 'Amount'];

/** A bid as it is being written, row by row. */
interface Writing {
  readonly rows: (readonly Cell[])[];
  readonly places: number;
}

const next = ({ rows }: Writing): number => rows.length + 1;

/**
 * What the client sees at a detail, as a workbook: sums are formulas over the amounts above them; there is no cost, no
 * markup and no code of the office in it.
 */
export function clientWorkbook(figures: Figures, detail: BidDetail): readonly WorkbookSheet[] {
  const report = bidReport(figures, detail);
  const writing: Writing = { rows: [], places: minorDigits(report.settings.currency) };
  writing.rows.push(
    [text(settingsOf(figures.job).name, true)],
    HEADS.map((head) => text(head, true)),
  );
  const sums = report.rows.map((row) => addSection(writing, row));
  const totalRow = next(writing);
  const total = sums.length === 0 ? '' : sums.map((row) => `${AMOUNT}${row}`).join('+');
  addAmount(writing, 'Total', report.total, total);
  addTax(writing, report, totalRow);
  return [{ name: 'Bid', widths: [10, 52, 11, 8, 16], rows: writing.rows }, ...optionsSheet(report, writing)];
}

/** A section with what stands in it; gives the row of its amount. */
function addSection(writing: Writing, { code, name, amount, inner }: BidReport['rows'][number]): number {
  const at = next(writing);
  const isPriced = inner.some((row) => row.amount !== undefined);
  const formula = isPriced ? `SUM(${AMOUNT}${at + 1}:${AMOUNT}${at + inner.length})` : '';
  writing.rows.push([
    text(code),
    text(name, true),
    undefined,
    undefined,
    money(amount, writing.places, formula),
  ]);
  for (const row of inner)
    writing.rows.push([
      undefined,
      text(row.name, false, 1),
      row.quantity === undefined
        ? undefined
        : { kind: 'number', value: row.quantity.value, style: 'quantity' },
      row.quantity === undefined ? undefined : text(row.quantity.unit),
      row.amount === undefined ? undefined : money(row.amount, writing.places),
    ]);
  return at;
}

function addTax(writing: Writing, { addedTax }: BidReport, totalRow: number): void {
  if (addedTax === undefined) return;
  const { name, rows, gross } = addedTax;
  const first = next(writing);
  for (const { percent, base, amount } of rows) {
    const of = rows.length === 1 ? `${AMOUNT}${totalRow}` : String(base / 10 ** writing.places);
    addAmount(
      writing,
      `${name} ${percent} %`,
      amount,
      `ROUND(${of}*${Number(percent) / 100},${writing.places})`,
    );
  }
  const last = next(writing) - 1;
  addAmount(
    writing,
    `Total with ${name}`,
    gross,
    `${AMOUNT}${totalRow}+SUM(${AMOUNT}${first}:${AMOUNT}${last})`,
  );
}

const addAmount = (writing: Writing, name: string, minor: number, formula = ''): void =>
  void writing.rows.push([
    undefined,
    text(name, true),
    undefined,
    undefined,
    money(minor, writing.places, formula),
  ]);

function money(minor: number, places: number, formula = ''): Cell {
  const value = minor / 10 ** places;
  return formula === ''
    ? { kind: 'number', value, style: 'money' }
    : { kind: 'formula', formula, value, style: 'money', strong: true };
}

/** Options and allowances, each on rows of their own: they are not part of the sum above. */
function optionsSheet({ alternates, allowances }: BidReport, { places }: Writing): readonly WorkbookSheet[] {
  if (alternates.length + allowances.length === 0) return [];
  const rows: (readonly Cell[])[] = [['Option', '', 'Amount'].map((head) => text(head, true))];
  for (const { name, change, accepted } of alternates)
    rows.push([
      text(name),
      text(accepted ? 'in the total' : change < 0 ? 'deduct' : 'add'),
      money(change, places),
    ]);
  for (const { name, amount } of allowances)
    rows.push([text(name), text('allowance, in the total'), money(amount, places)]);
  return [{ name: 'Options', widths: [52, 24, 16], rows }];
}
