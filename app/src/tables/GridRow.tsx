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
import { GripVertical } from 'lucide-react';
import { type CSSProperties, type ReactNode, createContext, useContext } from 'react';

const Draggable = createContext(false);

interface RowDragProps {
  readonly onDrop: ((moved: string, over: string, side: 'before' | 'after') => void) | undefined;
  readonly children: ReactNode;
}

/** Rows inside can be taken elsewhere by their handles, where there is someone who takes them. */
export function RowDrag({ onDrop, children }: RowDragProps) {
  // A click must stay a click.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
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
      // Rows stand where their transform puts them; the usual measure leaves transforms out.
      measuring={{ droppable: { measure: getClientRect } }}
      accessibility={{ screenReaderInstructions: { draggable: 'Alt and the arrow keys move the row.' } }}
    >
      <Draggable value={true}>{children}</Draggable>
    </DndContext>
  );
}

interface GridRowProps {
  readonly id: string;
  readonly index: number;
  readonly className: string;
  readonly movable: boolean;
  readonly style: CSSProperties;
  readonly children: ReactNode;
}

export function GridRow(props: GridRowProps) {
  const draggable = useContext(Draggable);
  return draggable ? <DragRow {...props} /> : <PlainRow {...props} />;
}

function PlainRow({ index, className, style, children }: GridRowProps) {
  return (
    <div role="row" aria-rowindex={index + 1} className={`grid-row ${className}`} style={style}>
      {children}
    </div>
  );
}

function DragRow({ id, index, className, movable, style, children }: GridRowProps) {
  const drag = useDraggable({ id, disabled: !movable });
  const { isOver, setNodeRef } = useDroppable({ id });
  const state = `${isOver && !drag.isDragging ? 'drop-here' : ''} ${drag.isDragging ? 'dragged' : ''}`;
  return (
    <div
      ref={setNodeRef}
      role="row"
      aria-rowindex={index + 1}
      className={`grid-row ${className} ${state}`}
      style={style}
    >
      {children}
      {movable ? (
        <span
          ref={drag.setNodeRef}
          className="row-handle"
          aria-hidden="true"
          title="Take it elsewhere; Alt and the arrow keys do it too"
          onPointerDown={(event) => drag.listeners?.['onPointerDown']?.(event)}
        >
          <GripVertical size={12} />
        </span>
      ) : null}
    </div>
  );
}
