import type { GridProps } from './gridProps.ts';
import { stayClass } from './stay.ts';
import { styles } from './styles.ts';
import type { ColumnFrame } from './useGridTable.ts';

interface GridFootProps<Row> {
  readonly props: GridProps<Row>;
  readonly frame: readonly ColumnFrame[];
  readonly template: string;
  readonly minWidth: number;
}

/** The totals of all rows, which stay in sight while the rows go under them. */
export function GridFoot<Row>({ props: { foot, columns }, frame, template, minWidth }: GridFootProps<Row>) {
  if (foot === undefined) return null;
  return (
    <div
      data-foot="all"
      className={styles.gridFoot}
      role="row"
      style={{ gridTemplateColumns: template, minWidth }}
    >
      {frame.map((column, at) => (
        <div
          key={column.id}
          role="gridcell"
          className={`${styles.gridCell} ${column.align ?? 'left'} ${stayClass(column)}`}
          style={column.left === undefined ? undefined : { left: column.left }}
        >
          {columns[at]?.show(foot)}
        </div>
      ))}
    </div>
  );
}
