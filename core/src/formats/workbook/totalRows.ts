import type { Figures } from '../../calculate/figures.ts';
import { gatherGroups } from '../../calculate/totals/linePrices.ts';
import { rateFor, sumBid } from '../../estimate/bid.ts';
import { MAIN_GROUP } from '../../estimate/groups.ts';
import { sortGrades } from '../../estimate/markup.ts';
import { inOrder, settingsOf } from '../../job/job.ts';
import type { Markup } from '../../job/records/markup.ts';
import type { Settings } from '../../job/records/settings.ts';
import { minorDigits } from '../../pricing/money.ts';
import { AT, type Cell, letter, text } from './cell.ts';
import { columnNumber } from './columns.ts';

/** Where the lines of the estimate stand in the sheet. */
export interface LineRange {
  readonly first: number;
  readonly last: number;
  readonly columns: number;
}

/** The column that totals stand in, below the extensions. */
const TOTAL = AT.cost;
type CostColumn = Exclude<Markup['base'], 'running'>;

type Groups = ReturnType<typeof gatherGroups>;

/** Lines that tax and markups treat apart, each with the mark of its group; empty where all are treated alike. */
export function groupMarks(figures: Figures): ReadonlyMap<string, string> {
  const groups = gatherGroups(figures, figures.countedLines());
  if (isPlain(groups)) return new Map();
  return new Map(groups.flatMap(({ lines }, at) => lines.map(({ key }) => [key, markOf(at)] as const)));
}

const isPlain = (groups: Groups): boolean => groups.every(({ group }) => group.id === MAIN_GROUP.id);
const markOf = (at: number): string => `rates ${at + 1}`;

interface Column {
  /** Its letter in the sheet. */
  readonly at: string;
  readonly baseOf: (kind: CostColumn) => string;
  readonly taxPercent: string;
  readonly rate: (markup: Markup) => string;
}

const over = (column: string, { first, last }: LineRange): string => `${column}${first}:${column}${last}`;

/** Where all are treated alike, the totals column itself; else a column for each group, summed up in it. */
function columnsFor(figures: Figures, groups: Groups, range: LineRange): readonly Column[] {
  const { taxOnMaterials } = settingsOf(figures.job);
  const isEmpty = range.last < range.first;
  if (isPlain(groups))
    return [
      {
        at: TOTAL,
        baseOf: (kind) => (isEmpty ? '0' : `SUBTOTAL(9,${over(AT[kind], range)})`),
        taxPercent: taxOnMaterials,
        rate: ({ percent }) => percent,
      },
    ];
  const marks = over(letter(range.columns), range);
  return groups.map(({ group }, index) => ({
    at: letter(range.columns + 1 + index),
    baseOf: (kind) => `SUMIF(${marks},"${markOf(index)}",${over(AT[kind], range)})`,
    taxPercent: group.taxPercent ?? taxOnMaterials,
    rate: (markup) => rateFor(markup, group),
  }));
}

const decimal = (percent: string): string => String(Number(percent === '' ? 0 : percent));

/** The sum of slices, each at its own rate. */
function gradedFormula(base: string, { grades = [] }: Markup): string {
  let from = '0';
  const slices = sortGrades(grades).map(({ upTo, percent }) => {
    const part = upTo === '' ? `MAX(0,${base}-${from})` : `MAX(0,MIN(${base},${upTo})-${from})`;
    if (upTo !== '') from = upTo;
    return `${part}*${decimal(percent)}/100`;
  });
  return slices.length === 0 ? '0' : slices.join('+');
}

/** Rows below the lines, one after the other. */
interface Totals {
  readonly columns: readonly Column[];
  /** All lines are treated alike: one column of sums. */
  readonly plain: boolean;
  /** The number of the first row. */
  readonly start: number;
  readonly places: number;
  readonly rows: (readonly Cell[])[];
}

interface TotalRow {
  readonly name: string;
  /** Shown beside the name; empty where there is none. */
  readonly percent: string;
  /** In minor units, as each share of it. */
  readonly value: number;
  readonly shares: readonly number[];
  readonly formulaOf: (column: Column, row: number, share: number) => string;
  /** The formula of the whole, where it is no sum of the columns. */
  readonly whole?: string;
  readonly strong?: boolean;
}

function addRow(
  totals: Totals,
  { name, percent, value, shares, formulaOf, whole, strong = false }: TotalRow,
): void {
  const { columns, plain, rows, places } = totals;
  const major = (minor: number): number => minor / 10 ** places;
  const row = totals.start + rows.length;
  const cells: Cell[] = [undefined, text(name, strong)];
  if (percent !== '') cells[2] = { kind: 'number', value: Number(percent) / 100, style: 'percent' };
  const own = columns.map((column, index) => {
    const share = major(shares[index] ?? 0);
    return { at: column.at, share, formula: formulaOf(column, row, share) };
  });
  const formula =
    whole ??
    (plain ? (own[0]?.formula ?? '0') : `SUM(${own.map(({ at }) => `${at}${row}`).join(',') || '0'})`);
  cells[columnNumber(TOTAL) - 1] = { kind: 'formula', formula, value: major(value), style: 'money', strong };
  if (!plain)
    for (const each of own)
      cells[columnNumber(each.at) - 1] = {
        kind: 'formula',
        formula: each.formula,
        value: each.share,
        style: 'money',
      };
  rows.push(Array.from(cells));
}

function addMarkup(totals: Totals, markup: Markup, value: number, shares: readonly number[]): void {
  const { columns, plain, start, places } = totals;
  const row = start + totals.rows.length;
  const above = (column: string, at: number): string => `SUM(${column}${start}:${column}${at - 1})`;
  if (markup.as === 'sum' || markup.as === 'graded') {
    const all =
      markup.base === 'running'
        ? above(TOTAL, row)
        : columns.map((column) => column.baseOf(markup.base as CostColumn)).join('+') || '0';
    const whole =
      markup.as === 'sum' ? decimal(markup.percent) : `ROUND(${gradedFormula(`(${all})`, markup)},${places})`;
    // What is one sum for all is shared out as it is now.
    const formulaOf = (_column: Column, _row: number, share: number): string => String(share);
    return addRow(totals, { name: markup.name, percent: '', value, shares, formulaOf, whole });
  }
  addRow(totals, {
    name: markup.name,
    percent: plain ? decimal(markup.percent) : '',
    value,
    shares,
    formulaOf: (column, at) => {
      const base = markup.base === 'running' ? above(column.at, at) : column.baseOf(markup.base);
      const percent = plain ? `C${at}` : `${decimal(column.rate(markup))}/100`;
      return markup.as === 'margin'
        ? `ROUND(${base}*${percent}/(1-${percent}),${places})`
        : `ROUND(${base}*${percent},${places})`;
    },
  });
}

function addRounding(totals: Totals, settings: Settings, value: number, shares: readonly number[]): void {
  const step = Number(settings.bidStep ?? '');
  if (!(step > 0)) return;
  const last = totals.start + totals.rows.length - 1;
  const how = { nearest: 'ROUND', up: 'ROUNDUP', down: 'ROUNDDOWN' }[settings.bidRounding ?? 'nearest'];
  const sum = `SUM(${TOTAL}${totals.start}:${TOTAL}${last})`;
  addRow(totals, {
    name: 'Rounding',
    percent: '',
    value,
    shares,
    formulaOf: (_column, _row, share) => String(share),
    whole: `${how}(${sum}/${step},0)*${step}-${sum}`,
  });
}

/** Direct cost, tax, markups in their order, rounding, bid: all live. */
export function totalRows(figures: Figures, range: LineRange): readonly (readonly Cell[])[] {
  const { job } = figures;
  const settings = settingsOf(job);
  const places = minorDigits(settings.currency);
  const markups = inOrder(job.markup.values());
  const groups = gatherGroups(figures, figures.countedLines());
  const columns = columnsFor(figures, groups, range);
  const plain = columns[0]?.at === TOTAL;
  const sums = sumBid(groups, markups, settings);
  const start = range.last + 2;
  const totals: Totals = { columns, plain, start, places, rows: [] };
  addRow(totals, {
    name: 'Direct cost',
    percent: '',
    value: sums.cost,
    shares: sums.parts.cost,
    formulaOf: (column) => column.baseOf('cost'),
  });
  addRow(totals, {
    name: 'Tax on materials',
    percent: plain ? decimal(settings.taxOnMaterials) : '',
    value: sums.tax,
    shares: sums.parts.tax,
    formulaOf: (column, row) =>
      `ROUND(${column.baseOf('material')}*${plain ? `C${row}` : `${decimal(column.taxPercent)}/100`},${places})`,
  });
  markups.forEach((markup, index) =>
    addMarkup(totals, markup, sums.markups[index] ?? 0, sums.parts.markups[index] ?? []),
  );
  addRounding(totals, settings, sums.rounding, sums.parts.rounding);
  const end = start + totals.rows.length - 1;
  addRow(totals, {
    name: 'Bid',
    percent: '',
    value: sums.total,
    shares: sums.groups,
    formulaOf: (column) => `SUM(${column.at}${start}:${column.at}${end})`,
    whole: `SUM(${TOTAL}${start}:${TOTAL}${end})`,
    strong: true,
  });
  return totals.rows;
}
