import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  getClientRect,
  pointerWithin,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type CSSProperties, type ReactNode, createContext, memo, useContext } from 'react';
import { RowCells, type RowCellsProps } from './RowCells.tsx';
import { t } from '../messages/t.ts';
import { styles } from './styles.ts';

const Draggable = createContext(false);

// The same objects at every drawing, or every row would be drawn with them. A click must stay a click.
const POINTER = { activationConstraint: { distance: 5 } };
/** Rows stand where their transform puts them; the usual measure leaves transforms out. */
const MEASURING = { droppable: { measure: getClientRect } };
const SPOKEN = { screenReaderInstructions: { draggable: t('common.altAndTheArrowKeysMoveThe') } };

interface RowDragProps {
  readonly onDrop: ((moved: string, over: string, side: 'before' | 'after') => void) | undefined;
  readonly children: ReactNode;
}

/** Rows inside can be taken elsewhere by their handles, where there is someone who takes them. */
export function RowDrag({ onDrop, children }: RowDragProps) {
  const sensors = useSensors(useSensor(PointerSensor, POINTER));
  if (onDrop === undefined) return <>{children}</>;
  const end = ({ active, over, delta }: DragEndEvent): void => {
    if (over === null || active.id === over.id) return;
    onDrop(String(active.id), String(over.id), delta.y < 0 ? 'before' : 'after');
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragEnd={end}
      measuring={MEASURING}
      accessibility={SPOKEN}
    >
      <Draggable value={true}>{children}</Draggable>
    </DndContext>
  );
}

interface GridRowProps<Row> extends RowCellsProps<Row> {
  readonly id: string;
  readonly className: string;
  readonly movable: boolean;
  /** The widths of the columns, as a grid takes them. */
  readonly template: string;
  /** From the top of the table, px. */
  readonly start: number;
}

/** One row: drawn anew only when what it shows or what is selected in it changed. */
export const GridRow = memo(function GridRow<Row>(props: GridRowProps<Row>) {
  const { id, className, movable, template, start, ...cells } = props;
  const draggable = useContext(Draggable);
  const frame: RowFrameProps = {
    id,
    index: cells.index,
    className,
    movable,
    style: { gridTemplateColumns: template, transform: `translateY(${start}px)`, top: 0 },
    children: <RowCells {...cells} />,
  };
  return draggable ? <DragRow {...frame} /> : <PlainRow {...frame} />;
}) as <Row>(props: GridRowProps<Row>) => ReactNode;

interface RowFrameProps {
  readonly id: string;
  readonly index: number;
  readonly className: string;
  readonly movable: boolean;
  readonly style: CSSProperties;
  readonly children: ReactNode;
}

function PlainRow({ index, className, style, children }: RowFrameProps) {
  return (
    <div role="row" aria-rowindex={index + 1} className={`${styles.gridRow} ${className}`} style={style}>
      {children}
    </div>
  );
}

function DragRow({ id, index, className, movable, style, children }: RowFrameProps) {
  const drag = useDraggable({ id, disabled: !movable });
  const { isOver, setNodeRef } = useDroppable({ id });
  const state = `${isOver && !drag.isDragging ? 'drop-here' : ''} ${drag.isDragging ? 'dragged' : ''}`;
  return (
    <div
      ref={setNodeRef}
      role="row"
      aria-rowindex={index + 1}
      className={`${styles.gridRow} ${className} ${state}`}
      style={style}
    >
      {children}
      {movable ? (
        <span
          ref={drag.setNodeRef}
          className={styles.rowHandle}
          aria-hidden="true"
          title={t('common.dragToMoveOrPressAltWith')}
          onPointerDown={(event) => drag.listeners?.['onPointerDown']?.(event)}
        />
      ) : null}
    </div>
  );
}
