import { useCallback, useEffect, useMemo, useState } from 'react';
import type { Selection } from '@zest/core/calculate/explain/throughLine';
import type { OpenReport } from '@zest/core/reports/openReport';
import type { RowLink } from '@zest/core/reports/sources';
import { describeProblem } from '../../messages/describeProblem.ts';
import { useFormats, useJobActions, useJobState, useOpenNow, useServices } from '../../stores/context.tsx';
import { useSettle } from '../../stores/useSettle.ts';
import { Empty } from '../../parts/Empty.tsx';
import { Grid } from '../../tables/Grid.tsx';
import { AS_MADE, type Arrangement } from '../../tables/arrangement.ts';
import type { GridEdit } from '../../tables/gridProps.ts';
import { t } from '../../messages/t.ts';
import { cellWritingOf } from './cellWords.ts';
import { fieldOfColumn, reportColumns } from './reportColumns.tsx';
import { readReportEdits } from './reportEdits.ts';
import { type Folded, type ShownRow, WHOLE, groupAt, shownRows } from './reportRows.ts';
import type { ChangeSpec } from './useReports.ts';

/** What a dragged heading carries. */
export const HEAD_KIND = 'application/x-zest-column';

interface ReportTableProps {
  readonly open: OpenReport;
  readonly change: ChangeSpec;
  /** It is of the job: a width that is given by hand is kept with it. */
  readonly isOwn: boolean;
  /** Told of the row that is current. */
  readonly onRow?: (at: number | undefined) => void;
}

/** A report as a table: groups that open and close, totals in sight, cells that are typed into where they are typed. */
export function ReportTable({ open, change, isOwn, onRow }: ReportTableProps) {
  const formats = useFormats();
  const actions = useJobActions();
  const selection = useJobState((state) => state.selection);
  const [folded, setFolded] = useState<Folded>(new Map());
  const arrangement = useWidths(isOwn, change);
  const onFold = useCallback(
    (key: string, isFolded: boolean) => setFolded((now) => new Map([...now, [key, isFolded]])),
    [],
  );
  const rows = useRows(open, folded);
  const foot = useFoot(open);
  const columns = useMemo(() => {
    const writing = cellWritingOf(open.context.figures.job, formats);
    return reportColumns({ open, writing, onFold, foot });
  }, [open, formats, onFold, foot]);
  const edit = useEdits(open);
  if (open.order.length === 0)
    return (
      <Empty title={t('report.nothingToShow')}>
        {open.leftOut > 0
          ? t('report.allLeftOutByTheFilter', { rows: t('count.row', { count: open.leftOut }) })
          : t('report.noSuchRowsYet')}
      </Empty>
    );
  return (
    <Grid
      label={open.spec.name}
      columns={columns}
      rows={rows}
      keyOf={({ key }) => key}
      classOf={({ type }) => (type === 'foot' ? 'group-foot' : type)}
      arrangement={arrangement}
      headKind={HEAD_KIND}
      sorting={{
        by: Object.fromEntries(
          open.spec.sorts.map(({ column, descending }) => [column, descending ? 'descending' : 'ascending']),
        ),
        onSort: (column) =>
          void change(t('report.sortARe'), (spec) => ({ ...spec, sorts: nextSorts(spec.sorts, column) })),
      }}
      foot={foot}
      onEdit={edit}
      onFold={(row, isFolded) => {
        if (row.type === 'group') onFold(groupAt(open, row.path).key, isFolded);
        return row.type === 'group';
      }}
      onSelect={(row) => {
        const at = row.type === 'row' ? row.at : undefined;
        onRow?.(at);
        const link = at === undefined ? undefined : open.source.linkOf(open.rowOf(at));
        const selected = selectionOf(link);
        if (selected !== undefined) actions.select(selected);
      }}
      selectedKey={rowOfSelection(open, selection)}
    />
  );
}

/** Widths that were given by hand: kept with a report of the job, and for a while with one that ships. */
function useWidths(isOwn: boolean, change: ChangeSpec): readonly [Arrangement, (next: Arrangement) => void] {
  const [local, setLocal] = useState<Arrangement>(AS_MADE);
  if (!isOwn) return [local, setLocal];
  return [
    AS_MADE,
    ({ sizes }) =>
      void change(t('report.widenAColumn'), (spec) => ({
        ...spec,
        columns: spec.columns.map((column) => {
          const width = sizes[column.key];
          return width === undefined ? column : { ...column, width };
        }),
      })),
  ];
}

/** The rows: the same for as long as no row comes, goes or moves, whatever their figures become. */
function useRows(open: OpenReport, folded: Folded): readonly ShownRow[] {
  const { order, spec } = open;
  return useMemo(
    () => shownRows(open, folded),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the report is another with every figure
    [order, spec, folded],
  );
}

/** Rows from which on the totals of all are figured once the first rows are on the screen. */
const MANY_ROWS = 3_000;

/** The totals of all rows: of a long report a moment after its first rows. */
function useFoot(open: OpenReport): ShownRow | undefined {
  const isLong = open.order.length > MANY_ROWS;
  const [isReady, setReady] = useState(!isLong);
  useEffect(() => {
    if (isReady) return;
    // Behind what is drawn now, and no longer: a timer comes after the frame.
    const frame = requestAnimationFrame(() => setTimeout(() => setReady(true)));
    return () => cancelAnimationFrame(frame);
  }, [isReady]);
  return useMemo(
    () =>
      hasTotals(open) && (isReady || !isLong)
        ? { type: 'foot', key: 'all', path: WHOLE, depth: 0, isFolded: false }
        : undefined,
    [open, isReady, isLong],
  );
}

const hasTotals = ({ spec }: OpenReport): boolean => spec.columns.some(({ total }) => total !== undefined);

type Sorts = OpenReport['spec']['sorts'];

/** By this column; pressed again, the other way round, and then as the rows come. */
function nextSorts(sorts: Sorts, column: string): Sorts {
  const now = sorts.find((sort) => sort.column === column);
  if (now === undefined) return [{ column }];
  return now.descending === true ? [] : [{ column, descending: true }];
}

function selectionOf(link: RowLink | undefined): Selection | undefined {
  switch (link?.to) {
    case 'line':
      return { type: 'line', key: link.key };
    case 'scope':
      return { type: 'scope', id: link.id };
    case 'mark':
      return { type: 'mark', id: link.id };
    default:
      return undefined;
  }
}

/** The row of what is selected elsewhere: choosing a mark on the sheet shows it here. */
function rowOfSelection(open: OpenReport, selection: Selection | undefined): string | undefined {
  if (selection === undefined || selection.type === 'bid') return undefined;
  return selection.type === 'line' ? selection.key : selection.id;
}

/** Takes what was typed into cells, as one step that undo knows by what was changed. */
function useEdits(report: OpenReport): (edits: readonly GridEdit<ShownRow>[]) => string | undefined {
  const formats = useFormats();
  const settle = useSettle();
  const openNow = useOpenNow();
  const { makeId } = useServices();
  return (edits) => {
    const typed = edits.flatMap(({ row, column, text }) => {
      const field = fieldOfColumn(report, column);
      return row.type === 'row' && field !== undefined ? [{ at: row.at, field, text }] : [];
    });
    if (typed.length === 0) return undefined;
    const read = readReportEdits(report, typed, { open: openNow(), formats, makeId });
    if (!read.ok) return describeProblem(read.problem);
    return settle(t('report.changeCells', { count: typed.length }), read.value);
  };
}
