import { settingsOf } from '../job/job.ts';
import type { ReportSpec } from '../job/records/report.ts';
import { own } from '../job/own.ts';
import { minorDigits } from '../pricing/money.ts';
import { type Group, type Totals, type TotalsOf, arrange, createTotals } from './arrange.ts';
import { type Calculated, createCalculated } from './calculated.ts';
import type { Cell } from './cell.ts';
import { type Column, hasField, readyColumns } from './columns.ts';
import type { ReportContext } from './fields/field.ts';
import { PROPERTY_OWNER, listProperties, partsOf } from './fields/fields.ts';
import { conditionsOf, createFilter } from './filter.ts';
import type { ReportProblem } from './problem.ts';
import { type AnySource, sourceOf } from './sources.ts';

/**
 * A report over the figures of a moment. Cells are read when they are asked for and kept: what is grouped, sorted,
 * filtered and totaled is read of all rows, everything else of those that are looked at.
 */
export interface OpenReport {
  readonly spec: ReportSpec;
  readonly context: ReportContext;
  readonly columns: readonly Column[];
  readonly problems: readonly ReportProblem[];
  /** Those that are found before a row is read. */
  readonly fixedProblems: readonly ReportProblem[];
  readonly rowCount: number;
  /** Rows that the filter lets through, in the order they are shown. */
  readonly order: readonly number[];
  /** How many it does not. */
  readonly leftOut: number;
  /** The whole, with the groups in it. */
  readonly root: Group;
  /** What a group of it comes to, figured when it is asked for. */
  readonly totalsOf: TotalsOf;
  readonly cellOf: (row: number, column: number) => Cell;
  readonly keyOf: (row: number) => string;
  readonly rowOf: (row: number) => unknown;
  readonly source: AnySource;
  readonly kept: Kept;
}

/** What is handed on from one moment to the next, and is the next one's from then on. */
export interface Kept {
  readonly rows: unknown[];
  /** By column and row; `UNREAD` where nobody asked yet. */
  readonly cells: (Cell | typeof UNREAD)[][];
  /** Rows by the owner of their figures, once something changed. */
  readonly byKey: () => ReadonlyMap<string, number>;
  readonly calculated: readonly (Calculated | undefined)[];
  readonly totals: WeakMap<Group, Totals>;
}

export const UNREAD = Symbol('unread');

/** Opens a report: reads what it needs of all rows, filters, groups, sorts and totals. */
export function openReport(spec: ReportSpec, context: ReportContext): OpenReport {
  const source = sourceOf(spec.source);
  const { columns, problems } = readyColumns(withFilterColumns(spec, context), context);
  const rows = source.rows(context).filter((row) => isWithin(source, row, context));
  const { currency, unitSystem } = settingsOf(context.figures.job);
  const kept: Kept = {
    rows,
    cells: columns.map(() => new Array<Cell | typeof UNREAD>(rows.length).fill(UNREAD)),
    totals: new WeakMap(),
    byKey: once(() => new Map(rows.map((row, at) => [source.keyOf(row), at]))),
    calculated: columns.map(({ formula }) =>
      formula === undefined ? undefined : createCalculated(formula, { currency, unitSystem }),
    ),
  };
  return arranged({ spec, context, columns, problems, source, kept });
}

/** Whether a row is of what the report is narrowed to; rows that are of no scope always are. */
function isWithin(source: AnySource, row: unknown, context: ReportContext): boolean {
  const { within } = context;
  if (within === undefined) return true;
  const tape = source.owners.mark?.(row, context);
  if (tape?.by === 'mark') return within.marks.has(tape.mark.id);
  const scope = source.owners.scope?.(row, context);
  return source.owners.scope === undefined || (scope !== undefined && within.scopes.has(scope.id));
}

/** What is only filtered by is read as a hidden column. */
function withFilterColumns(spec: ReportSpec, context: ReportContext): ReportSpec {
  const source = sourceOf(spec.source);
  const fields = new Set(spec.columns.flatMap(({ of }) => ('field' in of ? [of.field] : [])));
  const more: ReportSpec['columns'][number][] = [];
  for (const { field } of conditionsOf(spec.filter)) {
    if (fields.has(field) || !hasField(source, field) || isGone(field, context)) continue;
    fields.add(field);
    more.push({ key: `filter ${field}`, of: { field }, hidden: true });
  }
  return more.length === 0 ? spec : { ...spec, columns: [...spec.columns, ...more] };
}

export type Ready = Pick<OpenReport, 'spec' | 'context' | 'columns' | 'problems' | 'source' | 'kept'>;

function once<Value>(make: () => Value): () => Value {
  let made: { readonly value: Value } | undefined;
  return () => (made ??= { value: make() }).value;
}

/** Reads one cell, through what is kept. */
export function readerOf({ context, columns, source, kept }: Ready): OpenReport['cellOf'] {
  const read = (row: number, at: number): Cell => {
    const cells = kept.cells[at];
    if (cells === undefined) return undefined;
    const had = cells[row];
    if (had !== UNREAD) return had;
    const cell = readCell(row, at);
    cells[row] = cell;
    return cell;
  };
  const readCell = (row: number, at: number): Cell => {
    const column = columns[at];
    if (column?.field !== undefined) {
      const { owner, of } = column.field;
      const found = own(source.owners, owner)?.(kept.rows[row], context);
      return found === undefined ? undefined : of.read(found as never, context);
    }
    const calculated = kept.calculated[at];
    if (column?.formula === undefined || calculated === undefined) return undefined;
    return calculated.cellOf(inputsOf(column.formula.inputs, row));
  };
  const inputsOf = (inputs: ReadonlyMap<string, number>, row: number): readonly Cell[] => {
    const cells: Cell[] = [];
    for (const input of inputs.values()) cells.push(read(row, input));
    return cells;
  };
  return read;
}

export function arranged(ready: Ready): OpenReport {
  const { spec, context, columns, source, kept } = ready;
  const cellOf = readerOf(ready);
  const problems = [...ready.problems, ...formulaProblems(ready, cellOf)];
  const passes = filterOf(ready, cellOf, problems);
  const shown: number[] = [];
  for (let row = 0; row < kept.rows.length; row += 1) if (passes?.(row) !== false) shown.push(row);
  const tell = (problem: ReportProblem): void => void problems.push(problem);
  const { order, root } = arrange(shown, { spec, columns, read: cellOf, tell });
  return {
    spec,
    context,
    columns,
    problems,
    fixedProblems: ready.problems,
    source,
    kept,
    rowCount: kept.rows.length,
    order,
    leftOut: kept.rows.length - order.length,
    root,
    totalsOf: createTotals(order, columns, cellOf, kept.totals),
    cellOf,
    keyOf: (row) => source.keyOf(kept.rows[row]),
    rowOf: (row) => kept.rows[row],
  };
}

/** A formula that fits none of the rows is told; one that fits some shows in the others that it does not. */
function formulaProblems({ columns, kept }: Ready, cellOf: OpenReport['cellOf']): readonly ReportProblem[] {
  return columns.flatMap(({ formula, spec }, at): readonly ReportProblem[] => {
    const calculated = kept.calculated[at];
    if (formula === undefined || calculated === undefined) return [];
    let first: ReportProblem | undefined;
    for (let row = 0; row < Math.min(kept.rows.length, 200); row += 1) {
      const inputs = [...formula.inputs.values()].map((input) => cellOf(row, input));
      // Rows that lack a figure tell nothing about the formula.
      if (inputs.some((cell) => cell === undefined || cell.kind === 'failure')) continue;
      const problem = calculated.problemOf(inputs);
      if (problem === undefined) return [];
      first ??= { kind: 'report-formula', column: spec.heading ?? spec.key, problem };
    }
    return first === undefined ? [] : [first];
  });
}

function filterOf(
  { spec, context, columns }: Ready,
  cellOf: OpenReport['cellOf'],
  problems: ReportProblem[],
): ((row: number) => boolean) | undefined {
  const { currency } = settingsOf(context.figures.job);
  return createFilter(spec.filter, {
    minorsInOne: 10 ** minorDigits(currency),
    tell: (problem) => problems.push(problem),
    find: (fieldId) => {
      const at = columnOfField(columns, fieldId);
      const column = at === undefined ? undefined : columns[at];
      if (at === undefined || column === undefined || isGone(fieldId, context)) return undefined;
      return { kind: column.kind, read: (row) => cellOf(row, at) };
    },
  });
}

/** A condition on a column by its key, or on a field that is a column anyway. */
export function columnOfField(columns: readonly Column[], fieldId: string): number | undefined {
  const [owner, name] = partsOf(fieldId);
  const at =
    owner === 'column'
      ? columns.findIndex(({ spec }) => spec.key === name)
      : columns.findIndex(({ spec }) => 'field' in spec.of && spec.of.field === fieldId);
  return at < 0 ? undefined : at;
}

/** A property that nothing measured has any more. */
function isGone(fieldId: string, { figures }: ReportContext): boolean {
  const [owner, name] = partsOf(fieldId);
  return owner === PROPERTY_OWNER && !listProperties(figures.job.scope).has(name);
}
