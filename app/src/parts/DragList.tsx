import {
  DndContext,
  type Announcements,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
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
import { IconButton } from './buttons.tsx';
import { t } from '../messages/t.ts';
import { styles } from './styles.ts';

interface DragListProps {
  readonly ids: readonly string[];
  readonly nameOf: (id: string) => string;
  /** The ids in their new order. */
  readonly onOrder: (ids: readonly string[]) => void;
  readonly children: (id: string) => ReactNode;
}

const INSTRUCTIONS = {
  draggable: t('common.pressSpaceToPickItUpArrow'),
};

/** One place a press, however high the things are. */
const onePlace =
  (ids: readonly string[]): KeyboardCoordinateGetter =>
  (event, { context: { active, over, collisionRect, droppableRects }, currentCoordinates }) => {
    const step = event.code === 'ArrowUp' ? -1 : event.code === 'ArrowDown' ? 1 : 0;
    const next = ids[ids.indexOf(String(over?.id ?? active?.id)) + step];
    const rect = next === undefined ? undefined : droppableRects.get(next);
    if (step === 0 || rect === undefined || collisionRect === null) return undefined;
    event.preventDefault();
    return { x: currentCoordinates.x, y: rect.top + rect.height / 2 - collisionRect.height / 2 };
  };

/** A short list that is ordered by taking its things by their handles, by hand or by keyboard. */
export function DragList({ ids, nameOf, onOrder, children }: DragListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: onePlace(ids) }),
  );
  const end = ({ active, over }: DragEndEvent): void => {
    if (over === null || active.id === over.id) return;
    const [moved, target] = [String(active.id), String(over.id)];
    const down = ids.indexOf(moved) < ids.indexOf(target);
    const others = ids.filter((id) => id !== moved);
    const at = others.indexOf(target) + (down ? 1 : 0);
    onOrder([...others.slice(0, at), moved, ...others.slice(at)]);
  };
  const name = ({ id }: { readonly id: string | number }): string => nameOf(String(id));
  const placeOf = ({ id }: { readonly id: string | number }): string =>
    t('common.placeOf', { place: ids.indexOf(String(id)) + 1, number: ids.length });
  const announcements: Announcements = {
    onDragStart: ({ active }) => t('common.isPickedUp', { active: name(active) }),
    onDragOver: ({ active, over }) =>
      over === null ? undefined : t('common.isAt', { active: name(active), over: placeOf(over) }),
    // It takes the place of what it is put down on, in the order as it is read out before and after.
    onDragEnd: ({ active, over }) =>
      t('common.isDroppedAt', { active: name(active), value: placeOf(over ?? active) }),
    onDragCancel: ({ active }) => t('common.staysAt', { active: name(active), active2: placeOf(active) }),
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={end}
      accessibility={{ announcements, screenReaderInstructions: INSTRUCTIONS }}
    >
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
      className={`${styles.dragItem} ${isOver && !drag.isDragging ? 'drop-here' : ''}`}
      style={
        drag.transform === null ? undefined : { transform: `translateY(${drag.transform.y}px)`, zIndex: 2 }
      }
    >
      <IconButton
        ref={drag.setNodeRef}
        className={styles.dragHandle}
        {...drag.attributes}
        {...drag.listeners}
        aria-label={t('common.move', { name })}
        title={t('common.dragToMoveOrPressSpaceArrow')}
      >
        <GripVertical size={13} />
      </IconButton>
      <div style={{ minWidth: 0 }}>{children}</div>
    </div>
  );
}
