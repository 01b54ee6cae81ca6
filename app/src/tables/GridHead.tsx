import { ArrowDown, ArrowUp } from 'lucide-react';
import { type PointerEvent, memo, useEffect, useRef, useState } from 'react';
import type { GridColumn } from './gridProps.ts';
import { stayClass } from './stay.ts';
import { styles } from './styles.ts';
import type { ColumnFrame, GridTable } from './useGridTable.ts';
import { t } from '../messages/t.ts';

interface GridHeadProps<Row> {
  readonly columns: readonly GridColumn<Row>[];
  readonly table: GridTable<Row>;
  readonly template: string;
  readonly minWidth: number;
}

/** The heads of the columns: a click sorts where rows can be sorted, the right edge is dragged to another width. */
export function GridHead<Row>({ columns, table, template, minWidth }: GridHeadProps<Row>) {
  const latest = useRef(table);
  useEffect(() => {
    latest.current = table;
  });
  const [hand] = useState((): HeadHand => {
    return {
      sort: (id) => latest.current.sort(id),
      resize: (id, px) => latest.current.resize(id, px),
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
            sorts={column.sortBy !== undefined}
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
  readonly hand: HeadHand;
}

/** The columns are made anew with the figures they read, at every edit; their heads stay as they are. */
const ColumnHead = memo(function ColumnHead({ frame, title, hint, sorts, hand }: ColumnHeadProps) {
  return (
    <div
      role="columnheader"
      aria-sort={sorts ? (frame.sorted ?? 'none') : undefined}
      className={`${styles.gridCell} ${frame.align ?? 'left'} ${stayClass(frame)} ${sorts ? 'sorts' : ''}`}
      style={frame.left === undefined ? undefined : { left: frame.left }}
      title={hint ?? (sorts ? t('common.clickToSort') : undefined)}
      onClick={sorts ? () => hand.sort(frame.id) : undefined}
    >
      <span className="cut">{title}</span>
      {frame.sorted === 'ascending' ? <ArrowUp size={10} aria-hidden="true" /> : null}
      {frame.sorted === 'descending' ? <ArrowDown size={10} aria-hidden="true" /> : null}
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
