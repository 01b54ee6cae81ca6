import { ArrowDown, ArrowUp } from 'lucide-react';
import { type PointerEvent, memo, useEffect, useRef, useState } from 'react';
import type { GridColumn, GridProps } from './gridProps.ts';
import { stayClass } from './stay.ts';
import { styles } from './styles.ts';
import type { ColumnFrame, GridTable } from './useGridTable.ts';
import { t } from '../messages/t.ts';

interface GridHeadProps<Row> extends Pick<GridProps<Row>, 'sorting' | 'headKind'> {
  readonly columns: readonly GridColumn<Row>[];
  readonly table: GridTable<Row>;
  readonly template: string;
  readonly minWidth: number;
}

/** The heads of the columns: a click sorts where rows can be sorted, the right edge is dragged to another width. */
export function GridHead<Row>(given: GridHeadProps<Row>) {
  const { columns, table, template, minWidth, sorting, headKind } = given;
  const latest = useRef({ table, sorting });
  useEffect(() => {
    latest.current = { table, sorting };
  });
  const [hand] = useState((): HeadHand => {
    return {
      sort: (id) =>
        latest.current.sorting === undefined
          ? latest.current.table.sort(id)
          : latest.current.sorting.onSort(id),
      resize: (id, px) => latest.current.table.resize(id, px),
    };
  });
  return (
    <div className={styles.gridHead} role="row" style={{ gridTemplateColumns: template, minWidth }}>
      {table.frame.map((frame, index) => {
        const column = columns[index];
        if (column === undefined) return null;
        return (
          <ColumnHead
            key={frame.id}
            frame={frame}
            title={column.title}
            hint={column.hint}
            sorts={sorting !== undefined || column.sortBy !== undefined}
            sorted={sorting === undefined ? frame.sorted : sorting.by[frame.id]}
            headKind={headKind}
            hand={hand}
          />
        );
      })}
    </div>
  );
}

type HeadHand = Pick<GridTable<unknown>, 'sort' | 'resize'>;

interface ColumnHeadProps {
  readonly frame: ColumnFrame;
  readonly title: string;
  readonly hint: string | undefined;
  readonly sorts: boolean;
  readonly sorted: ColumnFrame['sorted'];
  readonly headKind: string | undefined;
  readonly hand: HeadHand;
}

/** The columns are made anew with the figures they read, at every edit; their heads stay as they are. */
const ColumnHead = memo(function ColumnHead(props: ColumnHeadProps) {
  const { frame, title, hint, sorts, sorted, headKind, hand } = props;
  return (
    <div
      role="columnheader"
      aria-sort={sorts ? (sorted ?? 'none') : undefined}
      className={`${styles.gridCell} ${frame.align ?? 'left'} ${stayClass(frame)} ${sorts ? 'sorts' : ''}`}
      style={frame.left === undefined ? undefined : { left: frame.left }}
      title={hint ?? (sorts ? t('common.clickToSort') : undefined)}
      onClick={sorts ? () => hand.sort(frame.id) : undefined}
      draggable={headKind !== undefined}
      onDragStart={
        headKind === undefined ? undefined : (event) => event.dataTransfer.setData(headKind, frame.id)
      }
    >
      <span className="cut">{title}</span>
      {sorted === 'ascending' ? <ArrowUp size={10} aria-hidden="true" /> : null}
      {sorted === 'descending' ? <ArrowDown size={10} aria-hidden="true" /> : null}
      <ColumnEdge id={frame.id} onResize={hand.resize} />
    </div>
  );
});

interface ColumnEdgeProps {
  readonly id: string;
  readonly onResize: (id: string, px: number | undefined) => void;
}

/** The edge of a column, which is dragged; by keyboard it is Alt+Shift with an arrow. Two clicks give the usual width. */
function ColumnEdge({ id, onResize }: ColumnEdgeProps) {
  const [drawn, setDrawn] = useState<{ readonly from: number; readonly to: number } | undefined>();
  const widthOf = ({ currentTarget }: PointerEvent): number => currentTarget.parentElement?.offsetWidth ?? 0;
  return (
    <span
      className={styles.columnEdge}
      aria-hidden="true"
      title={t('common.drawToAnotherWidth')}
      data-drawn={drawn === undefined ? undefined : 'true'}
      style={drawn === undefined ? undefined : { transform: `translateX(${drawn.to - drawn.from}px)` }}
      onClick={(event) => event.stopPropagation()}
      onDoubleClick={() => onResize(id, undefined)}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setDrawn({ from: event.clientX, to: event.clientX });
      }}
      onPointerMove={(event) => {
        if (drawn !== undefined) setDrawn({ ...drawn, to: event.clientX });
      }}
      onPointerCancel={() => setDrawn(undefined)}
      onPointerUp={(event) => {
        if (drawn !== undefined && drawn.to !== drawn.from)
          onResize(id, widthOf(event) + drawn.to - drawn.from);
        setDrawn(undefined);
      }}
    />
  );
}
