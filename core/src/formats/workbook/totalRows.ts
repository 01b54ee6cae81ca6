import type { Figures } from '../../calculate/figures.ts';
import { gatherGroups } from '../../calculate/totals/linePrices.ts';
import { rateFor, sumBid } from '../../estimate/bid.ts';
import { MAIN_GROUP } from '../../estimate/groups.ts';
import { sortGrades } from '../../estimate/markup.ts';
import { inOrder, settingsOf } from '../../job/job.ts';
import type { Markup } from '../../job/records/markup.ts';
import { minorDigits } from '../../pricing/money.ts';
import { AT, type Cell, letter, text } from './cell.ts';

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
  const major = (minor: number): number => minor / 10 ** places;

  const rows: (readonly Cell[])[] = [];
  const add = (
    name: string,
    percent: string,
    value: number,
    shares: readonly number[],
    formulaOf: (column: Column, row: number, share: number) => string,
    whole?: string,
    strong = false,
  ): void => {
    const row = start + rows.length;
    const cells: Cell[] = [undefined, text(name, strong)];
    if (percent !== '') cells[2] = { kind: 'number', value: Number(percent) / 100, style: 'percent' };
    const own = columns.map((column, index) => {
      const share = major(shares[index] ?? 0);
      return { at: column.at, share, formula: formulaOf(column, row, share) };
    });
    const formula =
      whole ??
      (plain ? (own[0]?.formula ?? '0') : `SUM(${own.map(({ at }) => `${at}${row}`).join(',') || '0'})`);
    cells[indexOf(TOTAL)] = { kind: 'formula', formula, value: major(value), style: 'money', strong };
    if (!plain)
      for (const each of own)
        cells[indexOf(each.at)] = {
          kind: 'formula',
          formula: each.formula,
          value: each.share,
          style: 'money',
        };
    rows.push(Array.from(cells));
  };
  add('Direct cost', '', sums.cost, sums.parts.cost, (column) => column.baseOf('cost'));
  add(
    'Tax on materials',
    plain ? decimal(settings.taxOnMaterials) : '',
    sums.tax,
    sums.parts.tax,
    (column, row) =>
      `ROUND(${column.baseOf('material')}*${plain ? `C${row}` : `${decimal(column.taxPercent)}/100`},${places})`,
  );
  markups.forEach((markup, index) => {
    const value = sums.markups[index] ?? 0;
    const shares = sums.parts.markups[index] ?? [];
    const base = (column: Column, row: number): string =>
      markup.base === 'running'
        ? `SUM(${column.at}${start}:${column.at}${row - 1})`
        : column.baseOf(markup.base);
    const row = start + rows.length;
    const all =
      markup.base === 'running'
        ? `SUM(${TOTAL}${start}:${TOTAL}${row - 1})`
        : columns.map((column) => column.baseOf(markup.base as CostColumn)).join('+') || '0';
    if (markup.as === 'sum' || markup.as === 'graded') {
      const whole =
        markup.as === 'sum'
          ? decimal(markup.percent)
          : `ROUND(${gradedFormula(`(${all})`, markup)},${places})`;
      // What is one sum for all is shared out as it is now.
      add(markup.name, '', value, shares, (_column, _row, share) => String(share), whole);
      return;
    }
    const rate = (column: Column, at: number): string =>
      plain ? `C${at}` : `${decimal(column.rate(markup))}/100`;
    add(markup.name, plain ? decimal(markup.percent) : '', value, shares, (column, at) => {
      const percent = rate(column, at);
      return markup.as === 'margin'
        ? `ROUND(${base(column, at)}*${percent}/(1-${percent}),${places})`
        : `ROUND(${base(column, at)}*${percent},${places})`;
    });
  });
  const last = start + rows.length - 1;
  const step = Number(settings.bidStep ?? '');
  if (step > 0) {
    const how = { nearest: 'ROUND', up: 'ROUNDUP', down: 'ROUNDDOWN' }[settings.bidRounding ?? 'nearest'];
    const sum = `SUM(${TOTAL}${start}:${TOTAL}${last})`;
    add(
      'Rounding',
      '',
      sums.rounding,
      sums.parts.rounding,
      (_column, _row, share) => String(share),
      `${how}(${sum}/${step},0)*${step}-${sum}`,
    );
  }
  const end = start + rows.length - 1;
  add(
    'Bid',
    '',
    sums.total,
    sums.groups,
    (column) => `SUM(${column.at}${start}:${column.at}${end})`,
    `SUM(${TOTAL}${start}:${TOTAL}${end})`,
    true,
  );
  return rows;
}

const indexOf = (column: string): number =>
  [...column].reduce((at, each) => at * 26 + each.charCodeAt(0) - 64, 0) - 1;
