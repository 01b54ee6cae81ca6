import { ChevronDown, ChevronRight } from 'lucide-react';
import type { Group } from '@zest/core/reports/arrange';
import { type Cell, isFigureKind } from '@zest/core/reports/cell';
import type { OpenReport } from '@zest/core/reports/openReport';
import { alignOf, headingOf, shownColumns, widthOf } from '@zest/core/reports/report';
import { type CellWriting, joinCellText, writeCell } from '@zest/core/reports/writeCell';
import { headingOfField } from '../../messages/reportWords.ts';
import { describeFailure } from '../../messages/describeFailure.ts';
import { NoFigure } from '../../figures/Figure.tsx';
import { BareButton } from '../../parts/buttons.tsx';
import type { GridColumn } from '../../tables/gridProps.ts';
import { t } from '../../messages/t.ts';
import { failureWords } from './cellWords.ts';
import { canEdit } from './reportEdits.ts';
import { type ShownRow, groupAt } from './reportRows.ts';
import { styles } from './styles.ts';

const GROUP_PX = 190;
/** A bold digit of the table. */
const FIGURE_PX = 7.6;
/** One that is not bold. */
const PLAIN_PX = 7.4;

interface ColumnMeans {
  readonly open: OpenReport;
  readonly writing: CellWriting;
  readonly onFold: (key: string, isFolded: boolean) => void;
  /** The totals of all, once they are there. */
  readonly foot: ShownRow | undefined;
}

/** The columns of a report as the table takes them. */
export function reportColumns({ open, writing, onFold, foot }: ColumnMeans): readonly GridColumn<ShownRow>[] {
  const { job } = open.context.figures;
  const heading = (field: string): string => headingOfField(field, job);
  // Names of groups stand in the first column.
  const isGrouped = open.spec.groups.length > 0;
  return shownColumns(open).flatMap((at, place): readonly GridColumn<ShownRow>[] => {
    const column = open.columns[at];
    if (column === undefined) return [];
    const { spec } = column;
    const cellOf = (row: ShownRow): Cell =>
      row.type === 'row'
        ? open.cellOf(row.at, at)
        : row.type === 'foot' || row.isFolded || row.depth === 0
          ? open.totalsOf(groupAt(open, row.path)).totals[at]
          : undefined;
    const text = (row: ShownRow): string => joinCellText(writeCell(cellOf(row), spec.places, writing));
    const field = 'field' in spec.of ? spec.of.field : undefined;
    // Neither a figure nor a heading is cut: the largest figure stands at the foot.
    const title = headingOf(column, heading);
    const footPx = foot === undefined || !isFigureKind(column.kind) ? 0 : text(foot).length * FIGURE_PX + 18;
    // Prices for one, and what is calculated, often have no total, and a unit behind them.
    const isRate = column.kind === 'rate' || column.formula !== undefined;
    const ratePx = isRate ? widestPx(open, at, writing) : 0;
    const leastPx = Math.max(
      footPx,
      ratePx,
      title.length * FIGURE_PX + 18,
      place === 0 && isGrouped ? GROUP_PX : 0,
    );
    return [
      {
        id: spec.key,
        title,
        ...hintOf(spec.of),
        width: `${Math.max(widthOf(column), leastPx)}px`,
        align: alignOf(column),
        stays: place === 0,
        text,
        editable: (row) => row.type === 'row' && field !== undefined && canEdit(open, row.at, field),
        show: (row) =>
          place === 0 && row.type !== 'row' ? (
            <GroupLabel row={row} open={open} writing={writing} onFold={onFold} total={cellOf(row)} />
          ) : (
            <CellView cell={cellOf(row)} places={spec.places} writing={writing} open={open} />
          ),
      },
    ];
  });
}

/** So many rows tell how wide a column must be. */
const SEEN_ROWS = 200;

/** The widest figure among the first rows. */
function widestPx(open: OpenReport, at: number, writing: CellWriting): number {
  const places = open.columns[at]?.spec.places;
  const lengths = open.order
    .slice(0, SEEN_ROWS)
    .map((row) => joinCellText(writeCell(open.cellOf(row, at), places, writing)).length);
  return Math.max(0, ...lengths) * PLAIN_PX + 18;
}

const hintOf = (of: OpenReport['spec']['columns'][number]['of']): { readonly hint?: string } =>
  'formula' in of ? { hint: of.formula } : {};

interface CellViewProps {
  readonly cell: Cell;
  readonly places: number | undefined;
  readonly writing: CellWriting;
  readonly open: OpenReport;
}

/** One cell: figures with their unit in a lighter weight, and why there is none where there is none. */
function CellView({ cell, places, writing, open }: CellViewProps) {
  if (cell?.kind === 'failure') {
    const { failure } = cell;
    const why =
      failure === 'does-not-fit'
        ? t('report.formulaDoesNotFitThisRow')
        : describeFailure(failure, open.context.figures.job);
    return <NoFigure words={failureWords(failure)} why={why} />;
  }
  const { text, unit } = writeCell(cell, places, writing);
  if (cell?.kind === 'mixed')
    return (
      <span className="cut soft" title={text}>
        {text}
      </span>
    );
  return (
    <span className="cut" title={cell?.kind === 'text' ? text : undefined}>
      {text}
      {unit === '' ? null : <span className="unit"> {unit}</span>}
    </span>
  );
}

interface GroupLabelProps {
  readonly row: Extract<ShownRow, { readonly path: unknown }>;
  readonly open: OpenReport;
  readonly writing: CellWriting;
  readonly onFold: (key: string, isFolded: boolean) => void;
  /** What the first column itself comes to. */
  readonly total: Cell;
}

/** What a group is called, in the place of its first column. */
function GroupLabel({ row, open, writing, onFold, total }: GroupLabelProps) {
  const { isFolded, path } = row;
  const group = groupAt(open, path);
  const own = joinCellText(writeCell(total, undefined, writing));
  if (group.depth === 0) return <span>{[t('report.total'), own].filter(Boolean).join(' ')}</span>;
  const name = groupName(open, group, writing);
  const indent = { paddingLeft: (group.depth - 1) * 14 };
  if (row.type === 'foot')
    return (
      <span className="cut" style={indent} title={name}>
        {t('report.totalOf', { name })} {own}
      </span>
    );
  return (
    <BareButton
      className={styles.groupLabel}
      style={indent}
      tabIndex={-1}
      aria-expanded={!isFolded}
      onClick={() => onFold(group.key, !isFolded)}
    >
      {isFolded ? <ChevronRight size={13} /> : <ChevronDown size={13} />}
      <span className={isFolded ? 'cut' : 'over'} title={name}>
        {name}
      </span>
      <span className="soft">{group.to - group.from}</span>
    </BareButton>
  );
}

/** What a group is alike in; where that says nothing, what it says nothing of. */
export function groupName(open: OpenReport, group: Group, writing: CellWriting): string {
  const column = group.column === undefined ? undefined : open.columns[group.column];
  const name = joinCellText(writeCell(group.label, column?.spec.places, writing));
  if (name !== '' || column === undefined) return name;
  return t('report.without', {
    field: headingOf(column, (field) => headingOfField(field, open.context.figures.job)),
  });
}

/** The field a column shows; undefined for a calculated one. */
export const fieldOfColumn = (open: OpenReport, key: string): string | undefined => {
  const of = open.spec.columns.find((column) => column.key === key)?.of;
  return of !== undefined && 'field' in of ? of.field : undefined;
};
