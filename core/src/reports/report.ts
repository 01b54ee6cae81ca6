import { settingsOf } from '../job/job.ts';
import type { ReportPage, TotalKind } from '../job/records/report.ts';
import type { UnitSystem } from '../units/format.ts';
import type { Group } from './arrange.ts';
import { type Cell, type CellKind, isFigureKind } from './cell.ts';
import { type Column, totalKindOf } from './columns.ts';
import type { ReportContext } from './fields/field.ts';
import type { OpenReport } from './openReport.ts';
import { openReport } from './openReport.ts';
import type { ReportSpec } from '../job/records/report.ts';
import type { ReportProblem } from './problem.ts';
import type { RowLink } from './sources.ts';

/** A column as it is read: what it is called, what it holds, how it is written. */
export interface ReportColumn {
  readonly key: string;
  readonly heading: string;
  readonly kind: CellKind;
  readonly align: 'left' | 'right';
  readonly places: number | undefined;
  /** Screen pixels; on paper columns share the width in these proportions. */
  readonly width: number;
  readonly total: TotalKind | undefined;
  /** The key of the column a mean is weighted by, where that shows. */
  readonly weight: string | undefined;
  /** A formula over other columns, by their keys. */
  readonly formula: string | undefined;
}

export interface ReportRow {
  readonly key: string;
  readonly link: RowLink | undefined;
  /** In the order of the columns. */
  readonly cells: readonly Cell[];
}

export interface ReportGroup {
  /** 0 for the whole. */
  readonly depth: number;
  /** What the column it is grouped by is called; empty for the whole. */
  readonly heading: string;
  readonly label: Cell;
  readonly key: string;
  /** Its rows among those of the report. */
  readonly from: number;
  readonly to: number;
  readonly groups: readonly ReportGroup[];
  /** In the order of the columns. */
  readonly totals: readonly Cell[];
  /** Cells of a column that a total had to leave out because they have no figure. */
  readonly without: readonly number[];
  readonly startsPage: boolean;
  readonly collapsed: boolean;
}

/** A report as data: whatever prints it knows nothing of how it came about. */
export interface Report {
  readonly name: string;
  readonly columns: readonly ReportColumn[];
  readonly rows: readonly ReportRow[];
  readonly root: ReportGroup;
  /** Rows the filter does not let through. */
  readonly leftOut: number;
  readonly problems: readonly ReportProblem[];
  readonly currency: string;
  readonly unitSystem: UnitSystem;
  readonly page: ReportPage;
}

/** What a field is called; given by whoever shows the report. */
export type HeadingOf = (fieldId: string) => string;

export function headingOf({ spec }: Pick<Column, 'spec'>, heading: HeadingOf): string {
  if (spec.heading !== undefined && spec.heading !== '') return spec.heading;
  return 'field' in spec.of ? heading(spec.of.field) : spec.key;
}

const WIDTHS: Readonly<Record<CellKind, number>> = {
  text: 170,
  number: 80,
  quantity: 100,
  money: 104,
  rate: 100,
  percent: 76,
  // The longest month, as the table and the page write it.
  date: 140,
};

export const widthOf = ({ spec, kind }: Pick<Column, 'spec' | 'kind'>): number => spec.width ?? WIDTHS[kind];

export const alignOf = ({ spec, kind }: Pick<Column, 'spec' | 'kind'>): 'left' | 'right' =>
  spec.align ?? (isFigureKind(kind) ? 'right' : 'left');

/** The places of the columns that show, among all. */
export const shownColumns = ({ spec, columns }: Pick<OpenReport, 'spec' | 'columns'>): readonly number[] =>
  columns.flatMap((column, at) => (at < spec.columns.length && column.spec.hidden !== true ? [at] : []));

/** All of an open report, with every cell read. */
export function reportOf(open: OpenReport, heading: HeadingOf): Report {
  const { spec, context, columns, order } = open;
  const shown = shownColumns(open);
  const { currency, unitSystem } = settingsOf(context.figures.job);
  const keyOf = (at: number | undefined): string | undefined =>
    at === undefined || !shown.includes(at) ? undefined : columns[at]?.spec.key;
  return {
    name: spec.name,
    columns: shown.flatMap((at): readonly ReportColumn[] => {
      const column = columns[at];
      if (column === undefined) return [];
      return [
        {
          key: column.spec.key,
          heading: headingOf(column, heading),
          kind: column.kind,
          align: alignOf(column),
          places: column.spec.places,
          width: widthOf(column),
          total: totalKindOf(column),
          weight: keyOf(column.weight),
          formula: column.formula?.source,
        },
      ];
    }),
    rows: order.map((row) => ({
      key: open.keyOf(row),
      link: open.source.linkOf(open.rowOf(row)),
      cells: shown.map((at) => open.cellOf(row, at)),
    })),
    root: groupOf(open, open.root, shown, heading),
    leftOut: open.leftOut,
    problems: open.problems,
    currency,
    unitSystem,
    page: spec.page,
  };
}

function groupOf(open: OpenReport, group: Group, shown: readonly number[], heading: HeadingOf): ReportGroup {
  const column = group.column === undefined ? undefined : open.columns[group.column];
  const level = open.spec.groups[group.depth - 1];
  const { sums, totals } = open.totalsOf(group);
  return {
    depth: group.depth,
    heading: column === undefined ? '' : headingOf(column, heading),
    label: group.label,
    key: group.key,
    from: group.from,
    to: group.to,
    groups: group.groups.map((inner) => groupOf(open, inner, shown, heading)),
    totals: shown.map((at) => totals[at]),
    without: shown.map((at) => sums[at]?.failures ?? 0),
    startsPage: level?.startsPage === true,
    collapsed: level?.collapsed === true,
  };
}

/** The same in one step, for whoever does not keep it open. */
export const makeReport = (spec: ReportSpec, context: ReportContext, heading: HeadingOf): Report =>
  reportOf(openReport(spec, context), heading);
