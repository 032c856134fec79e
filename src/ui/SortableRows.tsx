'use client';
import { closestCenter, DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';

/** Lets the rows inside be put into another order by dragging their grips, by finger or with Space and arrows. */
export function SortableRows({
  ids,
  onMove,
  children,
}: {
  ids: readonly string[];
  onMove: (from: number, to: number) => void;
  children: ReactNode;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  return (
    <DndContext
      id="rows"
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (over && active.id !== over.id) onMove(ids.indexOf(String(active.id)), ids.indexOf(String(over.id)));
      }}
    >
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

/** One row that can be moved, with its grip. */
export function SortableRow({ id, label, children }: { id: string; label: string; children: ReactNode }) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, isDragging } = useSortable({ id });
  return (
    <tr
      ref={setNodeRef}
      style={transform ? { transform: `translateY(${transform.y}px)` } : undefined}
      className={`border-b border-grid align-top ${isDragging ? 'relative z-10 bg-worn' : ''}`}
    >
      <td className="w-7 pt-1.5">
        <button
          type="button"
          ref={setActivatorNodeRef}
          aria-label={label}
          className="flex h-[24px] w-[24px] cursor-grab touch-none items-center justify-center text-ink-3 hover:text-ink"
          {...attributes}
          {...listeners}
        >
          <GripVertical size={15} aria-hidden="true" />
        </button>
      </td>
      {children}
    </tr>
  );
}
