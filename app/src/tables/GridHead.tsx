import { ArrowDown, ArrowUp } from 'lucide-react';
import { type PointerEvent, useState } from 'react';
import type { GridColumn } from './gridProps.ts';
import { stayClass } from './stay.ts';
import { styles } from './styles.ts';
import type { GridTable } from './useGridTable.ts';
import { t } from '../messages/t.ts';

interface GridHeadProps<Row> {
  readonly columns: readonly GridColumn<Row>[];
  readonly table: GridTable<Row>;
  readonly template: string;
  readonly minWidth: number;
}

/** The heads of the columns: a click sorts where rows can be sorted, the right edge is drawn to another width. */
export function GridHead<Row>({ columns, table, template, minWidth }: GridHeadProps<Row>) {
  return (
    <div className={styles.gridHead} role="row" style={{ gridTemplateColumns: template, minWidth }}>
      {table.frame.map((frame, index) => {
        const column = columns[index];
        if (column === undefined) return null;
        const sorts = column.sortBy !== undefined;
        return (
          <div
            key={frame.id}
            role="columnheader"
            aria-sort={sorts ? (frame.sorted ?? 'none') : undefined}
            className={`${styles.gridCell} ${frame.align ?? 'left'} ${stayClass(frame)} ${sorts ? 'sorts' : ''}`}
            style={frame.left === undefined ? undefined : { left: frame.left }}
            title={column.hint ?? (sorts ? t('common.clickToSort') : undefined)}
            onClick={sorts ? () => table.sort(frame.id) : undefined}
          >
            <span className="cut">{column.title}</span>
            {frame.sorted === 'ascending' ? <ArrowUp size={10} aria-hidden="true" /> : null}
            {frame.sorted === 'descending' ? <ArrowDown size={10} aria-hidden="true" /> : null}
            <ColumnEdge id={frame.id} onResize={table.resize} />
          </div>
        );
      })}
    </div>
  );
}

interface ColumnEdgeProps {
  readonly id: string;
  readonly onResize: (id: string, px: number | undefined) => void;
}

/** The edge of a column, which is drawn; by keyboard it is Alt+Shift with an arrow. Two clicks give the usual width. */
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
