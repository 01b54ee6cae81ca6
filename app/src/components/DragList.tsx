import {
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';
import { useCatchUp } from '../stores/context.tsx';

interface DragListProps {
  readonly ids: readonly string[];
  readonly nameOf: (id: string) => string;
  /** The ids in their new order. */
  readonly onOrder: (ids: readonly string[]) => void;
  readonly children: (id: string) => ReactNode;
}

/** A short list that is ordered by taking its things by their handles, by hand or by keyboard. */
export function DragList({ ids, nameOf, onOrder, children }: DragListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor),
  );
  const catchUp = useCatchUp();
  const end = ({ active, over }: DragEndEvent): void => {
    if (over === null || active.id === over.id) return;
    const [moved, target] = [String(active.id), String(over.id)];
    const down = ids.indexOf(moved) < ids.indexOf(target);
    const others = ids.filter((id) => id !== moved);
    const at = others.indexOf(target) + (down ? 1 : 0);
    onOrder([...others.slice(0, at), moved, ...others.slice(at)]);
    catchUp();
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={end}>
      {ids.map((id) => (
        <DragItem key={id} id={id} name={nameOf(id)}>
          {children(id)}
        </DragItem>
      ))}
    </DndContext>
  );
}

function DragItem({
  id,
  name,
  children,
}: {
  readonly id: string;
  readonly name: string;
  readonly children: ReactNode;
}) {
  const drag = useDraggable({ id });
  const { isOver, setNodeRef } = useDroppable({ id });
  return (
    <div
      ref={setNodeRef}
      className={`drag-item ${isOver && !drag.isDragging ? 'drop-here' : ''}`}
      style={
        drag.transform === null ? undefined : { transform: `translateY(${drag.transform.y}px)`, zIndex: 2 }
      }
    >
      <button
        ref={drag.setNodeRef}
        type="button"
        className="icon-button drag-handle"
        {...drag.attributes}
        {...drag.listeners}
        aria-label={`Move ${name}`}
        title="Take it up or down; by keyboard: space, arrows, space"
      >
        <GripVertical size={13} />
      </button>
      <div style={{ minWidth: 0 }}>{children}</div>
    </div>
  );
}
