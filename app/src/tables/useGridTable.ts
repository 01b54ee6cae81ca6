import {
  columnPinningFeature,
  columnSizingFeature,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useMemo, useState } from 'react';
import { sameValue } from '@zest/core/job/sameValue';
import { AS_MADE, type Arrangement, sizeInPx } from './arrangement.ts';
import type { GridColumn, GridProps } from './gridProps.ts';
import { pinnedColumns, pixelsOf } from './stay.ts';

const features = tableFeatures({
  columnPinningFeature,
  columnSizingFeature,
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
});

/** Of a column, what its cells stand by; it stays the same while figures change. */
export interface ColumnFrame {
  readonly id: string;
  readonly align: 'left' | 'right' | undefined;
  /** Where it stays, px from the left; undefined for one that goes. */
  readonly left: number | undefined;
  /** True for the last that stays: what goes, goes under it. */
  readonly edge: boolean;
  /** As a grid template takes it. */
  readonly width: string;
  /** By what the rows are sorted; undefined where not by this. */
  readonly sorted: 'ascending' | 'descending' | undefined;
}

export interface GridTable<Row> {
  readonly frame: readonly ColumnFrame[];
  /** In the order they are shown. */
  readonly rows: readonly Row[];
  /** Gives a column a width in px; undefined gives it the usual one back. */
  readonly resize: (id: string, px: number | undefined) => void;
  /** Sorts by a column; by the same again, the other way round, and then not at all. */
  readonly sort: (id: string, desc?: boolean) => void;
}

/**
 * The model of a table: which column stands where and how wide, which stay, and in what order the rows come. Rows are
 * only taken through the sorting where someone sorted: the estimate has thousands, and they come in their order.
 */
export function useGridTable<Row>({
  columns,
  rows,
  keyOf,
  arrangement,
}: Pick<GridProps<Row>, 'columns' | 'rows' | 'keyOf' | 'arrangement'>): GridTable<Row> {
  const own = useState(AS_MADE);
  const [{ sizes, sorting }, arrange] = arrangement ?? own;
  // Columns are made anew with the figures they read; the table is made of what stays the same in them.
  const plan = useSame(columns.map(({ id, width, align, stays }) => ({ id, width, align, stays })));
  const defs = useMemo(
    () => columns.map((column) => defOf(column)),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what a row is sorted by hangs on the row alone
    [plan],
  );
  const pinned = pinnedColumns(plan, sizes);
  const isSorted = sorting.length > 0;
  const entries = useMemo(
    (): readonly Entry<Row>[] => (isSorted ? rows.map((row) => ({ row })) : []),
    [rows, isSorted],
  );
  const table = useTable({
    features,
    columns: defs,
    data: entries,
    getRowId: ({ row }) => keyOf(row),
    state: {
      columnSizing: sizes,
      columnPinning: { start: [...pinned], end: [] },
      sorting: [...sorting],
    },
  });
  const frame = useSame(
    plan.map(({ id, width, align }): ColumnFrame => {
      const column = table.getColumn(id);
      const stays = column?.getIsPinned() === 'start';
      const sort = sorting.find((each) => each.id === id);
      return {
        id,
        align,
        left: stays ? column.getStart('start') : undefined,
        edge: pinned.at(-1) === id,
        width: sizes[id] === undefined ? width : `${sizes[id]}px`,
        sorted: sort === undefined ? undefined : sort.desc ? 'descending' : 'ascending',
      };
    }),
  );
  const shown = isSorted ? table.getRowModel().rows.map(({ original }) => original.row) : rows;
  return {
    frame,
    rows: shown,
    resize: (id, px) => {
      const { [id]: _before, ...others } = sizes;
      arrange({ sorting, sizes: px === undefined ? others : { ...others, [id]: sizeInPx(px) } });
    },
    sort: (id, desc) => arrange({ sizes, sorting: nextSorting(sorting, id, desc) }),
  };
}

interface Entry<Row> {
  readonly row: Row;
}

function nextSorting(
  now: Arrangement['sorting'],
  id: string,
  desc: boolean | undefined,
): Arrangement['sorting'] {
  const same = now.find((each) => each.id === id);
  if (desc !== undefined) return same?.desc === desc ? [] : [{ id, desc }];
  if (same === undefined) return [{ id, desc: false }];
  return same.desc ? [] : [{ id, desc: true }];
}

const WORDS = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });

/** What is empty comes last whichever way the rows are sorted; figures go before words. */
function defOf<Row>({ id, width, sortBy }: GridColumn<Row>) {
  return {
    id,
    accessorFn: ({ row }: Entry<Row>): string | number | undefined => {
      const value = sortBy?.(row);
      return value === '' ? undefined : value;
    },
    size: pixelsOf(width) ?? 150,
    enableSorting: sortBy !== undefined,
    sortUndefined: 'last' as const,
    sortFn: (a: { getValue: (of: string) => unknown }, b: typeof a, of: string): number => {
      const [x, y] = [a.getValue(of), b.getValue(of)];
      if (typeof x === 'number' && typeof y === 'number') return x - y;
      return typeof x === typeof y ? WORDS.compare(String(x), String(y)) : typeof x === 'number' ? -1 : 1;
    },
  };
}

/** The value of before for as long as it is the same. */
function useSame<Value>(value: Value): Value {
  const [same, setSame] = useState(value);
  if (sameValue(same, value)) return same;
  setSame(value);
  return value;
}
